import { HIDDEN, monthBack, NOTHING_HIDDEN, pastDays, type Hidden } from '../demo/past'
import { DEMO } from '../demo/scenario'
import { briefOf, logTables, taughtBy, type Brief, type Dated } from '@core/logbook'
import { normalQuantile, readLog } from '@core/learn'
import { doneOf, outcomeOf } from '@core/tubside'
import { planVisit, TOWEL_WATER } from '@core/visit'

const LAST = '2026-11-28'
const shelf = DEMO.products.map((p, i) => ({ ...p, id: `product ${i}` }))
const dogs = new Map(DEMO.dogs.map((d) => [d.name, d]))

/** A made-up half year as the log keeps it. */
const made = new Map<string, ReturnType<typeof logIt>>()
function logged(seed: number, hidden: Hidden) {
  const key = `${seed} ${hidden === HIDDEN}`
  const known = made.get(key) ?? logIt(seed, hidden)
  made.set(key, known)
  return known
}

function logIt(seed: number, hidden: Hidden) {
  const log: Record<string, Dated[]> = {}
  const briefs: Brief[] = []
  for (const { date, visits, starts } of pastDays(DEMO, shelf, LAST, { seed, hidden })) {
    visits.forEach(({ dog: name, today, memory, events }, i) => {
      const dog = dogs.get(name)!
      const plan = planVisit(dog, today, shelf, DEMO.house, memory)
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

const { slowZone, humidMonth, weakDryer, thirsty } = HIDDEN
/** What is hidden, by the name under which the log should find it. */
const TRUTH: Record<string, number> = {
  [`dog ${slowZone!.dog} dry: ${slowZone!.zone}`]: slowZone!.ratio,
  [`month ${monthBack(LAST, humidMonth!.monthsBack)}`]: humidMonth!.ratio,
  [`dryer ${weakDryer!.name} since ${monthBack(LAST, weakDryer!.sinceMonthsBack)}`]: weakDryer!.ratio,
}

test('the past that ships: everything hidden is found, within its interval, and nothing else', () => {
  const { taught } = logged(1, HIDDEN)
  expect(taught.map((t) => t.id).sort()).toEqual(Object.keys(TRUTH).sort())
  for (const { id, ratio } of taught) {
    expect(ratio!.from).toBeLessThan(TRUTH[id]!)
    expect(ratio!.to).toBeGreaterThan(TRUTH[id]!)
  }
})

test('over many made-up pasts: what is hidden is mostly found, its interval mostly holds, little is invented', () => {
  let [found, held, invented] = [0, 0, 0]
  const seeds = [2, 3, 4, 5, 6, 7, 8, 9]
  for (const seed of seeds) {
    for (const { id, ratio } of logged(seed, HIDDEN).taught) {
      const truth = TRUTH[id]
      if (truth === undefined) invented++
      else {
        found++
        if (ratio!.from < truth && truth < ratio!.to) held++
      }
    }
  }
  const hidden = Object.keys(TRUTH).length * seeds.length
  expect(found / hidden).toBeGreaterThan(0.85)
  expect(held / found).toBeGreaterThan(0.85)
  expect(invented).toBeLessThanOrEqual(1)
})

test('where nothing is hidden, nothing is taught', () => {
  const invented = [1, 2, 3, 4, 5, 6].flatMap((seed) => logged(seed, NOTHING_HIDDEN).taught)
  expect(invented.map((t) => t.what)).toEqual([])
})

test('weighed towels tell how much more water a coat holds', () => {
  const { log } = logged(1, HIDDEN)
  const dog = dogs.get(thirsty!.dog)!
  const lesson = readLog(log)({ dog: dog.name, coat: dog.coat })[TOWEL_WATER]!
  const reach = normalQuantile(0.975) * Math.sqrt(lesson.variance)
  expect(lesson.mean - reach).toBeLessThan(Math.log(thirsty!.ratio))
  expect(lesson.mean + reach).toBeGreaterThan(Math.log(thirsty!.ratio))
  expect(lesson.mean).toBeGreaterThan(0)
})

test('predicted bands hold about what they say, where nothing is hidden', () => {
  let [inside, all] = [0, 0]
  for (const seed of [1, 2, 3, 4])
    for (const b of logged(seed, NOTHING_HIDDEN).briefs) {
      all++
      if (b.most[0] <= b.minutes && b.minutes <= b.most[1]) inside++
    }
  expect(inside / all).toBeGreaterThan(0.75)
})

test('every chart of the logbook has its numbers, and its sentence is made of them', () => {
  const { briefs } = logged(1, HIDDEN)
  const tables = logTables(briefs, 'EUR')
  for (const { columns, rows, says } of tables) {
    expect(rows.length).toBeGreaterThan(0)
    for (const row of rows) expect(row).toHaveLength(columns.length)
    expect(says.code).toMatch(/^table[.]/)
  }
  const predicted = tables.find((t) => t.id === 'predicted')!
  expect(predicted.rows).toHaveLength(briefs.length)
  const inside = predicted.rows.filter((r) => Number(r[5]) <= Number(r[7]) && Number(r[7]) <= Number(r[6])).length
  expect(predicted.says.facts).toMatchObject({
    most: Math.round((100 * inside) / briefs.length),
    visits: briefs.length,
  })
})
