import { arrangeDay, type Arrangement } from '../day'
import { dayHouse as house, dayFacts as factsOf, arrangedDay as arranged, brokenRules } from '../fixtures'
import { AddedStep, Dog, RED_FLAGS } from '../dog'
import { House } from '../house'
import {
  byWorth,
  dayOdds,
  dueOn,
  linesOfDay,
  mixingList,
  planOfSchedule,
  prepareList,
  problemNow,
  progressAt,
  standDay,
  tryWay,
  waysFor,
  type DayFacts,
  type DayFinding,
  Standing,
} from '.'

const findingOf = (facts: DayFacts, kind: DayFinding['kind']) => standDay(facts).findings.find((f) => f.kind === kind)

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

  test('work without the dog takes hands alone: before the bath the dog waits for it, after the hand-over it has gone', () => {
    const facts = factsOf(['Ash'])
    const ash = facts.dogs.Ash!
    const own = { name: 'Card', minutes: 12, place: 'table', dog: false }
    const added = (after: string) => AddedStep.parse({ ...own, id: `own-${after}`, after })
    const ready = (steps: AddedStep[]) => {
      const today = { ...ash.today, added: steps }
      const state = standDay(arranged({ ...facts, dogs: { ...facts.dogs, Ash: { ...ash, today } } }))
      expect(brokenRules(state.problem, state.schedule!)).toEqual([])
      return state.run!
    }
    const plain = ready([])
    const after = ready([added('hand-over')])
    expect([after.seats[0]!.ready, after.handMinutes]).toEqual([plain.seats[0]!.ready, plain.handMinutes + 12])
    const before = ready([added('look')])
    expect(before.seats[0]!.ready - plain.seats[0]!.ready).toBeGreaterThanOrEqual(12)
    expect(before.seats[0]!.waiting - plain.seats[0]!.waiting).toBeGreaterThanOrEqual(12)
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
      circuits: [{ name: 'Weak', volts: 230, amps: 6, otherW: 0 }],
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

test('one’s own lines are laid out beside the usual, each to be ticked by itself; a bowl where the label asks for one', () => {
  const own = { ...house, layOut: ['apron', 'camera'] }
  const facts = factsOf(['Ash', 'Birch'], {}, {}, own)
  const dogs = { ...facts.dogs, Ash: { ...facts.dogs.Ash!, dog: { ...facts.dogs.Ash!.dog, layOut: ['muzzle'] } } }
  const { things } = prepareList({ ...facts, dogs }, standDay({ ...facts, dogs }))
  const lines = things.filter((t) => t.what.code === 'lay.own')
  expect(lines.map((t) => [t.what.facts, t.who.map((w) => w.name)])).toEqual([
    [{ what: 'apron' }, ['Ash', 'Birch']],
    [{ what: 'camera' }, ['Ash', 'Birch']],
    [{ what: 'muzzle' }, ['Ash']],
  ])
  expect(new Set(things.map((t) => t.id)).size).toBe(things.length)
  expect(mixingList(facts, standDay(facts).seats).map((m) => m.how)).toContain('bottle')
  const frothed = { ...facts, shelf: facts.shelf.map((p) => ({ ...p, ways: ['froth' as const] })) }
  const list = mixingList(frothed, standDay(frothed).seats)
  expect(new Set(list.map((m) => m.how))).toEqual(new Set(['froth']))
  expect(list.every((m) => m.vessels.every((v) => v.mL === 0) && !m.later)).toBe(true)
})

describe('standing dogs', () => {
  const standing = (rhythm: Standing['rhythm'], from = '2026-11-28'): Standing =>
    Standing.parse({ dogId: 'x', from, rhythm, arrive: 540, pickup: 600 })
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

test('a day whose morning has gone by is planned from now on, whatever was begun of it', () => {
  const facts = arranged(factsOf(['Ash', 'Birch', 'Cedar', 'Dell', 'Fern'], { helper: null }))
  const { problem, schedule, run } = standDay(facts)
  const { from } = facts.day.hours
  const early: unknown[] = []
  for (let now = from + 20; now < run!.dayEnd; now += 35) {
    // nothing was begun; all went as planned; every other part did
    const all = progressAt(facts.day, problem, schedule!, now).tasks
    const some = Object.fromEntries(
      Object.entries(all).filter(([id]) => facts.day.seats.findIndex((s) => id.startsWith(`${s.id}.`)) % 2 === 0),
    )
    for (const tasks of [{}, all, some]) {
      const state = standDay({ ...facts, day: { ...facts.day, progress: { now, tasks } } })
      const starts = Object.entries(state.schedule?.tasks ?? {})
      const before = starts.filter(([id, start]) => !(id in tasks) && start + from < now)
      const ready = state.run?.seats.filter(
        (s) => s.ready < now && !Object.keys(tasks).some((id) => id.startsWith(s.id)),
      )
      if (starts.length === 0 || before.length > 0 || ready!.length > 0) early.push({ now, tasks, before, ready })
    }
  }
  expect(early).toEqual([])
})

test('each red flag brings what it needs to what is laid out', () => {
  const facts = factsOf(['Dell'])
  const bare = facts.dogs.Dell!
  const lines = (dog: object, today: object = {}) => {
    const now: DayFacts = {
      ...facts,
      dogs: { Dell: { ...bare, dog: Dog.parse({ ...bare.dog, ...dog }), today: { ...bare.today, ...today } } },
    }
    return prepareList(now, standDay(now)).things.map((l) => JSON.stringify(l.what))
  }
  const usual = new Set(lines({}))
  const facing: [object, object?][] = [
    [{ mayBite: true }],
    [{}, { rightEar: { ...bare.today.rightEar, signs: ['discharge'] } }],
    [{ heart: true }],
    [{ seizures: true }],
    [{ windpipe: true }],
    [{}, { mats: { tail: 3 } }],
    [{ allergies: ['oat'] }],
    [{ pregnant: true }],
    [{ joints: true }],
    [{ blind: true }],
    [{ deaf: true }],
    [{ vaccinatedUntil: '2026-11-27' }],
    [{ shortNose: true }],
    [{ firstBath: true }],
    [{}, { fleas: true }],
  ]
  expect(facing).toHaveLength(RED_FLAGS.length)
  for (const [dog, today] of facing)
    expect([dog, today, lines(dog, today).some((l) => !usual.has(l))]).toEqual([dog, today, true])
})
