import type { RangeName } from '@core/range'
import type { Quantity } from '@core/units'
import type { Say } from './say'
import type { Words } from './types'

const RANGE_NAMES: Record<RangeName, string> = {
  weight: 'the weight',
  coatLength: 'the coat length',
  tubHeight: 'the tub’s height',
  crate: 'the heaviest dog of a crate',
  vessel: 'what a vessel holds',
  marks: 'the step between marks',
  stroke: 'a pump stroke',
  bottle: 'what a full bottle holds',
  earRound: 'the amount for one ear',
  shower: 'what the shower gives',
  tank: 'what the tank holds',
  coldTap: 'the cold tap’s temperature',
  hotTap: 'the hot tap’s temperature',
}

/** What is left empty where nothing is known. */
const OPTIONAL: readonly RangeName[] = ['coatLength', 'stroke', 'bottle', 'earRound']

const amountOf: Record<Quantity, (value: number, say: Say) => string> = {
  weight: (kg, say) => say.weight(kg),
  temperature: (celsius, say) => say.temperature(celsius),
  volume: (mL, say) => say.volume(mL),
  bigVolume: (litres, say) => say.litres(litres),
  flow: (flow, say) => say.flow(flow),
  length: (cm, say) => say.length(cm),
  distance: (m, say) => say.distance(m),
  span: (m, say) => say.span(m),
  area: (m2, say) => say.area(m2),
  air: (flow, say) => say.air(flow),
}

export const RANGES: Words<'range'> = {
  'range.outside': ({ what, quantity, least, most }, say) => {
    const at = (value: number) => amountOf[quantity](value, say)
    const end = OPTIONAL.includes(what) ? ', or leave it empty' : ''
    return `Give ${RANGE_NAMES[what]} from ${at(least)} to ${at(most)}${end}.`
  },
}
