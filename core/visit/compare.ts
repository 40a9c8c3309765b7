import type { Reckoned } from '../reckoned'
import { say } from '../units'
import { earWords } from './tableSteps'
import type { Plan } from './types'
import { mainMix, zonesText } from './washes'
import type { WashPlan } from './washTypes'

/** One thing that differs between two plans: before, after, and the reasons that came or went. */
export interface Change {
  what: string
  from: string
  to: string
  why: string[]
}

function newReasons(from: Reckoned, to: Reckoned): string[] {
  const had = new Set(from.because.map((r) => r.fact))
  const has = new Set(to.because.map((r) => r.fact))
  const came = to.because.filter((r) => !had.has(r.fact)).map((r) => r.fact)
  const went = from.because.filter((r) => !has.has(r.fact)).map((r) => `no longer: ${r.fact}`)
  return came.length > 0 ? came : went
}

function changed(
  what: string,
  from: Reckoned | undefined,
  to: Reckoned | undefined,
  digits: number,
): Change | undefined {
  const text = (n: Reckoned | undefined) => (n ? `${say(n.value, digits)} ${n.unit}` : 'none')
  if (text(from) === text(to)) return undefined
  const because = from && to ? newReasons(from, to) : []
  return { what, from: text(from), to: text(to), why: because }
}

function words(what: string, from: string, to: string, why: string[]): Change | undefined {
  return from === to ? undefined : { what, from, to, why }
}

/** Products that go on some zones only. */
function zonesWords(mix: WashPlan): string {
  const parts = mix.passes.flatMap((p) => p.mixes.slice(1).map((m) => `${m.product.name} on ${zonesText(m.zones)}`))
  return [...new Set(parts)].join('; ') || 'one product for all'
}

function brushWords(plan: Plan): string {
  const brush = plan.steps.find((s) => s.id === 'brush')
  const blow = plan.steps.find((s) => s.id === 'blow-out')
  return (
    [blow && `blow out ${say(blow.minutes.value, 0)} min`, brush && `brush ${say(brush.minutes.value, 0)} min`]
      .filter(Boolean)
      .join(', ') || 'nothing'
  )
}

/**
 * What changed from one plan to another, in the order in which it matters: the five answers, then the
 * whole visit. Reasons are those that came or went; a number that moved without a reason of its own
 * moved because another did.
 */
export function comparePlans(from: Plan, to: Plan): Change[] {
  const [a, b] = [mainMix(from.mix), mainMix(to.mix)]
  const stopTitles = (p: Plan) => p.stops.map((s) => s.title).join('; ') || 'none'
  return [
    words(
      'Stops',
      stopTitles(from),
      stopTitles(to),
      to.stops.filter((s) => !from.stops.some((f) => f.id === s.id)).map((s) => s.next),
    ),
    words('Shampoo', a?.product.name ?? 'none', b?.product.name ?? 'none', b ? [b.why] : []),
    words('By zone', zonesWords(from.mix), zonesWords(to.mix), []),
    changed('Ratio', a?.ratio, b?.ratio, 1),
    changed('Mix for each wash', a?.volume, b?.volume, 0),
    changed('Stays on', a?.contact, b?.contact, 1),
    changed('Water', from.water.target, to.water.target, 1),
    words(
      'Rinse passes',
      `${from.rinse.last.passes}`,
      `${to.rinse.last.passes}`,
      newReasons(from.rinse.last.minutes, to.rinse.last.minutes),
    ),
    changed('Last rinse', from.rinse.last.minutes, to.rinse.last.minutes, 1),
    words('Left ear', earWords(from.ears.left), earWords(to.ears.left), to.ears.left.because),
    words('Right ear', earWords(from.ears.right), earWords(to.ears.right), to.ears.right.because),
    words('Technique', from.drying.choice.technique, to.drying.choice.technique, [to.drying.choice.why]),
    changed('Drying', from.drying.minutes, to.drying.minutes, 0),
    words('Conditioner', from.mix.conditioner?.product.name ?? 'none', to.mix.conditioner?.product.name ?? 'none', [
      to.mix.conditionerWhy,
    ]),
    words('Brush before', brushWords(from), brushWords(to), []),
    words(
      'Come again',
      `${from.next.days.value} days`,
      `${to.next.days.value} days`,
      newReasons(from.next.days, to.next.days),
    ),
    changed('Whole visit', from.minutes, to.minutes, 0),
  ].filter((c): c is Change => c !== undefined)
}
