import { normalQuantile } from './normal'
import { LEARN, learnFor, sift, type Done, type Learned } from './posterior'

/** Minutes that a step is likely to take: the middle, the planning quantile, and central bands of 50 and 80 %. */
export interface Likely {
  median: number
  plan: number
  half: [number, number]
  most: [number, number]
}

/** Minutes by quantile of a log-normal around a model's, from what was learned: the next step scatters too. */
export function likelyMinutes({ mean, variance }: Learned, model: number, step = LEARN.step.value): Likely {
  const base = Math.max(LEARN.least.value, model)
  const spread = Math.sqrt(variance + step ** 2)
  const at = (share: number) => base * Math.exp(mean + spread * normalQuantile(share))
  return {
    median: base * Math.exp(mean),
    plan: at(LEARN.plan.value),
    half: [at(0.25), at(0.75)],
    most: [at(0.1), at(0.9)],
  }
}

/**
 * How far a dog is from its coat's norm, in words with the evidence; undefined while the difference may be
 * chance (its 80 % interval holds nought) or there is no visit of its own.
 */
export function aboutThisDog(
  name: string,
  what: string,
  done: readonly Done[],
  target: { dog: string; coat: string },
): string | undefined {
  const { kept } = sift(done)
  const own = learnFor(kept, target)
  if (own.own === 0) return undefined
  const norm = learnFor(
    kept.filter((d) => d.dog !== target.dog),
    { dog: '', coat: target.coat },
  )
  const apart = own.mean - norm.mean
  const reach = normalQuantile(0.9) * Math.sqrt(own.variance)
  if (Math.abs(apart) <= reach) return undefined
  const percent = Math.round(100 * Math.abs(Math.exp(apart) - 1))
  const visits = own.own === 1 ? '1 visit' : `${own.own} visits`
  return `${name}: ${what} takes ${percent} % ${apart > 0 ? 'longer' : 'less'} than the coat’s norm, from ${visits}`
}
