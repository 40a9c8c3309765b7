import type { CoatType } from '../dog'
import { said, type Code, type Said } from '../said'
import { totalCost, type Brief } from './brief'
import { TAUGHT } from './constants'

declare module '../said' {
  interface Codes {
    'table.noVisits': None
    'table.predicted': { half: number; most: number; visits: number }
    'table.noDrying': None
    'table.drying': { coat: CoatType; dryer: string; ratio: number }
    'table.mostProduct': { name: string; mL: number }
    'table.mostCost': { name: string; cost: number; currency: string }
    'table.nothingFound': None
    'table.findings': { damp: number; visits: number; happened: number }
    'table.nobodyTwice': None
    'table.interval': { percent: number; later: number; of: number }
    'table.noDays': None
    'table.days': { over: number; days: number }
    'table.money': { months: number; taken: number; owed: number; currency: string }
  }
}

/** What a column of a table holds. */
export type ColumnName =
  | 'date'
  | 'dog'
  | 'predicted'
  | 'halfFrom'
  | 'halfTo'
  | 'mostFrom'
  | 'mostTo'
  | 'taken'
  | 'coat'
  | 'dryer'
  | 'visits'
  | 'model'
  | 'ratio'
  | 'product'
  | 'products'
  | 'water'
  | 'heat'
  | 'drying'
  | 'total'
  | 'month'
  | 'found'
  | 'damp'
  | 'happened'
  | 'skin'
  | 'advised'
  | 'cameAfter'
  | 'laterBy'
  | 'dogs'
  | 'planned'
  | 'owed'
  | 'costs'

/** A column of a table: what it holds, its unit, and how many digits its numbers have. */
export interface Column {
  what: ColumnName
  unit?: string
  digits?: number
}

/** The tables of the logbook. */
export type TableName = 'predicted' | 'drying' | 'cost' | 'findings' | 'interval' | 'days' | 'money'

/** Numbers behind a chart, as a table: cells in the order of the columns. */
export interface LogTable {
  id: TableName
  /** What it says, made from its numbers. */
  says: Said<Extract<Code, `table.${string}`>>
  columns: Column[]
  /** Of many the newest. */
  rows: (string | number | null)[][]
  /** How many there are. */
  of: number
}

const percent = (part: number, all: number) => (all === 0 ? 0 : Math.round((100 * part) / all))
const inside = (value: number, [from, to]: [number, number]) => from <= value && value <= to
const sum = <T>(list: readonly T[], of: (item: T) => number) => list.reduce((all, item) => all + of(item), 0)
const byDate = (briefs: readonly Brief[]) =>
  [...briefs].sort((a, b) => a.date.localeCompare(b.date) || a.began - b.began)

function grouped<T>(list: readonly T[], key: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const item of list) {
    const name = key(item)
    const group = groups.get(name)
    if (group) group.push(item)
    else groups.set(name, [item])
  }
  return groups
}

/** Visits that count as a whole: neither stopped early nor left out. */
const whole = (briefs: readonly Brief[]) => briefs.filter((b) => b.stoppedEarly === null && b.leftOut === null)

/** Predicted minutes with their bands against what the visits took, and how often the bands held. */
export function predictedTable(briefs: readonly Brief[]): Omit<LogTable, 'of'> {
  const rows = byDate(whole(briefs))
  const half = percent(rows.filter((b) => inside(b.minutes, b.half)).length, rows.length)
  const most = percent(rows.filter((b) => inside(b.minutes, b.most)).length, rows.length)
  return {
    id: 'predicted',
    says: rows.length === 0 ? said('table.noVisits') : said('table.predicted', { half, most, visits: rows.length }),
    columns: [
      { what: 'date' },
      { what: 'dog' },
      { what: 'predicted', unit: 'min', digits: 0 },
      { what: 'halfFrom', unit: 'min', digits: 0 },
      { what: 'halfTo', unit: 'min', digits: 0 },
      { what: 'mostFrom', unit: 'min', digits: 0 },
      { what: 'mostTo', unit: 'min', digits: 0 },
      { what: 'taken', unit: 'min', digits: 0 },
    ],
    rows: rows.map((b) => [b.date, b.dog, b.planned, ...b.half, ...b.most, b.minutes]),
  }
}

/** Drying minutes by coat and dryer: what the model says and what it took. */
export function dryingTable(briefs: readonly Brief[]): Omit<LogTable, 'of'> {
  const dried = whole(briefs).filter((b) => b.drying !== null)
  const groups = [...grouped(dried, (b) => `${b.coat}\u0000${b.drying!.dryer}`)].map(([key, list]) => {
    const [coat, dryer] = key.split('\u0000') as [CoatType, string]
    const model = sum(list, (b) => b.drying!.planned) / list.length
    const actual = sum(list, (b) => b.drying!.actual) / list.length
    return { coat, dryer, visits: list.length, model, actual, ratio: actual / model }
  })
  groups.sort((a, b) => b.actual - a.actual)
  const worst = [...groups].sort((a, b) => b.ratio - a.ratio)[0]
  return {
    id: 'drying',
    says: worst
      ? said('table.drying', { coat: worst.coat, dryer: worst.dryer, ratio: worst.ratio })
      : said('table.noDrying'),
    columns: [
      { what: 'coat' },
      { what: 'dryer' },
      { what: 'visits', digits: 0 },
      { what: 'model', unit: 'min', digits: 0 },
      { what: 'taken', unit: 'min', digits: 0 },
      { what: 'ratio', unit: '×', digits: 2 },
    ],
    rows: groups.map((g) => [g.coat, g.dryer, g.visits, g.model, g.actual, g.ratio]),
  }
}

const mean = (values: readonly (number | null)[]) => {
  const known = values.filter((v): v is number => v !== null)
  return known.length === 0 ? null : known.reduce((a, b) => a + b, 0) / known.length
}

/** Product and cost per dog and visit. */
export function costTable(briefs: readonly Brief[], currency: string): Omit<LogTable, 'of'> {
  const groups = [...grouped(briefs, (b) => b.dogId)].map(([, list]) => ({
    dog: list[0]!.dog,
    visits: list.length,
    ml: sum(list, (b) => b.cost.productMl) / list.length,
    product: mean(list.map((b) => b.cost.product)),
    water: mean(list.map((b) => b.cost.water)),
    heat: mean(list.map((b) => b.cost.heat)),
    drying: mean(list.map((b) => b.cost.drying)),
    total: mean(list.map((b) => totalCost(b.cost))),
  }))
  groups.sort((a, b) => (b.total ?? b.ml) - (a.total ?? a.ml))
  const money = { unit: currency, digits: 2 }
  const first = groups[0]
  return {
    id: 'cost',
    says: !first
      ? said('table.noVisits')
      : first.total === null
        ? said('table.mostProduct', { name: first.dog, mL: first.ml })
        : said('table.mostCost', { name: first.dog, cost: first.total, currency }),
    columns: [
      { what: 'dog' },
      { what: 'visits', digits: 0 },
      { what: 'product', unit: 'mL', digits: 0 },
      { what: 'products', ...money },
      { what: 'water', ...money },
      { what: 'heat', ...money },
      { what: 'drying', ...money },
      { what: 'total', ...money },
    ],
    rows: groups.map((g) => [g.dog, g.visits, g.ml, g.product, g.water, g.heat, g.drying, g.total]),
  }
}

/** What was found, month by month: on the body, damp places, things that happened, and itchy or sore skin. */
export function findingsTable(briefs: readonly Brief[]): Omit<LogTable, 'of'> {
  const rows = [...grouped(byDate(briefs), (b) => b.date.slice(0, 7))].map(([month, list]) => [
    month,
    list.length,
    sum(list, (b) => b.found.length),
    sum(list, (b) => b.damp.length),
    sum(list, (b) => b.happened.length),
    list.filter((b) => b.skin.some((s) => s !== 'healthy')).length,
  ])
  const damp = sum(briefs, (b) => b.damp.length)
  return {
    id: 'findings',
    says:
      briefs.length === 0
        ? said('table.nothingFound')
        : said('table.findings', {
            damp,
            visits: briefs.length,
            happened: sum(briefs, (b) => b.happened.length),
          }),
    columns: [
      { what: 'month' },
      { what: 'visits', digits: 0 },
      { what: 'found', digits: 0 },
      { what: 'damp', digits: 0 },
      { what: 'happened', digits: 0 },
      { what: 'skin', unit: 'visits', digits: 0 },
    ],
    rows,
  }
}

const DAY_MS = 86_400_000

/** When each dog came again against when it was due: days, positive when it came later. */
export function intervalTable(briefs: readonly Brief[]): Omit<LogTable, 'of'> {
  const fewDays = TAUGHT.onTime.value
  const rows = [...grouped(byDate(briefs), (b) => b.dogId)].flatMap(([, list]) =>
    list.slice(1).map((b, i) => {
      const before = list[i]!
      const days = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS)
      return [
        b.date,
        b.dog,
        days(before.date, before.next),
        days(before.date, b.date),
        days(before.next, b.date),
      ] as const
    }),
  )
  rows.sort((a, b) => a[0].localeCompare(b[0]))
  const kept = rows.filter((r) => Math.abs(r[4]) <= fewDays).length
  return {
    id: 'interval',
    says:
      rows.length === 0
        ? said('table.nobodyTwice')
        : said('table.interval', {
            percent: percent(kept, rows.length),
            later: rows.filter((r) => r[4] > fewDays).length,
            of: rows.length,
          }),
    columns: [
      { what: 'date' },
      { what: 'dog' },
      { what: 'advised', unit: 'days', digits: 0 },
      { what: 'cameAfter', unit: 'days', digits: 0 },
      { what: 'laterBy', unit: 'days', digits: 0 },
    ],
    rows: rows.map((r) => [...r]),
  }
}

/** Every day's length from the first dog to the last: as planned and as it went. */
export function daysTable(briefs: readonly Brief[]): Omit<LogTable, 'of'> {
  const days = [...grouped(byDate(briefs), (b) => b.date)].map(([date, list]) => {
    const slots = list.flatMap((b) => (b.slot ? [b.slot] : []))
    const planned =
      slots.length === list.length ? Math.max(...slots.map((s) => s[1])) - Math.min(...slots.map((s) => s[0])) : null
    const actual = (Math.max(...list.map((b) => b.ended)) - Math.min(...list.map((b) => b.began))) / 60_000
    return { date, dogs: list.length, planned, actual }
  })
  const known = days.filter((d) => d.planned !== null)
  const over = known.length === 0 ? 0 : sum(known, (d) => d.actual - d.planned!) / known.length
  return {
    id: 'days',
    says: known.length === 0 ? said('table.noDays') : said('table.days', { over, days: known.length }),
    columns: [
      { what: 'date' },
      { what: 'dogs', digits: 0 },
      { what: 'planned', unit: 'min', digits: 0 },
      { what: 'taken', unit: 'min', digits: 0 },
    ],
    rows: days.map((d) => [d.date, d.dogs, d.planned, d.actual]),
  }
}

/** Tables whose rows stand in the order of time. */
const BY_TIME: ReadonlySet<TableName> = new Set(['predicted', 'interval', 'days'])

/** Digits of a number that a chart or a spreadsheet has a use for. */
const PLACES = 100
const short = (cell: string | number | null) => (typeof cell === 'number' ? Math.round(PLACES * cell) / PLACES : cell)

/** All tables of the logbook over some visits: what they say is over all; of their rows at most so many, the newest. */
export function logTables(briefs: readonly Brief[], currency: string, most = Infinity): LogTable[] {
  const all = [
    predictedTable(briefs),
    dryingTable(briefs),
    costTable(briefs, currency),
    findingsTable(briefs),
    intervalTable(briefs),
    daysTable(briefs),
  ]
  return all.map(({ rows, ...table }) => ({
    ...table,
    of: rows.length,
    rows: (BY_TIME.has(table.id) && rows.length > most ? rows.slice(-most) : rows).map((row) => row.map(short)),
  }))
}
