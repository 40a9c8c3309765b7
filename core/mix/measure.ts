import { constants, house, practice } from '../constants'
import { say } from '../units'

/** Rounding to what can be measured. */
export const MEASURE = constants({
  worst: practice(0.15, 'share', [0.05, 0.2]),
  syringe: practice(1, 'mL'),
  jug: practice(5, 'mL'),
  syringeUpTo: practice(30, 'mL'),
  density: house(1, 'g/mL', [0.98, 1.06]),
  mostStroke: house(60, 'mL', [30, 100]),
})

/** Bottles and jugs that a mix is offered in when the wanted amount is too small to measure, mL. */
export const VESSELS: readonly number[] = [250, 500, 750, 1000, 1500, 2000, 3000, 5000]

/** An amount of product as it can be measured: `steps` of `step` mL into the same water. */
export type Measured =
  | { ok: true; tool: string; steps: number; step: number; product: number; ratio: number; error: number }
  | { ok: false; why: string; vessel?: number }

/** Whole steps nearest to the wanted product, a tie going to the weaker mix. */
function wholeSteps(product: number, step: number): number {
  return Math.ceil(product / step - 0.5)
}

/**
 * Rounds `product` mL to whole steps (pump strokes, or marks of a syringe or jug), holding the water.
 * error = |measured / wanted − 1|; a tie goes to the weaker mix. An error over 15 % is refused and the
 * smallest vessel that can be measured well is offered instead.
 */
export function measure(product: number, water: number, pumpMl?: number | null): Measured {
  const { syringe, jug, syringeUpTo, worst } = MEASURE
  const step = pumpMl ?? (product <= syringeUpTo.value ? syringe.value : jug.value)
  const tool = pumpMl ? 'pump strokes' : product <= syringeUpTo.value ? 'syringe, mL marks' : 'jug, 5 mL marks'
  const steps = wholeSteps(product, step)
  const measured = steps * step
  const error = Math.abs(measured / product - 1)
  if (steps >= 1 && error <= worst.value) {
    return { ok: true, tool, steps, step, product: measured, ratio: water / measured, error }
  }
  const strength = product / (product + water)
  const vessel = VESSELS.find((v) => {
    const wanted = v * strength
    return v > product + water && Math.abs((wholeSteps(wanted, step) * step) / wanted - 1) <= worst.value
  })
  const offer = vessel ? ` Mix ${vessel} mL instead.` : ' Measure with a syringe instead.'
  return { ok: false, vessel, why: `${say(product, 1)} mL cannot be measured in steps of ${say(step, 1)} mL.${offer}` }
}

/**
 * What one stroke of a pump gives, mL, from the grams that so many strokes weigh on a scale; soaps weigh about
 * as much as water. Undefined when that can't be: no whole strokes, nothing on the scale, or over 60 mL a stroke.
 */
export function strokeMl(grams: number, strokes: number): number | undefined {
  const mL = grams / MEASURE.density.value / strokes
  return Number.isInteger(strokes) && mL > 0 && mL <= MEASURE.mostStroke.value ? mL : undefined
}
