import { z } from 'zod'
import { house, constants, type ConstantGrid, type ConstantKind } from '../constants'
import { clamp } from '../units'

/** The coat types of the trade. */
export const CoatType = z.enum([
  'smooth',
  'short double',
  'long double',
  'wire',
  'curly',
  'drop',
  'feathered',
  'corded',
  'hairless',
])
export type CoatType = z.infer<typeof CoatType>

/** How thick the coat stands, against others of its type. */
export const Density = z.enum(['thin', 'usual', 'dense'])
export type Density = z.infer<typeof Density>

const column = (unit: string, kind: ConstantKind = 'house', source = 'estimate chosen for Juvant') => ({
  unit,
  kind,
  source,
})

/**
 * What each coat does to water, product and time.
 * `hold` water of a fully wet coat at the reference length; `reference` that length (0: none);
 * `reachable` share of the water that hands and towels can get at; `blowOut` and `brushDry` surface
 * per minute with full force or brush; `rinse` share of the coat's soap that one coat volume of
 * shower water carries away; `mix` diluted product for one wash.
 * `hold` is anchored on a 27 kg dog that carries about 0.45 kg of water (Dickerson, Mills and Hu,
 * J. R. Soc. Interface 2012; value from memory).
 */
export const COATS: ConstantGrid<
  CoatType,
  'hold' | 'reference' | 'reachable' | 'blowOut' | 'brushDry' | 'rinse' | 'mix'
> = {
  columns: {
    hold: column('g/m²'),
    reference: column('cm', 'practice', 'common practice, no source'),
    reachable: column('share'),
    blowOut: column('m²/min'),
    brushDry: column('m²/min'),
    rinse: column('share'),
    mix: column('mL/m²'),
  },
  rows: {
    smooth: { hold: 200, reference: 1.5, reachable: 0.9, blowOut: 0.16, brushDry: 0.16, rinse: 0.35, mix: 250 },
    'short double': { hold: 450, reference: 3, reachable: 0.65, blowOut: 0.09, brushDry: 0.07, rinse: 0.18, mix: 400 },
    'long double': { hold: 900, reference: 7, reachable: 0.5, blowOut: 0.035, brushDry: 0.03, rinse: 0.15, mix: 650 },
    wire: { hold: 400, reference: 4, reachable: 0.7, blowOut: 0.1, brushDry: 0.05, rinse: 0.2, mix: 400 },
    curly: { hold: 880, reference: 4, reachable: 0.6, blowOut: 0.045, brushDry: 0.02, rinse: 0.15, mix: 600 },
    drop: { hold: 700, reference: 15, reachable: 0.7, blowOut: 0.05, brushDry: 0.016, rinse: 0.18, mix: 500 },
    feathered: { hold: 500, reference: 6, reachable: 0.7, blowOut: 0.07, brushDry: 0.04, rinse: 0.18, mix: 450 },
    corded: { hold: 2000, reference: 20, reachable: 0.5, blowOut: 0.03, brushDry: 0.02, rinse: 0.1, mix: 800 },
    hairless: { hold: 50, reference: 0, reachable: 0.95, blowOut: 0.3, brushDry: 0.3, rinse: 0.6, mix: 150 },
  },
}

/** How length and density stretch a coat's numbers. */
export const COAT_FACTORS = constants({
  shortest: house(0.5, 'factor', [0.3, 0.8]),
  longest: house(1.6, 'factor', [1.3, 2]),
  thin: house(0.8, 'factor', [0.6, 1]),
  dense: house(1.2, 'factor', [1, 1.5]),
  looseHolds: house(1.14, 'factor', [1.1, 1.2]),
  puppyReach: house(0.8, 'share', [0.65, 0.95]),
  undercoatHolds: house(1.15, 'factor', [1, 1.4]),
  undercoatReach: house(0.95, 'factor', [0.8, 1]),
})

/** What the coat part of a dog's record says. Length in cm; undefined means the coat's usual length. `held`: how much more water than the table's it holds, as weighed towels tell. */
export interface Coat {
  coat: CoatType
  lengthCm?: number
  density: Density
  held?: number
  /** A puppy's: soft, without the undercoat to come, so that hands and towels reach more of its water. */
  puppy?: boolean
  /** An undercoat that its kind of coat doesn't have by itself: it holds more, and deeper. */
  undercoat?: boolean
  /** Share of the shed undercoat that is still in it: it holds more, dries later and is combed out in the end. */
  loose?: number
}

/** The share of a coat's water that hands and towels can get at. */
export function reachableShare({ coat, puppy, undercoat }: Coat): number {
  const reachable = COATS.rows[coat].reachable * (undercoat ? COAT_FACTORS.undercoatReach.value : 1)
  return puppy ? Math.max(reachable, COAT_FACTORS.puppyReach.value) : reachable
}

/** √(length / reference), kept between 0.5 and 1.6; 1 where the length is unknown or has no reference. */
export function lengthFactor({ coat, lengthCm }: Coat): number {
  const { reference } = COATS.rows[coat]
  if (!lengthCm || reference === 0) return 1
  return clamp(Math.sqrt(lengthCm / reference), COAT_FACTORS.shortest.value, COAT_FACTORS.longest.value)
}

/** 0.8 for a thin coat, 1.2 for a dense one, else 1. */
export function densityFactor({ density }: Coat): number {
  if (density === 'usual') return 1
  return COAT_FACTORS[density].value
}

/** Grams of water that a square metre of this fully wet coat holds. */
export function coatHold(coat: Coat): number {
  const under = coat.undercoat ? COAT_FACTORS.undercoatHolds.value : 1
  const loose = 1 + (COAT_FACTORS.looseHolds.value - 1) * (coat.loose ?? 0)
  return COATS.rows[coat.coat].hold * under * lengthFactor(coat) * densityFactor(coat) * loose * (coat.held ?? 1)
}

/** Share of a coat's water that stands open to the air: what hands and towels reach, less under a long or dense coat. */
export function openShare(coat: Coat): number {
  return reachableShare(coat) / Math.max(1, lengthFactor(coat) * densityFactor(coat))
}

/** How length and density stretch the work of the hands on a coat. */
export const HAND_FACTORS = constants({
  exponent: house(0.4, 'power of the length', [0.3, 0.6]),
  longest: house(1.6, 'factor', [1.3, 2]),
  shortest: house(0.25, 'factor', [0.15, 0.5]),
  thin: house(0.9, 'factor', [0.7, 1]),
  dense: house(1.2, 'factor', [1, 1.4]),
})

/**
 * How much more work the hands have with this coat than with its kind at the usual length: (length / reference)^0.4,
 * 0.25 to 1.6, and by density. 1 where the length is unknown or has no reference.
 */
export function handFactor({ coat, lengthCm, density }: Coat): number {
  const { reference } = COATS.rows[coat]
  const thick = density === 'usual' ? 1 : HAND_FACTORS[density].value
  if (!lengthCm || reference === 0) return thick
  return (
    thick *
    clamp(
      (lengthCm / reference) ** HAND_FACTORS.exponent.value,
      HAND_FACTORS.shortest.value,
      HAND_FACTORS.longest.value,
    )
  )
}

/** Coats whose long hair is combed section by section. */
export function isLong(coat: CoatType): boolean {
  return coat === 'long double' || coat === 'curly' || coat === 'drop'
}

/** Coats with an undercoat that is shed, whatever the dog. */
export function isDouble(coat: CoatType): boolean {
  return coat === 'short double' || coat === 'long double'
}

/** Whether a dog sheds an undercoat: by its record, else by its coat. */
export function hasUndercoat({ coat, undercoat }: { coat: CoatType; undercoat: boolean | null }): boolean {
  return undercoat ?? isDouble(coat)
}
