import { coatStrokes } from '../../drawing/coat'
import { pairAt } from '../../drawing/colours'
import { seedOf } from '../../drawing/random'
import { useTheme } from '../../ui/theme'
import type { Path } from './clock'

/** The piece of coat that fills a dog's ribbons, px. */
export const TILE = { width: 240, height: 52 }
const SHARPNESS = 2
const tiles = new Map<string, string>()

/** A piece of the dog's coat as a picture's address: drawn once, so that moving ribbons is cheap. */
export function coatTile(path: Pick<Path, 'seatId' | 'coat' | 'colour'>): string {
  const { dark, palette } = useTheme()
  const key = `${path.seatId} ${path.coat} ${path.colour} ${dark.value}`
  const known = tiles.get(key)
  if (known) return known
  const canvas = document.createElement('canvas')
  canvas.width = TILE.width * SHARPNESS
  canvas.height = TILE.height * SHARPNESS
  const pen = canvas.getContext('2d')
  if (!pen) return ''
  const { stroke, tint } = palette.value.dogs[pairAt(path.colour)]!
  pen.scale(SHARPNESS, SHARPNESS)
  pen.fillStyle = tint
  pen.fillRect(0, 0, TILE.width, TILE.height)
  pen.strokeStyle = stroke
  pen.lineCap = 'round'
  const coat = path.coat === 'feathered' ? 'drop' : path.coat
  const area = { ...TILE, seed: seedOf(path.seatId) % 997, scale: 0.92 }
  for (const { d, width, opacity } of coatStrokes(coat, area)) {
    pen.lineWidth = width
    pen.globalAlpha = opacity
    pen.stroke(new Path2D(d))
  }
  const url = canvas.toDataURL()
  tiles.set(key, url)
  return url
}
