import { Dog } from '../dog'
import { oatShelf, roomWith } from '../fixtures'
import { LEARN, UNKNOWN_SPREAD } from '../learn'
import { TubEvent, visitRecord } from '../tubside'
import { NOTHING_KNOWN, type Memory } from '../visit'
import {
  dayOdds,
  dogOn,
  emptyDay,
  gapOf,
  wonBy,
  middlesOf,
  mixesInBrief,
  partsOf,
  planSeats,
  prepareList,
  problemOfDay,
  progressFromTub,
  seatFor,
  standDay,
  taskOf,
  totalsOf,
  WashDay,
  arrangeWashDay,
  type DayFacts,
} from '.'

const DATE = '2026-11-28'
const house = roomWith()
const shelf = oatShelf()
const dog = Dog.parse({ name: 'Birch', coat: 'wire', weightKg: 8 })
const lesson = (ratio: number, variance = 0.005) => ({
  mean: Math.log(ratio),
  variance,
  own: 5,
  coat: 5,
  all: 30,
  dogs: 6,
})

function factsWith(memory: Partial<Memory>): DayFacts {
  const day = { ...emptyDay(DATE, house), pauses: [] }
  const seats = [seatFor('birch', day, { arrive: 480, pickup: 1000 })]
  const dogs = { birch: dogOn(dog, DATE, undefined, { ...NOTHING_KNOWN, ...memory }) }
  return { day: WashDay.parse({ ...day, seats }), dogs, shelf, house }
}
const problemWith = (memory: Partial<Memory>) => {
  const facts = factsWith(memory)
  const seats = planSeats(facts)
  return { seats, problem: problemOfDay(facts, seats) }
}
const minutesOf = (memory: Partial<Memory>, kind: string) =>
  problemWith(memory).problem.dogs[0]!.tasks.find((t) => t.kind === kind)!.dur

test('a day is planned by the model until the log knows, then by a quantile with a reserve', () => {
  const model = minutesOf({}, 'dry')
  const learned = minutesOf({ lessons: { dry: lesson(1.4) } }, 'dry')
  const [{ plan }] = planSeats(factsWith({ lessons: { dry: lesson(1.4) } })) as [ReturnType<typeof planSeats>[number]]
  const dry = plan.steps.find((s) => s.id === 'dry')!
  expect(dry.minutes.value).toBeGreaterThan(1.3 * model * 0.9)
  expect(learned).toBe(Math.ceil(dry.likely!.plan))
  expect(learned).toBeGreaterThan(dry.minutes.value)
  expect(minutesOf({ lessons: { dry: lesson(0.7) } }, 'dry')).toBeLessThan(model)
})

test('chances are drawn around the middle, not around the reserve: learned days are ready earlier than planned', () => {
  const every = Object.fromEntries(
    ['look', 'brush', 'wet', 'lather', 'rinse-last', 'towel', 'dry', 'comb', 'ears', 'nails'].map((k) => [
      k,
      lesson(1),
    ]),
  )
  const facts = factsWith({ lessons: every })
  const search = arrangeWashDay(facts, { seed: 1, tries: 50 })
  let step = search.next()
  while (!step.done) step = search.next()
  if (!step.value.ok) throw new Error('not arranged')
  const day = { ...facts, day: { ...facts.day, plan: step.value.day.plan } }
  const { problem, schedule, seats } = standDay(day)
  const middles = middlesOf(seats)
  expect(Object.keys(middles).length).toBeGreaterThan(2)
  for (const { dog: common } of Object.values(middles)) expect(common).toBeLessThan(UNKNOWN_SPREAD)
  const ready = (of?: typeof middles) => dayOdds(problem, schedule!, { closing: 540, middles: of }).end.ready[1]
  expect(ready(middles)).toBeLessThan(ready())
})

test('a task without a lesson has no middle of its own', () => {
  expect(middlesOf(problemWith({}).seats)).toEqual({})
  const some = middlesOf(problemWith({ lessons: { dry: lesson(1) } }).seats)
  expect(Object.keys(some)).toEqual(['birch.dry'])
  expect(some['birch.dry']!.dog).toBeLessThan(LEARN.dog.value)
})

describe('a day as the tub tells it', () => {
  const seats = planSeats(factsWith({}))
  const parts = partsOf(seats[0]!.plan)
  const tap = (n: number, minute: number, what: Record<string, unknown>) =>
    TubEvent.parse({
      id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
      at: minute * 60_000,
      device: '',
      ...what,
    })
  const steps = parts.flatMap((p) => p.steps.map((s) => s.step.id))
  const minuteOf = (ms: number) => Math.round(ms / 60_000)
  const told = (count: number) =>
    progressFromTub(
      seats,
      { birch: visitRecord(steps.slice(0, count).map((step, i) => tap(i, 500 + 3 * i, { kind: 'step', step }))) },
      minuteOf,
    )

  test('parts that were begun have their start; those over their end; others aren’t there', () => {
    const first = parts[0]!
    const inSecond = told(first.steps.length + 1)
    expect(inSecond[`birch.${first.key}`]).toEqual({ start: 500, end: 500 + 3 * first.steps.length })
    expect(inSecond[`birch.${parts[1]!.key}`]).toEqual({ start: 500 + 3 * first.steps.length, end: null })
    expect(Object.keys(inSecond)).toHaveLength(2)
    expect(told(0)).toEqual({})
    expect(progressFromTub(seats, {}, minuteOf)).toEqual({})
  })
})

test('a day’s totals, its mixes in brief, and how far from the best', () => {
  const facts = factsWith({})
  const state = standDay(facts)
  const totals = totalsOf({ day: { ...facts.day, extraTowels: 3 } }, state)
  expect(totals).toEqual({ dogs: 1, towels: state.seats[0]!.plan.towels.value + 3 })
  const [oat] = mixesInBrief(facts, state)
  expect(oat!.product).toBe('Oat')
  // as the list tells to measure it, not as it was reckoned
  const [bottle] = prepareList(facts, state).mixes.map((m) => m.mix.vessels)
  expect(oat!.concentrate).toBe(bottle!.reduce((sum, v) => sum + v.measured.product, 0))
  expect(oat!.mL).toBe(oat!.concentrate + bottle!.reduce((sum, v) => sum + v.waterMl, 0))
  expect(taskOf('birch.dry', state.seats)).toEqual({ name: 'Birch', part: 'dry' })
  expect(taskOf('pause-1', state.seats)).toBeUndefined()
  const gap = (bare: number, lowerBound: number, proven = false) =>
    gapOf({ objective: bare, bare, quickest: bare, lowerBound, proven })
  expect(gap(5120, 5000)).toEqual({ late: 0, minutes: 12, wishes: true, known: false })
  expect(gap(5001, 5000)).toMatchObject({ late: 0, minutes: 1 })
  expect(gap(9120, 5000)).toMatchObject({ late: 4, minutes: 0 })
  expect(gap(90_000, 5000)).toBeUndefined()
  expect(gap(90_000, 5000, true)).toEqual({ late: 0, minutes: 0, wishes: false, known: false })
  const worth = { objective: 5100, bare: 5000, quickest: 5000, lowerBound: 5000, proven: false }
  expect(gapOf(worth)).toEqual({ late: 0, minutes: 0, wishes: true, known: true })
  expect(gapOf({ ...worth, bare: 5060 })).toEqual({ late: 0, minutes: 6, wishes: true, known: true })
  expect(wonBy({ ...worth, bare: 4960 }, worth)).toMatchObject({ late: 0, minutes: 4 })
})
