import { normalQuantile, readLog } from '@core/learn'
import { logTables } from '@core/logbook'
import { TOWEL_WATER } from '@core/visit'
import { HIDDEN, NOTHING_HIDDEN, type Hidden } from '../demo/past'
import { dogs, logPast, truthBefore } from './loggedPast'

const LAST = '2026-11-28'
const { thirsty } = HIDDEN
const TRUTH = truthBefore(LAST)

const made = new Map<string, ReturnType<typeof logPast>>()
/** A made-up half year, made once. */
function logged(seed: number, hidden: Hidden) {
  const key = `${seed} ${hidden === HIDDEN}`
  const known = made.get(key) ?? logPast(LAST, seed, hidden)
  made.set(key, known)
  return known
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

test('where nothing is hidden, hardly anything is taught', () => {
  const invented = [1, 2, 3, 4, 5, 6, 7, 8].flatMap((seed) => logged(seed, NOTHING_HIDDEN).taught)
  expect(invented.length).toBeLessThanOrEqual(1)
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
