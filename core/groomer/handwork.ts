import { constants, house, practice, type ConstantGrid } from '../constants'
import {
  COATS,
  handFactor,
  isLong,
  type ClipTool,
  type Coat,
  type CoatType,
  type Mats,
  type Mood,
  type Zone,
  ZONES,
  ZONE_SHARES,
} from '../dog'
import { add, reckon, set, start, times, type Reason, type Reckoned } from '../reckoned'
import { clamp } from '../units'

declare module '../said' {
  interface Codes {
    'hands.pace': { mood: Mood }
    /** Work over the whole surface at a rate, m² and m²/min. */
    'hands.over': {
      work: 'brush' | 'rubber' | 'blowOut' | 'lather' | 'condition' | 'comb' | 'cloth' | 'deShed' | 'clip'
      m2: number
      rate: number
    }
    'hands.coat': { coat: CoatType; lengthCm: number | null; density: Coat['density'] }
    'hands.mats': { zones: Zone[]; score: number }
    'hands.wholeDog': None
    'hands.weight': { kg: number }
    'hands.nails': None
    'hands.tips': None
    'hands.feetShy': None
    'hands.face': None
    'hands.folds': None
    'hands.lift': None
    'hands.heavy': { kg: number }
    'hands.squeeze': None
    'hands.cords': { m2: number; rate: number }
    'hands.towels': { count: number }
    'hands.wrings': { count: number }
    'hands.setUp': None
    'hands.cleanTub': None
    'hands.afterFleas': None
    'hands.handOver': None
    'hands.puppyBrush': None
    'hands.tidy': None
    'hands.tidyCoat': { m2: number }
    'hands.teeth': None
    'hands.glands': None
    'hands.clipFinish': None
    'hands.roughly': None
    'hands.felt': None
    'hands.afterRough': None
    'hands.clipLength': { cm: number }
    'hands.loose': None
    'hands.filthy': None
    'hands.atLeast': { minutes: number }
  }
}

/** Minutes and rates of the work by hand. All are estimates that the user's log re-fits first. */
export const HANDWORK = constants({
  look: house(3, 'min', [2, 8]),
  lookPerKg: house(0.05, 'min/kg', [0, 0.1]),
  blowOut: house(0.065, 'm²/min', [0.03, 0.08]),
  blowOutShort: house(0.12, 'm²/min', [0.08, 0.16]),
  fewMats: house(1.5, 'min a zone', [0.5, 3]),
  fewMatsArea: house(10, 'min/m² of the zone', [4, 20]),
  manyMats: house(2.5, 'times few', [1.5, 4]),
  nails: house(3, 'min', [2, 6]),
  nailsShy: house(6, 'min', [4, 12]),
  nailTips: house(2, 'min', [1, 3]),
  latherLeast: house(0.6, 'factor', [0.4, 0.8]),
  latherMost: house(1.3, 'factor', [1.1, 1.6]),
  face: house(1.5, 'min', [1, 3]),
  faceCloth: house(1.5, 'min', [1, 3]),
  folds: house(1, 'min', [0.5, 2]),
  squeeze: house(1, 'min', [0.5, 2]),
  cords: house(0.06, 'm²/min', [0.03, 0.1]),
  towel: house(1, 'min', [0.5, 2]),
  wring: house(0.5, 'min', [0.3, 1]),
  lift: house(1, 'min', [0.5, 2]),
  liftHeavy: house(2, 'min', [1, 4]),
  heavy: house(25, 'kg', [20, 30]),
  setUp: house(1, 'min', [0.5, 4]),
  cleanTub: house(3, 'min', [2, 8]),
  cleanTubFleas: house(10, 'min', [6, 15]),
  handOver: house(3, 'min', [2, 8]),
  deShed: house(0.05, 'm²/min', [0.03, 0.08]),
  blade: house(0.02, 'm²/min', [0.01, 0.04]),
  guardComb: house(0.014, 'm²/min', [0.008, 0.03]),
  scissors: house(0.009, 'm²/min', [0.004, 0.015]),
  clipFinish: house(8, 'min', [4, 15]),
  roughly: practice(0.45, 'share of a clip', [0.3, 0.6]),
  afterRough: practice(0.55, 'share of a clip', [0.4, 0.9]),
  felt: practice(1.6, 'factor', [1.3, 2.5]),
  clipShort: house(1, 'cm', [0.3, 2]),
  clipPerCm: house(0.08, 'share/cm', [0, 0.2]),
  clipLongest: house(1.6, 'factor', [1.2, 2]),
  clipCoatLeast: house(0.8, 'factor', [0.6, 1]),
  clipCoatMost: house(1.5, 'factor', [1.2, 2]),
  tidy: house(5, 'min', [3, 12]),
  tidyCoat: house(6, 'min/m²', [2, 15]),
  teeth: house(2, 'min', [1, 5]),
  glands: house(1.5, 'min', [1, 4]),
  loose: practice(1.65, 'times, with shed undercoat left in', [1.4, 1.9]),
  filthy: practice(1.5, 'times, on a filthy coat', [1.3, 2]),
  puppyBrush: house(2, 'min', [1, 4]),
  wary: house(1.25, 'factor', [1.1, 1.5]),
  anxious: house(1.5, 'factor', [1.3, 2]),
})

const rate = { unit: 'm²/min', kind: 'house', source: 'estimate chosen for Juvant' } as const
/**
 * Surface that the hands get through a minute, by coat at its usual length: brushing before the bath (a rubber
 * brush on smooth coats), lathering, working conditioner in and combing it through, and combing at the end (a
 * cloth on smooth coats). 0: not done on this coat.
 */
export const HAND_RATES: ConstantGrid<CoatType, 'brush' | 'lather' | 'condition' | 'comb'> = {
  columns: { brush: rate, lather: rate, condition: rate, comb: rate },
  rows: {
    smooth: { brush: 0.3, lather: 0.3, condition: 0.3, comb: 0.6 },
    'short double': { brush: 0.2, lather: 0.25, condition: 0.2, comb: 0.4 },
    'long double': { brush: 0.045, lather: 0.14, condition: 0.12, comb: 0.1 },
    wire: { brush: 0.07, lather: 0.2, condition: 0.16, comb: 0.13 },
    curly: { brush: 0.03, lather: 0.14, condition: 0.09, comb: 0.06 },
    drop: { brush: 0.022, lather: 0.14, condition: 0.07, comb: 0.045 },
    feathered: { brush: 0.06, lather: 0.18, condition: 0.12, comb: 0.11 },
    corded: { brush: 0, lather: 0.1, condition: 0.1, comb: 0 },
    hairless: { brush: 0, lather: 0.3, condition: 0.3, comb: 0 },
  },
}

/** How much longer hands-on steps take with this dog: 1, 1.25 or 1.5. */
export function paceFactor(mood: Mood): number {
  return mood === 'calm' ? 1 : HANDWORK[mood].value
}

/** The dog's pace as a reason; moves nothing for a calm dog. */
export function paceReason(mood: Mood): Reason {
  return times('hands.pace', { mood }, paceFactor(mood))
}

const minutes = (mood: Mood, ...reasons: (Reason | false)[]): Reckoned => reckon('min', ...reasons, paceReason(mood))
const coatReason = (coat: Coat, factor: number): Reason =>
  times(
    'hands.coat',
    { coat: coat.coat, lengthCm: coat.lengthCm ?? (COATS.rows[coat.coat].reference || null), density: coat.density },
    factor,
  )

/** Coats that a rubber brush and a cloth keep: nothing to part, nothing to comb. */
export const isSleek = (coat: CoatType): boolean => coat === 'smooth' || coat === 'hairless'

/**
 * Minutes that mats cost, zone by zone: a few small ones 1.5 min and 10 min a square metre of that zone, many 2.5
 * times as much. Only those scores that `which` takes; felted ones are not fought. `surface` m² of the whole dog.
 */
export function matMinutes(mats: Mats, surface: number, which: (score: number) => boolean = () => true) {
  return ZONES.flatMap((zone) => {
    const score = mats[zone] ?? 0
    if (score === 0 || !which(score)) return []
    const few = HANDWORK.fewMats.value + HANDWORK.fewMatsArea.value * surface * ZONE_SHARES.rows[zone].surface
    return [{ zone, score, minutes: score > 1 ? few * HANDWORK.manyMats.value : few }]
  })
}

/** The mats of some scores as a reason that adds their minutes. */
function matsReason(found: ReturnType<typeof matMinutes>): Reason | false {
  if (found.length === 0) return false
  const score = Math.max(...found.map((m) => m.score))
  return add(
    'hands.mats',
    { zones: found.map((m) => m.zone), score },
    found.reduce((sum, m) => sum + m.minutes, 0),
  )
}

/** Check-in and health look over a dog of `kg`. */
export function lookMinutes(kg: number, mood: Mood): Reckoned {
  return minutes(
    mood,
    start('hands.wholeDog', {}, HANDWORK.look.value),
    add('hands.weight', { kg }, kg * HANDWORK.lookPerKg.value),
  )
}

/**
 * Brushing before water: at the coat's rate, stretched by its length and density, and what mats cost in their
 * zones. A puppy gets a soft brush for a moment. 0 on coats that aren't brushed and have no mats.
 */
export function brushMinutes(
  coat: Coat,
  surface: number,
  mood: Mood,
  mats: ReturnType<typeof matMinutes> = [],
  puppy = false,
): Reckoned {
  const { brush } = HAND_RATES.rows[coat.coat]
  const work = isSleek(coat.coat) ? 'rubber' : 'brush'
  if (brush === 0)
    return reckon('min', ...(mats.length > 0 ? [start('hands.puppyBrush', {}, 0), matsReason(mats)] : []))
  if (puppy) return minutes(mood, start('hands.puppyBrush', {}, HANDWORK.puppyBrush.value), matsReason(mats))
  return minutes(
    mood,
    start('hands.over', { work, m2: surface, rate: brush }, surface / brush),
    coatReason(coat, handFactor(coat)),
    matsReason(mats),
  )
}

/** Only the mats of some zones, where the rest of the coat isn't brushed. */
export function matsOnlyMinutes(mats: ReturnType<typeof matMinutes>, mood: Mood): Reckoned {
  const reason = matsReason(mats)
  if (!reason) return reckon('min')
  return minutes(mood, { ...reason, how: 'start' })
}

/** Blowing loose undercoat out before the bath. */
export function blowOutMinutes(coat: Coat, surface: number, mood: Mood): Reckoned {
  const { value } = isLong(coat.coat) || coat.coat === 'feathered' ? HANDWORK.blowOut : HANDWORK.blowOutShort
  return minutes(
    mood,
    start('hands.over', { work: 'blowOut', m2: surface, rate: value }, surface / value),
    coatReason(coat, handFactor(coat)),
  )
}

/** Nails of four feet; a puppy's tips only. */
export function nailMinutes(feetShy: boolean, mood: Mood, tips = false): Reckoned {
  if (tips) return minutes(mood, start('hands.tips', {}, HANDWORK.nailTips.value))
  return minutes(
    mood,
    start('hands.nails', {}, HANDWORK.nails.value),
    feetShy && add('hands.feetShy', {}, HANDWORK.nailsShy.value - HANDWORK.nails.value),
  )
}

/** Lathering once to the skin; half as long again to lift the dirt of a filthy coat. Length and density count for no less than 0.6 and no more than 1.3. */
export function latherMinutes(coat: Coat, surface: number, mood: Mood, filthy = false): Reckoned {
  const { lather } = HAND_RATES.rows[coat.coat]
  return minutes(
    mood,
    start('hands.over', { work: 'lather', m2: surface, rate: lather }, surface / lather),
    coatReason(coat, clamp(handFactor(coat), HANDWORK.latherLeast.value, HANDWORK.latherMost.value)),
    filthy && times('hands.filthy', {}, HANDWORK.filthy.value),
  )
}

/** The face, washed by hand or wiped with a cloth; folds are wiped and dried. */
export function faceMinutes(way: 'wash' | 'cloth', folds: boolean, mood: Mood): Reckoned {
  return minutes(
    mood,
    start('hands.face', {}, way === 'wash' ? HANDWORK.face.value : HANDWORK.faceCloth.value),
    folds && add('hands.folds', {}, HANDWORK.folds.value),
  )
}

/** Working conditioner in over `surface` m² and combing it through, mats that open in it included; never quicker than lathering. */
export function conditionMinutes(
  coat: Coat,
  surface: number,
  mood: Mood,
  mats: ReturnType<typeof matMinutes> = [],
): Reckoned {
  const { condition, lather } = HAND_RATES.rows[coat.coat]
  const factor = handFactor(coat)
  const combed = (surface / condition) * factor
  const least = (surface / lather) * clamp(factor, HANDWORK.latherLeast.value, HANDWORK.latherMost.value)
  return minutes(
    mood,
    start('hands.over', { work: 'condition', m2: surface, rate: condition }, surface / condition),
    coatReason(coat, factor),
    combed < least && set('hands.atLeast', { minutes: least }, least),
    matsReason(mats),
  )
}

/** Combing through to the skin at the end; a cloth over smooth coats. 0 on coats that aren't combed. */
export function combMinutes(
  coat: Coat,
  surface: number,
  mood: Mood,
  mats: ReturnType<typeof matMinutes> = [],
): Reckoned {
  const { comb } = HAND_RATES.rows[coat.coat]
  if (comb === 0) return matsOnlyMinutes(mats, mood)
  const work = isSleek(coat.coat) ? 'cloth' : 'comb'
  return minutes(
    mood,
    start('hands.over', { work, m2: surface, rate: comb }, surface / comb),
    coatReason(coat, handFactor(coat)),
    coat.loose !== undefined && times('hands.loose', {}, 1 + (HANDWORK.loose.value - 1) * coat.loose),
    matsReason(mats),
  )
}

/** Undercoat combed out of the dry coat, stretched by its length and density. */
export function deShedMinutes(coat: Coat, surface: number, mood: Mood): Reckoned {
  const { value } = HANDWORK.deShed
  return minutes(
    mood,
    start('hands.over', { work: 'deShed', m2: surface, rate: value }, surface / value),
    coatReason(coat, handFactor(coat)),
  )
}

/**
 * Cutting the whole coat with a tool to the length that is to be left (cm; null: short), and finishing face, feet and
 * outline. A thick or long coat takes longer, and so does leaving more of it: it is shaped, not only shorn.
 */
/** Coats with nothing to cut. */
const UNCUT: readonly CoatType[] = ['smooth', 'hairless', 'corded']
/** Whether a coat can be cut all over. */
export const canClip = (coat: CoatType): boolean => !UNCUT.includes(coat)

/** A coat cut off roughly before the bath, by blade; felt (score 3) lets the blade through slowly. */
export function roughClipMinutes(coat: Coat, worstMat: number, surface: number, mood: Mood): Reckoned {
  const { blade, roughly, felt, clipCoatLeast, clipCoatMost } = HANDWORK
  return minutes(
    mood,
    start('hands.over', { work: 'clip', m2: surface, rate: blade.value }, surface / blade.value),
    coatReason(coat, clamp(handFactor(coat), clipCoatLeast.value, clipCoatMost.value)),
    times('hands.roughly', {}, roughly.value),
    worstMat >= 3 && times('hands.felt', {}, felt.value),
  )
}

export function clipMinutes(coat: Coat, tool: ClipTool, cm: number | null, surface: number, mood: Mood): Reckoned {
  const { value } = HANDWORK[tool === 'comb' ? 'guardComb' : tool]
  const { clipShort, clipPerCm, clipLongest, clipCoatLeast, clipCoatMost } = HANDWORK
  const left = cm ?? clipShort.value
  const shaped = clamp(1 + clipPerCm.value * (left - clipShort.value), 1, clipLongest.value)
  return minutes(
    mood,
    start('hands.over', { work: 'clip', m2: surface, rate: value }, surface / value),
    coatReason(coat, clamp(handFactor(coat), clipCoatLeast.value, clipCoatMost.value)),
    times('hands.clipLength', { cm: left }, shaped),
    add('hands.clipFinish', {}, HANDWORK.clipFinish.value),
  )
}

/** Face, feet, belly and under the tail put in order; more where there is much coat. */
export function tidyMinutes(coat: Coat, surface: number, mood: Mood): Reckoned {
  return minutes(
    mood,
    start('hands.tidy', {}, HANDWORK.tidy.value),
    !isSleek(coat.coat) && add('hands.tidyCoat', { m2: surface }, HANDWORK.tidyCoat.value * surface),
  )
}

/** Teeth brushed; outer glands emptied. */
export function extraMinutes(what: 'teeth' | 'glands', mood: Mood): Reckoned {
  return minutes(mood, start(`hands.${what}`, {}, HANDWORK[what].value))
}

/** Lifting in and out together. */
export function liftMinutes(kg: number, mood: Mood): Reckoned {
  const heavy = kg > HANDWORK.heavy.value
  return minutes(
    mood,
    start('hands.lift', {}, HANDWORK.lift.value),
    heavy && add('hands.heavy', { kg }, HANDWORK.liftHeavy.value - HANDWORK.lift.value),
  )
}

/** The hand squeeze from the top down; cords are squeezed one by one. */
export function squeezeMinutes(coat: Coat, surface: number, mood: Mood): Reckoned {
  const { squeeze, cords } = HANDWORK
  if (coat.coat !== 'corded') return minutes(mood, start('hands.squeeze', {}, squeeze.value))
  return minutes(mood, start('hands.cords', { m2: surface, rate: cords.value }, surface / cords.value))
}

/** Towels, or one chamois wrung out again and again. */
export function towelMinutes(count: number, chamois: boolean, mood: Mood): Reckoned {
  const each = chamois ? HANDWORK.wring.value : HANDWORK.towel.value
  return minutes(mood, start(chamois ? 'hands.wrings' : 'hands.towels', { count }, count * each))
}

/** Setting up the drying place. */
export function setUpMinutes(): Reckoned {
  return reckon('min', start('hands.setUp', {}, HANDWORK.setUp.value))
}

/** Cleaning the tub after the dog. */
export function cleanTubMinutes(fleas: boolean): Reckoned {
  const { cleanTub, cleanTubFleas } = HANDWORK
  return reckon(
    'min',
    start('hands.cleanTub', {}, cleanTub.value),
    fleas && add('hands.afterFleas', {}, cleanTubFleas.value - cleanTub.value),
  )
}

/** Handing the dog over with what was found. */
export function handOverMinutes(): Reckoned {
  return reckon('min', start('hands.handOver', {}, HANDWORK.handOver.value))
}

/** The order in which zones are washed, by rule; with fleas a ring round the neck always comes first. */
export function washingOrder(rule: 'under' | 'neck' | 'face', fleas: boolean): Zone[] {
  if (fleas) return ['neck', 'back', 'tail', 'hindlegs', 'belly', 'forelegs', 'feet', 'ears', 'head']
  if (rule === 'face') return ['head', 'ears', 'neck', 'back', 'belly', 'forelegs', 'hindlegs', 'feet', 'tail']
  if (rule === 'neck') return ['neck', 'back', 'belly', 'forelegs', 'hindlegs', 'feet', 'tail', 'ears', 'head']
  return ['feet', 'forelegs', 'hindlegs', 'belly', 'tail', 'back', 'neck', 'ears', 'head']
}
