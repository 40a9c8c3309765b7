import { isLong, meanMats, worstMats, type Zone } from '../dog'
import type { Technique } from '../drying'
import {
  blowOutMinutes,
  brushMinutes,
  combMinutes,
  isSleek,
  matMinutes,
  matsOnlyMinutes,
  HAND_RATES,
  roughClipMinutes,
} from '../groomer'
import { add, further, isOwn, reckon, set, start, type Reckoned } from '../reckoned'
import { said } from '../said'
import { PAUSES, step, type StepFacts } from './stepFacts'
import type { EarsPlan, Step } from './types'

declare module '../said' {
  interface Codes {
    'step.blowOut': None
    'step.roughClip': { felt: boolean }
    'step.lineByLine': None
    'step.rubberBrush': None
    'step.softBrush': None
    'step.matsOnly': None
    'step.matsTighten': { zones: Zone[] }
    'step.matsWait': None
    'step.ear': { side: 'left' | 'right'; ear: EarInBrief }
    'step.restAndSetUp': None
    'step.letShake': None
    'step.alone': { technique: Technique; fan: string | null }
    'step.combAt': { minutes: number[] }
    'step.wrapped': None
    'step.dryWith': { dryers: string[] }
    'step.wholeDog': None
    'step.zoneByZone': None
    'dry.blownBefore': { dryer: string }
    'step.dryOrder': { first: Zone[]; headLast: boolean }
    'step.dampLeft': { zones: Zone[] }
    'step.combToSkin': { layers: boolean }
    'step.clothOver': None
    'step.dryDampNow': None
    'step.smallMatsNow': None
    'shake.short': None
    'shake.rest': None
    'dry.brushAfter': { dryer: string }
  }
}

/** What happens to one ear. */
export interface EarInBrief {
  action: 'stop' | 'wipe' | 'clean' | 'dry'
  product: string | null
  mL: number
  rounds: number
  thin: boolean
  thenDry: boolean
}

const matted = (mats: StepFacts['today']['mats'], which: (score: number) => boolean) =>
  (Object.entries(mats) as [Zone, number][]).filter(([, score]) => which(score)).map(([zone]) => zone)

/** Blowing out and brushing before the bath, by rule, shedding and mats. */
export function preparationSteps(f: StepFacts): Step[] {
  const { today, coat, surface, mood, rules, puppy, clipFirst } = f
  if (clipFirst)
    return [
      step({
        id: 'clip-rough',
        kind: 'clip',
        role: 'rough',
        place: 'table',
        minutes: roughClipMinutes(clipFirst.coat, clipFirst.worst, surface, mood),
        detail: [said('step.roughClip', { felt: clipFirst.worst >= 3 })],
      }),
    ]
  const { blown: blows } = f
  const steps: Step[] = []
  if (blows) {
    steps.push(
      step({
        id: 'blow-out',
        kind: 'blowOut',
        place: 'table',
        minutes: blowOutMinutes(coat, surface, mood),
        detail: [said('step.blowOut')],
      }),
    )
  }
  const now = (score: number) => score >= 2 || (score === 1 && rules.smallMats === 'before')
  const mats = matMinutes(today.mats, surface, now)
  const tighten = mats.length > 0 ? [said('step.matsTighten', { zones: mats.map((m) => m.zone) })] : []
  const later = matted(today.mats, (s) => s === 1).length > 0 && mats.length === 0 ? [said('step.matsWait')] : []
  const whole = rules.coatPreparation !== 'straight' && !blows && HAND_RATES.rows[coat.coat].brush > 0
  if (whole) {
    const sleek = isSleek(coat.coat)
    steps.push(
      step({
        id: 'brush',
        kind: 'brush',
        ...(sleek ? { role: 'rubber' as const } : {}),
        place: 'table',
        minutes: brushMinutes(coat, surface, mood, mats, puppy),
        detail: [said(puppy ? 'step.softBrush' : sleek ? 'step.rubberBrush' : 'step.lineByLine'), ...tighten, ...later],
      }),
    )
  } else if (mats.length > 0) {
    steps.push(
      step({
        id: 'brush',
        kind: 'brush',
        role: 'matsOnly',
        place: 'table',
        zones: mats.map((m) => m.zone),
        minutes: matsOnlyMinutes(mats, mood),
        detail: [said('step.matsOnly'), ...tighten],
      }),
    )
  }
  return steps
}

/** One ear's plan in brief. */
export function earInBrief(ear: EarsPlan['left']): EarInBrief {
  return {
    action: ear.action,
    product: ear.product ?? null,
    mL: ear.millilitres?.value ?? 0,
    rounds: ear.rounds,
    thin: ear.thinHair,
    thenDry: ear.thenDry,
  }
}

/** Both ears, wherever the rule puts them. */
export function earStep(f: StepFacts): Step {
  const { left, right, minutes } = f.ears
  return step({
    id: 'ears',
    kind: 'earClean',
    place: 'table',
    zones: ['ears'],
    minutes,
    detail: [
      said('step.ear', { side: 'left', ear: earInBrief(left) }),
      said('step.ear', { side: 'right', ear: earInBrief(right) }),
    ],
  })
}

/** Shaking off, with a rest in a crate for coats that hold much water. */
export function shakeStep(f: StepFacts): Step {
  const rest =
    f.hold > PAUSES.restAbove.value && f.stage !== 'puppy' && !f.dog.thinSkin && !f.dog.fears.includes('crate')
  const minutes = reckon(
    'min',
    start('shake.short', {}, PAUSES.shakeShort.value),
    rest && set('shake.rest', {}, PAUSES.shakeRest.value),
  )
  return step({
    id: 'shake',
    kind: 'shake',
    place: 'crate',
    minutes,
    hands: !rest,
    detail: [said(rest ? 'step.restAndSetUp' : 'step.letShake')],
  })
}

/** The dryers of a plan in the order in which they are used, each once. */
export function dryersOf({ choice }: Pick<StepFacts['drying'], 'choice'>): string[] {
  const names = [choice.fan?.name, choice.second?.name, choice.velocity?.name, choice.warm?.name].filter(
    (n): n is string => !!n,
  )
  return [...new Set(names)]
}

/** The fan that a dog lies in front of, with a second one where both are wanted; null in room air. */
const fansOf = ({ choice: { fan, second } }: Pick<StepFacts['drying'], 'choice'>): string | null =>
  fan ? [fan.name, ...(second ? [second.name] : [])].join(', ') : null

/** Drying: by hand on the table, or by itself in front of a fan or in warm room air; both in turn. */
export function dryingSteps(f: StepFacts): Step[] {
  const { drying } = f
  const { choice, zones, minutes, combAt } = drying
  const all = zones.map((z) => z.zone)
  const { technique } = choice
  if (technique === 'fan' || technique === 'air') {
    return [
      step({
        id: 'dry',
        kind: 'dry',
        role: 'alone',
        place: 'crate',
        hands: false,
        minutes,
        zones: all,
        detail: [
          said('step.alone', { technique, fan: fansOf(drying) }),
          ...(combAt.length > 0 ? [said('step.combAt', { minutes: combAt })] : []),
        ],
      }),
    ]
  }
  const damp = zones.filter((z) => z.damp !== undefined).map((z) => z.zone)
  const byHand = [
    said('step.dryOrder', { first: all.slice(0, 2), headLast: all.at(-1) === 'head' }),
    ...(damp.length > 0 ? [said('step.dampLeft', { zones: damp })] : []),
  ]
  /** The step in which a brush works, with the dryers in hand. */
  const inHand = (took: Reckoned, dryers: string[], ...first: Step['detail']): Step =>
    step({
      id: 'dry',
      kind: 'dry',
      place: 'table',
      minutes: took,
      zones: all,
      detail: [said('step.dryWith', { dryers }), ...first, ...byHand],
    })
  if (technique === 'brush, then air' && !isOwn(minutes)) {
    const dryer = choice.warm!.name
    const brushed = inHand(reckon('min', start('dry.shortBrush', { dryer }, drying.handMinutes)), [dryer])
    if (drying.aloneMinutes <= 0) return [brushed]
    return [
      brushed,
      step({
        id: 'dry-warm',
        kind: 'dry',
        role: 'wrapped',
        place: 'crate',
        hands: false,
        minutes: reckon(
          'min',
          ...minutes.because.filter((r) => r.code === 'dry.thenWarmth').map((r) => ({ ...r, how: 'start' as const })),
        ),
        zones: all,
        detail: [said('step.wrapped')],
      }),
    ]
  }
  if (technique === 'fan, then brush' && !isOwn(minutes)) {
    const fan = reckon('min', ...minutes.because.filter((r) => r.code !== 'dry.thenBrush' && r.by !== 'log'))
    const dryer = choice.warm!.name
    return [
      step({
        id: 'dry-fan',
        kind: 'dry',
        role: 'fan',
        place: 'crate',
        hands: false,
        minutes: fan,
        zones: all,
        detail: [said('step.alone', { technique: 'fan', fan: fansOf(drying) })],
      }),
      inHand(reckon('min', start('dry.brushAfter', { dryer }, drying.handMinutes)), [dryer]),
    ]
  }
  const { fastMinutes: blown } = drying
  if (blown !== undefined && !isOwn(minutes)) {
    const dryer = choice.velocity!.name
    return [
      step({
        id: 'dry-fast',
        kind: 'dry',
        role: 'fast',
        place: 'table',
        minutes: reckon('min', start('dry.blown', { dryer }, blown)),
        zones: zones.filter((z) => z.velocity > 0).map((z) => z.zone),
        detail: [said('step.dryWith', { dryers: [dryer] }), said('step.wholeDog')],
      }),
      inHand(further(minutes, add('dry.blownBefore', { dryer }, -blown)), [choice.warm!.name]),
    ]
  }
  const byZone = f.rules.dryerTurns === 'zone' && choice.velocity !== undefined && choice.warm !== undefined
  return [inHand(minutes, dryersOf(drying), ...(byZone ? [said('step.zoneByZone')] : []))]
}

/** The last comb-through, or a cloth over a smooth coat; nothing on coats that need neither. */
export function combStep(f: StepFacts): Step | false {
  const { coat, surface, mood, today, rules, puppy } = f
  const late = rules.smallMats === 'after' ? matMinutes(today.mats, surface, (s) => s === 1) : []
  const minutes = puppy ? matsOnlyMinutes(late, mood) : combMinutes(coat, surface, mood, late)
  if (minutes.value <= 0) return false
  const sleek = isSleek(coat.coat)
  return step({
    id: 'comb',
    kind: 'comb',
    ...(sleek ? { role: 'cloth' as const } : {}),
    place: 'table',
    minutes,
    detail: [
      sleek ? said('step.clothOver') : said('step.combToSkin', { layers: isLong(coat.coat) }),
      said('step.dryDampNow'),
      ...(late.length > 0 && worstMats(today.mats) === 1 && meanMats(today.mats) > 0
        ? [said('step.smallMatsNow')]
        : []),
    ],
  })
}
