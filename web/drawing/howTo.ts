import type { HowTo } from '@core/tubside'
import type { BodyPlaces, Point } from './body'

/** A hand: where its palm ends, which way it points (degrees, 0: to the left), its size, and whether it is mirrored. */
export interface Hand {
  at: Point
  turn: number
  size: number
  flipped?: boolean
  /** What it holds. */
  holds?: 'cloth' | 'cotton'
}

/** A drawing of what hands do: the part of the body that is shown, and what is drawn over it. */
export interface HowToDrawing {
  box: readonly [number, number, number, number]
  /** The body turned about its neck, degrees: nose down or chin up. */
  turn?: number
  hands: Hand[]
  /** Ways of water, as lines with an arrow at their end; of air; and of hands or legs. */
  water: string[]
  air: string[]
  moves: string[]
  /** Lather: a ring, filled. */
  lather: string[]
  /** Without a body: a lock of hair with its comb. */
  lock?: 'ends' | 'mat'
}

/** What of the ears' work is drawn. */
export type EarDrawing = 'massageEar' | 'wipeEar' | 'lookEar'

/** An open hand that points to the left, its fingertips at 0 0, its wrist at 44 18. */
export const HAND =
  'M46 8L26 5Q12 2 4 4Q0 6 4 9L20 11Q8 10 2 12Q-1 15 3 17L20 17Q8 18 4 20Q2 23 6 24L22 23Q12 25 11 27Q11 30 16 30L28 29Q34 32 46 30Z'
/** Its thumb, above. */
export const THUMB = 'M30 6Q24 -6 17 -6Q12 -4 16 1L24 8'

const n = (value: number) => Math.round(value * 10) / 10
const arc = (from: Point, over: Point, to: Point) =>
  `M${n(from[0])} ${n(from[1])}Q${n(over[0])} ${n(over[1])} ${n(to[0])} ${n(to[1])}`

/** The drawing of one thing that hands do on a body; undefined where words say it better. */
export function drawHowTo(what: HowTo | EarDrawing, places: BodyPlaces): HowToDrawing | undefined {
  const { at, r, nose } = places.head
  const [x, y] = at
  const nothing = { hands: [], water: [], air: [], moves: [], lather: [] }
  const box = [nose - r * 0.9, y - r * 2.5, x - nose + r * 3.9, r * 5] as const
  const head = { ...nothing, box }
  const size = r / 22
  const backwards = [
    arc([x - r * 0.7, y - r * 2.2], [x + r * 0.2, y - r * 1.9], [x + r * 1.5, y - r * 1.1]),
    arc([x - r * 0.2, y - r * 2.4], [x + r * 0.8, y - r * 2.2], [x + r * 2, y - r * 1.3]),
  ]
  const onEar: Hand = { at: [x + r * 0.1, y - r * 1.15], turn: -20, size, flipped: false }
  const muzzle: Hand = { at: [(nose + x) / 2 - r * 0.25, y + r * 0.35], turn: 70, size: size * 0.9 }
  const brow: Hand = { at: [x - r * 0.75, y - r * 0.7], turn: -12, size: size * 0.95 }
  const cheek = (holds: Hand['holds']): Hand => ({ at: [x - r * 0.5, y + r * 0.25], turn: 35, size, holds })
  switch (what) {
    case 'earsShut':
      return { ...head, hands: [onEar], water: backwards }
    case 'flapShut':
      return { ...head, hands: [onEar], air: [arc([x + r * 2.6, y + r], [x + r * 2, y], [x + r * 1.1, y - r * 0.1])] }
    case 'noseDown':
      return {
        ...head,
        box: [box[0], y - r * 2.2, box[2], r * 5.4],
        turn: -24,
        hands: [muzzle],
        water: backwards,
      }
    case 'chinUp':
      return {
        ...head,
        turn: 22,
        hands: [muzzle],
        water: [arc([x, y - r * 2.2], [x + r * 0.8, y - r * 1.9], [x + r * 2, y - r * 0.6])],
      }
    case 'muzzleShut':
      return { ...head, hands: [muzzle] }
    case 'shieldEyes':
      return { ...head, hands: [brow], water: backwards.slice(0, 1) }
    case 'coverEye':
      return {
        ...head,
        hands: [brow],
        air: [arc([x + r * 2.6, y - r * 1.6], [x + r * 1.6, y - r * 1.4], [x + r * 0.9, y - r * 0.7])],
      }
    case 'clothFace':
      return { ...head, hands: [cheek('cloth')] }
    case 'foldsDried':
      return { ...head, hands: [{ ...cheek('cloth'), at: [nose + r * 0.7, y - r * 0.2] }] }
    case 'eyeCrusts':
      return { ...head, hands: [{ ...cheek('cotton'), at: [x - r * 0.75, y - r * 0.1] }] }
    case 'eyeCorners':
      return { ...head, hands: [{ ...cheek(undefined), at: [x - r * 0.72, y - r * 0.05], turn: 40, size: size * 0.7 }] }
    case 'earTips':
    case 'lookEar':
      return { ...head, hands: [{ ...onEar, at: [x + r * 0.35, y - r * 0.6], turn: -40 }] }
    case 'massageEar':
      return {
        ...head,
        hands: [{ at: [x + r * 0.25, y + r * 0.75], turn: 62, size: size * 0.9 }],
        moves: [
          `M${n(x + r * 0.9)} ${n(y + r * 0.5)}a${n(r * 0.5)} ${n(r * 0.5)} 0 1 0 ${n(-r * 0.5)} ${n(-r * 0.75)}`,
        ],
      }
    case 'wipeEar':
      return { ...head, hands: [{ at: [x + r * 0.4, y - r * 0.35], turn: -30, size, holds: 'cotton' }] }
    case 'underChest': {
      const [cx, cy] = places.chest
      const [tx, ty] = places.thigh
      return {
        ...nothing,
        box: [20, 20, 370, 250],
        hands: [
          { at: [cx + 12, cy - 8], turn: 90, size: 1.6 },
          { at: [tx - 6, ty - 14], turn: 0, size: 1.7 },
        ],
      }
    }
    case 'legsForeAndBack': {
      const { x: lx, elbow } = places.foreleg
      const foot = 236
      return {
        ...nothing,
        box: [lx - 110, elbow - 60, 220, 170],
        hands: [{ at: [lx - 8, foot - 14], turn: 0, size: 1.3 }],
        moves: [
          arc([lx - 22, foot - 40], [lx - 60, foot - 36], [lx - 88, foot - 62]),
          arc([lx + 26, foot - 40], [lx + 60, foot - 36], [lx + 88, foot - 62]),
        ],
      }
    }
    case 'neckRing':
    case 'rinseFromRing': {
      const [nx, ny] = places.neck
      const [bx, by] = places.back
      const ring = `M${n(nx - 34)} ${n(ny - 34)}q22 -14 38 2q-4 34 -28 62q-22 2 -34 -12q6 -30 24 -52Z`
      return {
        ...nothing,
        box: [20, 20, 370, 250],
        lather: [ring],
        [what === 'neckRing' ? 'moves' : 'water']: [
          arc([nx + 26, ny - 26], [bx - 30, by - 40], [bx + 60, by - 22]),
          arc([nx + 22, ny + 46], [bx - 20, by + 60], [bx + 40, by + 60]),
        ],
      }
    }
    case 'fromTheEnds':
      return { ...nothing, box: [0, 0, 150, 110], lock: 'ends' }
    case 'holdMatRoot':
      return { ...nothing, box: [0, 0, 150, 110], lock: 'mat', hands: [{ at: [44, 22], turn: 0, size: 1.4 }] }
    default:
      return undefined
  }
}
