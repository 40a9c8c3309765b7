import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { DARK, LIGHT, styleProperties, type Palette } from './tokens'

/** Contrast of two colours, 1 to 21: WCAG 2.2, relative luminance. */
function contrast(one: string, other: string): number {
  const luminance = (hex: string) => {
    const [r, g, b] = [1, 3, 5].map((at) => {
      const c = parseInt(hex.slice(at, at + 2), 16) / 255
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
    }) as [number, number, number]
    return 0.2126 * r + 0.7152 * g + 0.0722 * b
  }
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

test('black on white is 21 to 1, a colour on itself 1 to 1 (WCAG 2.2)', () => {
  expect(contrast('#ffffff', '#000000')).toBeCloseTo(21, 5)
  expect(contrast('#14646f', '#14646f')).toBe(1)
})

describe.each<[string, Palette]>([
  ['light', LIGHT],
  ['dark', DARK],
])('%s', (_, p) => {
  test.each(['ink', 'ink2', 'rim', 'water', 'volt', 'noise', 'ok', 'watch', 'stop'] as const)(
    '%s can be read on the page, on enamel and on its own tint',
    (name) => {
      const grounds = [p.ground, p.enamel]
      const tint = `${name}Tint`
      if (tint in p) grounds.push(p[tint as 'rimTint'])
      for (const ground of grounds) expect(contrast(p[name], ground)).toBeGreaterThanOrEqual(4.5)
    },
  )
  test('text on what can be done, and edges of fields', () => {
    expect(contrast(p.onRim, p.rim)).toBeGreaterThanOrEqual(4.5)
    expect(contrast(p.edge, p.enamel)).toBeGreaterThanOrEqual(3)
    expect(contrast(p.ink, p.rimTint)).toBeGreaterThanOrEqual(4.5)
  })
  test('every dog’s name on its own tint, on enamel and on the page', () => {
    for (const { stroke, tint } of p.dogs)
      for (const ground of [tint, p.enamel, p.ground]) expect(contrast(stroke, ground)).toBeGreaterThanOrEqual(4.5)
  })
  test('on every coat the outline of a body is seen, its hairs too, and what is pinned or written there read', () => {
    for (const [name, { stroke, tint }] of Object.entries(p.shades)) {
      expect([name, contrast(p.ink, tint) >= 4.5]).toEqual([name, true])
      expect([name, contrast(stroke, tint) >= 2.5]).toEqual([name, true])
    }
  })
  test('zones stay readable from little to much', () => {
    for (const ground of p.ramp) expect(contrast(p.ink, ground)).toBeGreaterThanOrEqual(4.5)
  })
})

test('both palettes name the same properties, each a colour', () => {
  const [light, dark] = [styleProperties(LIGHT), styleProperties(DARK)]
  expect(Object.keys(dark)).toEqual(Object.keys(light))
  expect(Object.keys(light)).toEqual(
    expect.arrayContaining(['--ink', '--ink2', '--rule2', '--rim-tint', '--ramp-0', '--dog-7', '--dog-7-tint']),
  )
  for (const colour of [...Object.values(light), ...Object.values(dark)]) expect(colour).toMatch(/^#[0-9a-f]{6}$/)
})

test('no view has a colour of its own: they all come from here', () => {
  const web = join(import.meta.dirname, '..')
  const files = readdirSync(web, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(vue|css|ts)$/.test(name) && !/\.test\.ts$/.test(name))
    .filter((name) => !/^(ui|drawing)[\\/]/.test(name))
  const coloured = files.filter((name) =>
    /#[0-9a-f]{6}\b|#[0-9a-f]{3}\b(?=['";])/i.test(readFileSync(join(web, name), 'utf8')),
  )
  expect(files.length).toBeGreaterThan(80)
  expect(coloured.map((name) => relative(web, join(web, name)))).toEqual([])
})

test('no style asks for a property that nobody gives', () => {
  const root = join(import.meta.dirname, '..')
  const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((f) => /\.(vue|css|ts)$/.test(f))
  const texts = files.map((f) => readFileSync(join(root, f), 'utf8'))
  const here = texts.flatMap((text) => [...text.matchAll(/(--[\w-]+)['"]?\]?\s*:/g)].map((m) => m[1]!))
  const given = new Set([...Object.keys(styleProperties(LIGHT)), ...here])
  const asked = texts.flatMap((text) => [...text.matchAll(/var\((--[\w-]+)\)/g)].map((m) => m[1]!))
  expect(asked.length).toBeGreaterThan(100)
  expect([...new Set(asked)].filter((name) => !given.has(name))).toEqual([])
})
