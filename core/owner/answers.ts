import { z } from 'zod'
import { Day, Zone, type EarSign, type Mats } from '../dog'
import type { Today } from '../visit'

/** What an owner answers before a visit. Weeks since the last bath; null where it isn't known or said. */
export const BeforeAnswers = z.object({
  lastBathWeeks: z.number().int().min(0).max(260, 'Give up to 260 weeks.').nullable().default(null),
  mats: z.enum(['none', 'few', 'many']).default('none'),
  matsAt: z.array(Zone).max(9).default([]),
  shedding: z.boolean().default(false),
  fleas: z.enum(['no', 'maybe', 'yes']).default('no'),
  ears: z.enum(['fine', 'scratches', 'smells']).default('fine'),
  /** What a vet found or gives at the moment. */
  vet: z.string().trim().max(200, 'Keep it to 200 characters.').default(''),
  /** Whether it has a walk before it comes. */
  walk: z.boolean().nullable().default(null),
  /** Who agrees to what was talked over: mats cut out, a muzzle, the vet called. */
  consent: z.string().trim().max(80, 'Keep it to 80 characters.').default(''),
  note: z.string().trim().max(300, 'Keep it to 300 characters.').default(''),
})
export type BeforeAnswers = z.infer<typeof BeforeAnswers>

/** What an owner answers two days after a visit. */
export const AfterAnswers = z.object({
  scratching: z.enum(['no', 'little', 'much']),
  earShaking: z.boolean(),
  dampSmell: z.boolean(),
  note: z.string().trim().max(300, 'Keep it to 300 characters.').default(''),
})
export type AfterAnswers = z.infer<typeof AfterAnswers>

/** An owner's answers about a dog's visit of a date. */
export const OwnerAnswers = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('before'), date: Day, answers: BeforeAnswers }),
  z.object({ kind: z.literal('after'), date: Day, answers: AfterAnswers }),
])
export type OwnerAnswers = z.infer<typeof OwnerAnswers>

/** Answers as a card hands them back, in a file or a code: of which dog. */
export const HandedAnswers = z.object({
  juvant: z.literal('answers'),
  dog: z.uuid(),
  said: OwnerAnswers,
})
export type HandedAnswers = z.infer<typeof HandedAnswers>

/** What stands before the answers in a code. */
const CODE = 'JUVANT1:'

/**
 * Answers from what a card handed back: the file's text, or the code that its picture holds. Undefined when it is
 * neither, or not whole.
 */
export function readHanded(text: string): HandedAnswers | undefined {
  const plain = text.trim()
  try {
    const json = plain.startsWith(CODE)
      ? new TextDecoder().decode(
          Uint8Array.from(atob(plain.slice(CODE.length).replace(/-/g, '+').replace(/_/g, '/')), (c) =>
            c.codePointAt(0)!,
          ),
        )
      : plain
    const read = HandedAnswers.safeParse(JSON.parse(json))
    return read.success ? read.data : undefined
  } catch {
    return undefined
  }
}

/** Answers as the code of a card. */
export function codeOf(handed: HandedAnswers): string {
  const bytes = new TextEncoder().encode(JSON.stringify(handed))
  const base = btoa(String.fromCodePoint(...bytes))
  return CODE + base.replace(/\+/g, '-').replace(/\//g, '_').replace(/=+$/, '')
}

const EAR_SIGNS: Record<BeforeAnswers['ears'], readonly EarSign[]> = {
  fine: [],
  scratches: ['shaking or scratching'],
  smells: ['bad smell'],
}

/** What an owner's answers put into a check-in, for the hands to confirm; only what they say something about. */
export function putByOwner(today: Today, answers: BeforeAnswers): Partial<Today> {
  const score = answers.mats === 'many' ? 2 : answers.mats === 'few' ? 1 : 0
  const mats: Mats = { ...today.mats }
  if (score > 0) for (const zone of answers.matsAt) mats[zone] = Math.max(score, mats[zone] ?? 0)
  const signs = EAR_SIGNS[answers.ears]
  const ear = (look: Today['leftEar']) => ({ ...look, signs: [...new Set([...look.signs, ...signs])] })
  return {
    ...(score > 0 && answers.matsAt.length > 0 && { mats }),
    ...(answers.shedding && { shedding: true }),
    ...(answers.fleas === 'yes' && { fleas: true }),
    ...(signs.length > 0 && { leftEar: ear(today.leftEar), rightEar: ear(today.rightEar) }),
  }
}
