import { arrangedDay, brokenRules, dayFacts, dayHouse } from '../fixtures'
import { House } from '../house'
import { drive } from '../turns'
import {
  adviseTimes,
  OWNER_TIMES,
  ownerTimes,
  planOfSchedule,
  standDay,
  WAIT_LIMITS,
  withAdvice,
  withOwnerTimes,
  type DayFacts,
} from '.'

const NAMES = ['Ash', 'Birch', 'Cedar', 'Dell']
const OPEN = { hours: { from: 480, to: 1080 } }
const open = arrangedDay(dayFacts(NAMES, OPEN, { pickup: OPEN.hours.to }))
const proposed = (facts: DayFacts, likely?: Record<string, number>) => ownerTimes(facts.day, standDay(facts), likely)

describe('times for owners of dogs that nothing was agreed for', () => {
  const times = proposed(open)

  test('nobody waits all day: each comes before its work, is fetched after it is ready, on round minutes', () => {
    expect(times).toHaveLength(NAMES.length)
    const { run, schedule } = standDay(open)
    for (const { seatId, arrive, pickup, saved } of times) {
      const starts = Object.entries(schedule!.tasks).flatMap(([id, at]) => (id.startsWith(`${seatId}.`) ? [at] : []))
      const first = Math.min(...starts) + OPEN.hours.from
      const { ready } = run!.seats.find((s) => s.id === seatId)!
      expect(arrive).toBeGreaterThanOrEqual(OPEN.hours.from)
      expect(arrive).toBeLessThanOrEqual(first)
      expect(first - arrive).toBeLessThan(OWNER_TIMES.before.value + OWNER_TIMES.roundTo.value)
      expect(pickup).toBeGreaterThanOrEqual(ready)
      expect(pickup).toBeGreaterThanOrEqual(Math.min(OPEN.hours.to, ready + OWNER_TIMES.after.value))
      expect(arrive % OWNER_TIMES.roundTo.value).toBe(0)
      expect(pickup % OWNER_TIMES.roundTo.value).toBe(0)
      expect(saved).toBeGreaterThanOrEqual(OWNER_TIMES.worth.value)
    }
    expect(new Set(times.map((t) => t.arrive)).size).toBeGreaterThan(1)
  })

  test('taken, the arrangement holds as it was, the dogs wait less, and nothing more is proposed', () => {
    const taken = { ...open, day: withOwnerTimes(open.day, times) }
    const [before, after] = [standDay(open), standDay(taken)]
    expect(after.schedule).toEqual(before.schedule)
    const waited = (state: typeof before) => state.run!.seats.reduce((sum, s) => sum + s.waiting, 0)
    expect(waited(after)).toBeLessThan(waited(before))
    expect(after.run!.seats.every((s) => s.late === 0)).toBe(true)
    expect(proposed(taken)).toEqual([])
  })

  test('a dog that is likely ready later than planned is fetched later', () => {
    const [first] = times
    const later = proposed(open, { [first!.seatId]: first!.pickup + 30 })
    expect(later.find((t) => t.seatId === first!.seatId)!.pickup).toBe(first!.pickup + 45)
  })

  test('nobody is told to fetch a dog before it is ready: none for one that is late, or likely will be', () => {
    const [first] = times
    expect(proposed(open, { [first!.seatId]: OPEN.hours.to + 1 }).map((t) => t.seatId)).not.toContain(first!.seatId)
    const hours = { from: OPEN.hours.from, to: OPEN.hours.from + 150 }
    const day = {
      ...open.day,
      hours,
      seats: open.day.seats.map((s) => ({ ...s, pickup: hours.to })),
    }
    const { run } = standDay({ ...open, day })
    const short = proposed({ ...open, day })
    for (const { seatId, pickup } of short)
      expect(pickup).toBeGreaterThanOrEqual(run!.seats.find((s) => s.id === seatId)!.ready)
    const late = run!.seats.filter((s) => s.ready > hours.to).map((s) => s.id)
    expect(late.length).toBeGreaterThan(0)
    expect(short.map((t) => t.seatId).filter((id) => late.includes(id))).toEqual([])
  })

  test('what was agreed stays: own hours, a booking; nothing for a day that isn’t arranged or has begun', () => {
    const [one, two] = open.day.seats
    const agreed = open.day.seats.map((s) =>
      s === one ? { ...s, arrive: 490 } : s === two ? { ...s, event: 'a booking' } : s,
    )
    const ids = proposed({ ...open, day: { ...open.day, seats: agreed } }).map((t) => t.seatId)
    expect(ids).not.toContain(one!.id)
    expect(ids).not.toContain(two!.id)
    expect(proposed(dayFacts(NAMES, OPEN, { pickup: OPEN.hours.to }))).toEqual([])
    const begun = { now: 500, tasks: {}, breaks: {} }
    expect(ownerTimes({ ...open.day, progress: begun as never }, standDay(open))).toEqual([])
  })
})

describe('times that the day chooses for owners who can come whenever it suits', () => {
  // a house that doesn't ask for a dog's work to be kept together: its orders leave more to be won
  const room = House.parse({ ...dayHouse, wishes: { apart: 'off' } })
  const all = arrangedDay(dayFacts(NAMES, OPEN, { arrive: OPEN.hours.from, pickup: OPEN.hours.to }, room))
  const ids = all.day.seats.map((s) => s.id)
  const advice = drive(adviseTimes(all, ids))!
  const taken: DayFacts = { ...all, day: withAdvice(all.day, advice) }
  const state = standDay(taken)

  test('taken, the arrangement holds: every dog is there before its work and ready before it is fetched', () => {
    expect(advice.times.map((t) => t.seatId).sort()).toEqual([...ids].sort())
    expect(brokenRules(state.problem, state.schedule!)).toEqual([])
    expect(planOfSchedule(taken.day, state.schedule!).tasks).toEqual(advice.plan.tasks)
    expect(state.run!.seats.every((s) => s.late === 0)).toBe(true)
    expect(state.run!.dayEnd).toBe(advice.ends)
    for (const { arrive, pickup } of advice.times) expect([arrive % 5, pickup % 5]).toEqual([0, 0])
  })

  test('dogs wait less than with the times around the arrangement as it was, and what they wait is told', () => {
    const around = standDay({ ...all, day: withOwnerTimes(all.day, proposed(all)) })
    const waits = (of: typeof state) => of.run!.seats.reduce((sum, s) => sum + s.waiting, 0)
    expect(waits(state)).toBeLessThan(waits(around))
    for (const { seatId, waits: told } of advice.times)
      expect(told).toBe(state.run!.seats.find((s) => s.id === seatId)!.longestWait)
    expect(advice.long.map((l) => l.seatId)).toEqual(
      state.run!.seats.filter((s) => s.longestWait > WAIT_LIMITS.wait.value).map((s) => s.id),
    )
  })

  test('only those who can; times that were agreed with others stay, and nobody is later for it', () => {
    const agreed = {
      ...all,
      day: { ...all.day, seats: all.day.seats.map((s) => (s.id === 'ash' ? { ...s, arrive: 600, pickup: 760 } : s)) },
    }
    const some = drive(
      adviseTimes(
        agreed,
        ids.filter((id) => id !== 'ash'),
      ),
    )!
    expect(some.times.map((t) => t.seatId)).not.toContain('ash')
    const then = standDay({ ...agreed, day: withAdvice(agreed.day, some) })
    expect(then.run!.seats.find((s) => s.id === 'ash')).toMatchObject({ arrive: 600, pickup: 760, late: 0 })
  })

  test('a dog that isn’t ready by the closing comes shortly before its work all the same, and is fetched as before', () => {
    const hours = { from: OPEN.hours.from, to: OPEN.hours.from + 150 }
    const short = dayFacts(NAMES, { ...OPEN, hours }, { arrive: hours.from, pickup: hours.to })
    const late = drive(adviseTimes(short, ids))!
    expect(late.unready.length).toBeGreaterThan(0)
    expect([...late.times, ...late.unready].map((t) => t.seatId).sort()).toEqual([...ids].sort())
    const then = withAdvice(short.day, late)
    const stands = standDay({ ...short, day: then })
    expect(brokenRules(stands.problem, stands.schedule!)).toEqual([])
    expect(planOfSchedule(then, stands.schedule!).tasks).toEqual(late.plan.tasks)
    for (const { seatId, arrive, ready } of late.unready) {
      expect(ready).toBeGreaterThan(hours.to)
      const first = Math.min(
        ...Object.entries(stands.schedule!.tasks).flatMap(([id, at]) => (id.startsWith(`${seatId}.`) ? [at] : [])),
      )
      expect(arrive).toBeLessThanOrEqual(first + hours.from)
      expect(arrive).toBeGreaterThan(first + hours.from - 20)
      expect(then.seats.find((s) => s.id === seatId)).toMatchObject({ arrive, pickup: hours.to })
    }
  })

  test('none for a day that has begun', () => {
    expect(drive(adviseTimes({ ...all, day: { ...all.day, progress: { now: 500, tasks: {} } } }, ids))).toBeUndefined()
  })
})
