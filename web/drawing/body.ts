import type { Build, EarCarriage, Muzzle, Tail, Zone } from '@core/dog'

/** A point of a drawing. */
export type Point = readonly [number, number]

/** The proportions of a build, in units of a drawing 400 wide with the ground at 262. */
interface Proportions {
  leg: number
  body: number
  depth: number
  tuck: number
  neck: number
  head: number
  bone: number
}

/** The proportions of each build. */
export const BUILDS: Record<Build, Proportions> = {
  usual: { leg: 86, body: 152, depth: 76, tuck: 14, neck: 40, head: 27, bone: 12 },
  leggy: { leg: 104, body: 150, depth: 76, tuck: 34, neck: 50, head: 24, bone: 10 },
  cobby: { leg: 70, body: 138, depth: 88, tuck: 6, neck: 30, head: 34, bone: 14 },
  giant: { leg: 88, body: 166, depth: 96, tuck: 10, neck: 40, head: 33, bone: 17 },
  low: { leg: 46, body: 186, depth: 74, tuck: 6, neck: 38, head: 28, bone: 12 },
}

/** What the silhouette is drawn from. */
export interface BodyFacts {
  build: Build
  muzzle: Muzzle
  tail: Tail
  earCarriage: EarCarriage
  puppy?: boolean
}

/** How long the nose is drawn, in radii of the head. */
export const MUZZLES: Record<Muzzle, number> = { short: 0.62, middle: 1.45, long: 1.85 }

/** One zone of the body as paths, with the spot that a label points at. */
export interface ZoneShape {
  zone: Zone
  paths: string[]
  spot: Point
}

/** The whole silhouette, facing left: far legs, then zones from back to front, eye and nose. */
export interface Body {
  far: string[]
  zones: ZoneShape[]
  eye: Point
  nose: string
  mouth: string
  /** Wrinkles over the muzzle and brow, for dogs that have folds. */
  folds: string[]
  /** Where hands go: the skull's middle, its radius and the tip of the nose; a foreleg; chest and thigh. */
  places: BodyPlaces
  /** Where hair hangs off the outline: lines along the body, each with the way it falls. */
  hangs: Hang[]
}

/** Places of a body that hands are drawn at. */
export interface BodyPlaces {
  head: { at: Point; r: number; nose: number }
  /** Where the neck meets the body: the head turns about it. */
  neck: Point
  foreleg: { x: number; elbow: number }
  chest: Point
  thigh: Point
  back: Point
}

/** A line that hair hangs from. */
export interface Hang {
  at: 'belly' | 'breeches' | 'forearm' | 'chest' | 'tail' | 'chin' | 'ear' | 'crown'
  from: Point
  to: Point
  /** The way it falls, as a step of length one or so. */
  falls: Point
}

export const GROUND = 262
const n = (value: number) => Math.round(value * 10) / 10

/** A smooth closed path through points (Catmull-Rom as cubic curves). */
export function smooth(points: readonly Point[], tension = 6): string {
  const at = (i: number) => points[(i + points.length) % points.length]!
  const curves = points.map((p, i) => {
    const [before, next, after] = [at(i - 1), at(i + 1), at(i + 2)]
    const c1 = [p[0] + (next[0] - before[0]) / tension, p[1] + (next[1] - before[1]) / tension]
    const c2 = [next[0] - (after[0] - p[0]) / tension, next[1] - (after[1] - p[1]) / tension]
    return `C${n(c1[0]!)} ${n(c1[1]!)} ${n(c2[0]!)} ${n(c2[1]!)} ${n(next[0])} ${n(next[1])}`
  })
  return `M${n(points[0]![0])} ${n(points[0]![1])}${curves.join('')}Z`
}

function foreleg(x: number, top: number, { leg, bone }: Proportions): string {
  const elbow = GROUND - leg
  return smooth([
    [x - bone * 1.5, top],
    [x + bone * 1.6, top + 4],
    [x + bone * 1.25, elbow + 6],
    [x + bone * 0.72, elbow + leg * 0.45],
    [x + bone * 0.66, GROUND - 16],
    [x - bone * 0.75, GROUND - 16],
    [x - bone * 0.72, elbow + leg * 0.45],
    [x - bone * 1.35, elbow],
  ])
}

function hindleg(x: number, top: number, { leg, bone }: Proportions): string {
  const hock = GROUND - leg * 0.4
  return smooth([
    [x - bone * 2.4, top + 10],
    [x + bone * 0.6, top - 2],
    [x + bone * 2.1, top + 22],
    [x + bone * 1.7, hock - leg * 0.32],
    [x + bone * 2.1, hock - 4],
    [x + bone * 1.25, GROUND - 16],
    [x - bone * 0.15, GROUND - 16],
    [x + bone * 0.35, hock + 2],
    [x - bone * 1.1, hock - leg * 0.26],
    [x - bone * 2.7, top + 40],
  ])
}

function foot(x: number, bone: number): string {
  const [back, toe] = [x + bone * 0.95, x - bone * 1.55]
  return `M${n(back - 2)} ${GROUND - 20}Q${n(back + 2)} ${GROUND - 6} ${n(back)} ${GROUND}L${n(toe + 5)} ${GROUND}Q${n(toe - 3)} ${GROUND} ${n(toe)} ${GROUND - 8}Q${n(toe + 4)} ${GROUND - 16} ${n(x - bone * 0.8)} ${GROUND - 20}Z`
}

/** An ear by its carriage, its root at x and y, for a head of radius r, seen from the side. */
export function ear(carriage: EarCarriage, x: number, y: number, r: number): string {
  if (carriage === 'erect') {
    return smooth(
      [
        [x - r * 0.45, y - r * 0.35],
        [x - r * 0.3, y - r * 1.1],
        [x + r * 0.12, y - r * 1.65],
        [x + r * 0.5, y - r * 0.95],
        [x + r * 0.62, y - r * 0.15],
        [x + r * 0.1, y + r * 0.05],
      ],
      9,
    )
  }
  if (carriage === 'semi') {
    return smooth(
      [
        [x - r * 0.3, y - r * 0.75],
        [x + r * 0.3, y - r * 0.95],
        [x + r * 0.7, y - r * 0.4],
        [x + r * 0.55, y + r * 0.2],
        [x + r * 0.05, y + r * 0.5],
        [x - r * 0.15, y - r * 0.1],
      ],
      7,
    )
  }
  return smooth([
    [x - r * 0.25, y - r * 0.7],
    [x + r * 0.3, y - r * 0.85],
    [x + r * 0.7, y - r * 0.1],
    [x + r * 0.75, y + r * 0.9],
    [x + r * 0.3, y + r * 1.35],
    [x - r * 0.2, y + r * 0.95],
    [x - r * 0.3, y + r * 0.1],
  ])
}

/** Where hair hangs off a tail, from its root: from, to and the way it falls. */
const TAIL_HANGS: Record<Tail, readonly (readonly [Point, Point, Point])[]> = {
  raised: [
    [
      [40, -44],
      [22, 16],
      [0.7, 0.7],
    ],
  ],
  curled: [
    [
      [-24, -28],
      [22, -28],
      [-0.1, -0.55],
    ],
  ],
  hanging: [
    [
      [31, 84],
      [12, 22],
      [0.9, 0.4],
    ],
  ],
  stub: [],
}

/** A tail from its root at x and y, as it is carried. */
function tailShape(tail: Tail, x: number, y: number): Omit<ZoneShape, 'zone'> {
  const drawn = (spot: Point, ...points: Point[]) => ({
    paths: [smooth(points.map(([dx, dy]): Point => [x + dx, y + dy]))],
    spot: [x + spot[0], y + spot[1]] as const,
  })
  switch (tail) {
    case 'raised':
      return drawn([30, -22], [-4, 8], [12, -4], [24, -26], [32, -46], [43, -47], [42, -24], [28, 8], [8, 24])
    case 'curled':
      return drawn(
        [-6, -22],
        [-6, 10],
        [10, -2],
        [14, -18],
        [4, -28],
        [-12, -24],
        [-22, -12],
        [-30, -16],
        [-26, -32],
        [-8, -42],
        [14, -38],
        [28, -20],
        [22, 8],
        [8, 22],
      )
    case 'hanging':
      return drawn([22, 50], [-6, 10], [8, 4], [20, 20], [27, 48], [33, 86], [27, 96], [18, 84], [12, 50], [2, 28])
    case 'stub':
      return drawn([12, 2], [-4, 8], [8, -4], [20, -10], [24, -2], [18, 10], [6, 20])
  }
}

/** The silhouette of a build with its zones, drawn from a few proportions. */
export function drawBody({ build, muzzle: nose, tail, earCarriage, puppy = false }: BodyFacts): Body {
  const base = BUILDS[build]
  const p = puppy
    ? { ...base, leg: base.leg * 0.8, body: base.body * 0.86, head: base.head * 1.18, neck: base.neck * 0.7 }
    : base
  const { leg, body, depth, tuck, neck, head: r, bone } = p
  const elbow = GROUND - leg
  const back = elbow - depth + 12
  const x0 = 222 - body / 2 + neck * 0.2
  const x1 = x0 + body
  const chest = elbow + 10
  const flank = chest - tuck
  const mid = back + (chest - back) * 0.56

  const hx = x0 - neck * 0.85
  const hy = back - neck * 0.72
  const muzzle = r * MUZZLES[nose]
  const nx = hx - r * 0.72 - muzzle

  const torsoTop: Point[] = [
    [x0 - 6, back + 6],
    [x0 + body * 0.2, back],
    [x0 + body * 0.6, back + 3],
    [x1 - 6, back + 4],
    [x1 + 6, back + 22],
    [x1 + 2, mid],
  ]
  const torsoBelow: Point[] = [
    [x1 + 2, mid - 1],
    [x1 - 8, flank - 6],
    [x0 + body * 0.68, flank],
    [x0 + body * 0.4, chest - tuck * 0.3],
    [x0 + body * 0.14, chest],
    [x0 - 2, mid + 14],
    [x0 + 2, mid],
  ]
  const [fx, bx] = [x0 + bone * 1.4, x1 - bone * 1.2]
  const hindTop = back + depth * 0.28
  const hindFoot = bx + bone * 0.55

  return {
    far: [
      foreleg(fx + bone * 1.9, mid + 12, p),
      hindleg(bx - bone * 1.9, hindTop + 10, p),
      foot(fx + bone * 1.9, bone),
      foot(hindFoot - bone * 1.9, bone),
    ],
    zones: [
      { zone: 'tail', ...tailShape(tail, x1, back) },
      {
        zone: 'neck',
        paths: [
          smooth([
            [hx - r * 0.1, hy - r * 0.55],
            [hx + r * 0.75, hy - r * 0.35],
            [x0 + 4, back - 2],
            [x0 + 18, back + 12],
            [x0 + 10, mid + 14],
            [x0 - 14, mid + 6],
            [hx - r * 0.35, hy + r * 0.95],
          ]),
        ],
        spot: [x0 - 4, (back + mid) / 2 + 4],
      },
      { zone: 'belly', paths: [smooth(torsoBelow)], spot: [x0 + body * 0.5, (mid + flank) / 2 + 2] },
      {
        zone: 'back',
        paths: [smooth([...torsoTop, [x0 + body * 0.6, mid + 2], [x0 + body * 0.3, mid + 3], [x0 + 2, mid + 2]])],
        spot: [x0 + body * 0.45, (back + mid) / 2],
      },
      { zone: 'forelegs', paths: [foreleg(fx, mid - 4, p)], spot: [fx, elbow + leg * 0.3] },
      { zone: 'hindlegs', paths: [hindleg(bx, hindTop, p)], spot: [bx, back + depth * 0.62] },
      { zone: 'feet', paths: [foot(fx, bone), foot(hindFoot, bone)], spot: [hindFoot - bone * 0.3, GROUND - 8] },
      {
        zone: 'head',
        paths: [
          smooth([
            [hx + r * 0.85, hy - r * 0.15],
            [hx + r * 0.35, hy - r * 0.95],
            [hx - r * 0.45, hy - r * 0.85],
            [hx - r * 0.9, hy - r * 0.18],
            [nx + r * 0.25, hy + r * 0.02],
            [nx, hy + r * 0.24],
            [nx + r * 0.15, hy + r * 0.62],
            [hx - r * 0.7, hy + r * 0.85],
            [hx + r * 0.1, hy + r * 0.92],
            [hx + r * 0.75, hy + r * 0.5],
          ]),
        ],
        spot: [hx - r * 0.75, hy + r * 0.35],
      },
      {
        zone: 'ears',
        paths: [ear(earCarriage, hx + r * 0.32, hy - r * 0.1, r)],
        spot: earCarriage === 'erect' ? [hx + r * 0.4, hy - r * 0.8] : [hx + r * 0.55, hy + r * 0.25],
      },
    ],
    eye: [hx - r * 0.42, hy - r * 0.22],
    nose: smooth([
      [nx + r * 0.02, hy + r * 0.08],
      [nx + r * 0.3, hy + r * 0.04],
      [nx + r * 0.3, hy + r * 0.26],
      [nx + r * 0.04, hy + r * 0.38],
    ]),
    mouth: `M${n(nx + r * 0.3)} ${n(hy + r * 0.5)}Q${n(hx - r * 0.7)} ${n(hy + r * 0.66)} ${n(hx - r * 0.45)} ${n(hy + r * 0.4)}`,
    folds: [0.1, 0.32, 0.54].map((f) => {
      const x = nx + r * 0.25 + f * r
      return `M${n(x)} ${n(hy - r * (0.05 + f * 0.7))}q${n(r * 0.2)} ${n(r * 0.22)} ${n(r * 0.02)} ${n(r * 0.5)}`
    }),
    places: {
      head: { at: [hx, hy], r, nose: nx },
      neck: [x0 + 4, back + 10],
      foreleg: { x: fx, elbow },
      chest: [x0 + 22, chest],
      thigh: [x1 + 4, back + depth * 0.7],
      back: [x0 + body * 0.6, back],
    },
    hangs: [
      { at: 'belly', from: [x0 + 4, chest - 2], to: [x1 - 14, flank - 4], falls: [0, 1] },
      { at: 'breeches', from: [x1 + 2, mid - 6], to: [bx + bone * 1.6, GROUND - leg * 0.45], falls: [0.5, 0.9] },
      { at: 'forearm', from: [fx + bone, elbow], to: [fx + bone * 0.6, GROUND - 18], falls: [0.6, 0.7] },
      { at: 'chest', from: [hx - r * 0.2, hy + r * 0.8], to: [x0 - 8, mid + 10], falls: [-0.5, 0.9] },
      ...TAIL_HANGS[tail].map(([from, to, falls]): Hang => ({
        at: 'tail',
        from: [x1 + from[0], back + from[1]],
        to: [x1 + to[0], back + to[1]],
        falls,
      })),
      { at: 'chin', from: [nx + r * 0.3, hy + r * 0.6], to: [hx - r * 0.3, hy + r * 0.88], falls: [-0.15, 1] },
      {
        at: 'ear',
        from: [hx + r * 0.1, hy + r * (earCarriage === 'drop' ? 0.9 : 0)],
        to: [hx + r * 0.95, hy + r * (earCarriage === 'drop' ? 0.9 : 0)],
        falls: [0, 1],
      },
      { at: 'crown', from: [hx - r * 0.5, hy - r * 0.8], to: [hx + r * 0.6, hy - r * 0.85], falls: [0.5, -0.9] },
    ],
  }
}
