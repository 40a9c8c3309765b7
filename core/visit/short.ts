import type { Dog, Mood, Stage } from '../dog'

/** Why a visit is kept short: one wash, little water pressure, few steps. */
export type ShortBecause = 'puppy' | 'senior' | 'firstBath' | 'rescue' | 'anxious'

/** Why this visit is kept short, or undefined when it needn't be. */
export function shortVisit(dog: Pick<Dog, 'firstBath' | 'rescue'>, stage: Stage, mood: Mood): ShortBecause | undefined {
  if (stage === 'puppy') return 'puppy'
  if (dog.firstBath) return 'firstBath'
  if (dog.rescue) return 'rescue'
  if (mood === 'anxious') return 'anxious'
  return stage === 'senior' ? 'senior' : undefined
}

/** What a short visit leaves out. */
export type LeftOutWhat =
  | 'secondWash'
  | 'nails'
  | 'face'
  | 'conditioner'
  | 'brushing'
  | 'combing'
  | 'tidy'
  | 'upperBody'
  | 'drying'
  | 'earHair'
  | 'teeth'
  | 'glands'

/** Something left out of a visit, and why. `words/` says when to do it. */
export interface LeftOut {
  what: LeftOutWhat
  because: ShortBecause | 'feetShy' | 'notYet'
  /** When it was last done, where it isn't time for it again. */
  last?: string
}
