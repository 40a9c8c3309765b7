import { COATS, looksOf, type BodyView, type CoatType, type Dog, type Zone, ZONES } from '@core/dog'
import type { Hang, Point } from './body'
import { coatStrokes, type Stroke } from './coat'
import { seeded, seedOf } from './random'
import { drawView, type SideDrawing } from './views'

/** One dog's body as it is drawn: its outline, the hair on it and off it, and its colours. */
export interface Figure extends SideDrawing {
  /** How far the hair stands out from the body in each zone, in units of the drawing (400 wide). */
  puff: Record<Zone, number>
  /** Hair that hangs off the outline: filled shapes behind the body. */
  fringes: string[]
  hairs: Stroke[]
  /** What the ground and the hairs are painted with. */
  shade: { tint: string; stroke: string }
}

/** How far a coat of its usual length stands out, in units of the drawing. */
const STANDS: Record<CoatType, number> = {
  smooth: 0,
  'short double': 1.6,
  'long double': 9,
  wire: 3,
  curly: 6,
  drop: 4,
  feathered: 1.2,
  corded: 5,
  hairless: 0,
}
/** What of that a zone has: heads and feet are shorter everywhere. */
const SHARES: Record<Zone, number> = {
  head: 0.5,
  ears: 0.35,
  neck: 1.15,
  back: 1,
  belly: 1,
  forelegs: 0.7,
  hindlegs: 0.9,
  feet: 0.3,
  tail: 1.25,
}
/** How much of the coat's length hangs off the body, and where. */
const HANGS: Partial<Record<CoatType, Partial<Record<Hang['at'], number>>>> = {
  feathered: { belly: 0.5, breeches: 0.9, forearm: 0.7, chest: 0.6, tail: 1.2, ear: 0.7 },
  drop: { belly: 1, breeches: 0.6, forearm: 0.5, chest: 0.9, tail: 0.9, chin: 0.5, ear: 0.6, crown: 0.15 },
  corded: { belly: 0.9, breeches: 0.6, forearm: 0.4, chest: 0.8, tail: 0.7, chin: 0.5, ear: 0.5, crown: 0.1 },
  'long double': { belly: 0.3, breeches: 0.9, forearm: 0.35, chest: 0.8, tail: 1.3 },
  wire: { belly: 0.5, forearm: 0.4, chin: 1.6, crown: 0.5 },
  curly: { ear: 0.6, crown: 0.9, tail: 0.6 },
}
/** Hairless dogs keep a crest and a plume. */
const CREST: Partial<Record<Hang['at'], number>> = { crown: 1, tail: 1 }
const CREST_CM = 8
const HANG_ZONES: Record<Hang['at'], Zone> = {
  belly: 'belly',
  breeches: 'hindlegs',
  forearm: 'forelegs',
  chest: 'neck',
  tail: 'tail',
  chin: 'head',
  ear: 'ears',
  crown: 'head',
}
/** Units of the drawing for a centimetre of hair, and the longest that still clears the feet. */
const PER_CM = 2.6
const LONGEST = 58
/** A puppy's coat against a grown one. */
const PUPPY = 0.55
/** How large the hairs are drawn on a body: dense coats in larger strokes, so that a figure is quick to draw. */
const HAIR_SCALE: Partial<Record<CoatType, number>> = { 'short double': 2.6, 'long double': 1.95, curly: 2.2 }
const USUAL_HAIR = 1.6

const n = (value: number) => Math.round(value * 10) / 10

/** Locks side by side along a line, of uneven length. */
function fringe({ from, to, falls }: Hang, length: number, random: () => number): string {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const locks = Math.max(3, Math.round(Math.hypot(dx, dy) / 12))
  const at = (share: number): Point => [from[0] + dx * share, from[1] + dy * share]
  let d = `M${n(from[0])} ${n(from[1])}`
  for (let i = 0; i < locks; i++) {
    const [tip, next] = [at((i + 0.7) / locks), at((i + 1) / locks)]
    const l = length * (0.75 + random() * 0.35)
    const notch = length * 0.7
    d += `Q${n(tip[0] + falls[0] * l * 0.4)} ${n(tip[1] + falls[1] * l * 0.6)} ${n(tip[0] + falls[0] * l)} ${n(tip[1] + falls[1] * l)}`
    d += i < locks - 1 ? `L${n(next[0] + falls[0] * notch)} ${n(next[1] + falls[1] * notch)}` : ''
  }
  return `${d}L${n(to[0])} ${n(to[1])}Z`
}

/** What the drawing reads of a dog's record. */
export type Drawn = Pick<
  Dog,
  | 'name'
  | 'breed'
  | 'build'
  | 'shortNose'
  | 'folds'
  | 'white'
  | 'tail'
  | 'muzzle'
  | 'shade'
  | 'earCarriage'
  | 'stage'
  | 'coat'
  | 'coatLengthCm'
  | 'zoneLengthsCm'
  | 'density'
  | 'topknot'
>

/** Figures by the record that they were drawn from: a step's picture needs one several times. */
const drawn = new WeakMap<Drawn, Map<BodyView, Figure>>()

/**
 * This dog from one side: build, muzzle, ears, tail and folds as its record or breed has them, in its coat's texture,
 * length and colour. The same record draws the same figure.
 */
export function drawDog(view: BodyView, dog: Drawn): Figure {
  const views = drawn.get(dog) ?? new Map<BodyView, Figure>()
  drawn.set(dog, views)
  const figure = views.get(view) ?? draw(view, dog)
  views.set(view, figure)
  return figure
}

function draw(view: BodyView, dog: Drawn): Figure {
  const looks = looksOf(dog)
  const puppy = dog.stage === 'puppy'
  const side = drawView(view, { ...looks, earCarriage: dog.earCarriage, puppy })
  const usual = COATS.rows[dog.coat].reference
  const grown = puppy ? PUPPY : 1
  const lengthOf = (zone: Zone) => (dog.zoneLengthsCm[zone] ?? dog.coatLengthCm ?? usual) * grown
  const thick = dog.density === 'dense' ? 1.2 : dog.density === 'thin' ? 0.75 : 1
  const stands = (zone: Zone) =>
    usual === 0
      ? 0
      : STANDS[dog.coat] * SHARES[zone] * thick * Math.min(1.7, Math.max(0.25, lengthOf(zone) / usual) ** 0.7)
  const random = seeded(seedOf(dog.name))
  const hangs = dog.coat === 'hairless' ? CREST : { ...HANGS[dog.coat], ...(dog.topknot ? { crown: 0.9 } : {}) }
  const fringes = (side.hangs ?? []).flatMap((hang) => {
    const share = hangs[hang.at]
    const cm = dog.coat === 'hairless' ? CREST_CM * grown : lengthOf(HANG_ZONES[hang.at])
    const length = share === undefined ? 0 : Math.min(LONGEST, cm * PER_CM * share)
    return length < 3 ? [] : [fringe(hang, length, random)]
  })
  return {
    ...side,
    lines: dog.folds ? [...side.lines, ...(side.folds ?? [])] : side.lines,
    puff: Object.fromEntries(ZONES.map((zone) => [zone, n(stands(zone))])) as Record<Zone, number>,
    fringes,
    hairs: coatStrokes(dog.coat, {
      width: 400,
      height: 270,
      seed: seedOf(dog.name) % 997,
      scale: HAIR_SCALE[dog.coat] ?? USUAL_HAIR,
      density: thick,
    }),
    shade: { tint: `var(--shade-${looks.shade}-tint)`, stroke: `var(--shade-${looks.shade})` },
  }
}
