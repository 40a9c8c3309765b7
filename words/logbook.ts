import type { ColumnName, Evidence, Ratio, TableName, Taught, Wild } from '@core/logbook'
import { TOWEL_WATER, zoneOfKind } from '@core/visit'
import { ratioOfMinutes } from './log'
import { aCoat, ZONE_NAMES } from './names'
import type { Say } from './say'
import type { Words } from './types'

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
  'rinse-conditioner': 'rinsing the conditioner out',
  condition: 'the conditioner',
  face: 'the face',
  towel: 'towelling',
  dry: 'drying',
  'dry alone': 'drying by itself',
  'dry-fan alone': 'the fan',
  comb: 'combing through',
  clean: 'cleaning the tub',
  'hand-over': 'handing over',
  squeeze: 'squeezing',
  'lift-in': 'the lift in',
  'lift-out': 'the lift out',
  'plugs-in': 'plugs in',
  'plugs-out': 'plugs out',
  'set-up': 'setting up',
  topknot: 'the topknot',
  'de-shed': 'combing undercoat out',
  clip: 'clipping',
  tidy: 'tidying up',
  teeth: 'the teeth',
  glands: 'the glands',
  [TOWEL_WATER]: 'the towels’ water',
}

/** The kind of a step that the log keeps, in words: "drying the hindlegs and inner thighs". */
export function kindWords(kind: string): string {
  const zone = zoneOfKind(kind)
  return zone ? `drying the ${ZONE_NAMES[zone]}` : (KIND_WORDS[kind] ?? kind)
}

const isWater = (kind: string) => kind === TOWEL_WATER
const dogName = (name: string) => name || 'A dog'

export const LOGBOOK: Words<'taught' | 'table'> = {
  'taught.month': ({ month, ratio }, say) =>
    `In ${say.date(`${month}-15`, 'month')} drying took ${ratioOfMinutes(ratio)}, whichever the dog: humid air, most likely.`,
  'taught.dryer': ({ dryer, since, ratio }, say) =>
    `${dryer}: since ${say.date(`${since}-15`, 'month')} drying takes ${ratioOfMinutes(ratio)} than before. Clean its filter, measure it anew.`,
  'taught.dog': ({ name, kind, coat, ratio }) => {
    if (!isWater(kind))
      return `${dogName(name)}: ${kindWords(kind)} takes ${ratioOfMinutes(ratio)} than the norm of ${aCoat(coat)}.`
    const percent = Math.round(100 * Math.abs(ratio - 1))
    return `${dogName(name)}: the coat holds ${percent} % ${ratio > 1 ? 'more' : 'less'} water than the norm of ${aCoat(coat)}.`
  },
  'taught.person': ({ person, kind, ratio }) =>
    `${person}: ${kindWords(kind)} takes ${ratioOfMinutes(ratio)} than with who usually works.`,
  'taught.damp': ({ name, zone }) => `${dogName(name)}: ${ZONE_NAMES[zone]} stays damp; part the hair there first.`,
  'taught.suited': ({ product, times, better, same, worse }) =>
    `${product}: used ${times === 1 ? 'once' : `${times} times`} on troubled skin; at the next visit ${better} better, ${same} alike, ${worse} worse.`,
  'table.noVisits': 'No visit has ended yet.',
  'table.predicted': ({ half, most, visits }, say) =>
    `The inner band (50 %) held ${half} % of ${say.count(visits, 'visit')}, the outer (80 %) ${most} %.`,
  'table.noDrying': 'No drying has been timed yet.',
  'table.drying': ({ coat, dryer, ratio }) =>
    `Furthest from the model: ${coat} with ${dryer}, ${Math.round(100 * ratio)} % of its minutes.`,
  'table.mostProduct': ({ name, mL }, say) =>
    `${name} uses the most product, ${say.volume(mL)} a visit. Give prices in House and on the shelf to see costs.`,
  'table.mostCost': ({ name, cost, currency }) =>
    `${name} costs the most, ${cost.toFixed(2)} ${currency} a visit in product, water, heat and electricity.`,
  'table.nothingFound': 'Nothing found yet.',
  'table.findings': ({ damp, visits, happened }, say) =>
    `${say.count(damp, 'damp place')} in ${say.count(visits, 'visit')}; ${say.count(happened, 'thing')} happened.`,
  'table.nobodyTwice': 'No dog has come twice yet.',
  'table.interval': ({ percent, later, of }) =>
    `${percent} % came within a week of the advised day; ${later} of ${of} came later.`,
  'table.noDays': 'No arranged day has been worked to its end yet.',
  'table.money': ({ months, taken, owed, currency }, say) =>
    `In ${say.count(months, 'month')} ${say.money({ cents: taken, currency })} were taken; ${say.money({ cents: owed, currency })} are owed.`,
  'table.days': ({ over, days }, say) =>
    `On average a day ended ${Math.abs(Math.round(over))} min ${over >= 0 ? 'later' : 'earlier'} than planned, over ${say.count(days, 'day')}.`,
}

/** A ratio's interval: "between +12 and +30 %". */
export function rangeWords({ from, to }: Pick<Ratio, 'from' | 'to'>): string {
  const signed = (ratio: number) => {
    const percent = Math.round(100 * (ratio - 1))
    return percent > 0 ? `+${percent}` : `${percent}`.replace('-', '−')
  }
  return `between ${signed(from)} and ${signed(to)} %`
}

/** What speaks for something that the log taught. */
export function evidenceWords({ evidence, ratio }: Pick<Taught, 'evidence' | 'ratio'>, say: Say): string {
  return evidenceOf(evidence, ratio, say)
}

function evidenceOf(evidence: Evidence, ratio: Ratio | undefined, say: Say): string {
  switch (evidence.kind) {
    case 'interval': {
      const others = evidence.others === null ? '' : ` against ${say.count(evidence.others, 'other')}`
      return `${ratio ? `${rangeWords(ratio)}, ` : ''}from ${say.count(evidence.visits, 'visit')}${others}`
    }
    case 'damp':
      return `found damp on ${evidence.times} of ${say.count(evidence.visits, 'visit')}`
    case 'pairs':
      return `${say.count(evidence.pairs, 'pair')} of visits, counted, not a trial`
  }
}

/** A number too far from all others: "drying took 60 min, expected 12". */
export function wildWords({ kind, actual, model }: Pick<Wild, 'kind' | 'actual' | 'model'>, say: Say): string {
  return `${kindWords(kind)} took ${say.number(actual)} ${isWater(kind) ? 'g' : 'min'}, expected ${say.number(model)}`
}

/** What the tables of the logbook are called. */
export const TABLE_NAMES: Record<TableName, string> = {
  predicted: 'Minutes predicted and taken',
  drying: 'Drying by coat and dryer',
  cost: 'Product and cost per dog',
  findings: 'Findings over time',
  interval: 'Interval kept or missed',
  days: 'Day length against plan',
  money: 'Taken, owed and costs',
}

/** The headings of their columns. */
export const COLUMN_NAMES: Record<ColumnName, string> = {
  date: 'Date',
  dog: 'Dog',
  predicted: 'Predicted',
  halfFrom: '50 % from',
  halfTo: '50 % to',
  mostFrom: '80 % from',
  mostTo: '80 % to',
  taken: 'Taken',
  coat: 'Coat',
  dryer: 'Dryer',
  visits: 'Visits',
  model: 'Model',
  ratio: 'Taken / model',
  product: 'Product',
  products: 'Products',
  water: 'Water',
  heat: 'Heat',
  drying: 'Drying',
  total: 'Total',
  month: 'Month',
  found: 'Found on the body',
  damp: 'Damp places',
  happened: 'Happened',
  skin: 'Skin not at its best',
  advised: 'Advised',
  cameAfter: 'Came after',
  laterBy: 'Later by',
  dogs: 'Dogs',
  planned: 'Planned',
  owed: 'Owed',
  costs: 'Costs',
}
