import { ZONE_NAMES, type Zone } from '../dog'
import {
  apartFromCoat,
  groupsOf,
  logRatio,
  normalQuantile,
  personApart,
  posteriorOf,
  ratioWords,
  sift,
  type Done,
} from '../learn'
import { say } from '../units'
import { TOWEL_WATER } from '../visit'
import { TAUGHT } from './constants'
import { suitedOf } from './suited'
import type { Brief } from './brief'

/** A step done, with in which visit, when and with which dryer. */
export interface Dated extends Done {
  visitId: string
  date: string
  dryer?: string
}

/** Something that the log taught: in a sentence, its size as a ratio of minutes with an interval, and from how many visits. */
export interface Taught {
  id: string
  words: string
  evidence: string
  ratio?: { middle: number; from: number; to: number }
}

const KIND_WORDS: Record<string, string> = {
  look: 'looking over',
  brush: 'brushing out',
  'blow-out': 'the blow-out',
  nails: 'nails',
  ears: 'the ears',
  wet: 'wetting',
  lather: 'lathering',
  rinse: 'rinsing',
  'rinse-last': 'the last rinse',
  condition: 'the conditioner',
  towel: 'towelling',
  dry: 'drying',
  'dry alone': 'drying by itself',
  comb: 'combing through',
  clean: 'cleaning the tub',
}

const ZONE_KIND = /^dry: (.+)$/

/** The kind of a step in words: "drying the hindlegs". */
export function kindWords(kind: string): string {
  const zone = ZONE_KIND.exec(kind)?.[1]
  if (zone) return `drying ${ZONE_NAMES[zone as Zone] ?? zone}`
  return KIND_WORDS[kind] ?? kind.replace('-', ' ')
}

const percentRange = (middle: number, reach: number) => {
  const at = (x: number) => Math.round(100 * (Math.exp(x) - 1))
  const signed = (n: number) => (n > 0 ? `+${n}` : `${n}`.replace('-', '−'))
  return `between ${signed(at(middle - reach))} and ${signed(at(middle + reach))} %`
}

const ratioOf = (middle: number, reach: number) => ({
  middle: Math.exp(middle),
  from: Math.exp(middle - reach),
  to: Math.exp(middle + reach),
})

/** How wide the interval is that goes with a sentence: a central 95 %. */
const INTERVAL = normalQuantile(0.975)

function apartWords(name: string, kind: string, coat: string, apart: number): string {
  const skin = coat === 'hairless' ? 'hairless skin' : `a ${coat} coat`
  if (kind !== TOWEL_WATER) return `${name}: ${kindWords(kind)} takes ${ratioWords(apart)} than the norm of ${skin}.`
  const percent = Math.round(100 * Math.abs(Math.exp(apart) - 1))
  return `${name}: the coat holds ${percent} % ${apart > 0 ? 'more' : 'less'} water than the norm of ${skin}.`
}

/** How surely the mean of values is known from their own scatter: the standard error of the mean. */
function standardError(values: readonly number[]): number {
  const n = values.length
  if (n < 2) return Infinity
  const mean = values.reduce((sum, v) => sum + v, 0) / n
  return Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (n - 1) / n)
}

/** Dogs that are far from their coat's norm in a kind of step, beyond what so many comparisons bring by chance, and beyond what each dog's own scatter allows. */
function dogsApart(log: Readonly<Record<string, readonly Dated[]>>, names: ReadonlyMap<string, string>): Taught[] {
  return Object.entries(log).flatMap(([kind, done]) => {
    const { kept } = sift(done)
    const groups = groupsOf(kept)
    const posterior = posteriorOf(groups)
    return groups.flatMap(({ dog, coat }): Taught[] => {
      const target = { dog, coat }
      const learned = posterior(target)
      if (learned.own < TAUGHT.fewest.value) return []
      const apart = apartFromCoat(groups, target, learned)!
      const own = kept.filter((d) => d.dog === dog).map(logRatio)
      const deviation = Math.max(Math.sqrt(learned.variance), standardError(own))
      if (Math.abs(apart.mean) < Math.max(TAUGHT.least.value, TAUGHT.surely.value * deviation)) return []
      return [
        {
          id: `dog ${dog} ${kind}`,
          words: apartWords(names.get(dog) ?? 'A dog', kind, coat, apart.mean),
          evidence: `${percentRange(apart.mean, INTERVAL * deviation)}, from ${learned.own} visits`,
          ratio: ratioOf(apart.mean, INTERVAL * deviation),
        },
      ]
    })
  })
}

/** Who stands in for who usually works, where their minutes differ beyond chance. */
function peopleApart(log: Readonly<Record<string, readonly Dated[]>>): Taught[] {
  return Object.entries(log).flatMap(([kind, done]) => {
    if (done.every((d) => d.person === undefined)) return []
    const { kept } = sift(done)
    const apartOf = personApart(groupsOf(kept))
    const people = new Set(kept.flatMap((d) => d.person ?? []))
    return [...people].flatMap((person): Taught[] => {
      const own = kept.filter((d) => d.person === person)
      if (own.length < TAUGHT.fewest.value) return []
      const { mean: apart, variance } = apartOf(person)
      const deviation = Math.max(Math.sqrt(variance), standardError(own.map(logRatio)))
      if (Math.abs(apart) < Math.max(TAUGHT.least.value, TAUGHT.surely.value * deviation)) return []
      return [
        {
          id: `person ${person} ${kind}`,
          words: `${person}: ${kindWords(kind)} takes ${ratioWords(apart)} than with who usually works.`,
          evidence: `${percentRange(apart, INTERVAL * deviation)}, from ${own.length} visits`,
          ratio: ratioOf(apart, INTERVAL * deviation),
        },
      ]
    })
  })
}

/** One possible cause of slower drying: a month, or a dryer from some month on. */
interface Cause {
  id: string
  words: (ratio: string) => string
  holds: (d: Dated) => boolean
  /** A humid month slows; a dry one is no cause of its own. */
  slowsOnly: boolean
}

const monthName = (month: string) =>
  new Date(`${month}-15T12:00:00Z`).toLocaleDateString('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' })

function causesIn(done: readonly Dated[]): Cause[] {
  const months = [...new Set(done.map((d) => d.date.slice(0, 7)))].sort()
  const dryers = [...new Set(done.flatMap((d) => (d.dryer ? [d.dryer] : [])))].sort()
  const fewest = TAUGHT.fewest.value
  const causes: Cause[] = [
    ...months.map((month) => ({
      id: `month ${month}`,
      words: (ratio: string) =>
        `In ${monthName(month)} drying took ${ratio}, whichever the dog: humid air, most likely.`,
      holds: (d: Dated) => d.date.startsWith(month),
      slowsOnly: true,
    })),
    ...dryers.flatMap((dryer) =>
      months.slice(1).map((month) => ({
        id: `dryer ${dryer} since ${month}`,
        words: (ratio: string) =>
          `${dryer}: since ${monthName(month)} drying takes ${ratio} than before. Clean its filter, measure it anew.`,
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
interface Named {
  taught: Taught
  holds: Cause['holds']
  estimate: number
}

/** Drying, as a whole or of one zone. */
const DRYING_KIND = /^dry\b/

/** The log with what months and dryers did taken out of its dryings, so that no dog is blamed for the weather. */
function withoutCauses(log: Readonly<Record<string, readonly Dated[]>>, causes: readonly Named[]) {
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

/**
 * What made drying slower or faster for a while: humid months, and dryers from a month on. Causes are taken in
 * as long as each stands out beyond what chance brings among so many looked at; every new one may change the
 * choice of the others, and several beginnings are tried, since causes may stand in for one another.
 */
function dryingCauses(drying: readonly Dated[]): Named[] {
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
    const taught = {
      id: cause.id,
      words: cause.words(ratioWords(estimate)),
      evidence: `${percentRange(estimate, INTERVAL * deviation)}, from ${held} visits against ${done.length - held} others`,
      ratio: ratioOf(estimate, INTERVAL * deviation),
    }
    return { taught, holds: cause.holds, estimate }
  })
}

/** Places found damp again and again. */
function dampPlaces(briefs: readonly Brief[]): Taught[] {
  const dogs = new Map<string, { dog: string; visits: number; zones: Map<string, number> }>()
  for (const b of briefs) {
    const own = dogs.get(b.dogId) ?? { dog: b.dog, visits: 0, zones: new Map<string, number>() }
    own.visits++
    for (const zone of new Set(b.damp)) own.zones.set(zone, (own.zones.get(zone) ?? 0) + 1)
    dogs.set(b.dogId, own)
  }
  return [...dogs].flatMap(([id, { dog, visits, zones }]) =>
    [...zones].flatMap(([zone, times]): Taught[] =>
      times >= TAUGHT.dampTimes.value && times / visits >= TAUGHT.dampShare.value
        ? [
            {
              id: `damp ${id} ${zone}`,
              words: `${dog}: ${ZONE_NAMES[zone as Zone] ?? zone} stays damp; part the hair there first.`,
              evidence: `found damp on ${times} of ${visits} visits`,
            },
          ]
        : [],
    ),
  )
}

/** A number of the log that nothing is learned from, since it is far from all others of its kind. Minutes, or grams of water. */
export interface Wild {
  visitId: string
  dog: string
  date: string
  kind: string
  words: string
  why: string
}

/** Numbers so far from the others that they teach nothing, each with why; the newest first. */
export function wildIn(log: Readonly<Record<string, readonly Dated[]>>, briefs: readonly Brief[]): Wild[] {
  const names = new Map(briefs.map((b) => [b.dogId, b.dog]))
  return Object.entries(log)
    .flatMap(([kind, steps]) => sift(steps).aside.flatMap((a) => (a.wild ? [{ kind, ...a }] : [])))
    .map(({ kind, done: { visitId, dog, date, actual, model }, why }) => {
      const unit = kind === TOWEL_WATER ? 'g' : 'min'
      const words = `${kindWords(kind)} took ${say(actual)} ${unit}, expected ${say(model)}`
      return { visitId, dog: names.get(dog) ?? 'A dog', date, kind, words, why }
    })
    .sort((a, b) => b.date.localeCompare(a.date) || a.kind.localeCompare(b.kind))
}

/**
 * What the log taught, the largest first: dogs apart from their coat, people from
 * who usually works, months and dryers that dried slower,
 * places that stay damp, products that suited. Nothing is said that chance may well have made.
 */
export function taughtBy(log: Readonly<Record<string, readonly Dated[]>>, briefs: readonly Brief[]): Taught[] {
  const names = new Map(briefs.map((b) => [b.dogId, b.dog]))
  const size = (t: Taught) => Math.abs(Math.log(t.ratio?.middle ?? 1))
  const causes = dryingCauses(log.dry ?? [])
  const fair = withoutCauses(log, causes)
  const [dogs, people] = [dogsApart(fair, names), peopleApart(fair)]
  const minutes = [...dogs, ...people, ...causes.map((c) => c.taught)].sort((a, b) => size(b) - size(a))
  const suited = suitedOf(briefs)
    .filter((s) => s.times >= TAUGHT.fewest.value)
    .map((s): Taught => ({ id: `suited ${s.product}`, words: s.words, evidence: `${s.times} pairs of visits` }))
  return [...minutes, ...dampPlaces(briefs), ...suited]
}
