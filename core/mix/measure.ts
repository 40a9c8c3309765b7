import { constants, house, practice } from '../constants'
import { SPOONS } from '../units'

/** Rounding to what can be measured. */
export const MEASURE = constants({
  worst: practice(0.15, 'share', [0.05, 0.2]),
  syringe: practice(1, 'mL'),
  jug: practice(5, 'mL'),
  syringeUpTo: practice(30, 'mL'),
  density: house(1, 'g/mL', [0.98, 1.06]),
  mostStroke: house(60, 'mL', [30, 100]),
})

/** With what an amount of product is measured: strokes of its pump, spoons, a syringe or a jug. */
export type MeasureTool = 'pump' | 'spoon' | 'syringe' | 'jug'

/** An amount of product as it can be measured: `steps` of `step` mL; `error` against what was wanted. */
export interface Measured {
  ok: boolean
  tool: MeasureTool
  steps: number
  step: number
  product: number
  ratio: number
  error: number
}

/** Whole steps nearest to the wanted product, a tie going to the weaker mix. */
function wholeSteps(product: number, step: number): number {
  return Math.max(0, Math.ceil(product / step - 0.5))
}

const measuredBy = (tool: MeasureTool, step: number, product: number, water: number): Measured => {
  const steps = wholeSteps(product, step)
  const measured = steps * step
  const error = Math.abs(measured / product - 1)
  return {
    ok: steps >= 1 && error <= MEASURE.worst.value + 1e-9,
    tool,
    steps,
    step,
    product: measured,
    ratio: measured > 0 ? water / measured : Infinity,
    error,
  }
}

/**
 * Rounds `product` mL to whole steps, holding the water: by pump strokes or, in a froth bowl, spoons where they come
 * within 15 %, else by syringe up to 30 mL and by jug above. error = |measured / wanted − 1|; a tie goes to the
 * weaker mix. `ok` is false where nothing in the house measures it that well.
 */
export function measure(product: number, water: number, pumpMl?: number | null, spoons = false): Measured {
  const { syringe, jug, syringeUpTo } = MEASURE
  const first: Measured[] = []
  if (pumpMl) first.push(measuredBy('pump', pumpMl, product, water))
  if (spoons) first.push(measuredBy('spoon', SPOONS.teaspoon.value, product, water))
  const fine =
    product <= syringeUpTo.value
      ? measuredBy('syringe', syringe.value, product, water)
      : measuredBy('jug', jug.value, product, water)
  return first.find((m) => m.ok) ?? fine
}

/**
 * What one stroke of a pump gives, mL, from the grams that so many strokes weigh on a scale; soaps weigh about
 * as much as water. Undefined when that can't be: no whole strokes, nothing on the scale, or over 60 mL a stroke.
 */
export function strokeMl(grams: number, strokes: number): number | undefined {
  const mL = grams / MEASURE.density.value / strokes
  return Number.isInteger(strokes) && mL > 0 && mL <= MEASURE.mostStroke.value ? mL : undefined
}
