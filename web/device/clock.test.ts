import { clockWrong, hearClock, onClockShift, timeNow } from './clock'

const about = (ms: number) => Math.round((timeNow() - Date.now() - ms) / 50) === 0

test('a device whose clock is wrong goes by the server’s; small differences and slow answers are left', () => {
  const shifts: number[] = []
  onClockShift((by) => void shifts.push(by))
  const at = (ahead: number, way = 20) => {
    const now = Date.now()
    hearClock(now + ahead, now - way / 2, now + way / 2)
  }
  expect(about(0)).toBe(true)
  at(900)
  expect(about(0)).toBe(true)
  at(-600_000)
  expect(about(-600_000)).toBe(true)
  // two seconds more or less on an answer that took five don't count
  at(-602_000, 5000)
  expect(about(-600_000)).toBe(true)
  at(-590_000)
  expect(about(-590_000)).toBe(true)
  // put right by hand
  at(100)
  expect(about(0)).toBe(true)
  hearClock(NaN, Date.now())
  // another day altogether isn’t a clock that goes wrong
  at(3 * 86_400_000)
  expect(about(0)).toBe(true)
  expect(clockWrong.value).toBe(3 * 86_400_000)
  at(0)
  expect(clockWrong.value).toBe(0)
  expect(shifts).toEqual([-600_000, 10_000, 590_000])
})
