import type { Content } from 'pdfmake/interfaces'
import type { BottleLabelQuery } from '@contract'
import { unitsOf, type House } from '@core/house'
import { parseLabel, type Product } from '@core/mix'
import { capital, KIND_NAMES, ratioWords, sayIn } from '@words'
import { points, type Paper, type Sheet } from './pdf'
import { runsOf } from './runs'

/** Labels on a sheet: columns and rows, mm of one, and mm from the edges of the paper. */
interface Grid extends Sheet {
  columns: number
  rows: number
  width: number
  height: number
}
/** Sheets as they are commonly sold, by how many labels they have, and a strip for receipt printers (common practice, no source). */
const GRIDS: Record<BottleLabelQuery['paper'], Grid> = {
  a4x24: {
    columns: 3,
    rows: 8,
    width: 70,
    height: 37,
    pageSize: { width: 210, height: 297 },
    pageMargins: [0, 0.5, 0, 0],
  },
  a4x14: {
    columns: 2,
    rows: 7,
    width: 99.1,
    height: 38.1,
    pageSize: { width: 210, height: 297 },
    pageMargins: [4.65, 15.1, 4.65, 0],
  },
  letterx10: {
    columns: 2,
    rows: 5,
    width: 101.6,
    height: 50.8,
    pageSize: { width: 215.9, height: 279.4 },
    pageMargins: [6.35, 12.7, 6.35, 0],
  },
  strip: {
    columns: 1,
    rows: 1,
    width: 72,
    height: 45,
    pageSize: { width: 80, height: 'auto' },
    pageMargins: [4, 4, 4, 6],
  },
}
/** mm between the edge of a label and what stands on it. */
const INSIDE = 3

/** One label: what is in the bottle and how strong both ways, when it was made and how long it is good, for whom, what to mind, and a code that opens the product. */
export function labelContent(
  id: string,
  product: Product,
  house: House,
  { made, dog, from }: BottleLabelQuery,
  size: Pick<Grid, 'width' | 'height'>,
): Content {
  const say = sayIn(unitsOf(house))
  const { name, kind, form, ratio, reading, pumpMl } = product
  const label = form === 'concentrate' && ratio !== '' ? parseLabel(ratio, { reading, pumpMl }) : undefined
  const thinned = label?.ok && label.water > 0 ? label.water : undefined
  const strength =
    thinned === undefined ? 'Undiluted' : `${ratioWords(thinned, say)} = ${say.number(100 / (1 + thinned), 1)} %`
  const lines = [
    `${capital(KIND_NAMES[kind])}. ${strength}`,
    thinned === undefined
      ? `Filled ${say.date(made, 'short')}.`
      : `Made ${say.date(made, 'short')}. Good that day only; the rest is thrown away.`,
    ...(product.expires ? [`Bottle good until ${say.date(product.expires, 'short')}.`] : []),
    ...(dog === '' ? [] : [`For ${dog}.`]),
    'Not into eyes or mouth. The product’s own label goes before this one.',
  ]
  const code = points(Math.min(18, size.height - 2 * INSIDE))
  return {
    columns: [
      {
        width: '*',
        stack: [
          { text: runsOf(name.slice(0, 60)), bold: true, fontSize: name.length > 26 ? 9 : 12, lineHeight: 1 },
          ...lines.map((text): Content => ({ text: runsOf(text), fontSize: 6.8, lineHeight: 1.05 })),
        ],
      },
      ...(from === undefined ? [] : [{ width: code, qr: new URL(`/shelf/${id}`, from).href, fit: code } as Content]),
    ],
    columnGap: points(2),
    margin: [points(INSIDE), points(INSIDE), points(INSIDE), 0],
  }
}

/** So many labels of one bottle on the chosen paper, beginning at a place of the sheet (those before it were used). */
export function bottleLabels(id: string, product: Product, house: House, query: BottleLabelQuery): Paper {
  const grid = GRIDS[query.paper]
  const one = () => labelContent(id, product, house, query, grid)
  const title = `Label: ${product.name}`
  if (query.paper === 'strip') return { title, content: Array.from({ length: query.count }, one), sheet: grid }
  const places = grid.columns * grid.rows
  const begin = Math.min(query.begin, places) - 1
  const cells: Content[] = [
    ...Array.from({ length: begin }, (): Content => ''),
    ...Array.from({ length: query.count }, one),
  ]
  while (cells.length % grid.columns !== 0) cells.push('')
  const body = Array.from({ length: cells.length / grid.columns }, (_, i) =>
    cells.slice(i * grid.columns, (i + 1) * grid.columns),
  )
  const table = {
    widths: Array.from({ length: grid.columns }, () => points(grid.width)),
    heights: points(grid.height),
    dontBreakRows: true,
    body,
  }
  return { title, content: [{ table, layout: 'labels' }], sheet: grid }
}
