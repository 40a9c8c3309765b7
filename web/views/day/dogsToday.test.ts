import type { TubDay } from '@contract'
import { idAt, tapsOf, type TapDraft } from '@core/fixtures'
import { WashDay, type DayOdds, type DayState } from '@core/washday'
import { dogsToday } from './dogsToday'

const [visitId, dogId] = [idAt(1), idAt(2)]
const steps: TubDay['visits'][number]['steps'] = [
  { id: 'wet', kind: 'wet', minutes: 10, hands: true },
  { id: 'dry', kind: 'dry', minutes: 50, hands: true },
  { id: 'clean', kind: 'clean', minutes: 10, hands: true, withDog: false },
]
const tubWith = (...taps: TapDraft[]): TubDay => ({
  date: '2026-11-28',
  seats: [{ dogId, name: 'Moss', colour: 1, flags: [], at: 560, arrive: 540, pickup: 700 }],
  helper: null,
  visits:
    taps.length > 0
      ? [
          {
            visitId,
            dogId,
            name: 'Moss',
            colour: 1,
            bath: true,
            steps,
            tool: 'shower',
            flow: 7,
            events: tapsOf(...taps),
          },
        ]
      : [],
})
const seat = { id: 's1', dogId, arrive: 540, pickup: 700 }
const day = WashDay.parse({ date: '2026-11-28', hours: { from: 480, to: 1020 }, seats: [seat] })
const state = { seats: [{ seat }], run: { seats: [{ id: 's1', ready: 690 }] } } as unknown as DayState
const odds = { dogs: { s1: { onTime: 0.8, ready: [200, 210, 230] } } } as unknown as DayOdds
/** The moment of a tap's minute, and of so many after it. */
const at = (minutes: number) => new Date(tapsOf({ kind: 'pause', minute: minutes })[0]!.at)
const minuteOf = (d: Date) => d.getHours() * 60 + d.getMinutes()
const one = (tub: TubDay, now: Date, of = day) => dogsToday(of, tub, state, odds, now)[0]!
const clock = (h: number, m: number) => new Date(2026, 10, 28, h, m)

test('a dog that is expected goes by the plan: ready, its chance, and missing once it is overdue', () => {
  const early = one(tubWith(), clock(9, 5))
  expect(early).toMatchObject({ state: 'expected', ready: 690, readyBy: 710, onTime: 0.8, late: 0, missing: false })
  expect(one(tubWith(), clock(9, 11)).missing).toBe(true)
})

test('one under way goes by its own steps, the tub that is cleaned after it not counted', () => {
  const now = at(4)
  const dog = one(tubWith({ kind: 'step', step: 'wet', minute: 0 }), now)
  expect(dog.state).toBe('inHand')
  expect(dog.ready).toBeCloseTo(minuteOf(now) + 6 + 50, 6)
  expect(dog.onTime).toBeUndefined()
  expect(dog.late).toBe(Math.max(0, Math.round(dog.ready! - 700)))
})

test('what was said of the day by hand counts where nothing was tapped, and no longer than that', () => {
  const told = (end: number | null, now: number) =>
    WashDay.parse({ ...day, progress: { now, tasks: { 's1.bath': { start: 560, end } } } })
  expect(one(tubWith(), clock(10, 0), told(null, 600)).state).toBe('inHand')
  expect(one(tubWith(), clock(10, 0), told(590, 600)).state).toBe('here')
  expect(one(tubWith(), clock(12, 0), told(590, 720))).toMatchObject({
    state: 'ready',
    onTime: undefined,
    missing: false,
  })
  const tapped = tubWith({ kind: 'arrived', minute: 0 })
  expect(one(tapped, clock(12, 0), told(590, 720)).state).toBe('here')
})

test('a visit outside the day’s seats isn’t one of its dogs', () => {
  expect(
    dogsToday(
      { ...day, seats: [] },
      { ...tubWith({ kind: 'arrived', minute: 0 }), seats: [] },
      state,
      odds,
      clock(9, 0),
    ),
  ).toEqual([])
})
