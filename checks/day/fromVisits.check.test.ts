import { arrangeDay, dayFromVisits, DayProblem, type Arrangement, type DayVisit } from '../../core/day'
import { planVisit, todayFromRecord } from '../../core/visit'
import { DEMO } from '../../demo/scenario'
import { faultsOf } from './checker'

const shelf = DEMO.products.map((p) => ({ ...p, id: p.name }))
const lunch = [{ id: 'lunch', dur: 30, earliest: 180, latest: 300, uses: { hands: 1 } }]

function visit(name: string, arrive = 0, pickup = 600): DayVisit {
  const dog = DEMO.dogs.find((d) => d.name === name)!
  const today = todayFromRecord(dog, '2026-11-28')
  return {
    id: name,
    coat: dog.coat,
    plan: planVisit(dog, today, shelf, DEMO.house),
    arrive,
    pickup,
    lastInTub: today.fleas,
  }
}
const problemOf = (names: readonly string[], more: object = {}) =>
  dayFromVisits(
    names.map((name, i) => visit(name, 30 * i)),
    { house: DEMO.house, helper: false, horizon: 900, breaks: lunch, ...more },
  )

describe('recipes become a day’s problem', () => {
  test.each(DEMO.dogs.map((d) => d.name))('%s: a sound problem that holds the visit’s minutes and water', (name) => {
    const problem = problemOf([name])
    expect(DayProblem.safeParse(problem).success).toBe(true)
    const { plan } = visit(name)
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
    expect(alone.uses).toEqual({ fan: 1, crate: 1, circuit: 60 })
    const dry = problemOf(['Juniper']).dogs[0]!.tasks.find((t) => t.kind === 'dry')!
    expect(dry.uses).toEqual({ hands: 1, table: 1, circuit: 1800, 'dryer: Force dryer': 1, 'dryer: Stand dryer': 1 })
  })

  test('the farm dog with fleas is last in the tub, and the tub is cleaned after every dog', () => {
    const problem = problemOf(['Rook', 'Moss', 'Quill'])
    expect(problem.dogs.map((d) => d.lastInTub)).toEqual([true, false, false])
    const day = arrangeDay(problem, { tries: 1500 }) as Arrangement
    expect(faultsOf(problem, day.schedule)).toEqual([])
    expect(day.schedule.tasks['Rook.bath']).toBeGreaterThan(
      Math.max(day.schedule.tasks['Moss.bath']!, day.schedule.tasks['Quill.bath']!),
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
    const dog = DEMO.dogs.find((d) => d.name === 'Moss')!
    const today = { ...todayFromRecord(dog, '2026-11-28'), health: ['suspected ringworm' as const] }
    const stopped = { ...visit('Moss'), plan: planVisit(dog, today, shelf, DEMO.house) }
    const { dogs } = dayFromVisits([stopped], { house: DEMO.house, helper: false, horizon: 900, breaks: [] })
    expect(dogs[0]!.tasks.map((t) => t.kind)).toEqual(['prepare'])
    expect(dogs[0]!.tasks[0]!.hotDl).toBe(0)
  })

  test('a helper is a second pair of hands and never makes the day longer', () => {
    const alone = arrangeDay(problemOf(['Moss', 'Quill', 'Fig']), { tries: 4000 }) as Arrangement
    const two = arrangeDay(problemOf(['Moss', 'Quill', 'Fig'], { helper: true }), { tries: 4000 }) as Arrangement
    expect(two.dayEnd).toBeLessThanOrEqual(alone.dayEnd)
  })

  test('the tank is what is usable of it; a tankless heater only adds', () => {
    expect(problemOf(['Moss']).tank).toMatchObject({ capacityDl: 1500, initialDl: 1500, recoveryDlPerMin: 8 })
    const tankless = { ...DEMO.house, water: { ...DEMO.house.water, heater: 'tankless' as const, heaterKw: 21 } }
    expect(problemOf(['Moss'], { house: tankless }).tank).toMatchObject({
      capacityDl: 0,
      initialDl: 0,
      recoveryDlPerMin: 60,
    })
  })
})
