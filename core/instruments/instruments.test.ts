import { WaterSupply } from '../water'
import { type Fault, INSTRUMENTS, meanLevel, simulate, watchInstrument, waterState, type Reading, type Scene } from '.'

const scene: Scene = {
  supply: WaterSupply.parse({ hoseM: 2.5 }),
  roomC: 20,
  humidity: 60,
  targetC: 37,
  watts: 1300,
  level: 90,
  grams: 1200,
}
const read = (seconds: number, fault: Fault = 'none', faulty = 0) =>
  simulate('thermometer', scene, seconds, { fault, faulty, seed: 4 })

test('the nozzle gives the cold water of the hose first, then settles at the target', () => {
  expect(read(1)!.value).toBeLessThan(21)
  expect(Math.abs(read(30)!.value - 37)).toBeLessThan(1)
  expect(read(30)).toEqual(read(30))
})

test('drawn for long enough the tank runs empty and the water goes cold', () => {
  expect(read(3 * 3600)!.value).toBeLessThan(30)
})

test('faults: silent says nothing, stuck says the same, drifting goes off, a spike passes the alarm', () => {
  expect(read(30, 'silent')).toBeUndefined()
  expect(read(40, 'stuck', 10)).toEqual(read(50, 'stuck', 20))
  expect(Math.abs(read(700, 'drifting', 600)!.value - read(700)!.value)).toBeCloseTo(12, 6)
  expect(read(30, 'hot spike')!.value).toBe(37 + INSTRUMENTS.spike.value)
  expect(read(30, 'cold water')!.value).toBeLessThan(20)
  expect(waterState(read(30, 'hot spike')!.value, { low: 35, high: 38.5, alarm: 39.5 })).toBe('stop')
})

describe('an instrument that is watched', () => {
  const readings = (values: number[]): Reading[] =>
    values.map((value, i) => ({ kind: 'thermometer', at: 1000 * i, value }))
  test('is quiet without news for a while, and never shows its last value as new', () => {
    expect(watchInstrument(readings([36.9, 37.1]), 2000, 0)).toEqual({ state: 'live', value: 37.1 })
    expect(watchInstrument(readings([36.9, 37.1]), 21_000, 0)).toEqual({ state: 'quiet', seconds: 20, last: 37.1 })
    expect(watchInstrument([], 8000, 0)).toEqual({ state: 'quiet', seconds: 8 })
  })
  test('is stuck when it says exactly the same too often; a power meter at nought isn’t', () => {
    const same = Array.from({ length: INSTRUMENTS.same.value }, () => 37)
    const now = 1000 * same.length
    expect(watchInstrument(readings(same), now, 0)).toEqual({ state: 'stuck', value: 37 })
    expect(watchInstrument(readings([...same, 37.1]), now + 1000, 0).state).toBe('live')
    const off = readings(same.map(() => 0)).map((r) => ({ ...r, kind: 'power' as const }))
    expect(watchInstrument(off, now, 0)).toEqual({ state: 'live', value: 0 })
  })
})

test('water within its band is fine, beside it cool or warm, above the alarm a stop', () => {
  const band = { low: 35, high: 38.5, alarm: 39.5 }
  expect([34.9, 35, 38.5, 38.6, 39.5, 39.6].map((c) => waterState(c, band))).toEqual([
    'cool',
    'fine',
    'fine',
    'warm',
    'warm',
    'stop',
  ])
})

test('levels are averaged by energy: 90 and 84 dBA for equal times are 88', () => {
  expect(meanLevel([90, 84])).toBeCloseTo(87.96, 2)
  expect(meanLevel([80, 80, 80])).toBeCloseTo(80, 9)
  expect(meanLevel([])).toBeUndefined()
})
