import { logRatio, sift } from '../learn'
import { said } from '../said'
import { TAUGHT } from './constants'
import { INTERVAL, ratioOf, type Dated, type Taught } from './evidence'

declare module '../said' {
  interface Codes {
    /** `month`: "2026-11". */
    'taught.month': { month: string; ratio: number }
    'taught.dryer': { dryer: string; since: string; ratio: number }
  }
}

/** One possible cause of slower drying: a month, or a dryer from some month on. */
interface Cause {
  id: string
  what: (ratio: number) => Taught['what']
  holds: (d: Dated) => boolean
  /** A humid month slows; a dry one is no cause of its own. */
  slowsOnly: boolean
}

function causesIn(done: readonly Dated[]): Cause[] {
  const months = [...new Set(done.map((d) => d.date.slice(0, 7)))].sort()
  const dryers = [...new Set(done.flatMap((d) => (d.dryer ? [d.dryer] : [])))].sort()
  const fewest = TAUGHT.fewest.value
  const causes: Cause[] = [
    ...months.map((month) => ({
      id: `month ${month}`,
      what: (ratio: number) => said('taught.month', { month, ratio }),
      holds: (d: Dated) => d.date.startsWith(month),
      slowsOnly: true,
    })),
    ...dryers.flatMap((dryer) =>
      months.slice(1).map((month) => ({
        id: `dryer ${dryer} since ${month}`,
        what: (ratio: number) => said('taught.dryer', { dryer, since: month, ratio }),
        holds: (d: Dated) => d.dryer === dryer && d.date >= `${month}-01`,
        slowsOnly: false,
      })),
    ),
  ]
  return causes.filter(({ holds }) => {
    const count = done.filter(holds).length
    return count >= fewest && done.length - count >= fewest
  })
}

/** Solves A·X = (b, I) for a small symmetric A: the solution and the diagonal of the inverse; undefined when A is singular. */
function solveSmall(a: readonly (readonly number[])[], b: readonly number[]) {
  const n = b.length
  const m = a.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0)), b[i]!])
  for (let p = 0; p < n; p++) {
    let best = p
    for (let r = p + 1; r < n; r++) if (Math.abs(m[r]![p]!) > Math.abs(m[best]![p]!)) best = r
    ;[m[p], m[best]] = [m[best]!, m[p]!]
    const pivot = m[p]![p]!
    if (Math.abs(pivot) < 1e-9) return undefined
    m[p] = m[p]!.map((v) => v / pivot)
    for (let r = 0; r < n; r++) {
      const factor = m[r]![p]!
      if (r !== p && factor !== 0) m[r] = m[r]!.map((v, k) => v - factor * m[p]![k]!)
    }
  }
  return m.map((row, i) => ({ value: row[2 * n]!, inverse: row[n + i]! }))
}

/** Values less the mean of their dog's: what the dog itself adds is taken out. */
function withinDogs(values: readonly number[], dogs: readonly string[]): number[] {
  const sums = new Map<string, { sum: number; count: number }>()
  values.forEach((v, i) => {
    const own = sums.get(dogs[i]!) ?? { sum: 0, count: 0 }
    sums.set(dogs[i]!, { sum: own.sum + v, count: own.count + 1 })
  })
  return values.map((v, i) => v - sums.get(dogs[i]!)!.sum / sums.get(dogs[i]!)!.count)
}

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, v, i) => sum + v * b[i]!, 0)

/** Causes fitted together: what noise they leave, and each one's estimate with its deviation. */
interface Fit {
  noise: number
  effects: { estimate: number; deviation: number }[]
}

/** Fits sets of causes by least squares, each dog compared with itself; sums over visits are made once. */
function fitter(done: readonly Dated[], causes: readonly Cause[]) {
  const dogs = done.map((d) => d.dog)
  const y = withinDogs(done.map(logRatio), dogs)
  const columns = causes.map((cause) =>
    withinDogs(
      done.map((d) => (cause.holds(d) ? 1 : 0)),
      dogs,
    ),
  )
  const gram = columns.map((a) => columns.map((b) => dot(a, b)))
  const withY = columns.map((a) => dot(a, y))
  const whole = dot(y, y)
  const free = done.length - new Set(dogs).size
  return (set: readonly number[]): Fit | undefined => {
    const solved = solveSmall(
      set.map((i) => set.map((j) => gram[i]![j]!)),
      set.map((i) => withY[i]!),
    )
    if (!solved) return undefined
    const left = whole - solved.reduce((sum, s, k) => sum + s.value * withY[set[k]!]!, 0)
    const noise = Math.sqrt(Math.max(1e-12, left) / Math.max(1, free - set.length))
    return {
      noise,
      effects: solved.map((s) => ({ estimate: s.value, deviation: noise * Math.sqrt(Math.max(0, s.inverse)) })),
    }
  }
}

/** A cause that was named: what is said of it, which dryings it touches, and by how much (a logarithm). */
export interface Named {
  taught: Taught
  holds: Cause['holds']
  estimate: number
}

/**
 * What made drying slower or faster for a while: humid months, and dryers from a month on. Causes are taken in
 * as long as each stands out beyond what chance brings among so many looked at; every new one may change the
 * choice of the others, and several beginnings are tried, since causes may stand in for one another.
 */
export function dryingCauses(drying: readonly Dated[]): Named[] {
  const done = sift(drying).kept
  if (done.length < 3 * TAUGHT.fewest.value) return []
  const causes = causesIn(done)
  const fit = fitter(done, causes)
  const sound = (set: readonly number[], found: Fit | undefined): found is Fit =>
    found !== undefined &&
    found.effects.every(
      ({ estimate, deviation }, i) =>
        Math.abs(estimate) >= Math.max(TAUGHT.least.value, TAUGHT.surely.value * deviation) &&
        (estimate > 0 || !causes[set[i]!]!.slowsOnly),
    )
  /** Least for the set that explains most with the fewest causes, among so many that could be named (an information criterion). */
  const priceOf = (found: Fit) =>
    2 * done.length * Math.log(found.noise) +
    found.effects.length * (Math.log(done.length) + 2 * Math.log(Math.max(1, causes.length)))
  const better = (sets: number[][], than: number) => {
    let best: { set: number[]; price: number } | undefined
    for (const set of sets) {
      const found = fit(set)
      if (!sound(set, found)) continue
      const price = priceOf(found)
      if (price < (best?.price ?? than)) best = { set, price }
    }
    return best
  }
  const others = (set: readonly number[]) => causes.flatMap((_, i) => (set.includes(i) ? [] : [i]))
  const grow = (first: number) => {
    let now = better([[first]], Infinity)
    while (now) {
      const { set, price } = now
      const exchanged = set.flatMap((_, k) => others(set).map((c) => set.map((own, i) => (i === k ? c : own))))
      const grown = set.length < TAUGHT.most.value ? others(set).map((c) => [...set, c]) : []
      const less = set.length > 1 ? set.map((_, k) => set.filter((_, i) => i !== k)) : []
      const next = better([...exchanged, ...grown, ...less], price)
      if (!next) return now
      now = next
    }
    return undefined
  }
  const best = causes
    .flatMap((_, i) => better([[i]], Infinity) ?? [])
    .sort((a, b) => a.price - b.price)
    .slice(0, TAUGHT.beginnings.value)
    .flatMap(({ set }) => grow(set[0]!) ?? [])
    .sort((a, b) => a.price - b.price)[0]
  if (!best) return []
  const { effects } = fit(best.set)!
  return best.set.map((c, i): Named => {
    const cause = causes[c]!
    const { estimate, deviation } = effects[i]!
    const held = done.filter(cause.holds).length
    const taught: Taught = {
      id: cause.id,
      what: cause.what(Math.exp(estimate)),
      evidence: { kind: 'interval', visits: held, others: done.length - held },
      ratio: ratioOf(estimate, INTERVAL * deviation),
    }
    return { taught, holds: cause.holds, estimate }
  })
}

/** Drying, as a whole or of one zone. */
const DRYING_KIND = /^dry\b/

/** The log with what months and dryers did taken out of its dryings, so that no dog is blamed for the weather. */
export function withoutCauses(log: Readonly<Record<string, readonly Dated[]>>, causes: readonly Named[]) {
  if (causes.length === 0) return log
  const dryers = new Map((log.dry ?? []).map((d) => [d.visitId, d.dryer]))
  const relieved = (d: Dated): Dated => {
    const own = { ...d, dryer: dryers.get(d.visitId) }
    const by = causes.reduce((sum, c) => sum + (c.holds(own) ? c.estimate : 0), 0)
    return { ...d, actual: d.actual / Math.exp(by) }
  }
  return Object.fromEntries(
    Object.entries(log).map(([kind, done]) => [kind, DRYING_KIND.test(kind) ? done.map(relieved) : done]),
  )
}
