/** The thermometer's scale on a recipe, °C: what water for dogs is, cool to alarming. */
export const THERMOMETER = { low: 27, high: 41 }

/** So many parts of water can still be told apart. */
const MOST_PARTS = 20
/** The parts of water to one of product, as they are drawn. */
export const drawnParts = (ratio: number | undefined): number => Math.min(MOST_PARTS, Math.round(ratio ?? 0))

/** A tub's outline, `wide` px in its place from `left` on, 24 px high: straight rims, rounded foot. */
export function tubShape(left: number, wide: number): string {
  const round = Math.min(7, wide / 2)
  return `M${left} 2h${wide}v14q0 8 -${round} 8h-${wide - 2 * round}q-${round} 0 -${round} -8Z`
}
