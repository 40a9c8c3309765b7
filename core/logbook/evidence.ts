import { ZONE_NAMES, type Zone } from '../dog'
import { normalQuantile, type Done } from '../learn'

/** A step done, with in which visit, when and with which dryer. */
export interface Dated extends Done {
  visitId: string
  date: string
  dryer?: string
}

/** Something that the log taught: in a sentence, its size as a ratio of minutes with an interval, and from how many visits. */
export interface Taught {
  id: string
  words: string
  evidence: string
  ratio?: { middle: number; from: number; to: number }
}

const KIND_WORDS: Record<string, string> = {
  look: 'looking over',
  brush: 'brushing out',
  'blow-out': 'the blow-out',
  nails: 'nails',
  ears: 'the ears',
  wet: 'wetting',
  lather: 'lathering',
  rinse: 'rinsing',
  'rinse-last': 'the last rinse',
  condition: 'the conditioner',
  towel: 'towelling',
  dry: 'drying',
  'dry alone': 'drying by itself',
  comb: 'combing through',
  clean: 'cleaning the tub',
}

const ZONE_KIND = /^dry: (.+)$/

/** The kind of a step in words: "drying the hindlegs". */
export function kindWords(kind: string): string {
  const zone = ZONE_KIND.exec(kind)?.[1]
  if (zone) return `drying ${ZONE_NAMES[zone as Zone] ?? zone}`
  return KIND_WORDS[kind] ?? kind.replace('-', ' ')
}

/** A ratio's interval around its middle in words, both logarithms: "between +12 and +30 %". */
export const percentRange = (middle: number, reach: number) => {
  const at = (x: number) => Math.round(100 * (Math.exp(x) - 1))
  const signed = (n: number) => (n > 0 ? `+${n}` : `${n}`.replace('-', '−'))
  return `between ${signed(at(middle - reach))} and ${signed(at(middle + reach))} %`
}

/** A ratio with its interval, from logarithms. */
export const ratioOf = (middle: number, reach: number) => ({
  middle: Math.exp(middle),
  from: Math.exp(middle - reach),
  to: Math.exp(middle + reach),
})

/** How wide the interval is that goes with a sentence: a central 95 %. */
export const INTERVAL = normalQuantile(0.975)
