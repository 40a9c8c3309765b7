import { constants, house as estimate } from '../constants'
import { humidityRatio, MOIST_AIR, saturationPressure, specificVolume } from '../drying'
import type { House } from '../house'
import { spread, type Stretch } from './minutes'

/** How a room takes up warmth and moisture. */
export const ROOM = constants({
  mostWarmer: estimate(5, 'K', [2, 8]),
  walls: estimate(60, 'W/K', [20, 150]),
  surfaces: estimate(5, 'times the heat capacity of the air', [2, 10]),
  mostHumid: estimate(90, '%', [85, 95]),
})

/** Water going into the room's air in a stretch of the day: grams in all, and watts. */
export interface Vapour extends Stretch {
  grams: number
  watts: number
}

/** Kilograms of dry air in the room. */
export function airMass({ space, room }: House): number {
  const w = humidityRatio(room.celsius, room.humidity)
  return (space.floorM2 * space.heightM) / specificVolume(room.celsius, w)
}

/** Relative humidity in percent of air with `w` kg/kg at `celsius`. */
export function relativeHumidity(celsius: number, w: number): number {
  const pressure = (w * MOIST_AIR.pressure.value) / (MOIST_AIR.moleRatio.value + w)
  return (100 * pressure) / saturationPressure(celsius)
}

/** What a minute holds of every source: a share of a stretch's grams, and its watts. */
function perMinute(sources: readonly Vapour[], length: number) {
  const grams = new Array<number>(length).fill(0)
  const watts = new Array<number>(length).fill(0)
  for (const s of sources) {
    if (s.to <= s.from) continue
    spread(grams, s, s.grams / (s.to - s.from))
    spread(watts, s, s.watts)
  }
  return { grams, watts }
}

/**
 * The room's air through the day, minute by minute, well mixed: m·dW/dt = evaporated − n·m·(W − W₀) and
 * C·dT/dt = P − (n·m·c_p + walls)·(T − T₀), both solved exactly over each minute. The air outside is what
 * makes the room what it is before work. Humidity is capped at 90 %, warming at 5 K. `atRoom`: relative
 * humidity as it would be at the room's first temperature, so that warmth doesn't hide water; `humidity`: as
 * it is, for drying.
 */
export function roomOverDay(house: House, open: boolean, sources: readonly Vapour[], length: number) {
  const { room, space } = house
  const mass = airMass(house)
  const changes = (open ? space.airChangesOpen : space.airChanges) / 60
  const outside = humidityRatio(room.celsius, room.humidity)
  const { grams, watts } = perMinute(sources, length)
  const airHeat = mass * MOIST_AIR.dryHeat.value
  const loss = (changes / 60) * airHeat + ROOM.walls.value
  const calm = Math.exp((-60 * loss) / (ROOM.surfaces.value * airHeat))
  const kept = Math.exp(-changes)
  const most = humidityRatio(room.celsius, ROOM.mostHumid.value)
  let [w, warmer] = [outside, 0]
  const [atRoom, humidity, celsius]: [number[], number[], number[]] = [[], [], []]
  for (let m = 0; m < length; m++) {
    const settles = outside + grams[m]! / 1000 / (mass * changes)
    w = Math.min(most, settles + (w - settles) * kept)
    const goal = Math.min(ROOM.mostWarmer.value, watts[m]! / loss)
    warmer = goal + (warmer - goal) * calm
    celsius.push(room.celsius + warmer)
    atRoom.push(relativeHumidity(room.celsius, w))
    humidity.push(Math.min(ROOM.mostHumid.value, relativeHumidity(room.celsius + warmer, w)))
  }
  return { atRoom, humidity, celsius }
}
