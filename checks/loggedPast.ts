import { briefOf, taughtBy, type Brief, type Dated } from '@core/logbook'
import { doneOf, outcomeOf } from '@core/tubside'
import { HIDDEN, monthsHidden, pastDays, type Hidden } from '../demo/past'
import { DEMO } from '../demo/scenario'

const shelf = DEMO.products.map((p, i) => ({ ...p, id: `product ${i}` }))

/** The dogs of the demonstration by name. */
export const dogs = new Map(DEMO.dogs.map((d) => [d.name, d]))

/** A made-up half year before `last`, as the log keeps it, and what it teaches with a ratio. */
export function logPast(last: string, seed: number, hidden: Hidden) {
  const log: Record<string, Dated[]> = {}
  const briefs: Brief[] = []
  for (const { date, visits, starts } of pastDays(DEMO, shelf, last, { seed, hidden })) {
    visits.forEach(({ dog: name, today, plan, events }, i) => {
      const dog = dogs.get(name)!
      const outcome = outcomeOf({ plan, today, mood: dog.mood }, events, DEMO.house.water.flow)!
      const slot: [number, number] = [starts[i]!, starts[i]! + plan.minutes.value]
      const brief = briefOf(outcome, {
        visitId: `${date} ${name}`,
        dogId: name,
        dog,
        date,
        plan,
        shelf,
        house: DEMO.house,
        slot,
        cut: {},
      })
      briefs.push(brief)
      for (const [kind, done] of Object.entries(doneOf(outcome, name, dog.coat)))
        (log[kind] ??= []).push({
          ...done,
          visitId: brief.visitId,
          date,
          dryer: kind === 'dry' ? brief.drying?.dryer : undefined,
        })
    })
  }
  const taught = taughtBy(log, briefs).filter((t) => t.ratio)
  return { log, briefs, taught }
}

/** What is hidden in the past that ships, made before `last`: its ratios, by the names under which the log should find them. */
export function truthBefore(last: string): Record<string, number> {
  const { slowZone, humidMonth, weakDryer } = HIDDEN
  const { humid, weakSince } = monthsHidden(HIDDEN, last)
  return {
    [`dog ${slowZone!.dog} dry: ${slowZone!.zone}`]: slowZone!.ratio,
    [`month ${humid}`]: humidMonth!.ratio,
    [`dryer ${weakDryer!.name} since ${weakSince}`]: weakDryer!.ratio,
  }
}
