import type { CoatType } from '@core/dog'
import { seeded } from './random'

/** One drawn path with its stroke width and opacity. */
export interface Stroke {
  d: string
  width: number
  opacity: number
}

/** The area to fill, the seed, a scale that grows with length, and how close the hairs stand. */
export interface CoatArea {
  width: number
  height: number
  seed: number
  scale?: number
  density?: number
}

const n = (value: number) => value.toFixed(1).replace(/\.0$/, '')

type Draw = (area: Required<CoatArea>, random: () => number) => Stroke[]

const smooth: Draw = ({ width, height, scale: k, density }, random) => {
  let d = ''
  const [sx, sy] = [(8 * k) / density, (5.2 * k) / density]
  for (let y = sy * 0.6, row = 0; y < height; y += sy, row++) {
    for (let x = -sx + ((row % 2) * sx) / 2; x < width; x += sx) {
      d += `M${n(x)} ${n(y + (random() - 0.5) * k)}l${n(4.6 * k * (0.8 + random() * 0.4))} ${n(-0.55 * k)}`
    }
  }
  return [{ d, width: 1.25 * k, opacity: 1 }]
}

const double: Draw = ({ width, height, scale: k, density }, random) => {
  let under = ''
  let guard = ''
  const s = (4.2 * k) / density
  for (let y = 0; y < height + s; y += s) {
    for (let x = 0; x < width + s; x += s * 0.8) {
      const angle = 1.2 + (random() - 0.5) * 0.9
      under += `M${n(x + random() * s)} ${n(y + random() * s)}l${n(Math.cos(angle) * 3.2 * k)} ${n(Math.sin(angle) * 3.2 * k)}`
    }
  }
  const S = (8.5 * k) / density
  for (let y = -S, row = 0; y < height; y += S, row++) {
    for (let x = (row % 2) * S * 0.45; x < width + S; x += S * 0.9) {
      const l = 11 * k * (0.8 + random() * 0.4)
      guard += `M${n(x + (random() - 0.5) * 2 * k)} ${n(y + (random() - 0.5) * 3 * k)}q${n(1.2 * k)} ${n(l / 2)} ${n(-2.4 * k)} ${n(l)}`
    }
  }
  return [
    { d: under, width: 0.8 * k, opacity: 0.5 },
    { d: guard, width: 1.7 * k, opacity: 1 },
  ]
}

const curly: Draw = ({ width, height, scale: k, density }, random) => {
  let d = ''
  const R = 3.1 * k
  const [sx, sy] = [(R * 2.5) / density, (R * 2.45) / density]
  for (let y = R * 0.7, row = 0; y < height + R; y += sy, row++) {
    for (let x = ((row % 2) * sx) / 2; x < width + R; x += sx) {
      const [cx, cy, turn] = [x + (random() - 0.5) * k * 1.3, y + (random() - 0.5) * k * 1.3, random() * 6.28]
      for (let i = 0; i <= 14; i++) {
        const [angle, r] = [turn + i * 0.58, R * (1 - i / 19)]
        d += `${i ? 'L' : 'M'}${n(cx + Math.cos(angle) * r)} ${n(cy + Math.sin(angle) * r)}`
      }
    }
  }
  return [{ d, width: 1.15 * k, opacity: 1 }]
}

const drop: Draw = ({ width, height, scale: k, density }, random) => {
  let fine = ''
  let bold = ''
  const s = (3.6 * k) / density
  for (let x = -3 * k, i = 0; x < width + 3 * k; x += s, i++) {
    const [swing, phase] = [3 * k * (0.7 + random() * 0.5), i * 0.34 + random() * 0.5]
    let line = ''
    for (let y = -2; y <= height + 4; y += 4 * k)
      line += `${line ? 'L' : 'M'}${n(x + Math.sin(y / (9 * k) + phase) * swing)} ${n(y)}`
    if (i % 3 === 0) bold += line
    else fine += line
  }
  return [
    { d: fine, width: 0.9 * k, opacity: 0.75 },
    { d: bold, width: 1.6 * k, opacity: 1 },
  ]
}

/** Short on the upper half, long below: furnishings. */
const feathered: Draw = (area, random) => {
  const half = area.height * 0.45
  const below = drop({ ...area, height: area.height - half }, random)
  const shifted = below.map((s) => ({
    ...s,
    d: s.d.replace(
      /([ML])(\S+) (\S+?)(?=[ML]|$)/g,
      (_, c: string, x: string, y: string) => `${c}${x} ${n(Number(y) + half)}`,
    ),
  }))
  return [...smooth({ ...area, height: half }, random), ...shifted]
}

const wire: Draw = ({ width, height, scale: k, density }, random) => {
  let d = ''
  const count = ((width * height) / (26 * k * k)) * density
  for (let i = 0; i < count; i++) {
    const angle = (random() < 0.5 ? -0.75 : 0.75) + (random() - 0.5) * 0.5
    const l = 8 * k * (0.7 + random() * 0.5)
    d += `M${n(random() * (width + 8) - 4)} ${n(random() * (height + 8) - 4)}l${n(Math.cos(angle) * l)} ${n(Math.sin(angle) * l)}`
  }
  return [{ d, width: 1.15 * k, opacity: 1 }]
}

const corded: Draw = ({ width, height, scale: k }, random) => {
  let d = ''
  const s = 8 * k
  for (let x = s * 0.4; x < width + s; x += s) {
    d += `M${n(x)} -2`
    for (let y = 0; y < height; y += 6 * k) d += `q${n((random() - 0.5) * 3 * k)} ${n(3 * k)} 0 ${n(6 * k)}`
  }
  return [{ d, width: 5.2 * k, opacity: 0.9 }]
}

const hairless: Draw = ({ width, height, scale: k }) => {
  let d = ''
  const s = 8 * k
  for (let y = s / 2, row = 0; y < height; y += s * 0.86, row++) {
    for (let x = row % 2 ? s : s / 2; x < width; x += s) d += `M${n(x)} ${n(y)}h.01`
  }
  return [{ d, width: 1.7 * k, opacity: 1 }]
}

const DRAW: Record<CoatType, Draw> = {
  smooth,
  'short double': (area, random) => double({ ...area, scale: area.scale * 0.75 }, random),
  'long double': double,
  wire,
  curly,
  drop,
  feathered,
  corded,
  hairless,
}

/** The strokes that fill an area with a coat; the same seed draws the same hair. */
export function coatStrokes(coat: CoatType, area: CoatArea): Stroke[] {
  const whole = { scale: 1, density: 1, ...area }
  return DRAW[coat](whole, seeded(whole.seed * 977 + whole.width * 3 + whole.height))
}

/** The line of the skin under the coat: zigzag itchy, humps folds, dashed thin, plain calm. */
export function skinLine(
  kind: 'calm' | 'thin' | 'itchy' | 'folds',
  width: number,
  y: number,
): { d: string; width: number; dash?: string } {
  if (kind === 'itchy') return { d: `M0 ${y}${'l2.5 -3.6l2.5 3.6'.repeat(Math.ceil(width / 5))}`, width: 1.6 }
  if (kind === 'folds') return { d: `M0 ${y - 1}${'q4.5 -7 9 0'.repeat(Math.ceil(width / 9))}`, width: 1.8 }
  if (kind === 'thin') return { d: `M0 ${y - 1.5}H${width}`, width: 1.4, dash: '3 2.4' }
  return { d: `M0 ${y - 1.5}H${width}`, width: 2.4 }
}
