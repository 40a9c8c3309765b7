import { add, further, note, reckon, replay, set, start, sum, times } from './reckoned'
import { capital, list, minutesText, say } from './units'

test('reasons read from top to bottom make the number', () => {
  const because = [start('a', 10), add('b', -4), times('c', 2), note('d'), set('e', 9), add('f', 0.5)]
  expect(replay(because)).toBe(9.5)
  expect(replay([])).toBe(0)
})

test('what moves nothing is left out, what explains stays', () => {
  expect(reckon('mL', start('a', 3), times('b', 1), add('c', 0), note('d'), false).because.map((r) => r.fact)).toEqual([
    'a',
    'd',
  ])
  expect(further(reckon('mL', start('a', 3)), times('b', 2))).toMatchObject({ value: 6, unit: 'mL' })
  expect(sum('min', [])).toEqual({ value: 0, unit: 'min', because: [] })
  expect(
    sum('min', [
      { fact: 'a', value: 0 },
      { fact: 'b', value: 2 },
    ]).value,
  ).toBe(2)
})

test('numbers and words as people write them', () => {
  expect([say(11.5), say(-4), say(-0.01), say(3.14159, 2), say(100, 0)]).toEqual(['11.5', '−4', '0', '3.14', '100'])
  expect([list(['a']), list(['a', 'b']), list(['a', 'b', 'c'], 'or')]).toEqual(['a', 'a and b', 'a, b or c'])
  expect([minutesText(45.4), minutesText(60), minutesText(157)]).toEqual(['45 min', '1 h', '2 h 37'])
  expect([capital('left'), capital('')]).toEqual(['Left', ''])
})
