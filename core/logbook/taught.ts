import { ZONE_NAMES, type Zone } from '../dog'
import { apartFromCoat, groupsOf, logRatio, personApart, posteriorOf, ratioWords, sift } from '../learn'
import { TOWEL_WATER } from '../visit'
import type { Brief } from './brief'
import { dryingCauses, withoutCauses } from './causes'
import { TAUGHT } from './constants'
import { INTERVAL, kindWords, percentRange, ratioOf, type Dated, type Taught } from './evidence'
import { suitedOf } from './suited'

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

/**
 * Says that somebody's steps are apart (a logarithm with its variance), when that is beyond chance among so many
 * comparisons and beyond what their own steps' scatter allows; else nothing.
 */
function sayApart(
  id: string,
  words: string,
  { mean, variance }: { mean: number; variance: number },
  own: readonly Dated[],
): Taught[] {
  const deviation = Math.max(Math.sqrt(variance), standardError(own.map(logRatio)))
  if (Math.abs(mean) < Math.max(TAUGHT.least.value, TAUGHT.surely.value * deviation)) return []
  const reach = INTERVAL * deviation
  return [
    {
      id,
      words,
      evidence: `${percentRange(mean, reach)}, from ${own.length} visits`,
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
      const words = apartWords(names.get(dog) ?? 'A dog', kind, coat, apart.mean)
      return sayApart(`dog ${dog} ${kind}`, words, { mean: apart.mean, variance: learned.variance }, own)
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
      const words = `${person}: ${kindWords(kind)} takes ${ratioWords(apart.mean)} than with who usually works.`
      return sayApart(`person ${person} ${kind}`, words, apart, own)
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
              words: `${dog}: ${ZONE_NAMES[zone as Zone] ?? zone} stays damp; part the hair there first.`,
              evidence: `found damp on ${times} of ${visits} visits`,
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
    .map((s): Taught => ({ id: `suited ${s.product}`, words: s.words, evidence: `${s.times} pairs of visits` }))
  return [...minutes, ...dampPlaces(briefs), ...suited]
}
