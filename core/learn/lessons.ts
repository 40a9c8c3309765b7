import { z } from 'zod'
import { normalQuantile } from './normal'
import { groupsOf, LEARN, posteriorOf, sift, type Done, type Group, type Learned, type Target } from './posterior'

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
        return [[kind, { ...learned, ...(sure ? { apart: apart.mean } : {}) } satisfies Lesson]]
      }),
    )
}

const visits = (n: number) => (n === 1 ? '1 visit' : `${n} visits`)

/** A ratio of minutes in words: "30 % longer", "20 % less". */
export function ratioWords(logarithm: number): string {
  const percent = Math.round(100 * Math.abs(Math.exp(logarithm) - 1))
  return `${percent} % ${logarithm > 0 ? 'longer' : 'less'}`
}

/** Where a lesson comes from, in words for a list of reasons. */
export function lessonWords({ own, coat, all, apart }: Lesson): string {
  if (apart !== undefined) return `the log: ${ratioWords(apart)} than the coat’s norm, from ${visits(own)}`
  if (own > 0) return `the log: ${visits(own)} of its own`
  if (coat > 0) return `the log: ${visits(coat)} of this coat`
  return `the log: ${visits(all)} of the house`
}
