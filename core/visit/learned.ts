import { ZONE_NAMES, type Coat } from '../dog'
import type { DryingPlan } from '../drying'
import {
  bandOfSum,
  LEARN,
  UNKNOWN_SPREAD,
  lessonWords,
  likelyMinutes,
  type Lesson,
  type Lessons,
  type Likely,
} from '../learn'
import { add, further, note, times } from '../reckoned'
import type { Step } from './types'

/** Steps whose minutes are set, not worked: nothing is learned from how long they last. */
const SET = /^(wait|shake)/

/**
 * The kind under which the log keeps a step: washes one after another are one kind, drying by itself another
 * than by hand. Undefined for steps whose minutes are set: waits and rests.
 */
export function kindOf({ id, hands }: Pick<Step, 'id' | 'hands'>): string | undefined {
  if (SET.test(id)) return undefined
  const kind = id.replace(/-\d+$/, '')
  return hands ? kind : `${kind} alone`
}

/** The kind under which the log keeps the drying of one zone by hand. */
export const zoneKind = (zone: string): string => `dry: ${zone}`

/** The kind under which the log keeps the grams of water that weighed towels took. */
export const TOWEL_WATER = 'towel water'

/** The coat, for its drying, with the water it holds as weighed towels tell it. */
export function learnHold(coat: Coat, lessons: Lessons): Coat {
  const lesson = lessons[TOWEL_WATER]
  return lesson ? { ...coat, held: Math.exp(lesson.mean) } : coat
}

/** The drying with a word on what the towel weighings did to its water. */
export function sayHold(drying: DryingPlan, lessons: Lessons): DryingPlan {
  const lesson = lessons[TOWEL_WATER]
  if (!lesson) return drying
  const held = Math.exp(lesson.mean)
  const percent = Math.round(100 * Math.abs(held - 1))
  const fact = note(`holds ${percent} % ${held > 1 ? 'more' : 'less'} water than its table, ${lessonWords(lesson)}`)
  return { ...drying, held, water: further(drying.water, fact) }
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
  const alone = drying.handMinutes === 0
  if (alone || known.length === 0 || drying.minutes.because.some((r) => r.how === 'set')) return drying
  const zones = drying.zones.map((z) => {
    const lesson = lessons[zoneKind(z.zone)]
    return lesson ? { ...z, model: z.minutes, minutes: z.minutes * Math.exp(lesson.mean) } : z
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
    ...large.map((m) => add(`${ZONE_NAMES[m.zone]}, ${lessonWords(m.lesson)}`, m.by)),
    add('other zones, the log', small),
  )
  const by = minutes.value - drying.minutes.value
  return { ...drying, zones, minutes, model: drying.minutes.value, handMinutes: drying.handMinutes + by }
}

/** Bands of a whole visit's minutes; undefined while the log says nothing of its steps. */
export function likelyVisit(steps: readonly Step[]): Pick<Likely, 'half' | 'most'> | undefined {
  if (!steps.some((s) => s.likely)) return undefined
  return bandOfSum(
    steps.map((s) => ({
      middle: s.minutes.value,
      spread: kindOf(s) === undefined ? undefined : (s.likely?.spread ?? UNKNOWN_SPREAD),
    })),
  )
}

/** A step with what the log says of it: the middle of its likely minutes in place of the model's, and the bands around it. */
export function learnStep(step: Step, lessons: Lessons, drying: DryingPlan): Step {
  const kind = kindOf(step)
  const lesson = kind === undefined ? undefined : lessons[kind]
  const own = step.minutes.because.some((r) => r.fact.startsWith('You:'))
  if (step.id === 'dry' && step.hands && drying.model !== undefined) {
    const model = step.minutes.value - (drying.minutes.value - drying.model)
    return { ...step, model, likely: likelyAround(step.minutes.value, lesson ?? Object.values(lessons)[0]) }
  }
  if (!lesson || own || step.minutes.value <= 0) return step
  const likely = likelyMinutes(lesson, step.minutes.value)
  const minutes = further(step.minutes, times(lessonWords(lesson), likely.median / step.minutes.value))
  return { ...step, minutes, model: step.minutes.value, likely }
}
