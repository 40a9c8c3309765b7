import { z } from 'zod'
import { constants, house, memory, practice } from '../constants'
import { humidityRatio, MOIST_AIR, saturatedHumidity, specificVolume, wetBulb } from './moistAir'

/** What a dryer does with its air. */
export const DryerKind = z.enum(['velocity', 'hand', 'stand', 'fan'])
export type DryerKind = z.infer<typeof DryerKind>

/** A heat setting: the watts its element adds to the motor's; 0 is heat off. */
export const HeatSetting = z.object({
  name: z.string().trim().min(1).max(30),
  heatW: z.number().min(0).max(4000, 'A setting has 0 to 4000 W of heat.'),
})
export type HeatSetting = z.infer<typeof HeatSetting>

/** A dryer or fan: air in m³/min, nozzle bore mm, motor W, force against a full-size velocity dryer, sound dBA at the ear. */
export const Dryer = z.object({
  name: z.string().trim().min(1, 'Give the dryer a name.').max(60),
  kind: DryerKind,
  airflow: z.number().min(0.2, 'Air runs from 0.2 to 120 m³/min.').max(120, 'Air runs from 0.2 to 120 m³/min.'),
  nozzleMm: z.number().min(10).max(800),
  motorW: z.number().min(5).max(4000),
  settings: z.array(HeatSetting).min(1, 'Give at least one setting; heat off counts.').max(6),
  force: z.number().min(0.2).max(1.5).default(1),
  level: z.number().min(30, 'Sound lies between 30 and 115 dBA.').max(115, 'Sound lies between 30 and 115 dBA.'),
  circuit: z.string().trim().max(40).default(''),
})
export type Dryer = z.infer<typeof Dryer>

/** Room air: °C from 10 to 40, relative humidity in percent from 10 to 98. */
export const RoomAir = z.object({
  celsius: z
    .number()
    .min(10, 'The room lies between 10 and 40 °C.')
    .max(40, 'The room lies between 10 and 40 °C.')
    .default(20),
  humidity: z
    .number()
    .min(10, 'Humidity lies between 10 and 98 %.')
    .max(98, 'Humidity lies between 10 and 98 %.')
    .default(55),
})
export type RoomAir = z.infer<typeof RoomAir>

const BURN = 'long-contact skin threshold 43 to 44 °C, after Moritz and Henriques 1947'

/** How dryers heat, carry water away and stay at a distance. */
export const DRYER = constants({
  velocityHeat: house(0.7, 'share of watts in the air', [0.5, 0.9]),
  velocityPickUp: house(0.17, 'share', [0.08, 0.25]),
  handPickUp: house(0.08, 'share', [0.05, 0.15]),
  standPickUp: house(0.097, 'share', [0.06, 0.18]),
  fanPickUp: house(0.008, 'share', [0.004, 0.016]),
  fanFullSurface: house(0.5, 'm²', [0.3, 0.8]),
  fanReaches: house(0.4, 'share of the surface of a dog in a crate', [0.3, 0.5]),
  fanReachesCords: house(0.8, 'share of the surface: air goes between cords', [0.5, 1]),
  jetCore: memory(5, 'nozzle bores', 'temperature decay of a turbulent round jet, any text on jets'),
  bodyLimit: memory(45, '°C', BURN),
  tenderLimit: house(35, '°C', [33, 37]),
  furthest: practice(0.6, 'm', [0.5, 0.7]),
  nearest: practice(0.15, 'm', [0.1, 0.3]),
  headDistance: practice(0.6, 'm', [0.5, 0.7]),
  headUnheated: practice(0.3, 'm', [0.3, 0.5]),
  lowForce: house(0.5, 'share of full force', [0.3, 0.7]),
  coatWarmth: house(30, '°C', [28, 33]),
  bodyTransfer: house(0.0013, 'kg/(m²·s) per kg/kg', [0.0008, 0.003]),
  longHairDistance: practice(0.3, 'm', [0.3, 0.45]),
})

/** Dry air that a dryer moves, kg/s. */
export function dryAirFlow(dryer: Dryer, room: RoomAir): number {
  const w = humidityRatio(room.celsius, room.humidity)
  return dryer.airflow / 60 / specificVolume(room.celsius, w)
}

/** Watts that a dryer takes from the socket at a setting. */
export function dryerWatts(dryer: Dryer, setting: HeatSetting): number {
  return dryer.motorW + setting.heatW
}

/**
 * Air temperature at the outlet, °C: T_room + P·f/(ṁ·c_p), an energy balance; f is 0.7 for a velocity
 * dryer, else 1; c_p = 1006 + 1860·W J/(kg·K).
 */
export function outletTemperature(dryer: Dryer, setting: HeatSetting, room: RoomAir): number {
  return throughDryer(dryer, setting, room).outlet
}

/** Room air that has gone through a dryer: °C at its outlet, and kg/s of water that it could take up, were all its air used. */
interface Through {
  outlet: number
  takesUp: number
}

const MOST_KNOWN = 500
const known = new Map<string, Through>()

/** What a dryer makes of the room's air at a setting; worked out once for every dryer, setting and room. */
function throughDryer(dryer: Dryer, setting: HeatSetting, room: RoomAir): Through {
  const watts = dryerWatts(dryer, setting)
  const key = `${dryer.kind} ${dryer.airflow} ${watts} ${room.celsius} ${room.humidity}`
  const before = known.get(key)
  if (before) return before
  const w = humidityRatio(room.celsius, room.humidity)
  const heat = MOIST_AIR.dryHeat.value + MOIST_AIR.vapourHeat.value * w
  const share = dryer.kind === 'velocity' ? DRYER.velocityHeat.value : 1
  const flow = dryAirFlow(dryer, room)
  const outlet = room.celsius + (watts * share) / (flow * heat)
  const through = { outlet, takesUp: flow * (saturatedHumidity(wetBulb(outlet, w)) - w) }
  if (known.size >= MOST_KNOWN) known.clear()
  known.set(key, through)
  return through
}

/**
 * Grams of water a dryer carries from a wet coat each minute: ṁ·(W_s(T_wb) − W_room)·η·60 000.
 * `surface` in m² matters for a fan only: a small dog catches less of its air, and it reaches one side of a dog; `corded`: it
 * goes between cords.
 */
export function pickUp(dryer: Dryer, setting: HeatSetting, room: RoomAir, surface: number, corded = false): number {
  const reaches = corded ? DRYER.fanReachesCords.value : DRYER.fanReaches.value
  const fan = DRYER.fanPickUp.value * reaches * Math.min(1, surface / DRYER.fanFullSurface.value)
  const efficiency = {
    velocity: DRYER.velocityPickUp.value,
    hand: DRYER.handPickUp.value,
    stand: DRYER.standPickUp.value,
    fan,
  }[dryer.kind]
  return Math.max(0, throughDryer(dryer, setting, room).takesUp * efficiency * 60_000)
}

/**
 * Grams of water that a dog's own warmth drives from its coat each minute, in still air: A·k·o·(W_s(30 °C) − W_room),
 * free convection from a coat that the body keeps at 30 °C; `surface` in m², `open` the share of the coat's water
 * that stands open to the air.
 */
export function bodyDries(room: RoomAir, surface: number, open: number): number {
  const w = humidityRatio(room.celsius, room.humidity)
  const wet = saturatedHumidity(Math.max(DRYER.coatWarmth.value, room.celsius))
  return Math.max(0, surface * open * DRYER.bodyTransfer.value * (wet - w) * 60_000)
}

/** The dryer turned down: less air and less of its motor's work, so as warm as before. */
export const turnedDown = (dryer: Dryer, share: number): Dryer => ({
  ...dryer,
  airflow: dryer.airflow * share,
  motorW: dryer.motorW * share,
  force: dryer.force * share,
})

/** Air temperature in °C at `metres` from the nozzle: ΔT(x) = ΔT0·min(1, 5·d/x), decay of a round jet. */
export function temperatureAt(metres: number, outlet: number, roomC: number, nozzleMm: number): number {
  const decay = Math.min(1, (DRYER.jetCore.value * nozzleMm) / 1000 / metres)
  return roomC + (outlet - roomC) * decay
}

/**
 * Nearest distance in m at which the air meets the coat no warmer than `limit` °C; at least 0.15.
 * Infinity when the room itself is at the limit.
 */
export function safeDistance(outlet: number, roomC: number, nozzleMm: number, limit: number): number {
  if (roomC >= limit) return outlet > roomC ? Infinity : DRYER.nearest.value
  if (outlet <= limit) return DRYER.nearest.value
  return Math.max(DRYER.nearest.value, (DRYER.jetCore.value * nozzleMm * (outlet - roomC)) / 1000 / (limit - roomC))
}
