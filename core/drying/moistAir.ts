import { constants, memory, published } from '../constants'

const ASHRAE = 'ASHRAE Handbook Fundamentals (2017), chapter 1'

/** Constants of moist air at sea level. */
export const MOIST_AIR = constants({
  pressure: memory(101325, 'Pa', ASHRAE),
  moleRatio: memory(0.621945, 'kg/kg', ASHRAE),
  dryAirGas: memory(287.042, 'J/(kg·K)', ASHRAE),
  dryHeat: memory(1006, 'J/(kg·K)', ASHRAE),
  vapourHeat: memory(1860, 'J/(kg·K)', ASHRAE),
  latentAtZero: memory(2501, 'kJ/kg', ASHRAE),
  zero: published(273.15, 'K', 'definition of the Celsius scale'),
})

/** Coefficients of the saturation pressure over liquid water, 0 to 200 °C (Hyland and Wexler 1983, as in ASHRAE). */
const SATURATION = [-5.8002206e3, 1.3914993, -4.8640239e-2, 4.1764768e-5, -1.4452093e-8, 6.5459673] as const

/** Saturation vapour pressure over liquid water, Pa, from 0 to 200 °C. */
export function saturationPressure(celsius: number): number {
  const t = celsius + MOIST_AIR.zero.value
  const [c1, c2, c3, c4, c5, c6] = SATURATION
  return Math.exp(c1 / t + c2 + c3 * t + c4 * t ** 2 + c5 * t ** 3 + c6 * Math.log(t))
}

/** Humidity ratio of saturated air, kg of water per kg of dry air. */
export function saturatedHumidity(celsius: number): number {
  const p = saturationPressure(celsius)
  return (MOIST_AIR.moleRatio.value * p) / (MOIST_AIR.pressure.value - p)
}

/** Humidity ratio, kg/kg, at a relative humidity given in percent. */
export function humidityRatio(celsius: number, relativePercent: number): number {
  const p = (relativePercent / 100) * saturationPressure(celsius)
  return (MOIST_AIR.moleRatio.value * p) / (MOIST_AIR.pressure.value - p)
}

/** Cubic metres of moist air that hold one kilogram of dry air. */
export function specificVolume(celsius: number, humidity: number): number {
  const { dryAirGas, zero, pressure } = MOIST_AIR
  return (dryAirGas.value * (celsius + zero.value) * (1 + 1.607858 * humidity)) / pressure.value
}

/** Humidity ratio of air at `celsius` whose wet bulb reads `wetBulb` (ASHRAE, equation for above freezing). */
function humidityFromWetBulb(celsius: number, wetBulb: number): number {
  const saturated = saturatedHumidity(wetBulb)
  return (
    ((2501 - 2.326 * wetBulb) * saturated - 1.006 * (celsius - wetBulb)) / (2501 + 1.86 * celsius - 4.186 * wetBulb)
  )
}

/**
 * Wet-bulb temperature, °C, of air at `celsius` (0 to 150) with humidity ratio `humidity` kg/kg:
 * the temperature a wet coat takes in that air. Found by halving, to a thousandth of a degree.
 */
export function wetBulb(celsius: number, humidity: number): number {
  let [low, high] = [-5, Math.min(celsius, 99)]
  while (high - low > 0.001) {
    const middle = (low + high) / 2
    if (humidityFromWetBulb(celsius, middle) > humidity) high = middle
    else low = middle
  }
  return (low + high) / 2
}
