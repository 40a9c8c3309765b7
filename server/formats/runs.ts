import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

const require = createRequire(import.meta.url)
const EMOJI = dirname(require.resolve('@fontsource/noto-emoji/package.json'))

/** A piece of text in one font. */
export interface Run {
  text: string
  font?: string
}

type Range = readonly [number, number]

function parseRanges(text: string): Range[] {
  return text.split(',').map((part): Range => {
    const [from, to] = part.trim().replace(/^U\+/i, '').split('-')
    return [parseInt(from!, 16), parseInt(to ?? from!, 16)]
  })
}

const SUBSETS = Object.entries(
  JSON.parse(readFileSync(join(EMOJI, 'unicode.json'), 'utf8')) as Record<string, string>,
).map(([name, ranges]) => ({
  font: `Emoji ${name.replace(/[[\]]/g, '')}`,
  file: name.replace(/[[\]]/g, ''),
  ranges: parseRanges(ranges),
}))

/** Fonts for signs that the text face lacks, by name, as files that come with a package. */
export const EMOJI_FONTS = Object.fromEntries(
  SUBSETS.map(({ font, file }) => {
    const normal = join(EMOJI, 'files', `noto-emoji-${file}-400-normal.woff`)
    return [font, { normal, bold: normal }]
  }),
)

/** Signs that only change or join others; each sign is drawn by itself. */
const JOINERS = /[\u200d\ufe0e\ufe0f\u{1f3fb}-\u{1f3ff}]/gu

/** What the text face draws: Latin with its accents, Greek, Cyrillic, punctuation, currency, a few signs. */
const TEXT =
  /[\u0009\u000a\u0020-\u024f\u02c6\u02dc\u0370-\u03ff\u0400-\u04ff\u1e00-\u1fff\u2010-\u2026\u2030\u2039\u203a\u20ac\u2122\u2212\u00b2]/u

/** Cuts a text into runs that can be drawn: signs go to the font that has them, what none has becomes □. */
export function runsOf(text: string): Run[] {
  const runs: Run[] = []
  for (const sign of text.normalize('NFC').replace(JOINERS, '')) {
    const code = sign.codePointAt(0)!
    const font = TEXT.test(sign)
      ? undefined
      : SUBSETS.find((s) => s.ranges.some(([from, to]) => code >= from && code <= to))?.font
    const drawn = font || TEXT.test(sign) ? sign : '?'
    const last = runs[runs.length - 1]
    if (last && last.font === font) last.text += drawn
    else runs.push(font ? { text: drawn, font } : { text: drawn })
  }
  return runs
}
