import { METRIC_SAY } from '@words'
import { arrangeDay, WISHED, type Arrangement } from '@core/day'
import {
  dogOn,
  emptyDay,
  planOfSchedule,
  seatFor,
  standDay,
  Standing,
  type DayFacts,
  type DayProof,
  type HeldDay,
  type WashDay,
  type WeeksFacts,
} from '@core/washday'
import { NOTHING_KNOWN } from '@core/visit'
import { Dog } from '@core/dog'
import { House } from '@core/house'
import { Product } from '@core/mix'
import { layClock, movedBy, spanOf } from './views/day/clock'
import { lens, placeLabels } from './views/day/clockShapes'
import { handLanesOf, lanesOf } from './views/day/stays'
import { doDayJob, doWeeksJob, HeldFacts, type JobHost } from './workers/jobs'

const DATE = '2026-11-28'
const off = { name: 'heat off', heatW: 0 }
const house = House.parse({
  name: 'Test room',
  dryers: [
    { name: 'Blower', kind: 'velocity', airflow: 4.5, nozzleMm: 40, motorW: 1200, settings: [off], level: 94 },
    {
      name: 'Hand',
      kind: 'hand',
      airflow: 1.6,
      nozzleMm: 45,
      motorW: 80,
      settings: [off, { name: 'warm', heatW: 1400 }],
      level: 82,
    },
    { name: 'Fan', kind: 'fan', airflow: 50, nozzleMm: 400, motorW: 60, settings: [off], level: 62 },
  ],
})
const shelf = [{ ...Product.parse({ name: 'Plain', kind: 'cleaning', ratio: '1+10' }), id: 'plain' }]
const DOGS = [
  { name: 'Quill', coat: 'smooth', weightKg: 13 },
  { name: 'Moss', coat: 'wire', weightKg: 7 },
  { name: 'Fig', coat: 'smooth', weightKg: 8 },
  { name: 'Pesto', coat: 'curly', weightKg: 14 },
  { name: 'Juniper', coat: 'long double', weightKg: 18 },
  { name: 'Puck', coat: 'corded', weightKg: 13 },
  { name: 'Otis', coat: 'short double', weightKg: 31 },
  { name: 'Wren', coat: 'wire', weightKg: 3 },
  { name: 'Pixel', coat: 'hairless', weightKg: 4 },
]

function factsOf(names: readonly string[], more: Partial<WashDay> = {}): DayFacts {
  const day = { ...emptyDay(DATE, house), ...more }
  return {
    day: { ...day, seats: names.map((n, i) => seatFor(n, day, { arrive: 480 + 10 * i })) },
    dogs: Object.fromEntries(DOGS.map((d) => [d.name, dogOn(Dog.parse(d), DATE)])),
    shelf,
    house,
  }
}
function arranged(facts: DayFacts): DayFacts {
  const found = arrangeDay(standDay(facts).problem, { tries: 300 }) as Arrangement
  return { ...facts, day: { ...facts.day, plan: planOfSchedule(facts.day, found.schedule) } }
}

describe('the day’s clock', () => {
  const names = ['Quill', 'Moss', 'Fig', 'Pesto', 'Juniper', 'Puck', 'Otis', 'Wren']
  const facts = arranged(factsOf(names, { helper: { name: 'Dunja', from: 600, to: 900 } }))
  const state = standDay(facts)
  const colours = Object.fromEntries(facts.day.seats.map((s, i) => [s.id, i]))
  const clock = layClock(facts.day, state, house, colours, 1200, METRIC_SAY)

  test('every dog has a path with every part of its visit, inside the clock', () => {
    expect(clock.paths.map((p) => p.name).sort()).toEqual([...names].sort())
    for (const path of clock.paths) {
      const parts = path.ribbons.flatMap((r) => r.parts)
      const wanted = state.problem.dogs
        .find((d) => d.id === path.seatId)!
        .tasks.filter((t) => t.kind !== 'clean')
        .map((t) => t.id.slice(path.seatId.length + 1))
      expect([...parts].sort()).toEqual([...wanted].sort())
      for (const r of path.ribbons) {
        expect(r.x1).toBeGreaterThanOrEqual(0)
        expect(r.x2).toBeLessThanOrEqual(1200 + 1e-6)
        expect(r.x2).toBeGreaterThan(r.x1)
      }
      expect(path.thread).not.toMatch(/NaN|Infinity/)
    }
  })

  test('wide ribbons never cover one another on the one tub and the one table', () => {
    for (const station of ['tub', 'table'] as const) {
      const ribbons = clock.paths
        .flatMap((p) => p.ribbons.filter((r) => r.station === station))
        .sort((a, b) => a.from - b.from)
      for (let i = 1; i < ribbons.length; i++) expect(ribbons[i]!.from).toBeGreaterThanOrEqual(ribbons[i - 1]!.to)
    }
  })

  test('every arrival and every ready time is written, and none covers another', () => {
    const labels = clock.paths.flatMap((p) => [p.inLabel, p.outLabel])
    expect(labels.every((l) => l.text !== '')).toBe(true)
    const boxes = labels
      .map((l) => {
        const width = l.text.length * 7.4
        const x = l.anchor === 'start' ? l.textX : l.textX - width
        return { x, width, y: l.textY }
      })
      .sort((a, b) => a.y - b.y || a.x - b.x)
    for (let i = 1; i < boxes.length; i++) {
      const [before, now] = [boxes[i - 1]!, boxes[i]!]
      expect(now.y > before.y || now.x >= before.x + before.width - 1).toBe(true)
    }
  })

  test('times that fall together stand in rows of their own, inside the drawing', () => {
    const { labels, height } = placeLabels(
      [590, 592, 594, 596].map((x) => ({ x, text: '10:04 pm' })),
      0,
      600,
    )
    expect(new Set(labels.map((l) => l.textY)).size).toBe(4)
    expect(height).toBe(Math.max(...labels.map((l) => l.textY)))
    expect(labels.every((l) => l.anchor === 'end' && l.text === '10:04 pm')).toBe(true)
  })

  test('hands: a pause is the groomer’s, so what goes on meanwhile is the helper’s', () => {
    const pause = clock.pauses[0]
    if (!pause) return
    const over = clock.paths.flatMap((p) => p.hands).filter((h) => h.x1 < pause.x2 - 1 && h.x2 > pause.x1 + 1)
    for (const hand of over) expect(hand.y).toBeGreaterThan(pause.y + 10)
  })

  test('hands: a dog that may bite is the groomer’s, and what goes on beside it the helper’s', () => {
    const work = (seatId: string, from: number, to: number, groomers = false) => ({
      seatId,
      kind: 'bath',
      from,
      to,
      groomers,
    })
    const all = [work('calm', 540, 600), work('bites', 570, 640, true), work('other', 630, 700)]
    expect(handLanesOf(all, [], { name: 'Sam', from: 480, to: 1080 })).toEqual([1, 0, 1])
  })

  test('taking hold of drying moves the bath it is tied to; what comes before moves by itself; a wait can’t be held', () => {
    const path = clock.paths.find((p) => p.name === 'Pesto')!
    const dry = path.ribbons.find((r) => r.parts.includes('dry'))!
    const tub = path.ribbons.find((r) => r.station === 'tub')!
    expect(movedBy(dry, path.ribbons)).toEqual({ part: tub.parts[0], at: tub.from })
    const prepare = path.ribbons.find((r) => r.parts[0] === 'prepare')!
    expect(movedBy(prepare, path.ribbons)).toEqual({ part: 'prepare', at: prepare.from })
    const wait = clock.paths.flatMap((p) => p.ribbons).find((r) => r.parts.length === 0)!
    expect(movedBy(wait, path.ribbons)).toBeUndefined()
  })

  test('hours run from the first arrival to the end of work, in whole hours', () => {
    const { from, to } = spanOf(facts.day, state)
    expect([from % 60, to % 60]).toEqual([0, 0])
    expect(from).toBeLessThanOrEqual(480)
    expect(to).toBeGreaterThanOrEqual(Math.max(...state.run!.seats.map((s) => s.ready)))
  })

  test('lanes: the first that is free, never two at once in one while there is room', () => {
    const stretches = [
      { from: 0, to: 10 },
      { from: 5, to: 15 },
      { from: 10, to: 20 },
      { from: 12, to: 14 },
    ]
    expect(lanesOf(stretches, 5)).toEqual([0, 1, 0, 2])
    expect(Math.max(...lanesOf(stretches, 2))).toBe(1)
    expect(lens(0, 2, 10, 50)).not.toContain('NaN')
  })
})

describe('the worker’s jobs', () => {
  const host = (more: Partial<JobHost> = {}): JobHost & { heard: unknown[] } => {
    const heard: unknown[] = []
    let clock = 0
    return {
      heard,
      progress: (v) => heard.push(v),
      pause: () => Promise.resolve(true),
      told: () => [],
      now: () => (clock += 1),
      ...more,
    }
  }
  const facts = factsOf(['Moss', 'Fig', 'Quill'])

  test('arranging tells of its progress and ends with a plan that holds', async () => {
    // a clock that goes fast: the day is small, and proven best soon
    let clock = 0
    const told = host({ now: () => (clock += 25) })
    const outcome = await doDayJob(new HeldFacts(facts), { kind: 'arrange', budgetMs: 1500, seed: 1 }, told)
    expect(outcome).toMatchObject({ ok: true, day: { plan: { tasks: expect.any(Object) } } })
    expect(told.heard.length).toBeGreaterThan(0)
  })

  test('two that arrange a day together hear each other’s days', async () => {
    const post: unknown[][] = [[], []]
    const end = (own: number) => {
      let clock = 0
      return host({
        now: () => (clock += 25),
        told: () => post[own]!.splice(0),
        progress: (value) => 'told' in (value as object) && post[1 - own]!.push((value as { told: unknown }).told),
        pause: () => new Promise((resolve) => setImmediate(() => resolve(true))),
      })
    }
    const job = { kind: 'arrange', budgetMs: 1500 } as const
    const wishes = Object.fromEntries(WISHED.map((w) => [w, 'off']))
    const held = new HeldFacts({ ...facts, house: House.parse({ ...house, wishes }) })
    const [near, whole] = (await Promise.all([
      doDayJob(held, { ...job, seed: 1, temper: 'near' }, end(0)),
      doDayJob(held, { ...job, seed: 2, temper: 'whole' }, end(1)),
    ])) as { ok: true; day: { objective: number } }[]
    expect(near!.day.objective).toBe(whole!.day.objective)
    // once both know the best day, they have nothing more to say
    expect(post.flat().length).toBeLessThan(20)
  })

  test('a cancelled job answers nothing', async () => {
    const gone = host({ pause: () => Promise.resolve(false) })
    expect(await doDayJob(new HeldFacts(facts), { kind: 'arrange', budgetMs: 1500, seed: 1 }, gone)).toBeUndefined()
    expect(
      await doDayJob(new HeldFacts(arranged(facts)), { kind: 'fits', dogIds: ['Pixel', 'Wren'] }, gone),
    ).toBeUndefined()
    expect(gone.heard.length).toBeLessThan(2 + 1)
  })

  test('proving goes on from an arranged day until no better order of it exists; a cancelled one answers nothing', async () => {
    const day = arranged(facts)
    const job = { kind: 'prove', budgetMs: 60_000 } as const
    const told = host()
    const proof = (await doDayJob(new HeldFacts(day), job, told)) as DayProof
    const best = proof.better ?? proof
    expect(best.lowerBound).toBeLessThanOrEqual(best.bare)
    expect(proof.objective).toBeGreaterThanOrEqual(best.objective)
    // from that day on, nothing better is found
    const taken = { ...day, day: { ...day.day, plan: proof.better?.plan ?? day.day.plan } }
    expect(await doDayJob(new HeldFacts(taken), job, host())).toMatchObject({ better: undefined })
    // without wishes none better exists
    const wishes = Object.fromEntries(WISHED.map((w) => [w, 'off']))
    const plain = { ...day, house: { ...day.house, wishes } }
    const proved = (await doDayJob(new HeldFacts(plain), job, host())) as DayProof
    const least = proved.better ?? proved
    expect(least).toMatchObject({ proven: true, lowerBound: least.objective })
    expect(best.lowerBound).toBe(least.objective)
    expect(await doDayJob(new HeldFacts(facts), job, host())).toBeNull()
    expect(await doDayJob(new HeldFacts(day), job, host({ pause: () => Promise.resolve(false) }))).toBeUndefined()
  })

  test('a part held to another minute: the day stands with it, or nothing when it can’t be there', async () => {
    const day = arranged(facts)
    const held = new HeldFacts(day)
    const { tasks } = held.state.schedule!
    const last = ['moss', 'fig', 'quill'].sort((a, b) => tasks[`${a}.bath`]! - tasks[`${b}.bath`]!).at(-1)!
    const begins = day.day.hours.from + tasks[`${last}.bath`]! + 10
    const wish = { seatId: last, part: 'bath', at: begins }
    const found = (await doDayJob(held, { kind: 'hold', wish }, host())) as HeldDay
    expect(found.schedule!.tasks[`${last}.bath`]).toBe(begins - day.day.hours.from)
    expect(found.seats.find((s) => s.id === last)!.pins).toEqual({ bath: begins })
    expect(found.plan!.tasks[`${last}.bath`]).toBe(begins)
    const early = { ...wish, at: day.day.hours.from - 60 }
    expect(await doDayJob(held, { kind: 'hold', wish: early }, host())).toBeNull()
  })

  test('weeks: how full days are, days for those due, and for those that must go elsewhere; a cancelled one answers nothing', async () => {
    const day = factsOf(['Moss', 'Fig'])
    const standing = {
      dogId: 'Quill',
      from: DATE,
      until: null,
      rhythm: { kind: 'weeks', every: 2 },
      arrive: 540,
      pickup: 900,
    }
    const weeks: WeeksFacts = {
      from: DATE,
      to: '2026-12-27',
      days: [{ record: day.day, kept: [] }],
      dogs: Object.fromEntries(DOGS.map((d) => [d.name, { record: Dog.parse(d), memory: NOTHING_KNOWN }])),
      standings: [Standing.parse(standing)],
      shelf,
      house,
    }
    const told = host()
    expect(await doWeeksJob({ kind: 'loads', weeks }, told)).toBe(true)
    expect(told.heard).toMatchObject([{ date: DATE, dogs: 2 }])
    const spread = await doWeeksJob({ kind: 'spread', weeks }, host())
    expect(spread).toMatchObject({
      bookings: [{ date: DATE }, { date: '2026-12-12' }, { date: '2026-12-26' }],
      unplaced: [],
    })
    const homes = host()
    const found = await doWeeksJob(
      { kind: 'homes', weeks, date: '2026-12-01', seats: day.day.seats.slice(0, 1) },
      homes,
    )
    expect(found).toMatchObject([{ dogId: 'Moss', date: '2026-12-12', why: { code: 'fit.ends' } }])
    expect(homes.heard).toEqual(found)
    const gone = host({ now: () => performance.now() * 1e6, pause: () => Promise.resolve(false) })
    expect(await doWeeksJob({ kind: 'spread', weeks }, gone)).toBeUndefined()
  })

  test('what a day gives up, what a wish costs, times for owners: each once the day is arranged', async () => {
    const day = arranged(facts)
    const told = host()
    const trades = await doDayJob(new HeldFacts(day), { kind: 'trades' }, told)
    expect(trades).toEqual(told.heard)
    expect(await doDayJob(new HeldFacts(facts), { kind: 'trades' }, host())).toEqual([])
    const price = { kind: 'price', wish: { seatId: null, by: 1200 } } as const
    expect(await doDayJob(new HeldFacts(day), price, host())).toMatchObject({ granted: true })
    expect(await doDayJob(new HeldFacts(facts), price, host())).toBeNull()
    const times = { kind: 'times', seatIds: ['moss', 'fig', 'quill'] } as const
    expect(await doDayJob(new HeldFacts(day), { ...times, seatIds: [...times.seatIds] }, host())).toMatchObject({
      times: [{ seatId: 'moss' }, { seatId: 'fig' }, { seatId: 'quill' }],
      unready: [],
    })
    const begun = { ...day, day: { ...day.day, progress: { now: 500, tasks: {} } } }
    expect(await doDayJob(new HeldFacts(begun), { ...times, seatIds: [...times.seatIds] }, host())).toBeNull()
  })

  test('chances need an arranged day; fits come one by one; ways come as they are found', async () => {
    expect(await doDayJob(new HeldFacts(facts), { kind: 'odds' }, host())).toBeNull()
    const day = arranged(facts)
    expect(await doDayJob(new HeldFacts(day), { kind: 'odds' }, host())).toMatchObject({ samples: 600 })
    const told = host()
    const fits = await doDayJob(new HeldFacts(day), { kind: 'fits', dogIds: ['Pixel', 'Wren'] }, told)
    expect(fits).toEqual(told.heard)
    const state = standDay(day)
    const [finding] = state.findings
    if (finding) {
      const ways = host()
      const found = (await doDayJob(new HeldFacts(day), { kind: 'ways', finding }, ways)) as unknown[]
      expect(found).toHaveLength(ways.heard.length)
    }
  })
})
