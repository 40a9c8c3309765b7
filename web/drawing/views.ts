import type { BodyView } from '@core/dog'
import {
  BUILDS,
  drawBody,
  ear,
  smooth,
  type BodyFacts,
  type BodyPlaces,
  type Hang,
  type Point,
  type ZoneShape,
} from './body'

/** One side of a body: shapes behind it, its zones from back to front, and small marks. 400 wide, 270 high. */
export interface SideDrawing {
  far: string[]
  zones: ZoneShape[]
  marks: string[]
  /** Strokes without fill: the mouth. */
  lines: string[]
  eyes: Point[]
  /** Wrinkles, and where hair hangs off, for the sides that show them. */
  folds?: string[]
  hangs?: Hang[]
  places?: BodyPlaces
  /** The right side is the left one mirrored. */
  mirrored: boolean
}

const MIDDLE = 200

/** A shape and its mirror image about the middle line. */
function both(points: readonly Point[], tension?: number): string[] {
  return [
    smooth(points, tension),
    smooth(
      points.map(([x, y]): Point => [2 * MIDDLE - x, y]),
      tension,
    ),
  ]
}

/** From the front: the dog's left is on the right of the picture. */
function drawFront({ build, earCarriage, muzzle: nose, puppy = false }: BodyFacts): SideDrawing {
  const p = BUILDS[build]
  const r = p.head * (puppy ? 1.3 : 1.12)
  const headY = 58 + r * 0.4
  const chestY = headY + r * 1.25
  const elbow = 262 - p.leg * (puppy ? 0.8 : 1) * 0.86
  const half = p.depth * 0.46
  const leg = (side: number): Point[] => [
    [MIDDLE + side * (half * 0.9), elbow - 34],
    [MIDDLE + side * (half * 0.95), elbow + 20],
    [MIDDLE + side * (half * 0.8), 246],
    [MIDDLE + side * (half * 0.8 - p.bone * 1.7), 246],
    [MIDDLE + side * (half * 0.62 - p.bone), elbow + 18],
    [MIDDLE + side * (half * 0.3), elbow - 20],
  ]
  const paw = (side: number): Point[] => [
    [MIDDLE + side * (half * 0.8 + 5), 244],
    [MIDDLE + side * (half * 0.8 + 7), 262],
    [MIDDLE + side * (half * 0.8 - p.bone * 1.9), 262],
    [MIDDLE + side * (half * 0.8 - p.bone * 1.8), 244],
  ]
  const flap = ear(earCarriage, MIDDLE + r * 0.62, headY - r * 0.35, r * 0.92)
  const mirrorFlap = earCarriage === 'erect' ? ear(earCarriage, MIDDLE - r * 0.72, headY - r * 0.35, r * 0.92) : ''
  const drop: Point[] = [
    [MIDDLE - r * 0.62, headY - r * 0.72],
    [MIDDLE - r * 1.16, headY - r * 0.4],
    [MIDDLE - r * 1.25, headY + r * (earCarriage === 'drop' ? 0.7 : 0.1)],
    [MIDDLE - r * 0.9, headY + r * (earCarriage === 'drop' ? 0.95 : 0.25)],
    [MIDDLE - r * 0.72, headY],
  ]
  const ears = earCarriage === 'erect' ? [flap, mirrorFlap] : both(drop)
  const muzzle = nose === 'short' ? 0.3 : 0.44
  return {
    lines: [],
    far: [],
    mirrored: false,
    zones: [
      {
        zone: 'neck',
        paths: [
          smooth([
            [MIDDLE - r * 0.7, headY + r * 0.5],
            [MIDDLE + r * 0.7, headY + r * 0.5],
            [MIDDLE + half, chestY + 26],
            [MIDDLE + half * 0.86, elbow + 4],
            [MIDDLE, elbow + 22],
            [MIDDLE - half * 0.86, elbow + 4],
            [MIDDLE - half, chestY + 26],
          ]),
        ],
        spot: [MIDDLE, chestY + 24],
      },
      { zone: 'forelegs', paths: [smooth(leg(-1)), smooth(leg(1))], spot: [MIDDLE + half * 0.7, elbow + 30] },
      { zone: 'feet', paths: [smooth(paw(-1), 12), smooth(paw(1), 12)], spot: [MIDDLE + half * 0.66, 255] },
      {
        zone: 'ears',
        paths: ears,
        spot: earCarriage === 'erect' ? [MIDDLE + r * 0.7, headY - r * 1.1] : [MIDDLE + r, headY + r * 0.1],
      },
      {
        zone: 'head',
        paths: [
          smooth([
            [MIDDLE, headY - r],
            [MIDDLE + r * 0.8, headY - r * 0.5],
            [MIDDLE + r * 0.72, headY + r * 0.25],
            [MIDDLE + r * muzzle, headY + r * 0.95],
            [MIDDLE, headY + r * 1.1],
            [MIDDLE - r * muzzle, headY + r * 0.95],
            [MIDDLE - r * 0.72, headY + r * 0.25],
            [MIDDLE - r * 0.8, headY - r * 0.5],
          ]),
        ],
        spot: [MIDDLE, headY - r * 0.4],
      },
    ],
    eyes: [
      [MIDDLE - r * 0.32, headY - r * 0.05],
      [MIDDLE + r * 0.32, headY - r * 0.05],
    ],
    marks: [
      smooth(
        [
          [MIDDLE - r * 0.2, headY + r * 0.5],
          [MIDDLE + r * 0.2, headY + r * 0.5],
          [MIDDLE + r * 0.1, headY + r * 0.72],
          [MIDDLE - r * 0.1, headY + r * 0.72],
        ],
        8,
      ),
    ],
  }
}

/** From the skull's middle to the tip of the nose, in radii of the head. */
const TOP_NOSE: Record<BodyFacts['muzzle'], number> = { short: 0.95, middle: 1.7, long: 2 }

/** From above, the head to the left like the side it stands beside: the dog's left is at the bottom. */
function drawTop({ build, muzzle, puppy = false }: BodyFacts): SideDrawing {
  const p = BUILDS[build]
  const r = p.head * (puppy ? 1.15 : 1)
  const y = 140
  const half = p.depth * 0.42
  const x0 = 222 - p.body / 2 + 8
  const x1 = x0 + p.body
  const waist = half * (1 - p.tuck / 60)
  const hx = x0 - p.neck * 0.7 - r * 0.4
  const nose = hx - r * TOP_NOSE[muzzle]
  const flap = (side: number): Point[] => [
    [hx + r * 0.1, y + side * r * 0.62],
    [hx + r * 0.55, y + side * r * 0.75],
    [hx + r * 0.75, y + side * r * 1.05],
    [hx + r * 0.35, y + side * r * 1.2],
    [hx - r * 0.15, y + side * r * 0.9],
  ]
  const side = (s: number): Point[] => [
    [x0 + 6, y + s * half * 0.55],
    [x0 + p.body * 0.4, y + s * half * 0.5],
    [x1 - 22, y + s * waist * 0.5],
    [x1 - 26, y + s * waist],
    [x0 + p.body * 0.5, y + s * half * 0.98],
    [x0 + 4, y + s * half],
  ]
  return {
    lines: [],
    far: [],
    mirrored: false,
    zones: [
      {
        zone: 'tail',
        paths: [
          smooth([
            [x1 - 4, y - 7],
            [x1 + 36, y - 5],
            [x1 + 66, y],
            [x1 + 36, y + 5],
            [x1 - 4, y + 7],
          ]),
        ],
        spot: [x1 + 28, y],
      },
      {
        zone: 'hindlegs',
        paths: [-1, 1].map((s) =>
          smooth([
            [x1 - 34, y + s * waist * 0.9],
            [x1 - 6, y + s * half * 0.95],
            [x1 + 6, y + s * half * 0.4],
            [x1 - 8, y + s * 4],
            [x1 - 30, y + s * 6],
          ]),
        ),
        spot: [x1 - 12, y - half * 0.5],
      },
      { zone: 'belly', paths: [smooth(side(-1)), smooth(side(1))], spot: [x0 + p.body * 0.45, y + half * 0.78] },
      {
        zone: 'back',
        paths: [
          smooth([
            [x0 - 2, y - half * 0.5],
            [x0 + p.body * 0.4, y - half * 0.62],
            [x1 - 16, y - waist * 0.6],
            [x1 - 2, y],
            [x1 - 16, y + waist * 0.6],
            [x0 + p.body * 0.4, y + half * 0.62],
            [x0 - 2, y + half * 0.5],
          ]),
        ],
        spot: [x0 + p.body * 0.5, y],
      },
      {
        zone: 'neck',
        paths: [
          smooth([
            [hx + r * 0.4, y - r * 0.55],
            [x0 + 10, y - half * 0.8],
            [x0 + 14, y],
            [x0 + 10, y + half * 0.8],
            [hx + r * 0.4, y + r * 0.55],
          ]),
        ],
        spot: [x0 - 6, y],
      },
      { zone: 'ears', paths: [smooth(flap(-1)), smooth(flap(1))], spot: [hx + r * 0.3, y - r * 1.05] },
      {
        zone: 'head',
        paths: [
          smooth([
            [hx + r * 0.8, y],
            [hx + r * 0.4, y - r * 0.75],
            [hx - r * 0.5, y - r * 0.6],
            [nose + r * 0.1, y - r * 0.3],
            [nose, y],
            [nose + r * 0.1, y + r * 0.3],
            [hx - r * 0.5, y + r * 0.6],
            [hx + r * 0.4, y + r * 0.75],
          ]),
        ],
        spot: [hx, y],
      },
    ],
    eyes: [],
    marks: [
      smooth(
        [
          [nose + 1, y - 5],
          [nose + r * 0.24, y - 4],
          [nose + r * 0.24, y + 4],
          [nose + 1, y + 5],
        ],
        8,
      ),
    ],
  }
}

/** A body seen from one side. */
export function drawView(view: BodyView, facts: BodyFacts): SideDrawing {
  if (view === 'front') return drawFront(facts)
  if (view === 'top') return drawTop(facts)
  const body = drawBody(facts)
  return {
    far: body.far,
    zones: body.zones,
    marks: [body.nose],
    lines: [body.mouth],
    eyes: [body.eye],
    folds: body.folds,
    hangs: body.hangs,
    places: body.places,
    mirrored: view === 'right',
  }
}
