/** Stroke and tint of a dog's own colour, each pair at least 4.7 to 1. */
export interface Pair {
  stroke: string
  tint: string
}

export const PAIRS: readonly Pair[] = [
  { stroke: '#33597A', tint: '#D3E0EB' },
  { stroke: '#54487A', tint: '#DEDAEC' },
  { stroke: '#86441D', tint: '#F2DDCC' },
  { stroke: '#1F6640', tint: '#CFE6D7' },
  { stroke: '#7A5000', tint: '#F6E5B6' },
  { stroke: '#25363D', tint: '#CDD6D9' },
  { stroke: '#77285F', tint: '#EED6E6' },
  { stroke: '#0F5F63', tint: '#CBE4E4' },
]

/** A dog's pair of colours; the first for a dog that hasn't been given one. */
export function pairOf({ colour }: { colour: number | null }): Pair {
  return PAIRS[colour ?? 0] ?? PAIRS[0]!
}
