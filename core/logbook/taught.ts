import type { CoatType, Zone } from '../dog'
import { apartFromCoat, groupsOf, logRatio, personApart, posteriorOf, sift } from '../learn'
import { said } from '../said'
import type { Suited } from '../visit'
import type { Brief } from './brief'
import { dryingCauses, withoutCauses } from './causes'
import { TAUGHT } from './constants'
import { INTERVAL, ratioOf, type Dated, type Taught } from './evidence'
import { suitedOf } from './suited'

declare module '../said' {
  interface Codes {
    /** A dog that is apart from its coat's norm in one kind of step, by the kind that the log keeps. */
    'taught.dog': { name: string; kind: string; coat: CoatType; ratio: number }
    'taught.person': { person: string; kind: string; ratio: number }
    'taught.damp': { name: string; zone: Zone }
    'taught.suited': Suited
  }
}

/** How surely the mean of values is known from their own scatter: the standard error of the mean. */
function standardError(values: readonly number[]): number {
  const n = values.length
  if (n < 2) return Infinity
  const mean = values.reduce((sum, v) => sum + v, 0) / n
  return Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (n - 1) / n)
}

/**
 * Says that somebody's steps are apart (a logarithm with its variance), when that is beyond chance among so many
 * comparisons and beyond what their own steps' scatter allows; else nothing.
 */
function sayApart(
  id: string,
  what: (ratio: number) => Taught['what'],
  { mean, variance }: { mean: number; variance: number },
  own: readonly Dated[],
): Taught[] {
  const deviation = Math.max(Math.sqrt(variance), standardError(own.map(logRatio)))
  if (Math.abs(mean) < Math.max(TAUGHT.least.value, TAUGHT.surely.value * deviation)) return []
  const reach = INTERVAL * deviation
  return [
    {
      id,
      what: what(Math.exp(mean)),
      evidence: { kind: 'interval', visits: own.length, others: null },
      ratio: ratioOf(mean, reach),
    },
  ]
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
      const own = kept.filter((d) => d.dog === dog)
      const what = (ratio: number) =>
        said('taught.dog', { name: names.get(dog) ?? '', kind, coat: coat as CoatType, ratio })
      return sayApart(`dog ${dog} ${kind}`, what, { mean: apart.mean, variance: learned.variance }, own)
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
      const apart = apartOf(person)
      const what = (ratio: number) => said('taught.person', { person, kind, ratio })
      return sayApart(`person ${person} ${kind}`, what, apart, own)
    })
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
              what: said('taught.damp', { name: dog, zone: zone as Zone }),
              evidence: { kind: 'damp', times, visits },
            },
          ]
        : [],
    ),
  )
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
    .map((s): Taught => ({
      id: `suited ${s.product}`,
      what: said('taught.suited', s),
      evidence: { kind: 'pairs', pairs: s.times },
    }))
  return [...minutes, ...dampPlaces(briefs), ...suited]
}
