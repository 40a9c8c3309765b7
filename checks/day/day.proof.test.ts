import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import fc from 'fast-check'
import {
  arrangeDay,
  DayProblem,
  handRules,
  keepOrder,
  scoreDay,
  type Arrangement,
  type NoArrangement,
  type Peer,
  type Told,
} from '@core/day'
import { REFERENCES } from '../references'
import { faultsOf } from './checker'
import { exhaustive } from './exhaustive'

const folder = fileURLToPath(new URL('instances', import.meta.url))
const instances = readdirSync(folder).map((file) =>
  DayProblem.parse(JSON.parse(readFileSync(`${folder}/${file}`, 'utf8'))),
)

/** A job-shop problem as a day without water or pauses: hands are held by every task, so the day's end is the makespan. */
function jobShop(name: string, table: string): DayProblem {
  const jobs = table
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/).map(Number))
  const machines = jobs[0]!.length / 2
  return DayProblem.parse({
    name,
    horizon: 3000,
    resources: { hands: machines, ...Object.fromEntries(Array.from({ length: machines }, (_, m) => [`m${m}`, 1])) },
    tank: { capacityDl: 0, initialDl: 0, recoveryDlPerMin: 0 },
    dogs: jobs.map((row, j) => ({
      id: `j${j}`,
      arrive: 0,
      pickup: 3000,
      readyTask: `j${j}.${machines - 1}`,
      tasks: Array.from({ length: machines }, (_, k) => ({
        id: `j${j}.${k}`,
        kind: 'work',
        dur: row[2 * k + 1],
        uses: { hands: 1, [`m${row[2 * k]}`]: 1 },
        preds: k > 0 ? [{ task: `j${j}.${k - 1}` }] : [],
      })),
    })),
  })
}

const clashOf = (found: NoArrangement) => found.clash.map(({ kind, id, amount }) => ({ kind, id, amount }))
const arranged = (problem: DayProblem, tries: number, seed = 1) => arrangeDay(problem, { tries, seed }) as Arrangement

describe(`job shops: ${REFERENCES.jobShops.source}`, () => {
  test.each(REFERENCES.jobShops.values)('%s ends at %d', (name, optimum, table) => {
    const problem = jobShop(name, table)
    const day = arrangeDay(problem, { tries: 60_000, makespan: true }) as Arrangement
    expect(faultsOf(problem, day.schedule)).toEqual([])
    expect(day.dayEnd).toBe(optimum)
    expect(day.objective).toBe(optimum)
  })
})

/** Tries within which the optimum of a day is found, where the others' aren't enough. */
const TRIES: Record<string, number> = { 'n08-s2': 200_000 }
/** Of a packed day the optimum takes longer than a test may: this share of it above is allowed. */
const ABOVE: Record<string, number> = { 'n08-s2': 0.005 }

describe('wash days', () => {
  test.each(instances.map((p) => [p.name, p] as const))(
    '%s: every rule holds, the score is what it says, no rule of thumb is better',
    (_name, problem) => {
      const heard: number[] = []
      const day = arrangeDay(problem, {
        tries: 3000,
        onBetter: (better) => heard.push(better.objective),
      }) as Arrangement
      expect(faultsOf(problem, day.schedule)).toEqual([])
      expect(scoreDay(problem, day.schedule).objective).toBe(day.objective)
      expect(day.lowerBound).toBeLessThanOrEqual(day.objective)
      expect(heard).toEqual([...heard].sort((a, b) => b - a))
      expect(heard.at(-1)).toBe(day.objective)
      const thumb = arranged(problem, 0)
      expect(day.objective).toBeLessThanOrEqual(thumb.objective)
    },
  )

  test.each(REFERENCES.washDays.values)('%s reaches its proven optimum %d', (name, optimum) => {
    const problem = instances.find((p) => p.name === name)!
    const day = arranged(problem, TRIES[name] ?? 60_000)
    expect(day.objective).toBeGreaterThanOrEqual(optimum)
    expect(day.objective).toBeLessThanOrEqual(Math.floor(optimum * (1 + (ABOVE[name] ?? 0))))
    expect(day.lowerBound).toBeLessThanOrEqual(optimum)
  })

  test.each(['n03-s1', 'n03-s2', 'n05-s1', 'n05-s2', 'n06-s1', 'n08-s1'])('%s is proven best', (name) => {
    const problem = instances.find((p) => p.name === name)!
    const day = arranged(problem, 2_000_000)
    expect(day).toMatchObject({ proven: true, lowerBound: day.objective })
    expect(faultsOf(problem, day.schedule)).toEqual([])
  })

  test('the same seed gives the same day', () => {
    const problem = instances.find((p) => p.name === 'n08-s2')!
    expect(arranged(problem, 2000, 7)).toEqual(arranged(problem, 2000, 7))
  })

  describe('two searches of one day', () => {
    const problem = instances.find((p) => p.name === 'n03-s2')!
    const optimum = REFERENCES.washDays.values.find(([name]) => name === 'n03-s2')![1]
    const best = arranged(problem, 60_000).schedule

    test('a better day that one is told is taken over; one that breaks a rule isn’t', () => {
      const broken = { ...best, tasks: Object.fromEntries(Object.keys(best.tasks).map((id) => [id, 0])) }
      const told: Told[] = [{ schedules: [broken, best], bound: 0 }]
      const day = arrangeDay(problem, { tries: 100, peer: { tell: () => {}, told: () => told.pop() } }) as Arrangement
      expect(day.objective).toBe(optimum)
      expect(day.schedule).toEqual(best)
      expect(arranged(problem, 100).objective).toBeGreaterThan(optimum)
    })

    test('a bound that one is told ends the search with the proof', () => {
      let asked = 0
      const peer: Peer = { tell: () => {}, told: () => ({ schedules: [best], bound: optimum }) }
      const day = arrangeDay(problem, { tries: 1e9, peer, shouldStop: () => ++asked > 1000 })
      expect(day).toMatchObject({ objective: optimum, proven: true })
      expect(asked).toBeLessThan(10)
    })

    test('each tells every better day and every better bound of its own, and not what it was told', () => {
      const heard: Told[] = []
      const found: number[] = []
      const day = arrangeDay(problem, {
        tries: 1e9,
        temper: 'whole',
        peer: { tell: (told) => heard.push(told), told: () => undefined },
        onBetter: ({ objective }) => found.push(objective),
      })
      expect(day).toMatchObject({ objective: optimum, proven: true })
      const days = heard.flatMap(({ schedules }) => schedules)
      expect(days.flatMap((schedule) => faultsOf(problem, schedule))).toEqual([])
      const points = days.map((schedule) => scoreDay(problem, schedule).objective)
      expect(points).toEqual([...points].sort((a, b) => b - a))
      expect(found).toEqual(expect.arrayContaining(points))
      expect(points.at(-1)).toBe(optimum)
      const bounds = heard.map(({ bound }) => bound)
      expect(bounds).toEqual([...bounds].sort((a, b) => a - b))
      expect(bounds.at(-1)).toBe(optimum)

      const quiet: Told[] = []
      const told = [{ schedules: [best], bound: optimum }]
      arrangeDay(problem, { tries: 1e9, peer: { tell: (t) => quiet.push(t), told: () => told.pop() } })
      expect(quiet.flatMap(({ schedules }) => schedules)).not.toContain(best)
    })
  })

  test('a day that can’t be done is found out, not only not found', () => {
    const [problem] = instances
    let asked = 0
    const day = arrangeDay({ ...problem!, horizon: 150 }, { tries: 1e9, shouldStop: () => ++asked > 100_000 })
    expect(day.feasible).toBe(false)
    expect(asked).toBeLessThan(100_000)
  })

  test('a search that is stopped answers the best so far', () => {
    let asked = 0
    const day = arrangeDay(instances[0]!, { shouldStop: () => ++asked > 3 }) as Arrangement
    expect(asked).toBe(4)
    expect(faultsOf(instances[0]!, day.schedule)).toEqual([])
  })
})

const tiny = fc
  .record({
    dogs: fc.array(
      fc.record({
        arrive: fc.integer({ min: 0, max: 3 }),
        pickup: fc.integer({ min: 3, max: 12 }),
        bath: fc.integer({ min: 1, max: 4 }),
        dry: fc.integer({ min: 1, max: 4 }),
        maxGap: fc.option(fc.integer({ min: 0, max: 2 })),
        hot: fc.integer({ min: 0, max: 12 }),
        last: fc.boolean(),
        alone: fc.boolean(),
      }),
      { minLength: 1, maxLength: 2 },
    ),
    lunch: fc.option(fc.integer({ min: 1, max: 4 })),
    recovery: fc.integer({ min: 0, max: 4 }),
    hands: fc.integer({ min: 1, max: 2 }),
  })
  .map(({ dogs, lunch, recovery, hands }) =>
    DayProblem.parse({
      horizon: 16,
      resources: { hands, tub: 1 },
      tank: { capacityDl: 14, initialDl: 14, recoveryDlPerMin: recovery },
      breaks: lunch === null ? [] : [{ id: 'lunch', dur: 2, earliest: lunch, latest: lunch + 4, uses: { hands } }],
      dogs: dogs.map((d, i) => ({
        id: `d${i}`,
        arrive: d.arrive,
        pickup: d.pickup,
        lastInTub: d.last && i === 0,
        readyTask: `d${i}.dry`,
        tasks: [
          { id: `d${i}.bath`, kind: 'bath', dur: d.bath, uses: { hands: 1, tub: 1 }, hotDl: d.hot },
          {
            id: `d${i}.dry`,
            kind: 'dry',
            dur: d.dry,
            uses: d.alone ? {} : { hands: 1 },
            preds: [{ task: `d${i}.bath`, maxGap: d.maxGap }],
          },
        ],
      })),
    }),
  )

test('small days: the search finds what trying everything finds, and no more', () => {
  fc.assert(
    fc.property(tiny, (problem) => {
      const found = arrangeDay(problem, { tries: 1500 })
      expect(found.feasible ? found.objective : Infinity).toBe(exhaustive(problem))
      if (found.feasible) expect(found.lowerBound).toBeLessThanOrEqual(found.objective)
    }),
    { numRuns: 150, seed: 20261125 },
  )
})

test('less of anything never makes the best day better: fewer hands, a smaller tank, a shorter day, a helper who leaves', () => {
  const best = (problem: DayProblem) => {
    const found = arrangeDay(problem, { tries: 1500 })
    return found.feasible ? found.objective : Infinity
  }
  fc.assert(
    fc.property(tiny, fc.integer({ min: 0, max: 8 }), (problem, minute) => {
      const optimum = best(problem)
      const { tank, resources, horizon } = problem
      const tighter: DayProblem[] = [
        { ...problem, tank: { ...tank, capacityDl: tank.capacityDl - 4, initialDl: tank.initialDl - 4 } },
        { ...problem, horizon: horizon - 3 },
        { ...problem, away: [{ uses: { hands: 1 }, from: minute, to: minute + 4 }] },
        ...(resources.hands === 2 && problem.breaks.length === 0
          ? [{ ...problem, resources: { ...resources, hands: 1 } }]
          : []),
      ]
      for (const less of tighter) expect(best(less)).toBeGreaterThanOrEqual(optimum)
    }),
    { numRuns: 30, seed: 20261125 },
  )
})

describe('a day that can’t be done', () => {
  const dog = (id: string, hotDl: number, arrive = 0) => ({
    id,
    arrive,
    pickup: 60,
    readyTask: `${id}.bath`,
    tasks: [{ id: `${id}.bath`, kind: 'bath', dur: 20, uses: { hands: 1, tub: 1 }, hotDl }],
  })
  const base = {
    horizon: 60,
    resources: { hands: 1, tub: 1 },
    tank: { capacityDl: 500, initialDl: 500, recoveryDlPerMin: 1 },
  }

  test('says that the hot water does not reach', () => {
    const found = arrangeDay(DayProblem.parse({ ...base, dogs: [dog('a', 400), dog('b', 400)] }), { tries: 500 })
    expect(found.feasible).toBe(false)
    if (!found.feasible)
      expect(clashOf(found).map((c) => [c.kind, c.id])).toEqual([
        ['water', expect.anything()],
        ['dog', 'a'],
        ['dog', 'b'],
      ])
  })

  test('says that the day is too short, or which dog is one too many', () => {
    const found = arrangeDay(DayProblem.parse({ ...base, dogs: ['a', 'b', 'c', 'd'].map((id) => dog(id, 0)) }), {
      tries: 500,
    })
    if (!found.feasible)
      expect(clashOf(found)).toMatchObject([
        { kind: 'horizon', amount: 60 },
        ...'abcd'.split('').map((id) => ({ kind: 'dog', id })),
      ])
    expect(found.feasible).toBe(false)
  })

  test('says that a step takes more than there is', () => {
    const found = arrangeDay(DayProblem.parse({ ...base, resources: { hands: 1, tub: 0 }, dogs: [dog('a', 0)] }), {
      tries: 500,
    })
    if (!found.feasible) expect(clashOf(found)).toContainEqual({ kind: 'resource', id: 'tub', amount: 0 })
    expect(found.feasible).toBe(false)
  })
})

/** The problem with one task held to a minute. */
const pinned = (problem: DayProblem, id: string, at: number): DayProblem => ({
  ...problem,
  dogs: problem.dogs.map((d) => ({
    ...d,
    tasks: d.tasks.map((t) => (t.id === id ? { ...t, earliest: at, latest: at } : t)),
  })),
})

describe('pins and what is away', () => {
  const problem = instances.find((p) => p.name === 'n05-s1')!
  const optimum = REFERENCES.washDays.values.find(([name]) => name === 'n05-s1')![1]
  const free = arranged(problem, 2000)
  const baths = problem.dogs.flatMap((d) => d.tasks).filter((t) => t.kind === 'bath')

  test('a pin is kept, everything else still holds, and it never makes a day better than the optimum', () => {
    for (const bath of baths) {
      const at = free.schedule.tasks[bath.id]! + 7
      const held = pinned(problem, bath.id, at)
      const day = arranged(held, 1500)
      expect(faultsOf(held, day.schedule)).toEqual([])
      expect(day.schedule.tasks[bath.id]).toBe(at)
      expect(day.objective).toBeGreaterThanOrEqual(optimum)
    }
  })

  test('two pins on the one tub are named', () => {
    const [a, b] = baths
    const day = arrangeDay(pinned(pinned(problem, a!.id, 100), b!.id, 105), { tries: 200 })
    expect(day.feasible).toBe(false)
    if (!day.feasible) {
      expect(day.clash.filter((c) => c.kind === 'pin').map((c) => c.id)).toEqual(expect.arrayContaining([a!.id, b!.id]))
    }
  })

  test('a helper for part of the day: nothing needs the second pair of hands while she is away', () => {
    const shared = {
      ...problem,
      resources: { ...problem.resources, hands: 2 },
      away: [
        { uses: { hands: 1 }, from: 0, to: 120 },
        { uses: { hands: 1 }, from: 240, to: 900 },
      ],
    }
    const day = arranged(shared, 1500)
    expect(faultsOf(shared, day.schedule)).toEqual([])
    const always = arranged({ ...shared, away: [] }, 4000)
    const never = arranged({ ...shared, away: [{ uses: { hands: 1 }, from: 0, to: 900 }] }, 4000)
    expect(always.objective).toBeLessThanOrEqual(day.objective)
    expect(never.objective).toBeGreaterThanOrEqual(optimum)
  })

  test('a kept order follows a moved bath at once, and stays as it is when nothing moves', () => {
    expect(scoreDay(problem, keepOrder(problem, free.schedule)!).objective).toBeLessThanOrEqual(free.objective)
    for (const bath of baths) {
      const held = pinned(problem, bath.id, free.schedule.tasks[bath.id]! + 10)
      const moved = keepOrder(held, free.schedule)
      if (moved) {
        expect(faultsOf(held, moved)).toEqual([])
        expect(moved.tasks[bath.id]).toBe(free.schedule.tasks[bath.id]! + 10)
      }
    }
    expect(baths.some((b) => keepOrder(pinned(problem, b.id, free.schedule.tasks[b.id]! + 10), free.schedule))).toBe(
      true,
    )
  })

  test('an away stretch that ends before it begins, or a window that closes before it opens, is refused', () => {
    const backwards = { ...problem, away: [{ uses: { hands: 1 }, from: 50, to: 40 }] }
    expect(DayProblem.safeParse(backwards).error!.issues[0]!.path).toEqual(['away', 0, 'to'])
    const [task] = problem.dogs[0]!.tasks
    const closed = structuredClone(problem)
    closed.dogs[0]!.tasks[0] = { ...task!, earliest: 30, latest: 20 }
    expect(DayProblem.safeParse(closed).success).toBe(false)
  })
})

test('a problem that does not fit together is refused by its place', () => {
  const [sound] = instances
  const bad = { ...sound!, dogs: [{ ...sound!.dogs[0]!, readyTask: 'nothing' }] }
  expect(DayProblem.safeParse(bad).error!.issues[0]!.path).toEqual(['dogs', 0, 'readyTask'])
  const alien = { ...sound!, resources: { hands: 1 } }
  expect(DayProblem.safeParse(alien).error!.issues[0]!.message).toMatch(/The day has no/)
})

test('tasks that wait for each other in a circle are refused', () => {
  const task = (id: string, after: string) => ({ id, kind: 'x', dur: 1, uses: {}, preds: [{ task: after }] })
  const circle = {
    horizon: 10,
    resources: {},
    tank: { capacityDl: 0, initialDl: 0, recoveryDlPerMin: 0 },
    dogs: [{ id: 'd', arrive: 0, pickup: 5, readyTask: 'a', tasks: [task('a', 'b'), task('b', 'a')] }],
  }
  expect(DayProblem.safeParse(circle).error!.issues[0]!.message).toContain('circle')
})

test('the rules of thumb are orders of all dogs', () => {
  for (const order of handRules(instances[5]!))
    expect([...order].sort((a, b) => a - b)).toEqual(instances[5]!.dogs.map((_, i) => i))
})
