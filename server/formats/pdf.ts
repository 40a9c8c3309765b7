import { createRequire } from 'node:module'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { EMOJI_FONTS, runsOf } from './runs'

const require = createRequire(import.meta.url)
/** The printer of papers, read when the first paper is asked for: it is large, and a start shouldn't wait for it. */
const printer = (() => {
  type Printer = {
    createPdfKitDocument(
      definition: TDocumentDefinitions,
      options: { tableLayouts: Record<string, object> },
    ): NodeJS.ReadableStream & { end(): void }
  }
  let made: Printer | undefined
  return (): Printer => {
    if (made) return made
    const Printer = require('pdfmake') as new (fonts: object) => Printer
    const vfs = require('pdfmake/build/vfs_fonts.js') as Record<string, string>
    const face = (file: string) => Buffer.from(vfs[file]!, 'base64')
    made = new Printer({
      Roboto: {
        normal: face('Roboto-Regular.ttf'),
        bold: face('Roboto-Medium.ttf'),
        italics: face('Roboto-Italic.ttf'),
      },
      ...EMOJI_FONTS,
    })
    return made
  }
})()

/** Points of the printer in so many millimetres. */
export const points = (mm: number): number => (mm / 25.4) * 72
const heightOf = ({ pageSize: { height } }: Sheet) => (height === 'auto' ? height : points(height))

/** Text that may hold any sign a person types. */
export function said(text: string): Content {
  return { text: runsOf(text) }
}

/** A heading and its lines; nothing when there are no lines. */
export function section(title: string, lines: readonly string[]): Content[] {
  if (lines.length === 0) return []
  return [
    { text: title, style: 'section' },
    { ul: lines.map(said), margin: [0, 0, 0, 4] },
  ]
}

/** The same with short lines, in two columns. */
export function sectionInTwo(title: string, lines: readonly string[]): Content[] {
  if (lines.length === 0) return []
  const half = Math.ceil(lines.length / 2)
  const column = (some: readonly string[]): Content => (some.length > 0 ? { ul: some.map(said) } : '')
  return [
    { text: title, style: 'section' },
    { columns: [column(lines.slice(0, half)), column(lines.slice(half))], columnGap: 16, margin: [0, 0, 0, 4] },
  ]
}

/** A page of its own size, mm, with its margins, without a footer. */
export interface Sheet {
  pageSize: { width: number; height: number | 'auto' }
  pageMargins: [number, number, number, number]
}

/** A paper as plain data: what stands on it, on A4 or, with `sheet`, on pages of that size. */
export interface Paper {
  title: string
  content: Content[]
  sheet?: Sheet
}

/** Tables of labels: nothing but their cells. */
const LABELS = {
  hLineWidth: () => 0,
  vLineWidth: () => 0,
  paddingLeft: () => 0,
  paddingRight: () => 0,
  paddingTop: () => 0,
  paddingBottom: () => 0,
}

/** A paper as a PDF. */
export function renderPdf({ title, content, sheet }: Paper): Promise<Buffer> {
  const definition: TDocumentDefinitions = {
    info: { title, creator: 'Juvant', producer: 'Juvant' },
    pageSize: 'A4',
    pageMargins: [54, 54, 54, 60],
    defaultStyle: { font: 'Roboto', fontSize: 11, lineHeight: 1.25, color: '#13242B' },
    styles: {
      title: { fontSize: 20, bold: true, color: '#1F3F94' },
      section: { fontSize: 12.5, bold: true, margin: [0, 12, 0, 3] },
      small: { fontSize: 9, color: '#43555C' },
    },
    footer: (page, pages) => ({
      text: `${page} of ${pages}`,
      alignment: 'center',
      style: 'small',
      margin: [0, 20, 0, 0],
    }),
    ...(sheet
      ? {
          pageSize: { width: points(sheet.pageSize.width), height: heightOf(sheet) },
          pageMargins: sheet.pageMargins.map(points) as [number, number, number, number],
          footer: undefined,
        }
      : {}),
    content,
  }
  const document = printer().createPdfKitDocument(definition, { tableLayouts: { labels: LABELS } })
  return new Promise((resolve, reject) => {
    const parts: Buffer[] = []
    document.on('data', (part: Buffer) => parts.push(part))
    document.on('end', () => resolve(Buffer.concat(parts)))
    document.on('error', reject)
    document.end()
  })
}
