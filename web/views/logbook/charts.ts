import type { ChartConfiguration, ChartDataset } from 'chart.js'
import type { Column, LogTable } from '@core/logbook'
import { unitFor, type Quantity } from '@core/units'
import { COLUMN_NAMES, type Say } from '@words'
import type { Palette } from '../../ui/tokens'

const TEXT = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"
/** How many of the newest visits or days a chart draws; its table has them all. */
const MOST_DRAWN = 40

type Row = LogTable['rows'][number]
const numbers = (rows: readonly Row[], column: number, of?: Column, say?: Say) =>
  rows.map((r) => {
    if (r[column] === null) return null
    return of && say ? inColumnUnit(Number(r[column]), of, say) : Number(r[column])
  })
const texts = (rows: readonly Row[], column: number) => rows.map((r) => String(r[column]))

/** Units of the log's columns that a house may read otherwise. */
const READ_AS: Record<string, Quantity> = { mL: 'volume', L: 'bigVolume' }

/** The unit over a column, as the house reads it. */
export function columnUnit(unit: string, say: Say): string {
  const quantity = READ_AS[unit]
  return quantity ? unitFor(quantity, say.units).sign : unit
}
/** A number of a column in that unit. */
export function inColumnUnit(value: number, { unit = '' }: Pick<Column, 'unit'>, say: Say): number {
  const quantity = READ_AS[unit]
  return quantity ? unitFor(quantity, say.units).fromSI(value) : value
}

/** Axes, bars, dots and bands that every chart shares, in the colours of now. */
function pens(colours: Palette) {
  function frame(
    x: string,
    y: string,
    more: { horizontal?: boolean; stacked?: boolean } = {},
  ): ChartConfiguration['options'] {
    const axis = (title: string) => ({
      title: { display: title !== '', text: title, color: colours.ink2, font: { family: TEXT, size: 14 } },
      ticks: { color: colours.ink, font: { family: TEXT, size: 13 }, maxRotation: 0, autoSkipPadding: 12 },
      grid: { color: colours.rule2 },
      stacked: more.stacked ?? false,
    })
    return {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      indexAxis: more.horizontal ? 'y' : 'x',
      scales: { x: axis(x), y: axis(y) },
      plugins: {
        legend: {
          position: 'bottom',
          labels: { color: colours.ink, font: { family: TEXT, size: 14 }, usePointStyle: true },
        },
        tooltip: { titleFont: { family: TEXT }, bodyFont: { family: TEXT } },
      },
    }
  }

  const bars = (label: string, data: (number | null)[], i: number): ChartDataset => ({
    type: 'bar',
    label,
    data,
    backgroundColor: colours.series[i % colours.series.length]!.tint,
    borderColor: colours.series[i % colours.series.length]!.stroke,
    borderWidth: 1.5,
  })

  const dots = (label: string, data: (number | null)[], outside: (i: number) => boolean): ChartDataset => ({
    type: 'line',
    label,
    data,
    showLine: false,
    pointRadius: 4.5,
    pointStyle: data.map((_, i) => (outside(i) ? 'triangle' : 'circle')),
    pointBackgroundColor: data.map((_, i) => (outside(i) ? colours.stop : colours.ink)),
    borderColor: colours.ink,
    backgroundColor: colours.ink,
  })

  const band = (label: string, rows: readonly Row[], from: number, to: number, fill: string): ChartDataset => ({
    type: 'bar',
    label,
    data: rows.map((r): [number, number] => [Number(r[from]), Number(r[to])]),
    backgroundColor: fill,
    borderColor: colours.water,
    borderWidth: 1,
    grouped: false,
    barPercentage: label.startsWith('80') ? 0.9 : 0.5,
  })

  return { frame, bars, dots, band, colours }
}
type Pens = ReturnType<typeof pens>

type Drawing = (
  rows: readonly Row[],
  pen: Pens,
  say: Say,
  table: LogTable,
) => Pick<ChartConfiguration, 'data' | 'options'>

const DRAWINGS: Record<LogTable['id'], Drawing> = {
  predicted: (rows, { dots, band, frame, colours }, say) => ({
    data: {
      labels: rows.map((r) => `${say.date(String(r[0]), 'brief')} ${r[1]}`),
      datasets: [
        dots('Taken (triangle: outside the 80 % band)', numbers(rows, 7), (i) => {
          const [taken, from, to] = [7, 5, 6].map((c) => Number(rows[i]![c])) as [number, number, number]
          return taken < from || taken > to
        }),
        band('50 % band', rows, 3, 4, colours.ramp[4]),
        band('80 % band', rows, 5, 6, colours.waterPale),
      ],
    },
    options: frame('', 'minutes'),
  }),
  drying: (rows, { bars, frame }) => ({
    data: {
      labels: rows.map((r) => `${r[0]}, ${r[1]}`),
      datasets: [bars('Model', numbers(rows, 3), 1), bars('Taken', numbers(rows, 4), 0)],
    },
    options: frame('minutes a visit', '', { horizontal: true }),
  }),
  cost: (rows, { bars, frame }, say, { columns }) => {
    const priced = rows.some((r) => r[7] !== null)
    const parts = priced ? [3, 4, 5, 6] : [2]
    return {
      data: {
        labels: texts(rows, 0),
        datasets: parts.map((c, i) => bars(COLUMN_NAMES[columns[c]!.what], numbers(rows, c, columns[c], say), i)),
      },
      options: frame(`${priced ? (columns[7]!.unit ?? '') : columnUnit('mL', say)} a visit`, '', {
        horizontal: true,
        stacked: true,
      }),
    }
  },
  findings: (rows, { bars, frame }, _, { columns }) => ({
    data: {
      labels: texts(rows, 0),
      datasets: [2, 3, 4, 5].map((c, i) => bars(COLUMN_NAMES[columns[c]!.what], numbers(rows, c), i)),
    },
    options: frame('', 'how many'),
  }),
  interval: (rows, { bars, frame }, say) => ({
    data: {
      labels: rows.map((r) => `${say.date(String(r[0]), 'brief')} ${r[1]}`),
      datasets: [bars('Days later than advised (below the line: earlier)', numbers(rows, 4), 0)],
    },
    options: frame('', 'days'),
  }),
  money: (rows, { bars, frame }, say, { columns }) => ({
    data: {
      labels: rows.map((r) => say.date(`${r[0]}-01`, 'month')),
      datasets: [1, 2, 3].map((c, i) => bars(COLUMN_NAMES[columns[c]!.what], numbers(rows, c), i)),
    },
    options: frame('', columns[1]!.unit ?? ''),
  }),
  days: (rows, { bars, dots, frame }, say) => ({
    data: {
      labels: rows.map((r) => say.date(String(r[0]), 'brief')),
      datasets: [dots('Taken', numbers(rows, 3), () => false), bars('Planned', numbers(rows, 2), 1)],
    },
    options: frame('', 'minutes'),
  }),
}

const BY_DATE = new Set(['predicted', 'interval', 'days'])

/** How a table of the logbook is drawn: the newest rows where there are many. */
export function chartOf(table: LogTable, say: Say, colours: Palette): ChartConfiguration {
  const rows = BY_DATE.has(table.id) ? table.rows.slice(-MOST_DRAWN) : table.rows
  return { type: 'bar', ...DRAWINGS[table.id](rows, pens(colours), say, table) }
}
