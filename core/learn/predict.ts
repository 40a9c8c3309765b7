import { normalQuantile } from './normal'
import { LEARN, type Learned } from './posterior'

/** Minutes that a step is likely to take: the middle, the spread of its logarithm, the planning quantile, and central bands of 50 and 80 %. */
export interface Likely {
  median: number
  spread: number
  plan: number
  half: [number, number]
  most: [number, number]
}

/** Minutes by quantile of a log-normal around a model's, from what was learned: the next step scatters too. */
export function likelyMinutes(
  { mean, variance }: Pick<Learned, 'mean' | 'variance'>,
  model: number,
  step = LEARN.step.value,
): Likely {
  const median = Math.max(LEARN.least.value, model) * Math.exp(mean)
  const spread = Math.sqrt(variance + step ** 2)
  const at = (share: number) => quantileAround(median, spread, share)
  return { median, spread, plan: at(LEARN.plan.value), half: [at(0.25), at(0.75)], most: [at(0.1), at(0.9)] }
}

/** A quantile of log-normal minutes from their middle and the spread of their logarithm. */
export const quantileAround = (median: number, spread: number, share: number): number =>
  median * Math.exp(spread * normalQuantile(share))

/** The spread of a step of which the log knows nothing: what house, coat, dog and the day may add. */
export const UNKNOWN_SPREAD = Math.hypot(LEARN.step.value, LEARN.house.value, LEARN.coat.value, LEARN.dog.value)

/**
 * The likely minutes of several steps together, around the sum of their middles: what dog, coat and house add
 * moves all of them together, the rest each by itself. Steps without a spread are set and don't scatter.
 */
export function bandOfSum(parts: readonly { middle: number; spread?: number }[]): Pick<Likely, 'half' | 'most'> {
  const total = parts.reduce((sum, p) => sum + p.middle, 0)
  const own = LEARN.step.value ** 2
  let [common, apart] = [0, 0]
  for (const { middle, spread } of parts) {
    if (spread === undefined) continue
    common += middle * Math.sqrt(Math.max(0, spread ** 2 - own))
    apart += middle ** 2 * own
  }
  const spread = total > 0 ? Math.sqrt(common ** 2 + apart) / total : 0
  const at = (share: number) => quantileAround(total, spread, share)
  return { half: [at(0.25), at(0.75)], most: [at(0.1), at(0.9)] }
}
