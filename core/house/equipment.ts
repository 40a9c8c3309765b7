import { z } from 'zod'
import { amountIn } from '../range'
import { constants, house, practice } from '../constants'

/** What a house is taken to have until it says otherwise. */
export const EQUIPMENT = constants({
  opens: practice(8 * 60, 'min after midnight', [360, 600]),
  closes: practice(17 * 60, 'min after midnight', [720, 1320]),
  lunch: practice(30, 'min', [15, 60]),
  lunchFrom: practice(11 * 60 + 30, 'min after midnight', [660, 780]),
  lunchTo: practice(13 * 60 + 30, 'min after midnight', [720, 900]),
  floor: house(16, 'm²', [6, 40]),
  height: practice(2.4, 'm', [2.1, 3.5]),
  airChanges: practice(1, 'per hour', [0.3, 3]),
  airChangesOpen: practice(6, 'per hour', [3, 15]),
})

/** A minute of the clock, counted from midnight. */
export const ClockMinute = z
  .number()
  .int()
  .min(0, 'A time lies within one day.')
  .max(1439, 'A time lies within one day.')

/** A socket circuit: volts, amps of its fuse, and watts of whatever else runs on it all day. */
export const Circuit = z.object({
  name: z
    .string()
    .trim()
    .min(1, 'Give the circuit a name.')
    .max(40, 'Keep the name to 40 characters.')
    .default('Sockets'),
  volts: z.number().min(90, 'Mains has 90 to 260 V.').max(260, 'Mains has 90 to 260 V.').default(230),
  amps: z.number().min(1, 'A fuse has 1 to 63 A.').max(63, 'A fuse has 1 to 63 A.').default(13),
  otherW: z.number().min(0, 'Other load is 0 to 10 000 W.').max(10_000, 'Other load is 0 to 10 000 W.').default(0),
})
export type Circuit = z.infer<typeof Circuit>

/** Crates of one size: the heaviest dog one holds, kg, and how many there are. */
export const CrateSize = z.object({
  maxKg: amountIn('crate', 'weight', 1, 120),
  count: z.number().int().min(0, 'Give 0 to 20 crates.').max(20, 'Give 0 to 20 crates.'),
})
export type CrateSize = z.infer<typeof CrateSize>

/** When the room works, minutes from midnight. */
export const Hours = z
  .object({ from: ClockMinute.default(EQUIPMENT.opens.value), to: ClockMinute.default(EQUIPMENT.closes.value) })
  .refine(({ from, to }) => to > from, { path: ['to'], error: 'The day must end after it begins.' })

/** A pause of the groomer's: how long, and between which times it may begin. */
export const Pause = z
  .object({
    name: z
      .string()
      .trim()
      .min(1, 'Give the pause a name.')
      .max(30, 'Keep the name to 30 characters.')
      .default('Lunch'),
    minutes: z
      .number()
      .int()
      .min(5, 'A pause is 5 to 180 min.')
      .max(180, 'A pause is 5 to 180 min.')
      .default(EQUIPMENT.lunch.value),
    earliest: ClockMinute.default(EQUIPMENT.lunchFrom.value),
    latest: ClockMinute.default(EQUIPMENT.lunchTo.value),
  })
  .refine(({ earliest, latest }) => latest >= earliest, {
    path: ['latest'],
    error: 'The pause must be able to begin: its last minute comes before its first.',
  })

/** A second pair of hands: who, and from when to when on days they come. */
export const Helper = z
  .object({
    name: z.string().trim().max(40, 'Keep the name to 40 characters.').default(''),
    from: ClockMinute.default(EQUIPMENT.opens.value),
    to: ClockMinute.default(EQUIPMENT.closes.value),
  })
  .refine(({ from, to }) => to > from, { path: ['to'], error: 'The helper must leave after coming.' })

/** The room's size and how often an hour its air is changed, windows shut and open. */
export const Space = z.object({
  floorM2: z
    .number()
    .min(2, 'A room has 2 to 400 m².')
    .max(400, 'A room has 2 to 400 m².')
    .default(EQUIPMENT.floor.value),
  heightM: z
    .number()
    .min(1.8, 'A room is 1.8 to 8 m high.')
    .max(8, 'A room is 1.8 to 8 m high.')
    .default(EQUIPMENT.height.value),
  airChanges: z
    .number()
    .min(0.1, 'Air changes lie between 0.1 and 30 an hour.')
    .max(30, 'Air changes lie between 0.1 and 30 an hour.')
    .default(EQUIPMENT.airChanges.value),
  airChangesOpen: z
    .number()
    .min(0.1, 'Air changes lie between 0.1 and 30 an hour.')
    .max(60, 'Air changes lie between 0.1 and 60 an hour.')
    .default(EQUIPMENT.airChangesOpen.value),
})

const price = (what: string) =>
  z
    .number({ error: `Give the price of ${what}, or leave it empty.` })
    .min(0)
    .max(1000, `Give the price of ${what}, up to 1000.`)
    .nullable()
    .default(null)

/** What water and electricity cost, in the house's currency; empty: the cost isn't reckoned. */
export const Prices = z.object({
  currency: z.string().trim().max(6, 'Keep the currency to 6 letters.').default('EUR'),
  waterM3: price('a cubic metre of water'),
  kWh: price('a kilowatt-hour'),
})
