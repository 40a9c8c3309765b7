import { arrangeDay, type Arrangement, type DayProblem, type DaySchedule } from '../day'
import { drive } from '../turns'
import { Dog } from '../dog'
import { House } from '../house'
import { Product } from '../mix'
import {
  arrangeWashDay,
  byWorth,
  dayOdds,
  dogOn,
  dueOn,
  emptyDay,
  linesOfDay,
  mixingList,
  planOfSchedule,
  partThatFits,
  planSeats,
  prepareList,
  problemNow,
  progressAt,
  seatFor,
  standDay,
  standLoosely,
  tryDog,
  tryWay,
  WashDay,
  waysFor,
  whatChanged,
  type DayFacts,
  type DayFinding,
  type DayState,
  type Seat,
  type Standing,
} from '.'

const DATE = '2026-11-28'
const off = { name: 'heat off', heatW: 0 }
const house = House.parse({
  name: 'Test room',
  dryers: [
    { name: 'Blower', kind: 'velocity', airflow: 4.5, nozzleMm: 40, motorW: 1200, settings: [off], level: 94 },
    {
      name: 'Stand',
      kind: 'stand',
      airflow: 2.2,
      nozzleMm: 60,
      motorW: 100,
      settings: [off, { name: 'warm', heatW: 1700 }],
      level: 76,
    },
    { name: 'Fan', kind: 'fan', airflow: 50, nozzleMm: 400, motorW: 60, settings: [off], level: 62 },
  ],
  helper: { name: 'Sam', from: 660, to: 960 },
})
const shelf = [
  Product.parse({ name: 'Plain', kind: 'cleaning', ratio: '1+10', pumpMl: 8 }),
  Product.parse({ name: 'Soft', kind: 'conditioner', ratio: '1+5' }),
].map((p) => ({ ...p, id: p.name }))
const DOGS = [
  { name: 'Ash', coat: 'smooth', weightKg: 9 },
  { name: 'Birch', coat: 'wire', weightKg: 8 },
  { name: 'Cedar', coat: 'curly', weightKg: 14, coatLengthCm: 4 },
  { name: 'Dell', coat: 'long double', weightKg: 20, known: { shedding: true } },
  { name: 'Elm', coat: 'short double', weightKg: 22, known: { fleas: true } },
  { name: 'Fern', coat: 'drop', weightKg: 10, stage: 'puppy' },
] as const
const dogs = Object.fromEntries(DOGS.map((d) => [d.name, dogOn(Dog.parse(d), DATE)]))

/** A day of some dogs; `seat` and `more` change every seat and the day, `room` the house. */
function factsOf(
  names: readonly string[],
  more: Partial<WashDay> = {},
  seat: Partial<Seat> = {},
  room = house,
): DayFacts {
  const day = { ...emptyDay(DATE, room), pauses: [], ...more }
  const seats = names.map((n) => seatFor(n, day, { arrive: day.hours.from, pickup: 1200, ...seat }))
  return { day: WashDay.parse({ ...day, seats }), dogs, shelf, house: room }
}
function arranged(facts: DayFacts, tries = 400): DayFacts {
  const found = arrangeDay(standDay(facts).problem, { tries }) as Arrangement
  return { ...facts, day: { ...facts.day, plan: planOfSchedule(facts.day, found.schedule) } }
}
const findingOf = (facts: DayFacts, kind: DayFinding['kind']) => standDay(facts).findings.find((f) => f.kind === kind)

/** Whether a schedule is free of double use and keeps the waits: the rules that a re-plan may not break. */
function brokenRules(problem: DayProblem, schedule: DaySchedule): string[] {
  const tasks = problem.dogs.flatMap((d) => d.tasks.map((t) => ({ ...t, dog: d.id })))
  const broken: string[] = []
  for (let minute = 0; minute < problem.horizon; minute++) {
    const held: Record<string, number> = {}
    const hold = (uses: Record<string, number>) =>
      Object.entries(uses).forEach(([r, n]) => (held[r] = (held[r] ?? 0) + n))
    for (const t of tasks) if (schedule.tasks[t.id]! <= minute && minute < schedule.tasks[t.id]! + t.dur) hold(t.uses)
    for (const b of problem.breaks)
      if (schedule.breaks[b.id]! <= minute && minute < schedule.breaks[b.id]! + b.dur) hold(b.uses)
    for (const a of problem.away ?? []) if (a.from <= minute && minute < a.to) hold(a.uses)
    for (const [r, n] of Object.entries(held)) if (n > problem.resources[r]!) broken.push(`${r} at ${minute}`)
  }
  for (const t of tasks) {
    for (const p of t.preds) {
      const before = tasks.find((o) => o.id === p.task)!
      const gap = schedule.tasks[t.id]! - schedule.tasks[before.id]! - before.dur
      if (gap < p.minGap || (p.maxGap !== null && gap > p.maxGap)) broken.push(`${t.id} ${gap} after ${p.task}`)
    }
  }
  return broken
}

describe('a day run through', () => {
  test('an unarranged day has plans and no run; an arranged one counts every minute of hands, litre and towel', () => {
    expect(standDay(factsOf(['Ash', 'Cedar'])).run).toBeUndefined()
    const state = standDay(arranged(factsOf(['Ash', 'Cedar'])))
    const { run, seats } = state
    const hands = state.problem.dogs.flatMap((d) => d.tasks.filter((t) => t.uses.hands)).reduce((s, t) => s + t.dur, 0)
    expect(run!.handMinutes).toBe(hands)
    expect(run!.hotUsed).toBeCloseTo(
      seats.reduce((sum, s) => sum + s.plan.water.hotLitres, 0),
      0,
    )
    expect(run!.towels.at(-1)).toBe(house.towels - seats.reduce((sum, s) => sum + s.plan.towels.value, 0))
    expect(run!.seats.every((s) => s.ready > s.arrive && s.waiting >= 0)).toBe(true)
  })

  test('water that runs out is said with the minute and the dog, and with how cold it gets', () => {
    const small = House.parse({ ...house, water: { ...house.water, tankL: 20, heaterKw: 1 } })
    const facts = factsOf(['Dell'], {}, {}, small)
    const whole = standDay(facts)
    const at = Object.fromEntries(whole.problem.dogs[0]!.tasks.map((t) => [t.id, 0]))
    let minute = 0
    for (const t of whole.problem.dogs[0]!.tasks) {
      at[t.id] = minute
      minute += t.dur
    }
    const state = standDay({
      ...facts,
      day: { ...facts.day, plan: planOfSchedule(facts.day, { tasks: at, breaks: {} }) },
    })
    const short = state.findings.find((f) => f.kind === 'water')!
    expect(short.level).toBe('stop')
    expect(short).toMatchObject({ code: 'found.water', facts: { name: 'Dell', coldestC: state.run!.short!.coldest } })
    expect(state.run!.short!.coldest).toBeLessThan(whole.seats[0]!.plan.water.target.value)
  })

  test('a weak circuit, an empty towel shelf, too few crates, long waits, late hours: each is said', () => {
    const weak = House.parse({
      ...house,
      circuits: [{ name: 'Weak', volts: 230, amps: 8, otherW: 0 }],
      towels: 2,
      crates: [{ maxKg: 25, count: 1 }],
    })
    const facts = factsOf(['Ash', 'Birch', 'Cedar'], { hours: { from: 480, to: 540 } }, {}, weak)
    const kinds = standDay(arranged(facts)).findings.map((f) => f.kind)
    expect(kinds).toEqual(expect.arrayContaining(['load', 'towels', 'crates', 'hours']))
    expect(
      standDay(arranged(factsOf(['Fern', 'Dell', 'Cedar', 'Birch', 'Ash']))).findings.map((f) => f.kind),
    ).toContain('wait')
  })

  test('the noise of the day is each dryer’s minutes at its level (moving on from zone to zone counts too), less with muffs', () => {
    const bare = standDay(arranged(factsOf(['Dell'])))
    const muffed = standDay(arranged(factsOf(['Dell'], { protector: { kind: 'earmuff', nrr: 25 } })))
    const share = bare.run!.dose.at(-1)! / bare.seats[0]!.plan.groomer.dose.value
    expect(share).toBeGreaterThanOrEqual(1)
    expect(share).toBeLessThan(1.1)
    expect(muffed.run!.dose.at(-1)!).toBeLessThan(bare.run!.dose.at(-1)! / 8)
  })

  test('a dog dried after others stands in damper air, and an open window brings it down', () => {
    const tight = House.parse({ ...house, space: { ...house.space, floorM2: 6, airChanges: 0.2 } })
    const shut = standDay(arranged(factsOf(['Cedar', 'Dell', 'Birch'], {}, {}, tight)))
    const open = standDay(arranged(factsOf(['Cedar', 'Dell', 'Birch'], { windowOpen: true }, {}, tight)))
    expect(Math.max(...shut.run!.humidity)).toBeGreaterThan(Math.max(...open.run!.humidity) + 3)
    expect(Math.max(...shut.run!.celsius)).toBeLessThanOrEqual(25 + 1e-9)
  })

  test('fleas with an early pick-up: the sentence says why it can’t be', () => {
    const facts = factsOf(['Elm', 'Cedar', 'Dell'])
    const seats = facts.day.seats.map((s) => (s.dogId === 'Elm' ? { ...s, pickup: 600 } : s))
    const late = findingOf(arranged({ ...facts, day: { ...facts.day, seats } }), 'late')
    expect(late).toMatchObject({ code: 'found.late', facts: { name: 'Elm', fleas: true } })
  })

  test('lines of the day are in order and name every part', () => {
    const facts = arranged(
      factsOf(['Ash', 'Birch'], { pauses: [{ id: 'p', name: 'Tea', minutes: 15, earliest: 500, latest: 560 }] }),
    )
    const state = standDay(facts)
    const lines = linesOfDay(facts, state)
    expect(lines.map((l) => l.at)).toEqual([...lines.map((l) => l.at)].sort((a, b) => a - b))
    expect(lines.filter((l) => l.part === 'pause').map((l) => l.pause)).toEqual(['Tea'])
    expect(lines).toHaveLength(state.problem.dogs.flatMap((d) => d.tasks).length + 1)
  })
})

describe('ways out', () => {
  const cases: [string, DayFacts, DayFinding['kind'], string][] = [
    ['earmuffs for a loud day', factsOf(['Cedar', 'Dell', 'Elm']), 'noise', 'do.muffs'],
    [
      'a helper for a day that is too long',
      factsOf(['Ash', 'Birch', 'Cedar', 'Dell'], { hours: { from: 480, to: 840 } }),
      'hours',
      'do.helper',
    ],
    ['towels that are missing', factsOf(['Cedar', 'Dell'], {}, {}, { ...house, towels: 4 }), 'towels', 'do.towels'],
    ['a later arrival for a long wait', factsOf(['Ash', 'Cedar', 'Dell'], {}, {}), 'wait', 'do.comesAt'],
  ]
  test.each(cases)('%s: offered, tried, and it does mend', (_what, bare, kind, code) => {
    const facts = arranged(bare)
    const state = standDay(facts)
    const finding = state.findings.find((f) => f.kind === kind)!
    const tried = waysFor(facts, state, finding)
      .map((way) => tryWay(facts, state, finding, way))
      .filter((way) => way !== undefined)
      .sort(byWorth)
    expect(tried.map((t) => t.what.code)).toContain(code)
    for (const way of tried) {
      const after = standDay({ ...facts, day: way.day })
      const left = after.findings.find((f) => f.id === finding.id)?.amount ?? 0
      expect(left).toBeLessThan(finding.amount)
      expect(left === 0).toBe(way.gone)
      const had = new Set(state.findings.filter((f) => f.level === 'stop').map((f) => f.id))
      const late = (of: typeof state) => of.run!.seats.reduce((sum, s) => sum + s.late, 0)
      expect(after.findings.filter((f) => f.level === 'stop' && f.kind !== 'late' && !had.has(f.id))).toEqual([])
      expect(late(after)).toBeLessThanOrEqual(late(state))
    }
  })

  test('the heater an hour earlier gives the tank an hour more', () => {
    const timed = House.parse({ ...house, water: { ...house.water, tankL: 120 } })
    const facts = arranged(factsOf(['Ash', 'Cedar'], { heaterFrom: 480 }, {}, timed))
    const state = standDay(facts)
    const low = state.findings.find((f) => f.kind === 'low water' || f.kind === 'water')!
    const way = waysFor(facts, state, low).find((w) => w.id === 'heater')!
    expect(way.what).toEqual({ code: 'do.heater', facts: { at: 420 } })
    const tank = tryWay(facts, state, low, way)!.effects.find((e) => e.code === 'effect.tank')!
    expect(tank.facts.litres).toBeGreaterThan(tank.facts.before)
  })

  test('one more dog: fits with the end of the day, or the reason why not', () => {
    const facts = arranged(factsOf(['Ash'], { hours: { from: 480, to: 1020 } }, { pickup: 1020 }))
    const state = standDay(facts)
    expect(tryDog(facts, state, 'Birch')).toMatchObject({
      fits: true,
      why: { code: 'fit.ends' },
    })
    const short = arranged(factsOf(['Ash'], { hours: { from: 480, to: 570 } }, { pickup: 570 }))
    expect(tryDog(short, standDay(short), 'Dell')).toMatchObject({ fits: false, why: { code: 'fit.no' } })
  })
})

describe('running late', () => {
  const facts = arranged(
    factsOf(['Ash', 'Birch', 'Cedar'], {
      pauses: [{ id: 'p', name: 'Lunch', minutes: 30, earliest: 600, latest: 700 }],
    }),
  )
  const { problem, schedule } = standDay(facts)

  test.each([500, 560, 610, 655, 700, 780])(
    'at minute %d the rest is planned anew: done stays, nothing begins before now, every rule holds',
    (now) => {
      const progress = progressAt(facts.day, problem, schedule!, now)
      const rest = problemNow(problem, progress, facts.day.hours.from)
      const found = arrangeDay(rest, { tries: 200, from: schedule }) as Arrangement
      expect(found.feasible).toBe(true)
      expect(brokenRules(rest, found.schedule)).toEqual([])
      for (const [id, known] of Object.entries(progress.tasks)) {
        const at = found.schedule.tasks[id] ?? found.schedule.breaks[id]
        expect(at).toBe(known.start - facts.day.hours.from)
      }
      for (const t of rest.dogs.flatMap((d) => d.tasks))
        if (!progress.tasks[t.id]) expect(found.schedule.tasks[t.id]).toBeGreaterThanOrEqual(now - facts.day.hours.from)
    },
  )

  test('a step that is over its time is taken to need a little more, and a wet dog that waited too long is still placed', () => {
    const first = problem.dogs.flatMap((d) => d.tasks).find((t) => t.kind === 'bath' && schedule!.tasks[t.id]! > 0)!
    const start = schedule!.tasks[first.id]! + facts.day.hours.from
    const slow = { now: start + first.dur + 40, tasks: { [first.id]: { start, end: null } } }
    const rest = problemNow(problem, slow, facts.day.hours.from)
    expect(rest.dogs.flatMap((d) => d.tasks).find((t) => t.id === first.id)!.dur).toBeGreaterThan(first.dur + 40)
    const wet = { now: start + first.dur + 60, tasks: { [first.id]: { start, end: start + first.dur } } }
    const found = arrangeDay(problemNow(problem, wet, facts.day.hours.from), { tries: 100 })
    expect(found.feasible).toBe(true)
  })
})

describe('chances', () => {
  const facts = arranged(factsOf(['Ash', 'Birch', 'Cedar', 'Dell']))
  const { problem, schedule } = standDay(facts)
  const at = (closing: number, scatter?: { step: number; dog: number }, seed = 1) =>
    dayOdds(problem, schedule!, { closing, scatter, seed })

  test('without scatter the day is no later than its plan', () => {
    const { dogs: chances } = at(900, { step: 0, dog: 0 })
    for (const dog of problem.dogs) {
      const ready = schedule!.tasks[dog.readyTask]! + dog.tasks.find((t) => t.id === dog.readyTask)!.dur
      expect(chances[dog.id]!.ready[2]).toBeLessThanOrEqual(ready)
      expect(chances[dog.id]!.onTime).toBe(1)
    }
  })

  test('more scatter, wider odds; the same seed, the same odds', () => {
    const width = (s: number) => at(900, { step: s, dog: s }).end.ready[2] - at(900, { step: s, dog: s }).end.ready[0]
    expect(width(0.3)).toBeGreaterThan(width(0.1))
    expect(at(600, undefined, 7)).toEqual(at(600, undefined, 7))
    expect(at(600, undefined, 7)).not.toEqual(at(600, undefined, 8))
  })

  test('a later closing is never less likely, and lateness has a step to blame', () => {
    const shares = [300, 360, 420, 480, 600].map((c) => at(c).end.onTime)
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
    const tasks = problem.dogs.flatMap((d) => d.tasks.map((t) => t.id))
    expect(tasks).toContain(at(300).end.culprit)
  })
})

describe('mixing for a day', () => {
  test('every dog’s mix is on the list once, at its ratio, within two degrees of its bath', () => {
    const facts = factsOf(['Ash', 'Birch', 'Cedar', 'Fern'])
    const { seats } = standDay(facts)
    const list = mixingList(facts, seats)
    const wanted = seats.reduce(
      (sum, { plan }) => sum + plan.mix.bottles.reduce((s, b) => s + b.productMl + b.waterMl, 0),
      0,
    )
    expect(list.reduce((sum, m) => sum + m.neededMl, 0)).toBeCloseTo(wanted, 6)
    for (const mix of list) {
      expect(mix.leftoverMl).toBeGreaterThanOrEqual(-1e-6)
      for (const { id } of mix.seats) {
        const own = seats.find((s) => s.seat.id === id)!.plan.water.target.value
        expect(Math.abs(own - mix.bathC)).toBeLessThanOrEqual(2 + 1e-9)
      }
      for (const v of mix.vessels) expect(v.productMl * (1 + mix.ratio)).toBeCloseTo(v.fill, 6)
    }
  })

  test('mixed fresh by the house’s rule, each dog has its own; what is laid out counts towels and plugs', () => {
    const fresh = { ...house, rules: { mixing: 'fresh' as const } }
    const facts = factsOf(['Ash', 'Birch'], {}, {}, fresh)
    expect(mixingList(facts, standDay(facts).seats).every((m) => m.seats.length === 1)).toBe(true)
    const { things, mixes } = prepareList(facts, standDay(facts))
    expect(things[0]!.what).toMatchObject({ code: 'lay.towels' })
    expect(things.map((t) => t.what)).toContainEqual({ code: 'lay.plugs', facts: { count: 4 } })
    expect(new Set([...things, ...mixes].map((t) => t.id)).size).toBe(things.length + mixes.length)
  })
})

describe('standing dogs', () => {
  const standing = (rhythm: Standing['rhythm'], from = '2026-11-28'): Standing => ({
    dogId: 'x',
    from,
    until: null,
    rhythm,
    arrive: 540,
    pickup: 600,
  })
  test.each([
    [
      'every 3 weeks',
      standing({ kind: 'weeks', every: 3 }),
      ['2026-11-28', '2026-12-19', '2027-01-09'],
      ['2026-12-05', '2026-11-07', '2026-12-18'],
    ],
    [
      'the third Saturday',
      standing({ kind: 'month', nth: 3 }, '2026-11-21'),
      ['2026-11-21', '2026-12-19', '2027-01-16'],
      ['2026-11-28', '2026-12-12'],
    ],
    [
      'the last Saturday',
      standing({ kind: 'month', nth: 5 }),
      ['2026-11-28', '2026-12-26', '2027-01-30'],
      ['2026-12-19', '2027-01-23'],
    ],
  ])('%s', (_what, s, due, not) => {
    expect(due.map((d) => dueOn(s, d))).toEqual(due.map(() => true))
    expect(not.map((d) => dueOn(s, d))).toEqual(not.map(() => false))
  })
  test('ends when it ends', () => {
    expect(dueOn({ ...standing({ kind: 'weeks', every: 1 }), until: '2026-12-01' }, '2026-12-05')).toBe(false)
  })
})

describe('a day’s record', () => {
  test('refuses a dog twice, a pick-up before its arrival, hours that end before they begin', () => {
    const { day } = factsOf(['Ash'])
    const twice = { ...day, seats: [day.seats[0], { ...day.seats[0], id: 'other' }] }
    expect(WashDay.safeParse(twice).error!.issues[0]!.message).toBe('This dog is on the day already.')
    const early = { ...day, seats: [{ ...day.seats[0], pickup: 400 }] }
    expect(WashDay.safeParse(early).error!.issues[0]!.message).toBe('The pick-up must come after the arrival.')
    expect(WashDay.safeParse({ ...day, hours: { from: 600, to: 500 } }).success).toBe(false)
  })
  test('a plan survives a changed day: new dogs and longer steps are placed in its order', () => {
    const facts = arranged(factsOf(['Ash', 'Birch']))
    const more = { ...facts, day: { ...facts.day, seats: [...facts.day.seats, seatFor('Cedar', facts.day)] } }
    const state = standDay(more)
    expect(state.run!.seats.map((s) => s.id)).toEqual(['ash', 'birch', 'cedar'])
    expect(brokenRules(state.problem, state.schedule!)).toEqual([])
  })
})

describe('pins that can’t hold any more', () => {
  const pinned = (
    facts: DayFacts,
    pins: Record<string, Record<string, number>>,
    more: Record<string, Partial<Seat>> = {},
  ) => ({
    ...facts,
    day: { ...facts.day, seats: facts.day.seats.map((s) => ({ ...s, pins: pins[s.id] ?? {}, ...more[s.id] })) },
  })
  const bathOf = (state: DayState, seat: string) => state.schedule!.tasks[`${seat}.bath`]! + 480
  const facts = arranged(factsOf(['Ash', 'Birch', 'Cedar'], { hours: { from: 480, to: 1080 } }))
  const planned = (seat: string) => facts.day.plan!.tasks[`${seat}.bath`]!
  const loosely = (of: DayFacts) => standLoosely(of, planSeats(of))

  test('one that a later arrival makes impossible: the rest stays as it was, and it is told where the part stands now', () => {
    const at = { ash: planned('ash'), birch: planned('birch') }
    const late = pinned(
      facts,
      { ash: { bath: at.ash }, birch: { bath: at.birch } },
      { ash: { arrive: at.ash + 30, pickup: 1300 } },
    )
    expect(standDay(late).schedule).toBeUndefined()
    const state = loosely(late)
    expect(state.lost).toEqual([{ seat: 'ash', part: 'bath', at: at.ash, now: bathOf(state, 'ash') }])
    expect(bathOf(state, 'ash')).toBeGreaterThanOrEqual(at.ash + 30)
    expect(bathOf(state, 'birch')).toBe(at.birch)
    expect(state.run!.seats.map((s) => s.id).sort()).toEqual(['ash', 'birch', 'cedar'])
  })

  test('two for one tub at one time: one is let go, the other holds', () => {
    const state = loosely(pinned(facts, { ash: { bath: 700 }, birch: { bath: 700 } }))
    expect(state.lost).toHaveLength(1)
    const holds = state.lost![0]!.seat === 'ash' ? 'birch' : 'ash'
    expect(bathOf(state, holds)).toBe(700)
  })

  test('three for one tub at one time: as few as possible are let go', () => {
    const state = loosely(pinned(facts, { ash: { bath: 700 }, birch: { bath: 700 }, cedar: { bath: 700 } }))
    expect(state.lost).toHaveLength(2)
    expect(state.schedule).toBeDefined()
  })

  test('pins that hold are all kept', () => {
    const state = loosely(pinned(facts, { ash: { bath: planned('ash') } }))
    expect(state.lost).toBeUndefined()
    expect(bathOf(state, 'ash')).toBe(planned('ash'))
  })
})

describe('arranging a wash day', () => {
  const arrangeAll = (facts: DayFacts) => {
    const steps = arrangeWashDay(facts, { tries: 300 })
    for (;;) {
      const step = steps.next()
      if (step.done) return step.value
    }
  }
  test('reckons the room’s air into the drying and keeps it with the plan', () => {
    const tight = House.parse({ ...house, space: { ...house.space, floorM2: 6, airChanges: 0.2 } })
    const facts = factsOf(['Cedar', 'Dell', 'Birch'], {}, {}, tight)
    const outcome = arrangeAll(facts)
    if (!outcome.ok) throw new Error('not arranged')
    expect(Object.keys(outcome.day.plan.air).length).toBeGreaterThan(0)
    const state = standDay({ ...facts, day: { ...facts.day, plan: outcome.day.plan } })
    const damp = state.seats.filter((s) => s.air.humidity > tight.room.humidity + 1)
    expect(damp.length).toBeGreaterThan(0)
    expect(brokenRules(state.problem, state.schedule!)).toEqual([])
  })
  test('says which pins stand in the way, by the clock', () => {
    const facts = factsOf(['Ash', 'Birch'])
    const seats = facts.day.seats.map((s) => ({ ...s, pins: { bath: 600 } }))
    const outcome = arrangeAll({ ...facts, day: { ...facts.day, seats } })
    expect(outcome).toEqual({
      ok: false,
      clash: expect.arrayContaining([
        { code: 'clash.pin', facts: { name: 'Ash', at: 600 } },
        { code: 'clash.pin', facts: { name: 'Birch', at: 600 } },
      ]),
    })
  })
})

describe('a day that takes only some of its dogs', () => {
  const partOf = (facts: DayFacts) => drive(partThatFits(facts))

  test('those that come first and are done by closing stay, the others are named; all that stays can be arranged', () => {
    const facts = factsOf(['Ash', 'Dell', 'Cedar', 'Birch', 'Elm'], { hours: { from: 480, to: 600 } })
    const part = partOf(facts)!
    expect([...part.keep, ...part.leave].sort()).toEqual(['ash', 'birch', 'cedar', 'dell', 'elm'])
    expect(part.keep[0]).toBe('ash')
    expect(part.leave.length).toBeGreaterThan(0)
    expect(part.ends).toBeLessThanOrEqual(600)
    expect(part.open).toBe(120)
    const kept = { ...facts, day: { ...facts.day, seats: facts.day.seats.filter((s) => part.keep.includes(s.id)) } }
    expect(
      standDay(arranged(kept))
        .run!.seats.map((s) => s.id)
        .sort(),
    ).toEqual([...part.keep].sort())
  })

  test('where not even one is done by closing, the first that can be done at all', () => {
    const part = partOf(factsOf(['Cedar', 'Dell'], { hours: { from: 480, to: 500 } }))!
    expect(part.keep).toEqual(['cedar'])
    expect(part.ends).toBeGreaterThan(500)
  })
})

describe('what a change was about', () => {
  const { day } = factsOf(['Ash', 'Birch'])
  const nameOf = (dogId: string) => dogId.toUpperCase()
  const [ash, birch] = day.seats as [Seat, Seat]
  const seats = (...changed: Seat[]) => ({ ...day, seats: changed })
  test.each<[string, WashDay, object]>([
    [
      'a dog more',
      seats(ash, birch, { ...ash, id: 'cedar', dogId: 'Cedar' }),
      { code: 'did.add', facts: { name: 'CEDAR', more: 0 } },
    ],
    ['a dog less', seats(birch), { code: 'did.takeOff', facts: { name: 'ASH', more: 0 } }],
    ['a pin', seats({ ...ash, pins: { bath: 600 } }, birch), { code: 'did.pin', facts: { name: 'ASH' } }],
    ['its hours', seats(ash, { ...birch, pickup: 900 }), { code: 'did.times', facts: { name: 'BIRCH' } }],
    ['its drying', seats({ ...ash, technique: 'fan' }, birch), { code: 'did.drying', facts: { name: 'ASH' } }],
    ['the window', { ...day, windowOpen: true }, { code: 'did.air' }],
    ['the hours', { ...day, hours: { from: 500, to: 900 } }, { code: 'did.hours' }],
    ['an order', { ...day, plan: { tasks: {}, breaks: {}, air: {} } }, { code: 'did.arrange' }],
    [
      'an order that follows from a dog',
      { ...seats(ash), plan: { tasks: {}, breaks: {}, air: {} } },
      { code: 'did.takeOff' },
    ],
  ])('%s', (_, after, told) => {
    expect(whatChanged(day, after, nameOf)).toMatchObject(told)
  })
  test('a pin let go', () => {
    const held = seats({ ...ash, pins: { bath: 600 } }, birch)
    expect(whatChanged(held, day, nameOf)).toEqual({ code: 'did.letGo', facts: { name: 'ASH' } })
  })
})
