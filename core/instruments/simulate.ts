import { z } from 'zod'
import { chance, normals } from '../chance'
import { constants, house, practice } from '../constants'
import { drawTank, emptyTankTemperature, hoseVolume, SUPPLY, type WaterSupply } from '../water'

/** What a wash room may be measured by. */
export const InstrumentKind = z.enum(['thermometer', 'scale', 'hygrometer', 'power', 'sound'])
export type InstrumentKind = z.infer<typeof InstrumentKind>

/** What can be wrong with an instrument; a hot spike is the mixing valve's fault, cold water the heater's, both seen by the thermometer. */
export const Fault = z.enum(['none', 'silent', 'drifting', 'stuck', 'hot spike', 'cold water'])
export type Fault = z.infer<typeof Fault>

/** How stand-in instruments behave, and from when on a real or made-up one is called silent or stuck. */
export const INSTRUMENTS = constants({
  thermometerNoise: house(0.12, 'K', [0.05, 0.5]),
  scaleNoise: house(1, 'g', [0.2, 5]),
  hygrometerNoise: house(0.4, '% RH', [0.1, 2]),
  powerNoise: house(6, 'W', [1, 20]),
  soundNoise: house(0.8, 'dBA', [0.3, 2]),
  valve: house(2, 's to settle', [1, 5]),
  spike: house(8, 'K above the target', [4, 20]),
  drift: house(0.02, 'share of the scale a minute', [0.005, 0.1]),
  quiet: practice(5, 's without a reading', [3, 20]),
  same: house(12, 'readings exactly alike', [8, 30]),
  warmFor: house(2, 's out of band before the step waits', [1, 5]),
  roomSound: practice(45, 'dBA', [35, 55]),
})

/** What is going on in the room that the stand-ins measure. `water`: the shower runs at a target since some seconds. */
export interface Scene {
  supply: WaterSupply
  roomC: number
  humidity: number
  targetC: number | null
  watts: number
  level: number
  grams: number
}

/** A reading: the value in the instrument's unit, at a time in ms since 1970; `second` is a second value (the room's °C beside its humidity). */
export const Reading = z.object({
  kind: InstrumentKind,
  at: z.number(),
  value: z.number(),
  second: z.number().optional(),
})
export type Reading = z.infer<typeof Reading>

/** What each instrument measures in. */
export const INSTRUMENT_UNITS: Record<InstrumentKind, string> = {
  thermometer: '°C',
  scale: 'g',
  hygrometer: '% humid',
  power: 'W',
  sound: 'dBA',
}

/**
 * The water at the nozzle `seconds` after the shower went on: first the cold water that stands in the hose,
 * then the mixed water as the valve settles, and cold again when the tank is drawn empty.
 */
function nozzleC({ supply, roomC, targetC }: Scene, seconds: number): number {
  if (targetC === null) return roomC
  const slug = (60 * hoseVolume(supply.hoseM)) / supply.flow
  if (seconds < slug) return Math.min(roomC, (roomC + supply.coldC) / 2)
  const share = (targetC - supply.coldC) / Math.max(1, supply.hotC - supply.coldC)
  const { shortAt } =
    supply.heater === 'tank'
      ? drawTank(supply, SUPPLY.usable.value * supply.tankL, share, seconds / 60)
      : { shortAt: undefined }
  if (shortAt !== undefined) return Math.min(targetC, emptyTankTemperature(supply))
  const off = ((roomC + supply.coldC) / 2 - targetC) * Math.exp(-(seconds - slug) / INSTRUMENTS.valve.value)
  return targetC + off
}

/** What an instrument without a fault reads; noise by a seed and the whole second. */
function soundReading(kind: InstrumentKind, scene: Scene, seconds: number, seed: number): Omit<Reading, 'at'> {
  const normal = normals(seed + 7919 * Math.floor(seconds))
  switch (kind) {
    case 'thermometer':
      return { kind, value: nozzleC(scene, seconds) + INSTRUMENTS.thermometerNoise.value * normal() }
    case 'scale':
      return { kind, value: Math.max(0, scene.grams + INSTRUMENTS.scaleNoise.value * normal()) }
    case 'hygrometer':
      return {
        kind,
        value: Math.min(100, Math.max(0, scene.humidity + INSTRUMENTS.hygrometerNoise.value * normal())),
        second: scene.roomC + 0.1 * normal(),
      }
    case 'power':
      return { kind, value: scene.watts === 0 ? 0 : Math.max(0, scene.watts + INSTRUMENTS.powerNoise.value * normal()) }
    case 'sound':
      return {
        kind,
        value: Math.max(INSTRUMENTS.roomSound.value, scene.level) + INSTRUMENTS.soundNoise.value * normal(),
      }
  }
}

/** How far an instrument reads before it drifts off its scale. */
const SCALE_OF: Record<InstrumentKind, number> = {
  thermometer: 60,
  scale: 3000,
  hygrometer: 100,
  power: 3000,
  sound: 100,
}

/**
 * What a stand-in reads `seconds` after its scene began, with its fault since `faulty` seconds; undefined when
 * it is silent. The same seed, scene and second give the same reading.
 */
export function simulate(
  kind: InstrumentKind,
  scene: Scene,
  seconds: number,
  { fault, faulty, seed }: { fault: Fault; faulty: number; seed: number },
): Omit<Reading, 'at'> | undefined {
  switch (fault) {
    case 'none':
      return soundReading(kind, scene, seconds, seed)
    case 'silent':
      return undefined
    case 'stuck':
      return soundReading(kind, scene, Math.max(0, seconds - faulty), seed)
    case 'drifting': {
      const own = soundReading(kind, scene, seconds, seed)
      const side = chance(seed)() < 0.5 ? -1 : 1
      return { ...own, value: own.value + (side * INSTRUMENTS.drift.value * SCALE_OF[kind] * faulty) / 60 }
    }
    case 'cold water': {
      const own = soundReading(kind, scene, seconds, seed)
      return kind === 'thermometer' && scene.targetC !== null ? { ...own, value: scene.supply.coldC } : own
    }
    case 'hot spike': {
      const own = soundReading(kind, scene, seconds, seed)
      if (kind !== 'thermometer' || scene.targetC === null) return own
      return { ...own, value: Math.min(scene.supply.hotC, scene.targetC + INSTRUMENTS.spike.value) }
    }
  }
}

/** How an instrument stands: live with its value, quiet for so many seconds, or stuck. Never its last value as if it were new. */
export type Watched =
  | { state: 'live'; value: number; second?: number }
  | { state: 'quiet'; seconds: number; last?: number }
  | { state: 'stuck'; value: number }

/** How an instrument stands at a time, from its readings so far in order. Times in ms. */
export function watchInstrument(readings: readonly Reading[], now: number, since: number): Watched {
  const last = readings.at(-1)
  const silence = (now - (last?.at ?? since)) / 1000
  if (!last || silence > INSTRUMENTS.quiet.value)
    return { state: 'quiet', seconds: Math.max(0, Math.round(silence)), ...(last ? { last: last.value } : {}) }
  const alike = readings.slice(-INSTRUMENTS.same.value)
  const noisy = last.kind !== 'power' || last.value > 0
  if (noisy && alike.length === INSTRUMENTS.same.value && alike.every((r) => r.value === last.value))
    return { state: 'stuck', value: last.value }
  return { state: 'live', value: last.value, ...(last.second === undefined ? {} : { second: last.second }) }
}

/** How the water at the nozzle stands to its band: too warm is a stop when it passes the alarm. */
export function waterState(
  celsius: number,
  { low, high, alarm }: { low: number; high: number; alarm: number },
): 'fine' | 'cool' | 'warm' | 'stop' {
  if (celsius > alarm) return 'stop'
  if (celsius > high) return 'warm'
  return celsius < low ? 'cool' : 'fine'
}

/** The level that carries the same energy as readings of equal lengths, dBA; undefined without any. */
export function meanLevel(levels: readonly number[]): number | undefined {
  if (levels.length === 0) return undefined
  return 10 * Math.log10(levels.reduce((sum, l) => sum + 10 ** (l / 10), 0) / levels.length)
}
