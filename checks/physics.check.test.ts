import psychrolib from 'psychrolib'
import { bodySurface, coatHold } from '@core/dog'
import {
  dryAirFlow,
  humidityRatio,
  outletTemperature,
  safeDistance,
  saturatedHumidity,
  saturationPressure,
  specificVolume,
  temperatureAt,
  wetBulb,
  type Dryer,
} from '@core/drying'
import { allowedMinutes, liftLimit, noiseDose, planLift, protection, TubSetup } from '@core/groomer'
import { afterCups, afterShower, litresToLimit } from '@core/rinse'
import { toMillilitres, volumeUnit } from '@core/units'
import {
  drawTank,
  emptyTankTemperature,
  mixedTemperature,
  mixTap,
  recovery,
  scaldSeconds,
  scaldLine,
  tanklessFlow,
  waterForMix,
  WaterSupply,
} from '@core/water'
import { REFERENCES } from './references'

const US_GALLON = 3.78541

describe(REFERENCES.bodySurface.source, () => {
  test.each(REFERENCES.bodySurface.values)('a dog of %d kg has about %d m²', (kg, area) => {
    expect(Math.abs(bodySurface(kg) / area - 1)).toBeLessThan(0.02)
  })

  test('refuses weights outside the table', () => {
    expect(() => bodySurface(0.4)).toThrow(RangeError)
    expect(() => bodySurface(101)).toThrow(RangeError)
    expect(() => bodySurface(NaN)).toThrow(RangeError)
  })
})

describe(REFERENCES.steam.source, () => {
  test.each(REFERENCES.steam.values)('water at %d °C has %d kPa', (celsius, kPa) => {
    expect(Math.abs(saturationPressure(celsius) / 1000 / kPa - 1)).toBeLessThan(0.001)
  })
})

describe('psychrolib 1.1.1, the ASHRAE formulas as a library', () => {
  psychrolib.SetUnitSystem(psychrolib.SI)
  const P = 101325
  const states = [10, 15, 20, 25, 30, 35, 40].flatMap((t) => [10, 35, 60, 98].map((rh) => [t, rh] as const))

  test.each(states)('air at %d °C and %d %%: humidity, volume and wet bulb agree', (t, rh) => {
    const w = humidityRatio(t, rh)
    expect(w).toBeCloseTo(psychrolib.GetHumRatioFromRelHum(t, rh / 100, P), 5)
    expect(specificVolume(t, w)).toBeCloseTo(psychrolib.GetMoistAirVolume(t, w, P), 3)
    expect(wetBulb(t, w)).toBeCloseTo(psychrolib.GetTWetBulbFromHumRatio(t, w, P), 1)
  })

  test.each([45, 60, 90])('dryer air at %d °C: wet bulb agrees', (t) => {
    const w = humidityRatio(20, 55)
    expect(Math.abs(wetBulb(t, w) - psychrolib.GetTWetBulbFromHumRatio(t, w, P))).toBeLessThan(0.05)
  })

  test('saturated humidity agrees', () => {
    expect(saturatedHumidity(28)).toBeCloseTo(psychrolib.GetSatHumRatio(28, P), 5)
  })
})

describe(REFERENCES.usVolumes.source, () => {
  test.each(REFERENCES.usVolumes.values)('one %s is %d mL', (name, mL) => {
    const unit = volumeUnit(name)
    expect(unit).toBeDefined()
    expect(toMillilitres(1, unit!)).toBeCloseTo(mL, 2)
  })
})

describe(REFERENCES.tapMixing.source, () => {
  test.each(REFERENCES.tapMixing.values)('%d °C from %d and %d °C is %d hot', (target, cold, hot, share) => {
    expect(mixTap(target, cold, hot)).toMatchObject({ ok: true, hotShare: share })
    expect(mixedTemperature(share, hot, 1 - share, cold)).toBeCloseTo(target, 9)
  })

  test('what the taps cannot reach is refused with the tap named', () => {
    expect(mixTap(65, 10, 60)).toMatchObject({ ok: false, why: { code: 'tap.hotTooCool', facts: { hotC: 60 } } })
    expect(mixTap(8, 10, 60)).toMatchObject({ ok: false, hotShare: 0, celsius: 10, why: { code: 'tap.coldTooWarm' } })
    expect(mixTap(30, 40, 35)).toMatchObject({ ok: false })
  })

  test('water for a mix makes up for cold product, half a degree below the alarm at most', () => {
    const water = waterForMix(37, 100, 900, 18)
    expect(mixedTemperature(900, water, 100, 18)).toBeCloseTo(36.9, 9)
    expect(water).toBe(39)
    const small = waterForMix(36, 100, 900, 18)
    expect(mixedTemperature(900, small, 100, 18)).toBeCloseTo(36, 9)
    expect(small).toBeGreaterThan(36)
  })
})

describe(REFERENCES.scaldCpsc.source, () => {
  test.each(REFERENCES.scaldCpsc.values)('%d °C scalds in about %d s', (celsius, seconds) => {
    const ratio = scaldSeconds(celsius) / seconds
    expect(ratio).toBeGreaterThan(0.6)
    expect(ratio).toBeLessThan(1.4)
  })

  test('never calls anything safe, and stays inside the table', () => {
    expect(scaldLine(45)).toEqual({ bound: 'over', seconds: 300 })
    expect(scaldLine(60)).toEqual({ bound: 'about', seconds: 5 })
    expect(scaldLine(75)).toEqual({ bound: 'under', seconds: 1 })
    for (let celsius = 49; celsius < 70; celsius += 0.1)
      expect(scaldLine(celsius).seconds).toBeLessThanOrEqual(scaldSeconds(celsius) + 1e-6)
    expect(scaldSeconds(58.5)).toBeCloseTo(Math.sqrt(10 * 5), 6)
  })
})

describe(REFERENCES.heaterRecovery.source, () => {
  test.each(REFERENCES.heaterRecovery.values)('%d kW at %d K makes %d US gal/h', (kW, rise, gallons) => {
    const litresPerHour = 60 * recovery(kW, rise)
    expect(litresPerHour).toBeCloseTo(77.4, 1)
    expect(litresPerHour / US_GALLON).toBeCloseTo(gallons, 1)
    expect(tanklessFlow(kW, rise)).toBeCloseTo(recovery(kW, rise), 9)
  })

  test('a tank runs short when draw less recovery has used it, and then gives recovery alone', () => {
    const supply = WaterSupply.parse({ coldC: 10, hotC: 60, flow: 8, tankL: 100, heaterKw: 3 })
    const made = recovery(3, 50, 0.98)
    const draw = drawTank(supply, 75, 0.5, 60)
    expect(draw.shortAt).toBeCloseTo(75 / (4 - made), 9)
    expect(draw.left).toBe(0)
    expect(drawTank(supply, 75, 0.5, 10).left).toBeCloseTo(75 - 10 * (4 - made), 9)
    expect(drawTank(supply, 70, 0, 600).left).toBe(75)
    expect(emptyTankTemperature(supply)).toBeCloseTo(10 + (50 * made) / 8, 9)
  })
})

describe(REFERENCES.noise.source, () => {
  test.each(REFERENCES.noise.values)('%d dBA may last %d min', (level, minutes) => {
    expect(allowedMinutes(level)).toBeCloseTo(minutes, 6)
  })

  test('doses add, and levels under the floor count nothing', () => {
    const dose = noiseDose([
      { level: 94, minutes: 30 },
      { level: 88, minutes: 60 },
      { level: 79, minutes: 480 },
    ])
    expect(dose).toBeCloseTo(75, 6)
  })
})

describe(REFERENCES.lifting.source, () => {
  test.each(REFERENCES.lifting.values)('H %d from %d to %d cm, twist %d: %d kg', (horizontal, from, to, twist, kg) => {
    expect(liftLimit({ horizontal, from, to, twist })).toBeCloseTo(kg, 1)
  })

  test('a dog of 28 kg in that lift has an index of 2.93', () => {
    expect(28 / liftLimit({ horizontal: 40, from: 20, to: 90, twist: 0 })).toBeCloseTo(2.93, 2)
  })
  test('nothing may be lifted beyond its limits: further out than 63 cm, higher than 175 cm, twisted more than 135°', () => {
    const lift = { horizontal: 30, from: 20, to: 70, twist: 0 }
    for (const far of [{ horizontal: 64 }, { to: 176, from: 100 }, { twist: 136 }, { from: 0, to: 176 }])
      expect(liftLimit({ ...lift, ...far })).toBe(0)
    for (const near of [{ horizontal: 63 }, { to: 175, from: 100 }, { twist: 135 }])
      expect(liftLimit({ ...lift, ...near })).toBeGreaterThan(0)
  })

  test('one lifts a small dog, two a middling one, nobody a giant', () => {
    const tub = TubSetup.parse({})
    expect(planLift(6, tub, false)).toMatchObject({ people: 1, advice: 'alone' })
    expect(planLift(14, tub, true)).toMatchObject({ people: 2, advice: 'two' })
    expect(planLift(14, tub, false).advice).toBe('tooMuchForOne')
    expect(planLift(60, tub, true).advice).toBe('tooMuchForTwo')
    expect(planLift(60, { ...tub, ramp: true }, false).index).toBe(0)
  })
})

describe(REFERENCES.protector.source, () => {
  test.each(REFERENCES.protector.values)('%s of %d dB takes off %d', (kind, nrr, off) => {
    expect(protection({ kind, nrr })).toBeCloseTo(off, 9)
  })
  test('none takes off nothing', () => expect(protection({ kind: 'none', nrr: 30 })).toBe(0))
})

describe(REFERENCES.outlet.source, () => {
  test.each(REFERENCES.outlet.values)('%d W into %d kg/s at %d kg/kg raises %d K', (watts, flow, humidity, rise) => {
    const room = { celsius: 20, humidity: humidity === 0 ? 0 : 68.6 }
    const volume = specificVolume(20, humidityRatio(20, room.humidity))
    const dryer: Dryer = {
      name: 'x',
      kind: 'hand',
      airflow: flow * 60 * volume,
      nozzleMm: 50,
      motorW: 0,
      settings: [{ name: 'all', heatW: watts }],
      force: 1,
      level: 70,
      circuit: '',
    }
    expect(dryAirFlow(dryer, room)).toBeCloseTo(flow, 9)
    expect(outletTemperature(dryer, dryer.settings[0]!, room) - 20).toBeCloseTo(rise, 1)
    expect(outletTemperature({ ...dryer, kind: 'velocity' }, dryer.settings[0]!, room) - 20).toBeCloseTo(0.7 * rise, 1)
  })
})

describe(REFERENCES.jet.source, () => {
  test.each(REFERENCES.jet.values)('at %d bores the air keeps %d of its excess', (bores, share) => {
    expect(temperatureAt(bores * 0.05, 80, 20, 50)).toBeCloseTo(20 + 60 * share, 9)
  })

  test('the safe distance meets the limit exactly, and never lies nearer than 15 cm', () => {
    const distance = safeDistance(80, 20, 50, 45)
    expect(temperatureAt(distance, 80, 20, 50)).toBeCloseTo(45, 9)
    expect(safeDistance(46, 20, 20, 45)).toBe(0.15)
    expect(safeDistance(80, 35, 50, 35)).toBe(Infinity)
  })
})

describe('washing out, closed forms of chemical engineering', () => {
  test('one coat volume at full efficiency leaves 1/e', () => {
    expect(afterShower(100, 1, 2, 2)).toBeCloseTo(100 / Math.E, 9)
  })
  test('many small cups approach the shower, and never beat it', () => {
    const shower = afterShower(100, 0.2, 10, 1)
    expect(afterCups(100, 0.2, 10_000, 0.001, 1)).toBeCloseTo(shower, 2)
    expect(afterCups(100, 0.2, 10, 1, 1)).toBeGreaterThan(shower)
  })
  test('the litres to a limit reach that limit', () => {
    const litres = litresToLimit(5000, 10, 0.15, 0.6)
    expect(afterShower(5000, 0.15, litres, 0.6)).toBeCloseTo(10, 9)
    expect(litresToLimit(5, 10, 0.15, 0.6)).toBe(0)
  })
})

describe(REFERENCES.dickerson.source, () => {
  const [[kg, water, share]] = REFERENCES.dickerson.values
  test('evaporating the water a dog carries takes about a fifth of its day', () => {
    const evaporation = water * 2430
    const day = 70 * kg ** 0.75 * 1.6 * 4.184
    expect(evaporation / day).toBeCloseTo(share, 1)
    expect(evaporation / day).toBeCloseTo(0.197, 3)
  })
  test('a short double coat of that weight carries about that water', () => {
    const grams = coatHold({ coat: 'short double', density: 'usual' }) * bodySurface(kg)
    expect(Math.abs(grams / 1000 / water - 1)).toBeLessThan(0.12)
  })
})
