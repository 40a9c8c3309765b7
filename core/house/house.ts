import { z } from 'zod'
import { Dryer, RoomAir } from '../drying'
import { InstrumentKind } from '../instruments'
import { Method, Vessels } from '../mix'
import { Protector, TubSetup } from '../groomer'
import { OwnRules } from '../rules'
import { WaterSupply } from '../water'
import { Day, HouseHabit, OwnLines } from '../dog'
import { METRIC, Units, VOLUME_UNITS } from '../units'
import { Wishes } from './wishes'
import { PriceList } from './priceList'
import { Circuit, ClockMinute, CrateSize, Helper, Hours, Pause, Prices, Space } from './equipment'

/** Bottles and jugs that a house begins with. */
const USUAL_VESSELS: Vessels[] = [
  { mL: 250, count: 2, markMl: 25 },
  { mL: 500, count: 4, markMl: 50 },
  { mL: 1000, count: 2, markMl: 50 },
  { mL: 2000, count: 1, markMl: 100 },
]
const ounces = (mL: number, count: number, markMl: number): Vessels => ({
  mL: mL * VOLUME_UNITS.fluidOunce.value,
  count,
  markMl: markMl * VOLUME_UNITS.fluidOunce.value,
})
/** The same where bottles are sold and marked in fluid ounces. */
const USUAL_VESSELS_US = [ounces(8, 2, 1), ounces(16, 4, 1), ounces(32, 2, 2), ounces(64, 1, 4)]

/** The room and everything in it. Sound defaults stand for what isn't known yet. */
export const House = z
  .object({
    name: z.string().trim().min(1, 'Give the wash room a name.').max(80, 'Keep the name to 80 characters.'),
    groomer: z.string().trim().max(80).default(''),
    /** How owners and vets reach the groomer, for papers. */
    contact: z.string().trim().max(160, 'Keep it to 160 characters.').default(''),
    room: RoomAir.default(RoomAir.parse({})),
    space: Space.default(Space.parse({})),
    hours: Hours.default(Hours.parse({})),
    pauses: z
      .array(Pause)
      .max(5, 'Keep at most 5 pauses.')
      .default([Pause.parse({})]),
    helper: Helper.default(Helper.parse({})),
    timeZone: z.string().trim().max(60).default(''),
    water: WaterSupply.default(WaterSupply.parse({})),
    heaterFrom: ClockMinute.nullable().default(null),
    method: Method.default('bottle'),
    dryers: z.array(Dryer).max(20, 'Keep at most 20 dryers.'),
    tables: z.number().int().min(1, 'Give 1 to 4 tables.').max(4, 'Give 1 to 4 tables.').default(1),
    tubs: z.number().int().min(1, 'Give 1 to 3 tubs.').max(3, 'Give 1 to 3 tubs.').default(1),
    crates: z
      .array(CrateSize)
      .max(6, 'Keep at most 6 sizes.')
      .default([{ maxKg: 25, count: 3 }]),
    towels: z.number().int().min(0, 'Give 0 to 200 towels.').max(200, 'Give 0 to 200 towels.').default(12),
    chamois: z.boolean().default(false),
    circuits: z
      .array(Circuit)
      .min(1, 'Give at least one circuit.')
      .max(6, 'Keep at most 6 circuits.')
      .default([Circuit.parse({})]),
    /** What is laid out for every dog beside the usual. */
    layOut: OwnLines,
    vessels: z.array(Vessels).max(10, 'Keep at most 10 sizes.').default(USUAL_VESSELS),
    tub: TubSetup.default(TubSetup.parse({})),
    protector: Protector.default(Protector.parse({})),
    rules: OwnRules.default({}),
    /** What counts how much when a day is arranged. */
    wishes: Wishes.default({}),
    /** What is always done one way when something holds. */
    habits: z.array(HouseHabit).max(50, 'Keep at most 50 habits.').default([]),
    /** Units and clock; null until they were chosen, or taken from the first device that opened it. */
    units: Units.nullable().default(null),
    instruments: z.array(InstrumentKind).max(5).default([]),
    prices: Prices.default(Prices.parse({})),
    priceList: PriceList.default(PriceList.parse({})),
    learnFrom: Day.nullable().default(null),
    /** Whether everything here is made up, to look around in. */
    demonstration: z.boolean().default(false),
    /** Whether somebody has set the room up, or chosen not to. */
    begun: z.boolean().default(true),
  })
  .superRefine(({ dryers, circuits }, context) => {
    dryers.forEach((dryer, d) => {
      if (dryer.circuit === '' || circuits.some((c) => c.name === dryer.circuit)) return
      context.addIssue({
        code: 'custom',
        path: ['dryers', d, 'circuit'],
        message: `The house has no circuit called ${dryer.circuit}.`,
      })
    })
  })
export type House = z.infer<typeof House>

/** In which units and by which clock a house reads. */
export const unitsOf = ({ units }: Pick<House, 'units'>): Units => units ?? METRIC

/** The circuit a dryer is plugged into: the one it names, else the first. */
export function circuitOf(house: Pick<House, 'circuits'>, dryerCircuit: string): Circuit {
  return house.circuits.find((c) => c.name === dryerCircuit) ?? house.circuits[0]!
}

/** The heaviest dog any crate holds, kg; 0 without crates. */
export function largestCrate({ crates }: Pick<House, 'crates'>): number {
  return Math.max(0, ...crates.filter((c) => c.count > 0).map((c) => c.maxKg))
}

/** A house in which nobody has chosen units yet takes these, and bottles as they are marked there unless it has its own. */
export function beginIn(house: House, units: Units): House {
  const usual = JSON.stringify(house.vessels) === JSON.stringify(USUAL_VESSELS)
  return { ...house, units, vessels: usual && units.volume === 'us' ? USUAL_VESSELS_US : house.vessels }
}
