const SOURCE = 'reprinted after Moritz and Henriques 1947'

/** Temperature in °C and seconds to a scald of adult human skin. [memory] */
export const SCALD_TABLE: readonly (readonly [number, number])[] = [
  [49, 300],
  [52, 120],
  [54.5, 30],
  [57, 10],
  [60, 5],
  [63, 3],
  [66, 1.5],
  [68, 1],
]
export const SCALD_SOURCE = { kind: 'memory', source: SOURCE } as const

/**
 * Seconds of hot tap water to a scald of adult human skin at `celsius`, 49 to 68, by interpolating the
 * logarithm of time. Infinity below the table, 1 above: `scaldLine` tells those apart.
 * Upper limits for a dog.
 */
export function scaldSeconds(celsius: number): number {
  const [first, last] = [SCALD_TABLE[0]!, SCALD_TABLE[SCALD_TABLE.length - 1]!]
  if (celsius < first[0]) return Infinity
  if (celsius >= last[0]) return last[1]
  const i = SCALD_TABLE.findIndex(([t]) => t > celsius)
  const [t0, s0] = SCALD_TABLE[i - 1]!
  const [t1, s1] = SCALD_TABLE[i]!
  const share = (celsius - t0) / (t1 - t0)
  return Math.exp(Math.log(s0) + share * (Math.log(s1) - Math.log(s0)))
}

/** A scald time as it is told: a bound of the table, or about so many seconds. */
export interface ScaldLine {
  bound: 'over' | 'under' | 'about'
  seconds: number
}

/**
 * The scald line as it is told: `over` the seconds of the table's coolest row, `under` those of its hottest, or
 * `about`, rounded down to whole minutes, seconds or half seconds, never up.
 */
export function scaldLine(celsius: number): ScaldLine {
  const [first, last] = [SCALD_TABLE[0]!, SCALD_TABLE[SCALD_TABLE.length - 1]!]
  if (celsius < first[0]) return { bound: 'over', seconds: first[1] }
  if (celsius > last[0]) return { bound: 'under', seconds: last[1] }
  const exact = scaldSeconds(celsius) + 1e-9
  const step = exact >= 120 ? 60 : exact >= 10 ? 1 : 0.5
  return { bound: 'about', seconds: Math.floor(exact / step) * step }
}
