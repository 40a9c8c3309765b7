import { constants, house, practice } from '../constants'
import type { Fear } from '../dog'
import { CURVE, type DryingPlan } from '../drying'
import { add, further, isOwn, times } from '../reckoned'
import { said } from '../said'
import type { LeftOut, LeftOutWhat, ShortBecause } from './short'
import type { Today } from './schema'
import type { Plan, Step } from './types'

declare module '../said' {
  interface Codes {
    'short.lessOf': { most: number }
    'step.looseHair': None
  }
}

/** How much a dog that is new to it or frightened is asked to bear. */
export const BEARABLE = constants({
  small: practice(45, 'min of hands', [40, 50]),
  large: practice(60, 'min of hands', [50, 70]),
  smallTo: practice(10, 'kg', [8, 12]),
  over: house(0.5, 'min too long before only legs, belly and tail are washed', [0, 5]),
  loose: house(2, 'min, and a little more for each kg', [1, 5]),
  looseEach: house(0.05, 'min/kg', [0.02, 0.2]),
  dryer: practice(5, 'min of dryer at the least', [3, 10]),
  again: practice(10, 'days', [7, 14]),
})

/** What a visit is kept short for, so that it ends while the dog still bears it; an old dog's is only made gentle. */
export const keepsShort = (short: ShortBecause | undefined): short is Exclude<ShortBecause, 'senior'> =>
  short !== undefined && short !== 'senior'

/** Minutes of hands that such a visit has at the most. */
export const bearableMinutes = (kg: number): number =>
  kg <= BEARABLE.smallTo.value ? BEARABLE.small.value : BEARABLE.large.value

/** How much of a step is done: to so many minutes where there is less than all, which its reasons then say. */
function lessOf(step: Step, minutes: number, most: number): Step {
  const { value } = step.minutes
  if (isOwn(step.minutes) || minutes >= value) return step
  return { ...step, minutes: further(step.minutes, times('short.lessOf', { most }, minutes / value)) }
}

/**
 * Whether a visit is too much for what the dog bears even when all that may go has gone, its user's own minutes aside: then
 * only legs, belly and tail are washed, and the rest another day. Never where fleas or a vet's treatment ask for all of it.
 */
export function asksTooMuch({ short, go, steps }: Pick<Plan, 'short' | 'go' | 'steps'>, kg: number, today: Today) {
  const all = today.fleas || today.skin.includes('vet-treated') || today.anyway.includes('upperBody')
  if (!go || !keepsShort(short) || all) return false
  return handsIn(steps.filter((s) => !isOwn(s.minutes) && s.kind !== 'own')) > bearableMinutes(kg) + BEARABLE.over.value
}

/** What goes, in this order: down to the loose hair and the worst mat, or (`all`) altogether; nobody cuts half the nails. */
const GOES: { what: LeftOutWhat; kinds: readonly Step['kind'][]; all: boolean }[] = [
  { what: 'brushing', kinds: ['brush', 'blowOut', 'deShed'], all: false },
  { what: 'nails', kinds: ['nails'], all: true },
  { what: 'combing', kinds: ['comb'], all: true },
  { what: 'tidy', kinds: ['tidy'], all: true },
]
/** Minutes for the loose hair and the worst mat. */
const looseMinutes = (kg: number) => BEARABLE.loose.value + BEARABLE.looseEach.value * kg

const handsIn = (steps: readonly Step[]) => steps.reduce((sum, s) => sum + (s.hands ? s.minutes.value : 0), 0)

/** A visit that ends in time: its steps, how much of drying by hand is done, and what more was left out. */
export interface Kept {
  steps: Step[]
  leftOut: LeftOut[]
  /** Share of the drying by hand that is done; the rest dries in towels and a warm room. */
  dried: number
  /** Minutes of hands that it had at the most. */
  most: number
}

/**
 * Keeps a visit to what a frightened or new dog bears: what matters least goes first, and of drying by hand so much that the
 * rest fits, a little at the least, and no more than a short stretch for a dog that fears the dryer. The user's own minutes stay.
 * `calm`: minutes of hands of the same dog's usual visit when it is calm, which a frightened one is never longer than.
 */
export function keptShort(
  steps: readonly Step[],
  { because, kg, fears, calm }: { because: ShortBecause; kg: number; fears: readonly Fear[]; calm: number },
): Kept {
  const most = Math.min(bearableMinutes(kg), calm)
  const leftOut: LeftOut[] = []
  const leave = (what: LeftOutWhat) => {
    if (!leftOut.some((l) => l.what === what)) leftOut.push({ what, because })
  }
  let now = [...steps]
  const over = () => handsIn(now) - most
  for (const { what, kinds, all } of GOES)
    for (const kind of kinds) {
      const found = now.find((s) => s.kind === kind && s.hands && !isOwn(s.minutes))
      if (!found || over() <= 0) continue
      const kept = all ? undefined : lessOf(found, Math.max(looseMinutes(kg), found.minutes.value - over()), most)
      if (kept === found) continue
      leave(what)
      // brushed for minutes it isn't brushed line by line
      const brushed = kept?.kind === 'brush' ? { ...kept, detail: [said('step.looseHair')] } : kept
      now = now.flatMap((s) => (s === found ? (brushed ?? []) : s))
    }
  const drying = now.filter((s) => s.kind === 'dry' && s.hands && !isOwn(s.minutes))
  const byHand = handsIn(drying)
  const stretch = CURVE.shortStretch.value
  const bears = fears.includes('dryer') ? Math.min(byHand, stretch) : byHand
  const left = Math.max(Math.min(byHand, BEARABLE.dryer.value), Math.min(bears, byHand - over()))
  const dried = byHand > 0 && left < byHand ? left / byHand : 1
  if (dried < 1) {
    leave('drying')
    now = now.map((s) => (drying.includes(s) ? lessOf(s, s.minutes.value * dried, most) : s))
  }
  return { steps: now, leftOut, dried, most }
}

/** Drying by hand of which a share is done: every zone a little, and damp when it ends. What dries alone does so as long as before. */
export function driedLess(drying: DryingPlan, share: number, most: number): DryingPlan {
  if (share >= 1) return drying
  const less = drying.handMinutes * (1 - share)
  return {
    ...drying,
    handMinutes: drying.handMinutes * share,
    ...(drying.fastMinutes === undefined ? {} : { fastMinutes: drying.fastMinutes * share }),
    minutes: further(drying.minutes, add('short.lessOf', { most }, -less)),
    zones: drying.zones.map((z) => ({
      ...z,
      velocity: z.velocity * share,
      warm: z.warm * share,
      minutes: z.minutes * share,
    })),
  }
}
