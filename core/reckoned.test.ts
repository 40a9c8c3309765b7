import { add, further, isOwn, note, reckon, replay, set, start, sum, times, withOwn } from './reckoned'
import { said, sameSaid } from './said'

const from = (value: number) => start('hands.atLeast', { minutes: value }, value)
const more = (value: number) => add('dry.movingOn', { zones: 2 }, value)
const factor = (value: number) => times('hands.atLeast', { minutes: 1 }, value)
const plainly = note('dry.lowForce', {})
const yours = (value: number) => set('you.number', { reason: 'so' }, value, 'you')

test('reasons read from top to bottom make the number', () => {
  expect(replay([from(10), more(-4), factor(2), plainly, yours(9), more(0.5)])).toBe(9.5)
  expect(replay([])).toBe(0)
})

test('what moves nothing is left out, what explains stays', () => {
  expect(reckon('mL', from(3), factor(1), more(0), plainly, false).because).toEqual([from(3), plainly])
  expect(further(reckon('mL', from(3)), factor(2))).toMatchObject({ value: 6, unit: 'mL' })
  expect(sum('min', [])).toEqual({ value: 0, unit: 'min', because: [] })
  const parts = [0, 2].map((value) => ({ ...said('dry.movingOn', { zones: 2 }), value }))
  expect(sum('min', parts).value).toBe(2)
})

test('one’s own number replaces what was reckoned, keeps the way there, and is known as one’s own', () => {
  const own = withOwn(reckon('min', from(3)), yours(7))
  expect(own.value).toBe(7)
  expect(own.because[0]).toEqual(from(3))
  expect([isOwn(own), isOwn(reckon('min', from(3)))]).toEqual([true, false])
  expect(withOwn(reckon('min', from(3)), undefined)).toEqual(reckon('min', from(3)))
})

test('statements are the same when code and facts are', () => {
  expect(sameSaid(said('dry.movingOn', { zones: 2 }), said('dry.movingOn', { zones: 2 }))).toBe(true)
  expect(sameSaid(said('dry.movingOn', { zones: 2 }), said('dry.movingOn', { zones: 3 }))).toBe(false)
  expect(sameSaid(said('dry.lowForce'), said('dry.room', { celsius: 20, humidity: 50 }))).toBe(false)
})
