import { ZONES, type Coat, type Zone } from '../dog'
import { turnMinutes, type DryingPlan } from '../drying'
import {
  bandOfSum,
  LEARN,
  learnedFactor,
  lessonFacts,
  likelyMinutes,
  UNKNOWN_SPREAD,
  type Lesson,
  type LessonFacts,
  type Lessons,
  type Likely,
} from '../learn'
import { add, further, isOwn, note, times } from '../reckoned'
import type { RinsePlan } from '../rinse'
import type { StepKind } from './stepName'
import type { Plan, Step } from './types'

declare module '../said' {
  interface Codes {
    'log.zone': { zone: Zone; lesson: LessonFacts }
    'log.otherZones': None
    'log.holds': { ratio: number; lesson: LessonFacts }
  }
}

/** Under what the log keeps the minutes of each kind of step; kinds left out are set, not worked: nothing is learned from them. */
const KEPT_AS: Partial<Record<StepKind, string>> = {
  look: 'look',
  brush: 'brush',
  blowOut: 'blow-out',
  nails: 'nails',
  earClean: 'ears',
  plugIn: 'plugs-in',
  plugOut: 'plugs-out',
  liftIn: 'lift-in',
  wet: 'wet',
  wash: 'lather',
  face: 'face',
  rinse: 'rinse',
  condition: 'condition',
  squeeze: 'squeeze',
  liftOut: 'lift-out',
  towel: 'towel',
  setUp: 'set-up',
  dry: 'dry',
  comb: 'comb',
  topknot: 'topknot',
  deShed: 'de-shed',
  clip: 'clip',
  tidy: 'tidy',
  teeth: 'teeth',
  glands: 'glands',
  handOver: 'hand-over',
  clean: 'clean',
}

/**
 * The kind under which the log keeps a step: washes one after another are one kind, drying by itself another
 * than by hand. Undefined for steps whose minutes are set: waits and rests.
 */
export function kindOf({ kind, role, hands }: Pick<Step, 'kind' | 'role' | 'hands'>): string | undefined {
  const kept = KEPT_AS[kind]
  if (kept === undefined) return undefined
  if (kind === 'rinse' && role === 'last') return 'rinse-last'
  if (kind === 'rinse' && role === 'conditioner') return 'rinse-conditioner'
  if (kind === 'dry' && role === 'fan') return 'dry-fan alone'
  if (kind === 'dry' && role === 'fast') return 'dry-fast'
  if (kind === 'dry' && role === 'wrapped') return undefined
  return hands ? kept : `${kept} alone`
}

/** The kind under which the log keeps the drying of one zone by hand. */
export const zoneKind = (zone: string): string => `dry: ${zone}`

/** The zone of such a kind; undefined for others. */
export const zoneOfKind = (kind: string): Zone | undefined => ZONES.find((z) => zoneKind(z) === kind)

/** The kind under which the log keeps the grams of water that weighed towels took. */
export const TOWEL_WATER = 'towel water'

/** The coat, for its drying, with the water it holds as weighed towels tell it. */
export function learnHold(coat: Coat, lessons: Lessons): Coat {
  const lesson = lessons[TOWEL_WATER]
  return lesson ? { ...coat, held: learnedFactor(lesson) } : coat
}

/** The drying with a word on what the towel weighings did to its water. */
export function sayHold(drying: DryingPlan, lessons: Lessons): DryingPlan {
  const lesson = lessons[TOWEL_WATER]
  if (!lesson) return drying
  const held = learnedFactor(lesson)
  return {
    ...drying,
    held,
    water: further(drying.water, note('log.holds', { ratio: held, lesson: lessonFacts(lesson) }, 'log')),
  }
}

/** Minutes as the log has them around a middle that is known otherwise. */
function likelyAround(middle: number, lesson: Lesson | undefined): Likely | undefined {
  return lesson && likelyMinutes({ mean: 0, variance: lesson.variance }, Math.max(LEARN.least.value, middle))
}

/**
 * A drying by hand with what the log says of its zones: each zone's minutes, and the total with a reason for
 * every zone that moves it. `pace`: how much slower than a calm dog. Drying by itself is left as it is.
 */
export function learnZones(drying: DryingPlan, lessons: Lessons, pace: number): DryingPlan {
  const known = drying.zones.filter((z) => lessons[zoneKind(z.zone)])
  if (drying.handMinutes === 0 || known.length === 0 || isOwn(drying.minutes)) return drying
  const zones = drying.zones.map((z) => {
    const lesson = lessons[zoneKind(z.zone)]
    const before = z.minutes - turnMinutes(z, drying.turns)
    return lesson ? { ...z, model: z.minutes, minutes: before + (z.minutes - before) * learnedFactor(lesson) } : z
  })
  const moved = zones.flatMap((z) =>
    z.model === undefined
      ? []
      : [{ zone: z.zone, by: (z.minutes - z.model) * pace, lesson: lessons[zoneKind(z.zone)]! }],
  )
  const large = moved.filter((m) => Math.abs(m.by) >= LEARN.ownLine.value)
  const small = moved.filter((m) => Math.abs(m.by) < LEARN.ownLine.value).reduce((sum, m) => sum + m.by, 0)
  const minutes = further(
    drying.minutes,
    ...large.map((m) => add('log.zone', { zone: m.zone, lesson: lessonFacts(m.lesson) }, m.by, 'log')),
    add('log.otherZones', {}, small, 'log'),
  )
  const by = minutes.value - drying.minutes.value
  return { ...drying, zones, minutes, model: drying.minutes.value, handMinutes: drying.handMinutes + by }
}

/** By how much the log moves the last rinse: what the water must wash out takes its time, so it is only ever made longer. */
export function learnRinse(rinse: RinsePlan, lessons: Lessons): RinsePlan & { model?: number } {
  const lesson = lessons['rinse-last']
  const { minutes, litres } = rinse.last
  const factor = lesson ? Math.max(1, learnedFactor(lesson)) : 1
  if (!lesson || factor === 1 || isOwn(minutes)) return rinse
  const longer = further(minutes, times('log.lesson', lessonFacts(lesson), factor, 'log'))
  return {
    ...rinse,
    model: minutes.value,
    last: { ...rinse.last, minutes: longer, litres: litres * factor },
  }
}

/** Bands of a whole visit's minutes; undefined while the log says nothing of its steps. */
export function likelyVisit(steps: readonly Step[]): Plan['likely'] {
  if (!steps.some((s) => s.likely)) return undefined
  return bandOfSum(
    steps.map((s) => ({
      middle: s.minutes.value,
      spread: kindOf(s) === undefined ? undefined : (s.likely?.spread ?? UNKNOWN_SPREAD),
    })),
  )
}

/** What of a plan the log has moved already, before its steps were made: the drying and the last rinse, minutes before that. */
export interface Moved {
  drying: DryingPlan
  rinseModel?: number
}

/**
 * A step with what the log says of it: the middle of its likely minutes in place of the model's, and the bands
 * around it. Rinses are never made shorter: the water takes its time. A step with the user's own minutes, or one
 * the log moved before, keeps what it has.
 */
export function learnStep(step: Step, lessons: Lessons, { drying, rinseModel }: Moved): Step {
  const kind = kindOf(step)
  const lesson = kind === undefined ? undefined : lessons[kind]
  if (isOwn(step.minutes)) return step
  if (step.kind === 'dry' && step.hands && step.role !== 'fast' && drying.model !== undefined) {
    const model = step.minutes.value - (drying.minutes.value - drying.model)
    return { ...step, model, likely: likelyAround(step.minutes.value, lesson ?? Object.values(lessons)[0]) }
  }
  if (!lesson || step.minutes.value <= 0) return step
  if (step.kind === 'rinse' && step.role === 'last')
    return { ...step, model: rinseModel ?? step.minutes.value, likely: likelyAround(step.minutes.value, lesson) }
  const reached = learnedFactor(lesson)
  const factor = step.kind === 'rinse' || step.kind === 'wet' ? Math.max(1, reached) : reached
  const minutes = further(step.minutes, times('log.lesson', lessonFacts(lesson), factor, 'log'))
  return { ...step, minutes, model: step.minutes.value, likely: likelyAround(minutes.value, lesson) }
}
