import { constants, practice } from '../constants'
import { type Dog, type Fear, type Mood, type Stage } from '../dog'
import { paceFactor } from '../groomer'
import type { RinseTool } from '../rinse'
import { said, type Code, type Said } from '../said'

declare module '../said' {
  interface Codes {
    /** How to go about one thing that a dog fears. */
    'handle.fear': { fear: Fear }
    'handle.rescue': None
    'handle.firstBath': None
    'handle.twoPeople': { helper: boolean }
    'handle.handFirst': None
    'handle.senior': None
    'handle.noMuzzle': None
  }
}

/** From which weight on two people and a lick treat are wanted for a first bath. */
export const TWO_FROM = constants({ kg: practice(10, 'kg', [8, 15]) })

/** The facts that say how a dog is to be handled. */
export interface HandlingFacts {
  dog: Pick<Dog, 'fears' | 'mayBite' | 'muzzleConsent' | 'rescue' | 'firstBath'>
  weightKg: number
  stage: Stage
  mood: Mood
  biteRisk: boolean
  helper: boolean
}

/** A part of a visit that may be left out when the dog has had enough. */
export type DropName = 'nails' | 'conditioner' | 'comb' | 'ears' | 'oneWash' | 'face' | 'dryer'

/** A thing that may be dropped when the dog has had enough: which steps, and the minutes it saves once they are known. */
export interface Drop {
  what: DropName
  steps: readonly string[]
  minutes?: number
}

/** How to handle a dog today, and what to drop first. Rinsing is never on the list. */
export interface HandlingPlan {
  pace: number
  people: 1 | 2
  tool: RinseTool['kind']
  /** Low pressure everywhere, not at the head only. */
  gentle: boolean
  /** A muzzle may be used, with the owner's consent. */
  muzzle: boolean
  breaks: 'everyTenMinutes' | 'atChanges'
  notes: Said<Extract<Code, `handle.${string}`>>[]
  drop: Drop[]
}

const STEPS: Record<DropName, readonly string[]> = {
  nails: ['nails'],
  conditioner: ['condition', 'wait-conditioner', 'rinse-conditioner'],
  comb: ['comb'],
  ears: ['ears'],
  oneWash: ['lather-1', 'rinse-1'],
  face: ['face'],
  dryer: [],
}
const ORDER = Object.keys(STEPS) as DropName[]
const FEARED: Partial<Record<Fear, DropName>> = {
  feet: 'nails',
  face: 'face',
  ears: 'ears',
  brush: 'comb',
  dryer: 'dryer',
}

/** The order of dropping: what the dog fears first, then what matters least. */
function dropOrder(fears: readonly Fear[]): Drop[] {
  const feared = ORDER.filter((name) => fears.some((fear) => FEARED[fear] === name))
  return [...feared, ...ORDER.filter((name) => !feared.includes(name))].map((what) => ({ what, steps: STEPS[what] }))
}

/** With what a dog is wetted and rinsed: a cup where water is new or feared, the shower turned low for the tender. */
function toolFor({ dog, stage, mood }: HandlingFacts): RinseTool['kind'] {
  if (dog.firstBath || dog.rescue || dog.fears.includes('water')) return 'cup'
  return mood !== 'calm' || stage !== 'adult' ? 'low' : 'shower'
}

/** Pressure, tool, people, muzzle, breaks and the order of dropping, from temperament and history. */
export function planHandling(facts: HandlingFacts): HandlingPlan {
  const { dog, weightKg, stage, mood, biteRisk, helper } = facts
  const { fears, rescue, firstBath } = dog
  const bites = dog.mayBite || biteRisk
  const tool = toolFor(facts)
  const notes: (HandlingPlan['notes'][number] | false)[] = [
    ...fears.map((fear) => said('handle.fear', { fear })),
    rescue && said('handle.rescue'),
    firstBath && said('handle.firstBath'),
    (firstBath || rescue || fears.includes('water')) && said('handle.handFirst'),
    firstBath && weightKg > TWO_FROM.kg.value && said('handle.twoPeople', { helper }),
    stage === 'senior' && said('handle.senior'),
    bites && !dog.muzzleConsent && said('handle.noMuzzle'),
  ]
  return {
    pace: paceFactor(mood),
    people: bites || ((fears.length > 2 || (firstBath && weightKg > TWO_FROM.kg.value)) && helper) ? 2 : 1,
    tool,
    gentle: tool !== 'shower',
    muzzle: bites && dog.muzzleConsent,
    breaks: mood === 'anxious' || stage !== 'adult' || firstBath ? 'everyTenMinutes' : 'atChanges',
    notes: notes.filter((n) => n !== false),
    drop: dropOrder(fears),
  }
}
