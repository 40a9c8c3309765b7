import { z } from 'zod'
import { CoatType, Density, EarCarriage, EarLook, Mood, Skin, SkinPlace, Stage, WeightKg, Dog } from '@core/dog'
import { Dryer, RoomAir } from '@core/drying'
import { House } from '@core/house'
import { Product, RatioReading } from '@core/mix'
import { Today } from '@core/visit'
import { WaterSupply } from '@core/water'

const CoatFacts = z.object({
  coat: CoatType,
  lengthCm: z.number().min(0.1).max(60).optional(),
  density: Density.default('usual'),
})

/** A whole visit from its facts, nothing stored. */
export const VisitRequest = z.object({
  dog: Dog,
  today: Today,
  products: z.array(Product.and(z.object({ id: z.string().min(1).max(80) }))).max(200),
  house: House,
})

/** A printed ratio and a volume of mix in mL, split and measured. */
export const MixRequest = z.object({
  label: z.string().min(1, 'Give the ratio as the label prints it.').max(60, 'Keep the ratio to 60 characters.'),
  reading: RatioReading.default('parts'),
  pumpMl: z.number().positive().max(60).nullable().default(null),
  volumeMl: z.number().positive().max(50_000, 'A mix is up to 50 000 mL.'),
})

/** What sets the water, and the taps that make it. */
export const WaterRequest = z.object({
  warmth: z.enum(['warm', 'neutral']).default('warm'),
  skin: z.array(Skin).max(8).default([]),
  shortNose: z.boolean().default(false),
  coat: CoatType,
  roomC: z.number().min(10).max(40).default(20),
  stage: Stage.default('adult'),
  weightKg: WeightKg,
  supply: WaterSupply.default(WaterSupply.parse({})),
})

/** One lathered dog and its rinse. */
export const RinseRequest = z.object({
  weightKg: WeightKg,
  coat: CoatFacts,
  skin: z.array(Skin).max(8).default([]),
  skinAt: z.array(SkinPlace).max(27).default([]),
  puppy: z.boolean().default(false),
  volumeMl: z.number().positive().max(50_000),
  ratio: z.number().min(0).max(512),
  labelRatio: z.number().min(0).max(512),
  flow: z.number().min(1).max(25).default(7),
  tool: z.enum(['shower', 'low', 'cup']).default('shower'),
  hardness: z.number().min(0).max(60).default(10),
})

/** One wet dog, a room and its dryers. */
export const DryingRequest = z.object({
  weightKg: WeightKg,
  coat: CoatFacts,
  skin: z.array(Skin).max(8).default([]),
  skinAt: z.array(SkinPlace).max(27).default([]),
  stage: Stage.default('adult'),
  shortNose: z.boolean().default(false),
  thinSkin: z.boolean().default(false),
  dryerShy: z.boolean().default(false),
  crateShy: z.boolean().default(false),
  head: z.enum(['towel', 'last', 'cloth']).default('towel'),
  topknot: z.boolean().default(false),
  mood: Mood.default('calm'),
  room: RoomAir.default(RoomAir.parse({})),
  heat: z.enum(['lowest', 'none', 'further']).default('lowest'),
  order: z.enum(['rear', 'shoulders', 'belly']).default('rear'),
  turns: z.enum(['whole', 'zone']).default('whole'),
  dryers: z.array(Dryer).min(1, 'Add at least one dryer or fan: drying can’t be reckoned without.').max(20),
  crateFits: z.boolean().default(true),
  chamois: z.boolean().default(false),
  towels: z.number().int().min(0).max(20).optional(),
})

/** One ear and what is on the shelf for it. */
export const EarsRequest = z.object({
  look: EarLook,
  weightKg: WeightKg,
  carriage: EarCarriage,
  cleared: z.boolean().default(false),
  puppy: z.boolean().default(false),
  earHair: z.enum(['blocking', 'routine', 'never']).default('blocking'),
  hairy: z.boolean().default(false),
  giving: z.enum(['bottle', 'cotton']).default('bottle'),
  cleaner: Product.and(z.object({ id: z.string() })).optional(),
  softener: Product.and(z.object({ id: z.string() })).optional(),
  rounds: z.enum(['three', 'two', 'one']).default('three'),
  powder: z.enum(['fingers', 'hair']).default('fingers'),
  sore: Skin.optional(),
  drying: Product.and(z.object({ id: z.string() })).optional(),
})
