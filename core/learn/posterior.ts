import { constants, house } from '../constants'

/** How far minutes scatter from the model, as spreads of their logarithm: of one step, and of what house, coat and dog add for good. */
export const LEARN = constants({
  step: house(0.2, 'ln', [0.1, 0.35]),
  house: house(0.1, 'ln', [0.03, 0.2]),
  coat: house(0.1, 'ln', [0.03, 0.2]),
  dog: house(0.15, 'ln', [0.05, 0.3]),
  least: house(0.5, 'min', [0.2, 1]),
  wild: house(3.5, 'robust deviations', [2.5, 5]),
  wildFrom: house(5, 'observations', [4, 10]),
  ownFrom: house(3, 'visits', [2, 5]),
  plan: house(0.7, 'share', [0.5, 0.9]),
  surely: house(0.95, 'share', [0.8, 0.99]),
  ownLine: house(0.5, 'min of difference', [0.2, 2]),
})

/** Spreads of the logarithm of minutes. */
export interface Spreads {
  step: number
  house: number
  coat: number
  dog: number
}

/** One step done: what the model said and what it took, minutes; by which dog, of which coat. */
export interface Done {
  dog: string
  coat: string
  model: number
  actual: number
  /** Why the minutes don't count, when they don't: interrupted, something happened. */
  setAside?: string
}

/** What a set of steps says of one dog's: mean and variance of the logarithm of actual over model, from how many of its own, its coat's and all observations. */
export interface Learned {
  mean: number
  variance: number
  own: number
  coat: number
  all: number
}

const spreads: Spreads = {
  step: LEARN.step.value,
  house: LEARN.house.value,
  coat: LEARN.coat.value,
  dog: LEARN.dog.value,
}

/** ln(actual / max(0.5, model)): 0 when a step took what the model said. */
export const logRatio = ({ model, actual }: Done): number => Math.log(actual / Math.max(LEARN.least.value, model))

const median = (values: readonly number[]) => {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

/** A step that doesn't count, with why; `wild` when its minutes alone give it away. */
export interface Aside<D extends Done> {
  done: D
  why: string
  wild: boolean
}

/**
 * The steps that count, and those set aside with the reason: interrupted ones, minutes that can't be, and,
 * once there are five, those further than 3.5 robust deviations (median and median deviation, × 1.4826)
 * from the dog's own others, or from everybody's while it has few: a dog that is always slow is no accident.
 */
export function sift<D extends Done>(done: readonly D[]): { kept: D[]; aside: Aside<D>[] } {
  const aside: Aside<D>[] = []
  const sound = done.filter((d) => {
    const measured = d.actual > 0 && Number.isFinite(d.actual)
    const why =
      d.setAside ??
      (!measured ? 'no minutes were measured' : d.model < LEARN.least.value ? 'too short to learn from' : undefined)
    if (why !== undefined) aside.push({ done: d, why, wild: false })
    return why === undefined
  })
  if (sound.length < LEARN.wildFrom.value) return { kept: sound, aside }
  const ratios = sound.map(logRatio)
  const middle = median(ratios)
  const own = new Map<string, number[]>()
  sound.forEach((d, i) => {
    const visits = own.get(d.dog)
    if (visits) visits.push(ratios[i]!)
    else own.set(d.dog, [ratios[i]!])
  })
  const usual = new Map(
    [...own].map(([dog, visits]) => [dog, visits.length >= LEARN.ownFrom.value ? median(visits) : middle]),
  )
  const apart = sound.map((d, i) => ratios[i]! - usual.get(d.dog)!)
  const deviation = Math.max(LEARN.step.value / 2, 1.4826 * median(apart.map(Math.abs)))
  const kept = sound.filter((d, i) => {
    const far = Math.abs(apart[i]!) > LEARN.wild.value * deviation
    const times = Math.exp(ratios[i]!).toFixed(1)
    if (far) aside.push({ done: d, why: `${times} times the plan, far from the others`, wild: true })
    return !far
  })
  return { kept, aside }
}

/** Steps of one dog together: they share house, coat and dog, so their mean says all they say. */
export interface Group {
  dog: string
  coat: string
  mean: number
  count: number
}

/** Steps gathered by dog and coat. */
export function groupsOf(done: readonly Done[]): Group[] {
  const groups = new Map<string, { dog: string; coat: string; sum: number; count: number }>()
  for (const d of done) {
    const key = `${d.dog}\u0000${d.coat}`
    const group = groups.get(key) ?? { dog: d.dog, coat: d.coat, sum: 0, count: 0 }
    group.sum += logRatio(d)
    group.count++
    groups.set(key, group)
  }
  return [...groups.values()].map(({ sum, ...g }) => ({ ...g, mean: sum / g.count }))
}

/** Cholesky's lower factor of a symmetric positive definite matrix, in its place. */
function factor(a: number[][]): number[][] {
  const n = a.length
  for (let j = 0; j < n; j++) {
    for (let k = 0; k < j; k++) a[j]![j]! -= a[j]![k]! ** 2
    a[j]![j] = Math.sqrt(a[j]![j]!)
    for (let i = j + 1; i < n; i++) {
      for (let k = 0; k < j; k++) a[i]![j]! -= a[i]![k]! * a[j]![k]!
      a[i]![j]! /= a[j]![j]!
    }
  }
  return a
}

/** L·x = b for a lower factor L. */
function forwards(l: readonly number[][], b: readonly number[]): number[] {
  const x = [...b]
  for (let i = 0; i < b.length; i++) {
    for (let k = 0; k < i; k++) x[i]! -= l[i]![k]! * x[k]!
    x[i]! /= l[i]![i]!
  }
  return x
}

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, v, i) => sum + v * b[i]!, 0)

/** Whose minutes are asked for. */
export interface Target {
  dog: string
  coat: string
}

/**
 * What steps of one kind say, for any dog of any coat. House, coat and dog add Gaussian effects to the
 * logarithm of the minutes, each around nought with a spread known beforehand; the posterior of their sum is
 * exact (joint Gaussian: Gelman et al., Bayesian Data Analysis, ch. 2 and 5). A dog's visits also inform its
 * coat and the house. The steps are worked through once; every further dog asked for costs little.
 */
export function posteriorOf(
  groups: readonly Group[],
  { step, house, coat, dog }: Spreads = spreads,
): (target: Target) => Learned {
  const shared = (a: Target, b: Target) =>
    house ** 2 + (a.coat === b.coat ? coat ** 2 : 0) + (a.dog === b.dog ? dog ** 2 : 0)
  const lower = factor(groups.map((a, i) => groups.map((b, j) => shared(a, b) + (i === j ? step ** 2 / a.count : 0))))
  const seen = forwards(
    lower,
    groups.map((g) => g.mean),
  )
  return (target) => {
    const toTarget = forwards(
      lower,
      groups.map((g) => shared(g, target)),
    )
    const count = (of: (g: Group) => boolean) => groups.reduce((sum, g) => sum + (of(g) ? g.count : 0), 0)
    return {
      mean: dot(toTarget, seen),
      variance: Math.max(0, shared(target, target) - dot(toTarget, toTarget)),
      own: count((g) => g.dog === target.dog),
      coat: count((g) => g.coat === target.coat),
      all: count(() => true),
    }
  }
}

/** What is learned for one dog of a coat from steps of one kind. */
export function learnFor(done: readonly Done[], target: Target, spread: Spreads = spreads): Learned {
  return posteriorOf(groupsOf(done), spread)(target)
}
