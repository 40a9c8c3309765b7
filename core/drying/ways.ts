import { constants, practice } from '../constants'
import { firstSkin, isLong, SORE, type CoatType, type Skin } from '../dog'
import { said, type Code, type Said } from '../said'
import type { Dryer } from './dryer'
import type { DryingFacts } from './facts'
import type { Technique } from './technique'

declare module '../said' {
  interface Codes {
    'way.velocityBrush': None
    'way.velocity': None
    'way.warm': None
    'way.fan': { coat: CoatType }
    'way.fanBrush': None
    'way.brushAir': None
    'way.air': None
    'way.yours': None
    'way.leastBad': { against: Said<BarCode> }
    'bar.missing': { technique: Technique }
    'bar.puppy': None
    'bar.dryerShy': None
    'bar.longForPuppy': { minutes: number }
    'bar.sore': { skin: Skin }
    'bar.thinSkin': None
    'bar.knots': None
    'bar.cords': None
    'bar.crateTooSmall': None
    'bar.crateShy': None
    'bar.crimps': None
    'bar.mats': None
    'bar.puppyDamp': None
    'bar.roomTooWarm': { limit: number }
    'bar.staysDamp': { minutes: number }
    'bar.slower': { minutes: number }
    'bar.juvantChose': { why: Said<WayCode> }
  }
}

type WayCode = Extract<Code, `way.${string}`>
type BarCode = Extract<Code, `bar.${string}`>
/** What speaks against a way of drying a dog. */
export type Bar = Said<BarCode>

/** The chosen way with its dryers and why. */
export interface WayChoice {
  technique: Technique
  velocity?: Dryer
  warm?: Dryer
  fan?: Dryer
  /** A second fan at the other side, where one would take long. */
  second?: Dryer
  /** The fast air is turned down, for skin that bears no more. */
  lowForce: boolean
  why: Said<WayCode>
  /** What speaks against the user's own choice. */
  against?: Bar
}

/** A way of the house with its dryers, and whether the dog, its skin or its coat speaks against it: 1 the coat suffers, 2 hard to bear, 3 not to be done. */
export interface Way {
  technique: Technique
  velocity?: Dryer
  warm?: Dryer
  fan?: Dryer
  second?: Dryer
  bar?: { grade: 1 | 2 | 3; against: Bar }
}

/** From which length a drop or curly coat knots and crimps when it is left to itself. */
export const WAYS = constants({
  knotsFrom: practice(3, 'cm', [2, 5]),
})
const grown = ({ coat }: Pick<DryingFacts, 'coat'>) => (coat.lengthCm ?? Infinity) >= WAYS.knotsFrom.value

const bar = (grade: 1 | 2 | 3, against: Bar): Way['bar'] => ({ grade, against })

function againstVelocity(facts: Pick<DryingFacts, 'coat' | 'skin' | 'stage' | 'dryerShy'>): Way['bar'] {
  const { coat, skin } = facts
  if (facts.stage === 'puppy') return bar(3, said('bar.puppy'))
  if (facts.dryerShy) return bar(3, said('bar.dryerShy'))
  const sore = firstSkin(skin.whole, SORE)
  if (sore) return bar(3, said('bar.sore', { skin: sore }))
  if (coat.coat === 'hairless') return bar(3, said('bar.thinSkin'))
  if (coat.coat === 'corded') return bar(3, said('bar.cords'))
  if (coat.coat === 'drop' && grown(facts)) return bar(3, said('bar.knots'))
  return undefined
}

/** Whether a dog bears fast air on its dry coat: only what would knot is no hindrance there. */
export function bearsFastAir(facts: Pick<DryingFacts, 'coat' | 'skin' | 'stage' | 'dryerShy'>): boolean {
  const against = againstVelocity(facts)
  return against === undefined || against.against.code === 'bar.knots'
}

function againstBrush(facts: DryingFacts): Way['bar'] {
  if (facts.coat.coat === 'corded') return bar(3, said('bar.cords'))
  if (facts.dryerShy) return bar(2, said('bar.dryerShy'))
  return undefined
}

/** A coat that must not dry by itself, for its looks. */
function againstAlone(facts: DryingFacts): Way['bar'] {
  if (facts.stage === 'puppy') return bar(2, said('bar.puppyDamp'))
  if (facts.coat.coat === 'curly' && grown(facts)) return bar(1, said('bar.crimps'))
  const mats = isLong(facts.coat.coat) || facts.coat.coat === 'feathered'
  return mats && grown(facts) ? bar(1, said('bar.mats')) : undefined
}

function againstCrate(facts: DryingFacts): Way['bar'] {
  if (!facts.crateFits) return bar(3, said('bar.crateTooSmall'))
  if (facts.crateShy) return bar(3, said('bar.crateShy'))
  return undefined
}

/** The brush after a fan is short: a shy dog with a coat that mats bears it better than mats. */
function againstFanBrush(facts: DryingFacts): Way['bar'] {
  const crate = againstCrate(facts)
  if (crate) return crate
  if (facts.coat.coat === 'corded') return bar(3, said('bar.cords'))
  if (facts.stage === 'puppy') return bar(2, said('bar.puppyDamp'))
  if (facts.coat.coat === 'curly' && grown(facts) && !facts.dryerShy) return bar(1, said('bar.crimps'))
  const coatNeedsIt = isLong(facts.coat.coat) || facts.coat.coat === 'feathered'
  if (facts.dryerShy && (facts.crateShy || !coatNeedsIt)) return bar(2, said('bar.dryerShy'))
  return undefined
}

/** The quickest of velocity dryers is the strongest; of two alike, the quieter. */
function strongest(dryers: readonly Dryer[]): Dryer | undefined {
  return dryers
    .filter((d) => d.kind === 'velocity')
    .sort((a, b) => b.force - a.force || b.airflow - a.airflow || a.level - b.level)[0]
}

/** Every way in which the house could dry a dog, each with what speaks against it. Air needs nothing and is always there. */
export function waysOf(facts: DryingFacts): Way[] {
  const { dryers } = facts
  const velocity = strongest(dryers)
  const warm = dryers.filter((d) => d.kind === 'stand' || d.kind === 'hand')
  const fans = dryers.filter((d) => d.kind === 'fan').sort((a, b) => b.airflow - a.airflow)
  const other = (fan: Dryer) => fans.find((f) => f !== fan)
  const noBrush = againstBrush(facts)
  const noVelocity = againstVelocity(facts)
  const noFan = againstCrate(facts) ?? (facts.coat.coat === 'corded' ? undefined : againstAlone(facts))
  return [
    ...(velocity
      ? warm.map((w): Way => ({ technique: 'velocity, then brush', velocity, warm: w, bar: noVelocity ?? noBrush }))
      : []),
    ...(velocity ? [{ technique: 'velocity', velocity, bar: noVelocity } as const] : []),
    ...warm.map((w): Way => ({ technique: 'warm brush', warm: w, bar: noBrush })),
    ...fans.map((fan): Way => ({ technique: 'fan', fan, second: other(fan), bar: noFan })),
    ...fans.flatMap((fan) =>
      warm.map((w): Way => ({
        technique: 'fan, then brush',
        fan,
        second: other(fan),
        warm: w,
        bar: againstFanBrush(facts),
      })),
    ),
    ...(facts.stage === 'puppy' ? warm.map((w): Way => ({ technique: 'brush, then air', warm: w, bar: noBrush })) : []),
    { technique: 'air', bar: againstAlone(facts) },
  ]
}

/** Why a way was taken. */
export function whyTaken({ technique, bar: against }: Way, coat: CoatType): Said<WayCode> {
  if (against) return said('way.leastBad', { against: against.against })
  switch (technique) {
    case 'velocity, then brush':
      return said('way.velocityBrush')
    case 'velocity':
      return said('way.velocity')
    case 'warm brush':
      return said('way.warm')
    case 'fan':
      return said('way.fan', { coat })
    case 'fan, then brush':
      return said('way.fanBrush')
    case 'brush, then air':
      return said('way.brushAir')
    case 'air':
      return said('way.air')
  }
}
