import type { LessonFacts } from '@core/learn'
import { ZONE_NAMES } from './names'
import type { Say } from './say'
import type { Words } from './types'

/** A ratio of minutes in words: "30 % longer", "20 % less". */
export function ratioOfMinutes(ratio: number): string {
  const percent = Math.round(100 * Math.abs(ratio - 1))
  return `${percent} % ${ratio > 1 ? 'longer' : 'less'}`
}

/** Where a lesson comes from. */
export function lessonWords({ from, visits, ratio }: LessonFacts, say: Say): string {
  const count = say.count(visits, 'visit')
  if (from === 'apart' && ratio !== null) return `the log: ${ratioOfMinutes(ratio)} than the coat’s norm, from ${count}`
  if (from === 'coat') return `the log: ${count} of this coat`
  return from === 'house' ? `the log: ${count} of the house` : `the log: ${count} of its own`
}

export const LOG: Words<'log' | 'you' | 'kept'> = {
  'log.lesson': (lesson, say) => lessonWords(lesson, say),
  'log.zone': ({ zone, lesson }, say) => `${ZONE_NAMES[zone]}, ${lessonWords(lesson, say)}`,
  'log.otherZones': 'other zones, the log',
  'log.holds': ({ ratio, lesson }, say) => {
    const percent = Math.round(100 * Math.abs(ratio - 1))
    return `holds ${percent} % ${ratio > 1 ? 'more' : 'less'} water than its table, ${lessonWords(lesson, say)}`
  },
  'you.number': ({ reason }) => (reason === '' ? 'You: your own number' : `You: ${reason}`),
  'you.instead': (number, say) => `Reckoned ${say.amount(number)}`,
  'kept.words': ({ text }) => text,
}
