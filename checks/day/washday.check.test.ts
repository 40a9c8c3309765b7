import { arrangeDay, DayProblem, type Arrangement } from '@core/day'
import {
  dogOn,
  emptyDay,
  planSeats,
  problemOfDay,
  seatFor,
  type DayFacts,
  type Seat,
  type WashDay,
} from '@core/washday'
import { DEMO } from '../../demo/scenario'
import { faultsOf } from './checker'

const DATE = '2026-11-28'
const shelf = DEMO.products.map((p) => ({ ...p, id: p.name }))
const dogs = Object.fromEntries(DEMO.dogs.map((d) => [d.name, dogOn(d, DATE)]))

function factsOf(names: readonly string[], more: Partial<WashDay> = {}, seat: Partial<Seat> = {}): DayFacts {
  const day = { ...emptyDay(DATE, DEMO.house), hours: { from: 480, to: 1080 }, heaterFrom: null, ...more }
  const seats = names.map((name, i) => seatFor(name, day, { arrive: 480 + 30 * i, pickup: 1080, ...seat }))
  return { day: { ...day, seats }, dogs, shelf, house: DEMO.house }
}
function problemOf(names: readonly string[], more: Partial<WashDay> = {}) {
  const facts = factsOf(names, more)
  return problemOfDay(facts, planSeats(facts))
}
const id = (name: string) => name.toLowerCase()

describe('recipes become a day’s problem', () => {
  test.each(DEMO.dogs.map((d) => d.name))('%s: a sound problem that holds the visit’s minutes and water', (name) => {
    const problem = problemOf([name])
    expect(DayProblem.safeParse(problem).success).toBe(true)
    const [{ plan }] = planSeats(factsOf([name])) as [ReturnType<typeof planSeats>[number]]
    const minutes = problem.dogs[0]!.tasks.reduce((sum, t) => sum + t.dur, 0)
    expect(minutes).toBeGreaterThanOrEqual(plan.minutes.value - 1e-9)
    expect(minutes).toBeLessThan(plan.minutes.value + problem.dogs[0]!.tasks.length)
    expect(problem.dogs[0]!.tasks.reduce((sum, t) => sum + t.hotDl, 0)).toBe(Math.round(plan.water.hotLitres * 10))
    const day = arrangeDay(problem, { tries: 50 }) as Arrangement
    expect(faultsOf(problem, day.schedule)).toEqual([])
  })

  test('a curly coat may not wait as long for the dryer as another', () => {
    const gap = (name: string) => problemOf([name]).dogs[0]!.tasks.find((t) => t.kind === 'dry')!.preds[0]!.maxGap
    expect([gap('Pesto'), gap('Juniper')]).toEqual([15, 30])
  })

  test('a corded coat dries alone on the fan and frees the hands; a dryer holds hands, table, circuit and itself', () => {
    const alone = problemOf(['Puck']).dogs[0]!.tasks.find((t) => t.kind === 'alone')!
    expect(alone.uses).toEqual({
      fan: 1,
      'crate over 0 kg': 1,
      'crate over 12 kg': 1,
      'circuit: Dryer sockets': 60,
    })
    const dry = problemOf(['Juniper']).dogs[0]!.tasks.find((t) => t.kind === 'dry')!
    expect(dry.uses).toEqual({
      hands: 1,
      table: 1,
      'circuit: Dryer sockets': 1800,
      'dryer: Force dryer': 1,
      'dryer: Stand dryer': 1,
    })
  })

  test('a shedding coat that is blown out first needs the fast dryer and its circuit for that too', () => {
    const { plan } = planSeats(factsOf(['Juniper']))[0]!
    const prepare = problemOf(['Juniper']).dogs[0]!.tasks.find((t) => t.kind === 'prepare')!
    expect(plan.steps.some((s) => s.id === 'blow-out')).toBe(true)
    expect(prepare.uses).toMatchObject({ 'dryer: Force dryer': 1, 'circuit: Dryer sockets': 1200 })
  })

  test('crates are taken from the smallest size that fits; a giant fits none', () => {
    const rest = (name: string) => problemOf([name]).dogs[0]!.tasks.find((t) => t.kind === 'rest')!.uses
    expect(rest('Pesto')).toEqual({ 'crate over 0 kg': 1, 'crate over 12 kg': 1 })
    expect(rest('Saffron')).toEqual({ 'crate over 0 kg': 1 })
    expect(rest('Bosun')).toEqual({})
    expect(problemOf(['Pesto']).resources).toMatchObject({ 'crate over 0 kg': 4, 'crate over 12 kg': 2 })
  })

  test('the farm dog with fleas is last in the tub, and the tub is cleaned after every dog', () => {
    const problem = problemOf(['Rook', 'Moss', 'Quill'])
    expect(problem.dogs.map((d) => d.lastInTub)).toEqual([true, false, false])
    const day = arrangeDay(problem, { tries: 1500 }) as Arrangement
    expect(faultsOf(problem, day.schedule)).toEqual([])
    expect(day.schedule.tasks['rook.bath']).toBeGreaterThan(
      Math.max(day.schedule.tasks['moss.bath']!, day.schedule.tasks['quill.bath']!),
    )
    for (const dog of problem.dogs) expect(dog.tasks.filter((t) => t.kind === 'clean')).toHaveLength(1)
  })

  test('the rules of thumb alone already give a day that can be done', () => {
    for (const names of [
      ['Moss', 'Rook', 'Fig'],
      ['Pesto', 'Wren', 'Pixel', 'Clove'],
      ['Puck', 'Quill', 'Fig', 'Rook', 'Moss'],
    ]) {
      const problem = problemOf(names)
      const day = arrangeDay(problem, { tries: 0 })
      expect([names, day.feasible]).toEqual([names, true])
      expect(faultsOf(problem, (day as Arrangement).schedule)).toEqual([])
    }
  })

  test('a stopped visit has no bath, and still a beginning and an end', () => {
    const facts = factsOf(['Moss'])
    const sick = { ...dogs.Moss!, today: { ...dogs.Moss!.today, health: ['suspected ringworm' as const] } }
    const stopped = { ...facts, dogs: { Moss: sick } }
    const problem = problemOfDay(stopped, planSeats(stopped))
    expect(problem.dogs[0]!.tasks.map((t) => t.kind)).toEqual(['prepare'])
    expect(problem.dogs[0]!.tasks[0]!.hotDl).toBe(0)
  })

  test('a helper never makes the day longer, and a heavy dog is lifted while she is there', () => {
    const helper = { name: 'Dunja', from: 660, to: 960 }
    const alone = arrangeDay(problemOf(['Moss', 'Quill', 'Fig']), { tries: 4000 }) as Arrangement
    const two = arrangeDay(problemOf(['Moss', 'Quill', 'Fig'], { helper }), { tries: 4000 }) as Arrangement
    expect(two.dayEnd).toBeLessThanOrEqual(alone.dayEnd)
    const heavy = problemOf(['Otis'], { helper })
    expect(heavy.dogs[0]!.tasks.filter((t) => t.kind === 'lift').map((t) => t.uses.hands)).toEqual([2, 2])
    const day = arrangeDay(heavy, { tries: 500 }) as Arrangement
    expect(faultsOf(heavy, day.schedule)).toEqual([])
    expect(day.schedule.tasks['otis.lift']! + 480).toBeGreaterThanOrEqual(660)
    expect(problemOf(['Otis']).dogs[0]!.tasks.some((t) => t.kind === 'lift')).toBe(false)
  })

  test('the tank is what is usable of it, less by a timer; a tankless heater only adds', () => {
    expect(problemOf(['Moss']).tank).toEqual({ capacityDl: 1500, initialDl: 1500, recoveryDlPerMin: 8 })
    const timed = problemOf(['Moss'], { heaterFrom: 420 }).tank
    expect(timed.initialDl).toBe(Math.floor(10 * 60 * ((60 * 3 * 0.98) / (4.186 * 49))))
    const facts = factsOf(['Moss'])
    const house = { ...DEMO.house, water: { ...DEMO.house.water, heater: 'tankless' as const, heaterKw: 21 } }
    expect(problemOfDay({ ...facts, house }, planSeats(facts)).tank).toEqual({
      capacityDl: 0,
      initialDl: 0,
      recoveryDlPerMin: 60,
    })
  })

  test('pins are held, and every pin can be found in the arrangement', () => {
    const facts = factsOf(['Moss', 'Fig', 'Quill'])
    const seats = facts.day.seats.map((s) => (s.id === id('Fig') ? { ...s, pins: { bath: 700 } } : s))
    const pinned = { ...facts, day: { ...facts.day, seats } }
    const problem = problemOfDay(pinned, planSeats(pinned))
    const day = arrangeDay(problem, { tries: 800 }) as Arrangement
    expect(faultsOf(problem, day.schedule)).toEqual([])
    expect(day.schedule.tasks['fig.bath']).toBe(700 - 480)
  })
})
