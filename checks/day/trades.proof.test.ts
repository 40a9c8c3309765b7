import { scoreDay, type DayProblem, type DaySchedule } from '@core/day'
import { drive } from '@core/turns'
import {
  arrangeWashDay,
  dogOn,
  emptyDay,
  planSeats,
  priceOf,
  seatFor,
  standFrom,
  TERMS,
  tradesOf,
  type Cost,
  type DayFacts,
  type DayState,
  type Term,
} from '@core/washday'
import { DEMO } from '../../demo/scenario'
import { faultsOf } from './checker'
import { weighedByMinutes } from './weighing'

const DATE = '2026-11-28'

function arranged(change: Partial<DayFacts['house']> = {}): DayFacts {
  const house = { ...DEMO.house, ...change }
  const day = emptyDay(DATE, house)
  const facts: DayFacts = {
    day: { ...day, seats: DEMO.saturday.map(({ dog, ...times }) => seatFor(dog, day, times)) },
    dogs: Object.fromEntries(DEMO.dogs.map((d) => [d.name, dogOn(d, DATE)])),
    shelf: DEMO.products.map((p) => ({ ...p, id: p.name })),
    house,
  }
  const outcome = drive(arrangeWashDay(facts, { tries: 4000 }))
  if (!outcome.ok) throw new Error('the day can’t be arranged')
  return { ...facts, day: { ...facts.day, plan: outcome.day.plan } }
}
const stand = (facts: DayFacts): DayState => standFrom(facts, planSeats(facts))
const minutes = (problem: DayProblem, schedule: DaySchedule): Record<Term, number> => ({
  late: scoreDay(problem, schedule).late,
  ...weighedByMinutes(problem, schedule),
})
/** What is more in one day than in another, in any order. */
const more = (there: Record<Term, number>, now: Record<Term, number>): Cost[] =>
  TERMS.filter((t) => there[t] > now[t]).map((term) => ({ term, minutes: there[term] - now[term] }))

const facts = arranged()
const state = stand(facts)
const now = minutes(state.problem, state.schedule!)
/** A day taken over: its schedule, which must be sound. */
function taken(plan: NonNullable<DayFacts['day']['plan']>): DaySchedule {
  const { problem, schedule } = stand({ ...facts, day: { ...facts.day, plan } })
  expect(problem).toEqual(state.problem)
  expect(faultsOf(problem, schedule!)).toEqual([])
  return schedule!
}

test('every trade is an order that holds, meets its wish better and makes nobody later; what it costs is what counting minutes finds', () => {
  const trades = drive(tradesOf(facts, state))
  expect(trades.length).toBeGreaterThan(0)
  for (const { wish, now: has, could, costs, plan } of trades) {
    const there = minutes(state.problem, taken(plan))
    expect([has, could]).toEqual([now[wish], there[wish]])
    expect(has - could).toBeGreaterThanOrEqual(5)
    expect(there.late).toBeLessThanOrEqual(now.late)
    expect(costs).toHaveLength(more(there, now).length)
    expect(costs).toEqual(expect.arrayContaining(more(there, now)))
  }
})

test('what it costs that everyone is ready by a time: an order in which they are, or who isn’t', () => {
  const last = Math.max(...state.run!.seats.map((s) => s.ready))
  const easy = priceOf(facts, state, { seatId: null, by: last })
  expect(easy).toMatchObject({ granted: true })
  const never = priceOf(facts, state, { seatId: null, by: facts.day.hours.from + 30 })
  if (never?.granted !== false) throw new Error('nobody is dry in half an hour')
  expect(never.late).toHaveLength(6)
  const tight = priceOf(facts, state, { seatId: 'rook', by: state.run!.seats.find((s) => s.id === 'rook')!.ready - 5 })
  if (!tight?.granted) return expect(tight!.late.map((l) => l.seatId)).toEqual(['rook'])
  const there = minutes(state.problem, taken(tight.plan))
  expect(tight.costs).toEqual(expect.arrayContaining(more(there, now)))
  expect(tight.saves).toEqual(expect.arrayContaining(more(now, there)))
})

test('a house that counts breathers for nothing isn’t given any at the cost of its evening', () => {
  const off = stand(arranged({ wishes: { breather: 'off' } }))
  const much = stand(arranged({ wishes: { breather: 'much' } }))
  const missing = (s: DayState) => weighedByMinutes(s.problem, s.schedule!).breather
  expect(off.problem.wishes!.breather).toBe(0)
  expect(missing(much)).toBeLessThanOrEqual(missing(off))
})
