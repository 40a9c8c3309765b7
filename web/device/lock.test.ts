import { isUntouched } from './lock'

const NOW = Date.parse('2026-11-28T10:00:00Z')

test('a device locks once it lies untouched for as long as was chosen, never where none was, and a clock set back doesn’t open it', () => {
  expect(isUntouched(NOW - 4.9 * 60_000, 5, NOW)).toBe(false)
  expect(isUntouched(NOW - 5.1 * 60_000, 5, NOW)).toBe(true)
  expect(isUntouched(NOW + 3 * 3_600_000, 5, NOW)).toBe(true)
  expect(isUntouched(0, 0, NOW)).toBe(false)
})
