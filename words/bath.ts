import type { ScaldLine } from '@core/water'
import type { Showering } from '@core/visit'
import { coatWords, skinWords } from './names'
import type { Say } from './say'
import type { Words } from './types'

const CHILLS = { puppy: 'puppy', senior: 'old dog', tiny: 'tiny dog', hairless: 'hairless dog' } as const

export const BATH: Words<'water' | 'tap' | 'wetting' | 'surface' | 'litres'> = {
  'water.skin': ({ skin }) => (skin === 'greasy' ? 'greasy skin: oils move' : skinWords(skin)),
  'water.shortNose': 'short nose: heats up easily',
  'water.heavyCoat': ({ roomC }, say) => `heavy double coat, room at ${say.temperature(roomC)}`,
  'water.chills': ({ why }) => `${CHILLS[why]}: chills easily`,
  'water.floor': ({ celsius, why }, say) => `not below ${say.temperature(celsius)} for a ${CHILLS[why]}`,
  'water.keptInside': ({ from, to }, say) => `limited to ${say.temperature(from)} to ${say.temperature(to)}`,
  'tap.hotNoWarmer': ({ hotC }, say) => `The hot tap (${say.temperature(hotC)}) is no warmer than the cold one.`,
  'tap.hotTooCool': ({ hotC, targetC }, say) =>
    `The hot tap gives ${say.temperature(hotC)}; ${say.temperature(targetC)} can’t be reached.`,
  'tap.coldTooWarm': ({ coldC }, say) =>
    `The cold tap gives ${say.temperature(coldC)}: no hot water at all, and the bath will be warmer than wished.`,
  'wetting.over': ({ m2, rate }, say) => `${say.area(m2)} at ${say.rate(rate)}`,
  'wetting.coat': ({ coat }) => `${coatWords(coat)}: wet outside long before the skin is`,
  'wetting.byCup': 'by cup, slower than a shower',
  'surface.weight': ({ kg }, say) => say.weight(kg),
  'litres.of': ({ what, minutes, tool }, say) =>
    `${SHOWERINGS[what]}, ${say.number(minutes)} min${tool === 'cup' ? ' by cup' : ''}`,
  'litres.runOff': 'cold water run off the hose',
}

const SHOWERINGS: Record<Showering, string> = {
  wetting: 'wetting',
  firstRinse: 'first rinse',
  lastRinse: 'last rinse',
  conditioner: 'conditioner out',
}

/** The scald line: "over 5 min", "2 min", "under 1 s". Never the word safe. */
export function scaldWords({ bound, seconds }: ScaldLine, say: Say): string {
  const time = seconds >= 120 ? `${seconds / 60} min` : `${say.number(seconds)} s`
  return bound === 'about' ? time : `${bound} ${time}`
}
