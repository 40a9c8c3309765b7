import { METRIC, US_CUSTOMARY } from '../units'
import { beginIn, House, placedIn, regionOf, unitsOf } from '.'
import { roomWith } from '../fixtures'

const room = roomWith()

test('a house nobody has chosen units for reads in metric ones', () => {
  expect(room.units).toBeNull()
  expect(unitsOf(room)).toEqual(METRIC)
})

test('begun where bottles are marked in ounces, it has such bottles, on whole marks', () => {
  const us = House.parse(beginIn(room, US_CUSTOMARY))
  expect(us.units).toEqual(US_CUSTOMARY)
  const ounce = 29.5735295625
  expect(us.vessels.map((v) => Math.round(v.mL / ounce))).toEqual([8, 16, 32, 64])
  for (const v of us.vessels) expect(v.mL / v.markMl).toBeCloseTo(Math.round(v.mL / v.markMl), 9)
})

test('bottles that the house has are its own, whatever the units', () => {
  const own = { ...room, vessels: [{ mL: 750, count: 3, markMl: 50 }] }
  expect(beginIn(own, US_CUSTOMARY).vessels).toEqual(own.vessels)
  expect(beginIn(room, METRIC).vessels).toEqual(room.vessels)
})

test.each([
  [{ tables: 0 }, 'tables'],
  [{ towels: -1 }, 'towels'],
  [{ name: ' ' }, 'name'],
])('%j is refused by its field', (more, field) => {
  const parsed = House.safeParse({ ...room, ...more })
  expect(parsed.error!.issues[0]!.path[0]).toBe(field)
})

test('a house without a dryer is one: towels, a warm room and the dog’s own warmth', () => {
  expect(House.safeParse({ ...room, dryers: [] }).success).toBe(true)
})

test('a new house takes the mains, tank and money of its place; what was said of it stays', () => {
  const bare = House.parse({ name: 'Mine', dryers: [] })
  expect(placedIn(bare, 'US')).toMatchObject({
    circuits: [{ volts: 120, amps: 20 }],
    prices: { currency: 'USD' },
    water: { tankL: 190 },
  })
  expect(placedIn(bare, 'GB')).toMatchObject({ circuits: [{ volts: 230, amps: 13 }], prices: { currency: 'GBP' } })
  const said = House.parse({ ...bare, circuits: [{ volts: 240, amps: 32 }], prices: { currency: 'EUR', kWh: 0.3 } })
  expect(placedIn(said, 'AU')).toMatchObject({ circuits: said.circuits, prices: said.prices, water: { tankL: 250 } })
  expect(placedIn({ ...bare, demonstration: true }, 'US')).toEqual({ ...bare, demonstration: true })
  for (const region of [undefined, 'ZZ']) expect(placedIn(bare, region)).toEqual(bare)
  expect(['en-US', 'de', 'en_NZ'].map(regionOf)).toEqual(['US', undefined, 'NZ'])
})
