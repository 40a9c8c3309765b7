import psychrolib from 'psychrolib'
import { allowedMinutes } from '@core/groomer'
import { House } from '@core/house'
import { recovery, SUPPLY } from '@core/water'
import {
  airMass,
  dogOn,
  emptyDay,
  planOfSchedule,
  relativeHumidity,
  roomOverDay,
  seatFor,
  standDay,
  type DayFacts,
} from '@core/washday'
import { DEMO } from '../../demo/scenario'

psychrolib.SetUnitSystem(psychrolib.SI)
const P = 101325
const house = House.parse({ ...DEMO.house, heaterFrom: null })
const DATE = '2026-11-28'

describe('room air through a day', () => {
  test('the room’s dry air weighs what psychrolib says', () => {
    const { room, space } = house
    const w = psychrolib.GetHumRatioFromRelHum(room.celsius, room.humidity / 100, P)
    const volume = psychrolib.GetMoistAirVolume(room.celsius, w, P)
    expect(airMass(house)).toBeCloseTo((space.floorM2 * space.heightM) / volume, 2)
  })

  test.each([
    [20, 0.008],
    [24, 0.012],
    [28, 0.02],
  ])('relative humidity at %d °C and %d kg/kg agrees with psychrolib', (celsius, w) => {
    expect(relativeHumidity(celsius, w)).toBeCloseTo(100 * psychrolib.GetRelHumFromHumRatio(celsius, w, P), 1)
  })

  test('a steady source settles where evaporation and air changes balance (by hand: W = W₀ + e/(n·m))', () => {
    const perMinute = 6
    const length = 600
    const air = roomOverDay(house, false, [{ from: 0, to: length, grams: perMinute * length, watts: 0 }], length)
    const outside = psychrolib.GetHumRatioFromRelHum(house.room.celsius, house.room.humidity / 100, P)
    const steady = outside + (perMinute * 60) / 1000 / (house.space.airChanges * airMass(house))
    const expected = Math.min(90, 100 * psychrolib.GetRelHumFromHumRatio(house.room.celsius, steady, P))
    expect(air.atRoom.at(-1)).toBeCloseTo(expected, 0)
  })

  test('one burst dies away with the air changes: after an hour e⁻¹ of it is left', () => {
    const air = roomOverDay(house, false, [{ from: 0, to: 1, grams: 100, watts: 0 }], 62)
    const w = (rh: number) => psychrolib.GetHumRatioFromRelHum(house.room.celsius, rh / 100, P)
    const outside = w(house.room.humidity)
    const share = (w(air.atRoom[60]!) - outside) / (w(air.atRoom[0]!) - outside)
    expect(share).toBeCloseTo(Math.exp(-1), 2)
  })

  test('water is conserved: what evaporates leaves by the air changes or is still there', () => {
    const length = 240
    const air = roomOverDay(house, false, [{ from: 10, to: 70, grams: 240, watts: 0 }], length)
    const w = (rh: number) => psychrolib.GetHumRatioFromRelHum(house.room.celsius, rh / 100, P)
    const outside = w(house.room.humidity)
    const mass = airMass(house)
    const excess = air.atRoom.map((rh) => (w(rh) - outside) * mass * 1000)
    const left = excess.at(-1)!
    const gone = excess.reduce((sum, e) => sum + e * (house.space.airChanges / 60), 0)
    expect(left + gone).toBeGreaterThan(240 * 0.97)
    expect(left + gone).toBeLessThan(240 * 1.03)
  })

  test('dryers warm the room, by five degrees at the most', () => {
    const warm = roomOverDay(house, false, [{ from: 0, to: 300, grams: 0, watts: 1800 }], 300)
    const hot = roomOverDay(house, false, [{ from: 0, to: 300, grams: 0, watts: 20_000 }], 300)
    expect(warm.celsius.at(-1)).toBeGreaterThan(house.room.celsius + 1)
    expect(Math.max(...hot.celsius)).toBeLessThanOrEqual(house.room.celsius + 5 + 1e-9)
  })
})

/** One dog of the demonstration by itself, its parts one after the other from the opening. */
function alone(name: string, room = house): DayFacts {
  const day = { ...emptyDay(DATE, room), pauses: [], heaterFrom: null }
  const facts: DayFacts = {
    day: { ...day, seats: [seatFor(name, day)] },
    dogs: {
      [name]: dogOn(
        DEMO.dogs.find((d) => d.name === name)!,
        DATE,
      ),
    },
    shelf: DEMO.products.map((p) => ({ ...p, id: p.name })),
    house: room,
  }
  let at = 0
  const tasks: Record<string, number> = {}
  for (const t of standDay(facts).problem.dogs[0]!.tasks) {
    tasks[t.id] = at
    at += t.dur
  }
  return { ...facts, day: { ...facts.day, plan: planOfSchedule(facts.day, { tasks, breaks: {} }) } }
}

describe('the tank through a day', () => {
  test('full less what the showers draw more than the heater makes (by hand, shower by shower)', () => {
    const facts = alone('Bosun')
    const { run, seats, problem, schedule } = standDay(facts)
    const { plan } = seats[0]!
    const full = SUPPLY.usable.value * house.water.tankL
    const made = recovery(house.water.heaterKw, house.water.hotC - house.water.coldC, SUPPLY.efficiency.value)
    const bath = problem.dogs[0]!.tasks.find((t) => t.kind === 'bath')!
    const inBath = plan.steps.filter((s) => s.place === 'tub' || s.id.startsWith('lift')).filter((s) => s.withDog)
    const stretch = bath.dur / inBath.reduce((sum, s) => sum + s.minutes.value, 0)
    let level = full
    let lowest = full
    for (const step of inBath) {
      const draws = step.id === 'wet' || step.id.startsWith('rinse') ? plan.water.hotFlow : 0
      level = Math.min(full, level + (made - draws) * step.minutes.value * stretch)
      lowest = Math.min(lowest, level)
    }
    expect(Math.abs(run!.lowest.litres - lowest)).toBeLessThan(plan.water.hotFlow)
    expect(run!.hot[schedule!.tasks[bath.id]! + bath.dur]).toBeLessThan(full)
    expect(run!.hot.at(-1)).toBeCloseTo(full, 6)
  })

  test('more hot water than there is: the shower falls to what the heater alone can warm (by hand)', () => {
    const small = House.parse({ ...house, water: { ...house.water, tankL: 30 } })
    const { run } = standDay(alone('Bosun', small))
    const { coldC, hotC, flow, heaterKw } = small.water
    const byHand = coldC + (heaterKw * 0.98 * 60) / 4.186 / flow
    expect(run!.short!.coldest).toBeCloseTo(byHand, 6)
    expect(run!.short!.coldest).toBeLessThan(hotC)
  })
})

test('noise: the dose of each dryer’s minutes at its level against the hours it may last (by hand)', () => {
  const facts = alone('Juniper')
  const { run, seats } = standDay(facts)
  const minutesOf = (id: string) => seats[0]!.plan.steps.find((s) => s.id === id)!.minutes.value
  const level = (name: string) => house.dryers.find((d) => d.name === name)!.level
  const byHand =
    (100 * (minutesOf('blow-out') + minutesOf('dry-fast'))) / allowedMinutes(level('Force dryer')) +
    (100 * minutesOf('dry')) / allowedMinutes(level('Stand dryer'))
  expect(Math.abs(run!.dose.at(-1)! / byHand - 1)).toBeLessThan(0.05)
})
