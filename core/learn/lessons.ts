import { z } from 'zod'
import { clamp } from '../units'
import { normalQuantile } from './normal'
import { groupsOf, LEARN, posteriorOf, sift, type Done, type Group, type Learned, type Target } from './posterior'

declare module '../said' {
  interface Codes {
    'log.lesson': LessonFacts
  }
}

/** Whose visits a lesson is from and how many; `ratio`: how far this dog is from its coat's norm, where that is more than chance. */
export interface LessonFacts {
  from: 'apart' | 'own' | 'coat' | 'house'
  visits: number
  ratio: number | null
}

/**
 * What the log says of one kind of step for one dog: mean and variance of the logarithm of its minutes over
 * the model's, from how many of its own, its coat's and all visits. `apart`: how far the dog is from its
 * coat's norm (a logarithm), when that is more than chance.
 */
export const Lesson = z.object({
  mean: z.number(),
  variance: z.number().min(0),
  own: z.number().int().min(0),
  coat: z.number().int().min(0),
  all: z.number().int().min(0),
  /** From how many dogs; 0 where that wasn't counted yet. */
  dogs: z.number().int().min(0).default(0),
  apart: z.number().optional(),
})
export type Lesson = z.infer<typeof Lesson>

/** Lessons by kind of step; drying by hand also zone by zone, as "dry: hindlegs". */
export const Lessons = z.record(z.string().max(40), Lesson)
export type Lessons = z.infer<typeof Lessons>

/** Steps done, by kind. */
export type Log = Record<string, readonly Done[]>

/** Difference of a dog from its coat's norm as a logarithm, and the reach of its 80 % interval on either side. */
export interface Apart {
  mean: number
  reach: number
  visits: number
}

/** How far a dog is from its coat's norm: what its own visits say beyond what the others' do. Undefined without a visit of its own. */
export function apartFromCoat(groups: readonly Group[], target: Target, learned: Learned): Apart | undefined {
  if (learned.own === 0) return undefined
  const others = groups.filter((g) => g.dog !== target.dog)
  const norm = posteriorOf(others)({ dog: '', coat: target.coat })
  return {
    mean: learned.mean - norm.mean,
    reach: normalQuantile(LEARN.surely.value) * Math.sqrt(learned.variance),
    visits: learned.own,
  }
}

/** Reads a log once, for any number of dogs: interrupted and wild steps are set aside. */
export function readLog(log: Log): (target: Target) => Lessons {
  const read = Object.entries(log).map(([kind, done]) => {
    const { kept } = sift(done)
    const groups = groupsOf(kept)
    return { kind, groups, posterior: posteriorOf(groups) }
  })
  return (target) =>
    Object.fromEntries(
      read.flatMap(({ kind, groups, posterior }) => {
        if (groups.length === 0) return []
        const learned = posterior(target)
        const apart = apartFromCoat(groups, target, learned)
        const sure = apart && Math.abs(apart.mean) > apart.reach
        return [[kind, { ...learned, dogs: groups.length, ...(sure ? { apart: apart.mean } : {}) } satisfies Lesson]]
      }),
    )
}

/** Where a lesson comes from, as a statement: from this dog's own visits, its coat's, or the house's. */
export function lessonFacts({ own, coat, all, apart }: Lesson): LessonFacts {
  if (apart !== undefined) return { from: 'apart', visits: own, ratio: Math.exp(apart) }
  if (own > 0) return { from: 'own', visits: own, ratio: null }
  if (coat > 0) return { from: 'coat', visits: coat, ratio: null }
  return { from: 'house', visits: all, ratio: null }
}

/**
 * By how much the log moves a step, as a factor on its minutes: within 0.5 and 2 of the model until ten visits of
 * the dog's own, within a third and three times after. A dog never seen is moved only by what several others agree
 * on: 1 until five visits of three dogs.
 */
export function learnedFactor({ mean, own, all, dogs }: Lesson): number {
  if (own === 0 && (all < LEARN.strangersFrom.value || (dogs > 0 && dogs < LEARN.strangerDogs.value))) return 1
  const most = own >= LEARN.knownFrom.value ? LEARN.mostKnown.value : LEARN.most.value
  return clamp(Math.exp(mean), 1 / most, most)
}
