import { dueWords, HELP, METRIC_SAY } from '.'

const today = '2026-11-28'
const never = { last: null, due: null, booked: null }

test.each([
  [{ ...never, due: '2026-11-14' }, 'due since 14 November'],
  [{ ...never, due: '2026-11-28' }, 'due today'],
  [{ ...never, due: '2026-12-03' }, 'due on 3 December'],
  [{ ...never, due: '2027-01-12' }, 'due about 12 January'],
  [{ ...never, due: '2026-11-14', booked: '2026-11-28' }, 'comes today'],
  [{ ...never, booked: '2026-12-05' }, 'comes on 5 December'],
  [never, 'not here yet'],
])('%j: %s', (due, words) => expect(dueWords(due, today, METRIC_SAY)).toBe(words))

test('every sheet of help has lines that end as sentences, and no key twice', () => {
  for (const { lines, keys } of Object.values(HELP)) {
    expect(lines.length).toBeGreaterThan(1)
    for (const line of lines) expect(line).toMatch(/^[A-Z“].*[.]$/)
    expect(new Set(keys.map(([key]) => key)).size).toBe(keys.length)
  }
})
