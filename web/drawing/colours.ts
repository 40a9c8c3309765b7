import { DOG_PAIRS, type Pair } from '../ui/tokens'

/** The place of a dog's pair among the colours; the first for a dog that hasn't been given one. */
export const pairAt = (colour: number | null): number => (colour !== null && colour < DOG_PAIRS ? colour : 0)

/** A dog's pair of colours, as style properties that follow light and dark. */
export function pairOf({ colour }: { colour: number | null }): Pair {
  const at = pairAt(colour)
  return { stroke: `var(--dog-${at})`, tint: `var(--dog-${at}-tint)` }
}
