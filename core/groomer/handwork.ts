import { constants, house } from '../constants'
import { isLong, type Coat, type Mood, type Zone } from '../dog'
import { add, reckon, start, times, type Reason, type Reckoned } from '../reckoned'
import { say } from '../units'

/** Minutes and rates of the work by hand. All are estimates that the user's log re-fits first. */
export const HANDWORK = constants({
  look: house(4, 'min', [2, 8]),
  lookPerKg: house(0.05, 'min/kg', [0, 0.1]),
  brushSmooth: house(0.1, 'm²/min', [0.06, 0.15]),
  brush: house(0.05, 'm²/min', [0.03, 0.08]),
  brushLong: house(0.02, 'm²/min', [0.01, 0.04]),
  mats: house(0.4, 'share per mat score', [0.2, 0.8]),
  blowOut: house(0.05, 'm²/min', [0.03, 0.08]),
  nails: house(3, 'min', [2, 6]),
  nailsShy: house(6, 'min', [4, 12]),
  lather: house(0.2, 'm²/min', [0.12, 0.3]),
  latherThick: house(0.12, 'm²/min', [0.08, 0.2]),
  face: house(1.5, 'min', [1, 3]),
  condition: house(0.15, 'm²/min', [0.1, 0.25]),
  conditionLong: house(0.06, 'm²/min', [0.04, 0.1]),
  squeeze: house(1, 'min', [0.5, 2]),
  towel: house(1, 'min', [0.5, 2]),
  wring: house(0.5, 'min', [0.3, 1]),
  lift: house(1, 'min', [0.5, 2]),
  liftHeavy: house(2, 'min', [1, 4]),
  heavy: house(25, 'kg', [20, 30]),
  setUp: house(2, 'min', [1, 4]),
  comb: house(0.12, 'm²/min', [0.08, 0.2]),
  combLong: house(0.04, 'm²/min', [0.02, 0.08]),
  cleanTub: house(4, 'min', [2, 8]),
  cleanTubFleas: house(10, 'min', [6, 15]),
  handOver: house(4, 'min', [2, 8]),
  wary: house(1.25, 'factor', [1.1, 1.5]),
  anxious: house(1.5, 'factor', [1.3, 2]),
})

/** How much longer hands-on steps take with this dog: 1, 1.25 or 1.5. */
export function paceFactor(mood: Mood): number {
  return mood === 'calm' ? 1 : HANDWORK[mood].value
}

/** The dog's pace as a reason; moves nothing for a calm dog. */
export function paceReason(mood: Mood): Reason {
  return times(`${mood}: done slower, with breaks`, paceFactor(mood))
}

const minutes = (mood: Mood, ...reasons: (Reason | false)[]): Reckoned => reckon('min', ...reasons, paceReason(mood))

const overSurface = (what: string, surface: number, rate: number): Reason =>
  start(`${what}: ${say(surface, 2)} m² at ${say(rate, 2)} m² a minute`, surface / rate)

const matsReason = (matScore: number): Reason =>
  times(`mats, ${say(matScore)} of 3 over the whole body`, 1 + HANDWORK.mats.value * matScore)

const short = (coat: Coat) => coat.coat === 'smooth' || coat.coat === 'hairless'
const thick = (coat: Coat) => isLong(coat.coat) || coat.coat === 'corded' || coat.density === 'dense'

/** Check-in and health look over a dog of `kg`. */
export function lookMinutes(kg: number, mood: Mood): Reckoned {
  return minutes(
    mood,
    start('hands over the whole dog', HANDWORK.look.value),
    add(`${say(kg)} kg`, kg * HANDWORK.lookPerKg.value),
  )
}

/** Brushing out before water; mats, as their mean score over the body (0 to 3), slow it. Corded coats are not brushed: 0. */
export function brushMinutes(coat: Coat, surface: number, matScore: number, mood: Mood): Reckoned {
  if (coat.coat === 'corded' || coat.coat === 'hairless') return reckon('min', start('nothing to brush', 0))
  const rate = short(coat) ? HANDWORK.brushSmooth : isLong(coat.coat) ? HANDWORK.brushLong : HANDWORK.brush
  return minutes(mood, overSurface('brush out', surface, rate.value), matsReason(matScore))
}

/** Blowing loose undercoat out before the bath. */
export function blowOutMinutes(surface: number, mood: Mood): Reckoned {
  return minutes(mood, overSurface('blow the loose coat out', surface, HANDWORK.blowOut.value))
}

/** Nails of four feet. */
export function nailMinutes(feetShy: boolean, mood: Mood): Reckoned {
  return minutes(
    mood,
    start('four feet', HANDWORK.nails.value),
    feetShy && add('shy of having feet held', HANDWORK.nailsShy.value - HANDWORK.nails.value),
  )
}

/** Lathering once, with or without the face. */
export function latherMinutes(coat: Coat, surface: number, face: boolean, mood: Mood): Reckoned {
  const rate = thick(coat) ? HANDWORK.latherThick : HANDWORK.lather
  return minutes(mood, overSurface('lather to the skin', surface, rate.value), face && add('face', HANDWORK.face.value))
}

/** Working conditioner in and combing it through. */
export function conditionMinutes(coat: Coat, surface: number, matScore: number, mood: Mood): Reckoned {
  const rate = isLong(coat.coat) ? HANDWORK.conditionLong : HANDWORK.condition
  return minutes(mood, overSurface('on and combed through', surface, rate.value), matsReason(matScore))
}

/** Combing through to the skin at the end. */
export function combMinutes(coat: Coat, surface: number, matScore: number, mood: Mood): Reckoned {
  if (coat.coat === 'corded' || coat.coat === 'hairless') return reckon('min', start('nothing to comb', 0))
  const rate = isLong(coat.coat) ? HANDWORK.combLong : HANDWORK.comb
  return minutes(mood, overSurface('comb to the skin', surface, rate.value), matsReason(matScore))
}

/** Lifting in and out together. */
export function liftMinutes(kg: number, mood: Mood): Reckoned {
  const heavy = kg > HANDWORK.heavy.value
  return minutes(
    mood,
    start('in and out, mat and restraint checked', HANDWORK.lift.value),
    heavy && add('heavy dog: steps or two people', HANDWORK.liftHeavy.value - HANDWORK.lift.value),
  )
}

/** The hand squeeze from the top down. */
export function squeezeMinutes(mood: Mood): Reckoned {
  return minutes(mood, start('squeeze from the top down', HANDWORK.squeeze.value))
}

/** Towels, or one chamois wrung out again and again. */
export function towelMinutes(count: number, chamois: boolean, mood: Mood): Reckoned {
  const each = chamois ? HANDWORK.wring.value : HANDWORK.towel.value
  return minutes(mood, start(`${count} × ${chamois ? 'chamois, wrung out' : 'towel'}`, count * each))
}

/** Setting up the drying place. */
export function setUpMinutes(): Reckoned {
  return reckon('min', start('dryer, brush and dry towels to hand', HANDWORK.setUp.value))
}

/** Cleaning the tub after the dog. */
export function cleanTubMinutes(fleas: boolean): Reckoned {
  const { cleanTub, cleanTubFleas } = HANDWORK
  return reckon(
    'min',
    start('hair out, tub disinfected', cleanTub.value),
    fleas && add('after fleas: everything', cleanTubFleas.value - cleanTub.value),
  )
}

/** Handing the dog over with what was found. */
export function handOverMinutes(): Reckoned {
  return reckon('min', start('findings, home care, next date', HANDWORK.handOver.value))
}

/** The order in which zones are washed, by school; with fleas a ring round the neck always comes first. */
export function washingOrder(school: 'under' | 'neck' | 'face', fleas: boolean): Zone[] {
  if (fleas) return ['neck', 'back', 'tail', 'hindlegs', 'belly', 'forelegs', 'feet', 'ears', 'head']
  if (school === 'face') return ['head', 'ears', 'neck', 'back', 'belly', 'forelegs', 'hindlegs', 'feet', 'tail']
  if (school === 'neck') return ['neck', 'back', 'belly', 'forelegs', 'hindlegs', 'feet', 'tail', 'ears', 'head']
  return ['feet', 'forelegs', 'hindlegs', 'belly', 'tail', 'back', 'neck', 'ears', 'head']
}
