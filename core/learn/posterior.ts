import { constants, house } from '../constants'
import { said, type Code, type Said } from '../said'

declare module '../said' {
  interface Codes {
    'aside.notMeasured': None
    'aside.tooShort': None
    'aside.wild': { times: number }
  }
}

/** Why minutes teach nothing. */
export type AsideWhy = Said<Extract<Code, `aside.${string}` | 'kept.words'>>

/** How far minutes scatter from the model, as spreads of their logarithm: of one step, and of what house, coat, dog and person add for good. */
export const LEARN = constants({
  step: house(0.2, 'ln', [0.1, 0.35]),
  house: house(0.1, 'ln', [0.03, 0.2]),
  coat: house(0.1, 'ln', [0.03, 0.2]),
  dog: house(0.15, 'ln', [0.05, 0.3]),
  person: house(0.12, 'ln', [0.05, 0.3]),
  least: house(0.5, 'min', [0.2, 1]),
  wild: house(3.5, 'robust deviations', [2.5, 5]),
  wildFrom: house(5, 'observations', [4, 10]),
  ownFrom: house(3, 'visits', [2, 5]),
  plan: house(0.7, 'share', [0.5, 0.9]),
  surely: house(0.95, 'share', [0.8, 0.99]),
  most: house(2, 'times the model', [1.5, 3]),
  mostKnown: house(3, 'times the model', [2, 4]),
  knownFrom: house(10, 'visits', [6, 15]),
  strangersFrom: house(5, 'visits', [3, 10]),
  strangerDogs: house(3, 'dogs', [2, 5]),
  ownLine: house(0.5, 'min of difference', [0.2, 2]),
})

/** Spreads of the logarithm of minutes. */
export interface Spreads {
  step: number
  house: number
  coat: number
  dog: number
  person?: number
}

/** One step done: what the model said and what it took, minutes; by which dog, of which coat. */
export interface Done {
  dog: string
  coat: string
  /** Who did it, when it wasn't who usually does. */
  person?: string
  model: number
  actual: number
  /** Why the minutes don't count, when they don't: interrupted, something happened. */
  setAside?: AsideWhy
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
  person: LEARN.person.value,
}

/** ln(actual / max(0.5, model)): 0 when a step took what the model said. */
export const logRatio = ({ model, actual }: Done): number => Math.log(actual / Math.max(LEARN.least.value, model))

const median = (values: readonly number[]) => {
  const sorted = Float64Array.from(values).sort()
  const half = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

/** A step that doesn't count, with why; `wild` when its minutes alone give it away. */
export interface Aside<D extends Done> {
  done: D
  why: AsideWhy
  wild: boolean
}

/** What is usual for a step: the middle of its dog's own by the same hands, of those hands' while these are few, else of all. */
function usualOf(done: readonly Done[], ratios: readonly number[]): (d: Done) => number {
  const keyOf = ({ dog, person }: Done) => (person === undefined ? dog : `${dog}\u0000${person}`)
  const own = new Map<string, number[]>()
  const hands = new Map<string, number[]>()
  const put = (into: Map<string, number[]>, key: string, ratio: number) => {
    const known = into.get(key)
    if (known) known.push(ratio)
    else into.set(key, [ratio])
  }
  done.forEach((d, i) => {
    put(own, keyOf(d), ratios[i]!)
    if (d.person !== undefined) put(hands, d.person, ratios[i]!)
  })
  const middles = (of: Map<string, number[]>) =>
    new Map([...of].flatMap(([key, list]) => (list.length >= LEARN.ownFrom.value ? [[key, median(list)]] : [])))
  const [ownMiddle, handsMiddle, middle] = [middles(own), middles(hands), median(ratios)]
  return (d) => ownMiddle.get(keyOf(d)) ?? (d.person === undefined ? undefined : handsMiddle.get(d.person)) ?? middle
}

/**
 * The steps that count, and those set aside with the reason: interrupted ones, minutes that can't be, and,
 * once there are five, those further than 3.5 robust deviations (median and median deviation, × 1.4826)
 * from the dog's own others by the same hands, or from everybody's while these are few: a dog or a helper that is
 * always slow is no accident.
 */
export function sift<D extends Done>(done: readonly D[]): { kept: D[]; aside: Aside<D>[] } {
  const aside: Aside<D>[] = []
  const sound = done.filter((d) => {
    const measured = d.actual > 0 && Number.isFinite(d.actual)
    const why =
      d.setAside ??
      (!measured ? said('aside.notMeasured') : d.model < LEARN.least.value ? said('aside.tooShort') : undefined)
    if (why !== undefined) aside.push({ done: d, why, wild: false })
    return why === undefined
  })
  if (sound.length < LEARN.wildFrom.value) return { kept: sound, aside }
  const ratios = sound.map(logRatio)
  const usual = usualOf(sound, ratios)
  const apart = sound.map((d, i) => ratios[i]! - usual(d))
  const deviation = Math.max(LEARN.step.value / 2, 1.4826 * median(apart.map(Math.abs)))
  const kept = sound.filter((d, i) => {
    const far = Math.abs(apart[i]!) > LEARN.wild.value * deviation
    if (far) aside.push({ done: d, why: said('aside.wild', { times: Math.exp(ratios[i]!) }), wild: true })
    return !far
  })
  return { kept, aside }
}

/** Steps of one dog by one person together: they share house, coat, dog and person, so their mean says all they say. */
export interface Group {
  dog: string
  coat: string
  person?: string
  mean: number
  count: number
}

/** Steps gathered by dog, coat and person. */
export function groupsOf(done: readonly Done[]): Group[] {
  const groups: Group[] = []
  const byDog = new Map<string, Group[]>()
  for (const d of done) {
    const own = byDog.get(d.dog) ?? []
    let group = own.find((g) => g.coat === d.coat && g.person === d.person)
    if (!group) {
      group = { dog: d.dog, coat: d.coat, mean: 0, count: 0 }
      if (d.person !== undefined) group.person = d.person
      own.push(group)
      groups.push(group)
      byDog.set(d.dog, own)
    }
    group.count++
    group.mean += (logRatio(d) - group.mean) / group.count
  }
  return groups
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

/** Whose minutes are asked for; without a person those of who usually works. */
export interface Target {
  dog: string
  coat: string
  person?: string
}

const same = (a: string | undefined, b: string | undefined) => a !== undefined && a === b

/** Prior covariance of the logarithms of two steps: by what they share. */
function shared(a: Target, b: Target, { house, coat, dog, person = 0 }: Spreads): number {
  return (
    house ** 2 +
    (a.coat === b.coat ? coat ** 2 : 0) +
    (a.dog === b.dog ? dog ** 2 : 0) +
    (same(a.person, b.person) ? person ** 2 : 0)
  )
}

/**
 * Steps of one kind, worked through once: the exact posterior (joint Gaussian: Gelman et al., Bayesian Data
 * Analysis, ch. 2 and 5) of any quantity, told by its covariance with each group and its own prior variance.
 */
function conditioned(groups: readonly Group[], spread: Spreads) {
  const lower = factor(
    groups.map((a, i) => groups.map((b, j) => shared(a, b, spread) + (i === j ? spread.step ** 2 / a.count : 0))),
  )
  const seen = forwards(
    lower,
    groups.map((g) => g.mean),
  )
  return (covariance: (group: Group) => number, prior: number) => {
    const to = forwards(lower, groups.map(covariance))
    return { mean: dot(to, seen), variance: Math.max(0, prior - dot(to, to)) }
  }
}

/**
 * What steps of one kind say, for any dog of any coat. House, coat, dog and whoever stands in for who usually
 * works add Gaussian effects to the logarithm of the minutes, each around nought with a spread known beforehand.
 * A dog's visits also inform its coat and the house. Every further dog asked for costs little.
 */
export function posteriorOf(groups: readonly Group[], spread: Spreads = spreads): (target: Target) => Learned {
  const posterior = conditioned(groups, spread)
  return (target) => {
    const count = (of: (g: Group) => boolean) => groups.reduce((sum, g) => sum + (of(g) ? g.count : 0), 0)
    return {
      ...posterior((g) => shared(g, target, spread), shared(target, target, spread)),
      own: count((g) => g.dog === target.dog),
      coat: count((g) => g.coat === target.coat),
      all: count(() => true),
    }
  }
}

/** How far a person's minutes are from those of who usually works, as a logarithm: the dogs they had taken out. */
export function personApart(groups: readonly Group[], spread: Spreads = spreads) {
  const posterior = conditioned(groups, spread)
  const prior = (spread.person ?? 0) ** 2
  return (person: string) => posterior((g) => (same(g.person, person) ? prior : 0), prior)
}

/** What is learned for one dog of a coat from steps of one kind. */
export function learnFor(done: readonly Done[], target: Target, spread: Spreads = spreads): Learned {
  return posteriorOf(groupsOf(done), spread)(target)
}
