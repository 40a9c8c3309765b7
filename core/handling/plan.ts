import type { Dog, Fear, Mood, Stage } from '../dog'
import { paceFactor } from '../groomer'

/** The facts that say how a dog is to be handled. */
export interface HandlingFacts {
  dog: Pick<Dog, 'fears' | 'mayBite' | 'muzzleConsent' | 'rescue' | 'firstBath'>
  stage: Stage
  mood: Mood
  biteRisk: boolean
  helper: boolean
}

/** A thing that may be dropped when the dog has had enough: which steps, and in words. */
export interface Drop {
  steps: readonly string[]
  what: string
  /** Minutes it saves; filled in when the steps are known. */
  minutes?: number
}

/** How to handle a dog today, and what to drop first. Rinsing is never on the list. */
export interface HandlingPlan {
  pace: number
  people: 1 | 2
  tool: string
  pressure: string
  muzzle?: string
  breaks: string
  notes: string[]
  drop: Drop[]
  never: string
}

const DROPS: Record<string, Drop> = {
  nails: { steps: ['nails'], what: 'nails: another day' },
  conditioner: { steps: ['condition', 'wait-conditioner', 'rinse-conditioner'], what: 'conditioner' },
  first: { steps: ['lather-1', 'rinse-1'], what: 'one of the two shampoos' },
  face: { steps: [], what: 'water on the face: a cloth' },
  comb: { steps: ['comb'], what: 'the full comb-through: the worst places only' },
  ears: { steps: ['ears'], what: 'ears: look only' },
  dryer: { steps: [], what: 'the dryer: towels and fan, to dry at the skin' },
}

const ORDER = ['nails', 'conditioner', 'comb', 'ears', 'first', 'face', 'dryer'] as const

const FEARED: Partial<Record<Fear, (typeof ORDER)[number]>> = {
  feet: 'nails',
  face: 'face',
  ears: 'ears',
  brush: 'comb',
  dryer: 'dryer',
}

/** The order of dropping: what the dog fears first, then what matters least. */
function dropOrder(fears: readonly Fear[]): Drop[] {
  const feared = ORDER.filter((name) => fears.some((fear) => FEARED[fear] === name))
  return [...feared, ...ORDER.filter((name) => !feared.includes(name))].map((name) => DROPS[name]!)
}

const HINTS: Partial<Record<Fear, string>> = {
  water: 'Run the water away from the dog first; wet from the feet up, no spray in the air.',
  face: 'Face by cloth, last, from the side.',
  feet: 'Hold the leg above the foot; one foot, a pause, the next.',
  tail: 'Tell the dog before you lift the tail: a hand along the back first.',
  ears: 'Cotton instead of the bottle; touch the flap, treat, then the canal.',
  brush: 'Hold the hair above the tangle; short strokes.',
  dryer: 'Dryer running far off while the towel works; from the rear, lowest setting, hood over the ears.',
  crate: 'No crate: rest on the table’s mat or with the owner.',
  strangers: 'Sit sideways, let the dog come; no leaning over.',
}

/** Pressure, tool, people, muzzle, breaks and the order of dropping, from temperament and history. */
export function planHandling({ dog, stage, mood, biteRisk, helper }: HandlingFacts): HandlingPlan {
  const { fears, rescue, firstBath } = dog
  const bites = dog.mayBite || biteRisk
  const soft = mood !== 'calm' || fears.includes('water') || rescue || firstBath || stage === 'puppy'
  const tool =
    firstBath || rescue || fears.includes('water')
      ? 'cup and bucket'
      : soft
        ? 'shower head held close to the body'
        : 'shower'
  const notes = [
    ...fears.map((fear) => HINTS[fear]),
    rescue && 'New rescue: short and pleasant, tethered by a slip-free loop, face by cloth; nothing new twice.',
    firstBath && 'First bath: the room first, then the empty tub, then water. Stop while it still goes well.',
    stage === 'senior' && 'Senior: mat under the feet, sit or lie where it can, hips supported.',
    bites && !dog.muzzleConsent && 'No muzzle without the owner’s consent; local law decides the rest.',
  ].filter((n): n is string => !!n)
  return {
    pace: paceFactor(mood),
    people: bites || (fears.length > 2 && helper) ? 2 : 1,
    tool,
    pressure: soft ? 'low, no spray at the head' : 'usual, low at the head',
    muzzle:
      bites && dog.muzzleConsent
        ? 'With the owner’s consent and as the law allows: soft muzzle, off for panting, never in the dryer.'
        : undefined,
    breaks:
      mood === 'anxious' || stage !== 'adult' || firstBath
        ? 'Every 10 min, a treat and a breath.'
        : 'When changing place.',
    notes,
    drop: dropOrder(fears),
    never: 'Never dropped: the last rinse, and dry at the skin before going home.',
  }
}
