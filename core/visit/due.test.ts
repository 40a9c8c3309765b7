import { dueState, INTERVAL, addDays, type Due } from '.'

const today = '2026-11-28'
const due = (more: Partial<Due>): Due => ({ last: '2026-10-01', due: null, booked: null, ...more })

test.each<[string, Due, string]>([
  ['never here', due({ last: null }), 'new'],
  ['its date has gone by', due({ due: '2026-11-27' }), 'over'],
  ['today', due({ due: today }), 'soon'],
  ['the last day within a week', due({ due: addDays(today, INTERVAL.soon.value) }), 'soon'],
  ['the day after that', due({ due: addDays(today, INTERVAL.soon.value + 1) }), 'later'],
  ['long due, but on a day already', due({ due: '2026-10-20', booked: '2026-12-05' }), 'booked'],
])('%s', (_what, its, state) => expect(dueState(its, today)).toBe(state))
