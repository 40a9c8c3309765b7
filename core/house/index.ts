import { z } from 'zod'
import { Dryer, RoomAir } from '../drying'
import { Method } from '../mix'
import { Protector, TubSetup } from '../groomer'
import { OwnSchools } from '../schools'
import { WaterSupply } from '../water'

/** The socket circuit that dryers share, V and A. */
export const Circuit = z.object({
  volts: z.number().min(90).max(260).default(230),
  amps: z.number().min(1).max(63).default(13),
})
export type Circuit = z.infer<typeof Circuit>

/** The room and everything in it. Sound defaults stand for what isn't known yet. */
export const House = z.object({
  name: z.string().trim().min(1, 'Give the wash room a name.').max(80, 'Keep the name to 80 characters.'),
  groomer: z.string().trim().max(80).default(''),
  room: RoomAir.default(RoomAir.parse({})),
  water: WaterSupply.default(WaterSupply.parse({})),
  method: Method.default('bottle'),
  dryers: z.array(Dryer).min(1, 'Add at least one dryer or fan: drying can’t be reckoned without.').max(20),
  crates: z.number().int().min(0).max(20).default(3),
  crateMaxKg: z.number().min(0).max(100).default(25),
  towels: z.number().int().min(0).max(200).default(12),
  chamois: z.boolean().default(false),
  circuit: Circuit.default(Circuit.parse({})),
  tub: TubSetup.default(TubSetup.parse({})),
  protector: Protector.default(Protector.parse({})),
  schools: OwnSchools.default({}),
})
export type House = z.infer<typeof House>
