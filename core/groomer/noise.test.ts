import { allowedMinutes, isLoud, noiseDose } from '.'

test('every 3 dB halve the minutes: 85 dBA for eight hours, 88 for four, 94 for one; nothing counts under the floor', () => {
  expect([85, 88, 94].map(allowedMinutes)).toEqual([480, 240, 60])
  expect(allowedMinutes(79.9)).toBe(Infinity)
})

test('measured stretches add up to the day’s dose', () => {
  expect(noiseDose([])).toBe(0)
  expect(
    noiseDose([
      { level: 94, minutes: 15 },
      { level: 88, minutes: 60 },
      { level: 70, minutes: 300 },
    ]),
  ).toBeCloseTo(50, 9)
})

test('a level is loud when fewer than two hours of it are allowed', () => {
  expect([90, 92, 94].map(isLoud)).toEqual([false, true, true])
})
