import { shallowReactive, toRaw } from 'vue'
import { coatStrokes } from '../../drawing/coat'
import { pairAt } from '../../drawing/colours'
import { seedOf } from '../../drawing/random'
import { useTheme } from '../../ui/theme'
import type { Path } from './clock'

/** The piece of coat that fills a dog's ribbons, px. */
export const TILE = { width: 240, height: 52 }
const SHARPNESS = 2
/** Pictures by dog, coat, colour and theme; empty while one is being drawn. */
const tiles = shallowReactive(new Map<string, string>())

type Coated = Pick<Path, 'seatId' | 'coat' | 'colour'>
type Pair = { stroke: string; tint: string }

/** Draws a piece of coat; undefined where nothing can be drawn. */
function drawTile(path: Coated, { stroke, tint }: Pair): HTMLCanvasElement | undefined {
  const canvas = document.createElement('canvas')
  canvas.width = TILE.width * SHARPNESS
  canvas.height = TILE.height * SHARPNESS
  const pen = canvas.getContext('2d')
  if (!pen) return undefined
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
  return canvas
}

/**
 * A piece of the dog's coat as a picture's address: drawn once, so that moving ribbons is cheap, and after the
 * ribbons stand, so that they needn't wait for it. Undefined until then.
 */
export function coatTile(path: Coated): string | undefined {
  const { dark, palette } = useTheme()
  const key = `${path.seatId} ${path.coat} ${path.colour} ${dark.value}`
  const known = tiles.get(key)
  if (known === undefined) {
    const pair = palette.value.dogs[pairAt(path.colour)]!
    // told of by the picture alone: nothing that is being shown now is to be shown again
    toRaw(tiles).set(key, '')
    requestAnimationFrame(() =>
      setTimeout(() =>
        drawTile(path, pair)?.toBlob((picture) => picture && tiles.set(key, URL.createObjectURL(picture))),
      ),
    )
  }
  return known || undefined
}
