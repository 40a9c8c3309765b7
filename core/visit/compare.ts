import type { Notice } from '../caution'
import type { Zone } from '../dog'
import type { Technique } from '../drying'
import type { Reckoned, Reason } from '../reckoned'
import { sameSaid, type Said } from '../said'
import { earInBrief, type EarInBrief } from './tableSteps'
import type { Plan } from './types'
import { mainMix } from './washes'
import type { WashPlan } from './washTypes'

/** What of a plan is compared. */
export type Compared =
  | 'stops'
  | 'shampoo'
  | 'byZone'
  | 'ratio'
  | 'volume'
  | 'contact'
  | 'water'
  | 'passes'
  | 'lastRinse'
  | 'leftEar'
  | 'rightEar'
  | 'technique'
  | 'drying'
  | 'conditioner'
  | 'brushBefore'
  | 'comeAgain'
  | 'wholeVisit'

/** A thing of a plan as it stood before or stands now. */
export type ComparedValue =
  | { kind: 'none' }
  | { kind: 'number'; value: number; unit: Reckoned['unit']; digits: number }
  | { kind: 'product'; name: string }
  | { kind: 'stops'; stops: Notice[] }
  | { kind: 'places'; places: { product: string; zones: Zone[] }[] }
  | { kind: 'ear'; ear: EarInBrief }
  | { kind: 'technique'; technique: Technique }
  | { kind: 'brushing'; blowOut: number | null; brush: number | null }

/** One thing that differs between two plans: before, after, and the reasons that came, or else those that went. */
export interface Change {
  what: Compared
  from: ComparedValue
  to: ComparedValue
  came: Said[]
  went: Said[]
}

function moved(from: Reckoned | undefined, to: Reckoned | undefined): { came: Said[]; went: Said[] } {
  const lacks = (list: readonly Reason[], r: Reason) => !list.some((other) => sameSaid(other, r))
  const bare = ({ code, facts }: Reason) => ({ code, facts }) as Said
  if (!from || !to) return { came: [], went: [] }
  const came = to.because.filter((r) => lacks(from.because, r)).map(bare)
  return { came, went: came.length > 0 ? [] : from.because.filter((r) => lacks(to.because, r)).map(bare) }
}

const NONE: ComparedValue = { kind: 'none' }
const numberOf = (n: Reckoned | undefined, digits: number): ComparedValue =>
  n ? { kind: 'number', value: n.value, unit: n.unit, digits } : NONE
const product = (name: string | undefined): ComparedValue => (name === undefined ? NONE : { kind: 'product', name })

/** Whether two values read alike: numbers by the digits they are shown with. */
function alike(a: ComparedValue, b: ComparedValue): boolean {
  if (a.kind === 'number' && b.kind === 'number') return a.value.toFixed(a.digits) === b.value.toFixed(b.digits)
  return JSON.stringify(a) === JSON.stringify(b)
}

/** Products that go on some zones only. */
function placesOf(mix: WashPlan): ComparedValue {
  const places = mix.passes.flatMap((p) => p.mixes.slice(1).map((m) => ({ product: m.product.name, zones: m.zones })))
  return { kind: 'places', places: [...new Map(places.map((p) => [JSON.stringify(p), p])).values()] }
}

function brushingOf({ steps }: Plan): ComparedValue {
  const minutes = (kind: 'blowOut' | 'brush') => {
    const found = steps.find((s) => s.kind === kind)
    return found ? Math.round(found.minutes.value) : null
  }
  return { kind: 'brushing', blowOut: minutes('blowOut'), brush: minutes('brush') }
}

/**
 * What changed from one plan to another, in the order in which it matters: the five answers, then the
 * whole visit. Reasons are those that came or went; a number that moved without a reason of its own
 * moved because another did.
 */
export function comparePlans(from: Plan, to: Plan): Change[] {
  const [a, b] = [mainMix(from.mix), mainMix(to.mix)]
  const numbers = (what: Compared, of: (plan: Plan) => Reckoned | undefined, digits: number): Change => ({
    what,
    from: numberOf(of(from), digits),
    to: numberOf(of(to), digits),
    ...moved(of(from), of(to)),
  })
  const values = (what: Compared, of: (plan: Plan) => ComparedValue, came: readonly Said[]): Change => ({
    what,
    from: of(from),
    to: of(to),
    came: [...came],
    went: [],
  })
  const passes = (p: Plan): ComparedValue => ({ kind: 'number', value: p.rinse.last.passes, unit: 'passes', digits: 0 })
  const changes: Change[] = [
    values('stops', (p) => (p.stops.length > 0 ? { kind: 'stops', stops: p.stops } : NONE), []),
    values('shampoo', (p) => product(mainMix(p.mix)?.product.name), b ? [b.why] : []),
    values('byZone', (p) => placesOf(p.mix), []),
    numbers('ratio', (p) => (p === from ? a : b)?.ratio, 1),
    numbers('volume', (p) => (p === from ? a : b)?.volume, 0),
    numbers('contact', (p) => (p === from ? a : b)?.contact, 1),
    numbers('water', (p) => p.water.target, 1),
    { what: 'passes', from: passes(from), to: passes(to), ...moved(from.rinse.last.minutes, to.rinse.last.minutes) },
    numbers('lastRinse', (p) => p.rinse.last.minutes, 1),
    values('leftEar', (p) => ({ kind: 'ear', ear: earInBrief(p.ears.left) }), to.ears.left.because),
    values('rightEar', (p) => ({ kind: 'ear', ear: earInBrief(p.ears.right) }), to.ears.right.because),
    values('technique', (p) => ({ kind: 'technique', technique: p.drying.choice.technique }), [to.drying.choice.why]),
    numbers('drying', (p) => p.drying.minutes, 0),
    values('conditioner', (p) => product(p.mix.conditioner?.product.name), [to.mix.conditionerWhy]),
    values('brushBefore', brushingOf, []),
    numbers('comeAgain', (p) => p.next.days, 0),
    numbers('wholeVisit', (p) => p.minutes, 0),
  ]
  return changes.filter((c) => !alike(c.from, c.to))
}
