import { Dog } from '../dog'
import { FAN, FORCE_DRYER, oatShelf, roomWith, STAND_DRYER } from '../fixtures'
import { LEARN, UNKNOWN_SPREAD, type Lesson } from '../learn'
import { replay } from '../reckoned'
import { kindOf, type Memory, NOTHING_KNOWN, planVisit, Today, TOWEL_WATER, zoneKind } from '.'

const house = roomWith({ dryers: [FORCE_DRYER, STAND_DRYER, FAN] })
const shelf = oatShelf()
const dog = Dog.parse({ name: 'Pesto', weightKg: 14, coat: 'curly' })
const today = Today.parse({ date: '2026-11-28' })
const lesson = (ratio: number, more: Partial<Lesson> = {}): Lesson => ({
  mean: Math.log(ratio),
  variance: 0.004,
  own: 4,
  coat: 6,
  all: 30,
  dogs: 6,
  ...more,
})
const planWith = (memory: Partial<Memory>, own = today) =>
  planVisit(dog, own, shelf, house, { ...NOTHING_KNOWN, ...memory })
const plain = planWith({})
const stepOf = (plan: typeof plain, id: string) => plan.steps.find((s) => s.id === id)!

test('a step’s minutes become the middle of what the log says, with the reason; every number still replays', () => {
  const plan = planWith({ lessons: { brush: lesson(1.3, { apart: Math.log(1.3) }) } })
  const [before, after] = [stepOf(plain, 'brush'), stepOf(plan, 'brush')]
  expect(after.minutes.value).toBeCloseTo(1.3 * before.minutes.value, 9)
  expect(after.minutes.because.at(-1)).toMatchObject({
    code: 'log.lesson',
    by: 'log',
    facts: { from: 'apart', visits: 4 },
  })
  expect(replay(after.minutes.because)).toBe(after.minutes.value)
  expect(after.model).toBe(before.minutes.value)
  expect(after.likely!.plan).toBeGreaterThan(after.minutes.value)
  expect(after.likely!.most[0]).toBeLessThan(after.likely!.half[0])
  expect(plan.minutes.value).toBeCloseTo(plain.minutes.value + 0.3 * before.minutes.value, 6)
})

test('without a log nothing is changed and nothing is claimed', () => {
  expect(plain.steps.every((s) => s.likely === undefined && s.model === undefined)).toBe(true)
  expect(plain.likely).toBeUndefined()
})

test('a slow zone makes the drying longer by its own minutes, and says so', () => {
  const plan = planWith({ lessons: { [zoneKind('hindlegs')]: lesson(1.5, { apart: Math.log(1.5) }) } })
  const zone = (p: typeof plain) => p.drying.zones.find((z) => z.zone === 'hindlegs')!
  expect(zone(plan).minutes).toBeCloseTo(1.5 * zone(plain).minutes, 9)
  expect(plan.drying.minutes.value - plain.drying.minutes.value).toBeCloseTo(0.5 * zone(plain).minutes, 6)
  expect(plan.drying.minutes.because.filter((r) => r.code === 'log.zone').map((r) => r.facts)).toMatchObject([
    { zone: 'hindlegs', lesson: { from: 'apart', visits: 4 } },
  ])
  expect(replay(plan.drying.minutes.because)).toBe(plan.drying.minutes.value)
  expect(stepOf(plan, 'dry').minutes.value).toBeCloseTo(plan.drying.minutes.value, 9)
  expect(stepOf(plan, 'dry').model).toBeCloseTo(plain.drying.minutes.value, 9)
})

test('the user’s own minutes stay as they are, whatever the log says', () => {
  const own = Today.parse({ ...today, overrides: [{ target: 'drying', value: 33, reason: 'known' }] })
  const plan = planWith({ lessons: { dry: lesson(1.4), [zoneKind('back')]: lesson(1.4) } }, own)
  expect(plan.drying.minutes.value).toBe(33)
  expect(stepOf(plan, 'dry').minutes.value).toBe(33)
})

test('towels that took more water than the table says make for a wetter coat and longer drying', () => {
  const plan = planWith({ lessons: { [TOWEL_WATER]: lesson(1.25) } })
  expect(plan.drying.stages[0]!.grams).toBeCloseTo(1.25 * plain.drying.stages[0]!.grams, 6)
  expect(plan.drying.water.because.at(-1)).toMatchObject({ code: 'log.holds', facts: { ratio: 1.25 } })
  expect(plan.drying.minutes.value).toBeGreaterThanOrEqual(plain.drying.minutes.value)
})

test('waits and rests are set: nothing is learned from them; by itself is another kind than by hand', () => {
  expect(kindOf({ kind: 'stand', hands: true })).toBeUndefined()
  expect(kindOf({ kind: 'shake', hands: false })).toBeUndefined()
  expect(kindOf({ kind: 'wash', role: 'treat', hands: true })).toBe('lather')
  expect(kindOf({ kind: 'dry', hands: false })).toBe('dry alone')
})

test('the whole visit’s bands lie around its minutes, and narrow as more is known', () => {
  const every = (variance: number) =>
    Object.fromEntries(plain.steps.flatMap((s) => (kindOf(s) ? [[kindOf(s)!, lesson(1, { variance })]] : [])))
  const width = ({ likely }: typeof plain) => likely!.most[1] - likely!.most[0]
  const [little, much] = [
    planWith({ lessons: every(UNKNOWN_SPREAD ** 2 - LEARN.step.value ** 2) }),
    planWith({ lessons: every(0.001) }),
  ]
  expect(width(much)).toBeLessThan(width(little))
  expect(much.likely!.most[0]).toBeLessThan(much.minutes.value)
  expect(much.likely!.most[1]).toBeGreaterThan(much.minutes.value)
})

test('a sign found in an ear at the table is minded at that ear next time', () => {
  const plan = planWith({ earSigns: [{ date: '2026-10-10', side: 'left', signs: ['bad smell'] }] })
  expect(plan.cautions.filter((c) => c.code === 'caution.earSigns').map((c) => [c.scope, c.facts])).toEqual([
    ['left ear', { date: '2026-10-10', side: 'left', signs: ['bad smell'] }],
  ])
})

test('what happened before, and places found damp again and again, are warned of', () => {
  const plan = planWith({
    happened: [{ date: '2026-10-10', what: 'soap in the eye', step: { kind: 'rinse', role: 'last' } }],
    damp: [
      { zone: 'forelegs', visits: 3 },
      { zone: 'feet', visits: 1 },
    ],
  })
  expect(plan.cautions.find((c) => c.code === 'caution.before')!.facts).toMatchObject({
    date: '2026-10-10',
    what: 'soap in the eye',
    step: { kind: 'rinse', role: 'last' },
  })
  expect(plan.cautions.filter((c) => c.code === 'caution.dampBefore').map((c) => c.facts)).toEqual([
    { zone: 'forelegs', visits: 3 },
  ])
})

test.each([
  [4, 2],
  [40, 3],
])('after %d visits the log moves a step by a factor of %d at most, and never makes a rinse shorter', (own, most) => {
  const every = (ratio: number) =>
    Object.fromEntries(plain.steps.flatMap((s) => (kindOf(s) ? [[kindOf(s)!, lesson(ratio, { own })]] : [])))
  for (const ratio of [0.01, 0.1, 0.4, 2.5, 10, 100]) {
    const plan = planWith({ lessons: every(ratio) })
    for (const step of plan.steps) {
      const before = stepOf(plain, step.id).minutes.value
      expect(step.minutes.value).toBeLessThanOrEqual(most * before + 1e-9)
      expect(step.minutes.value).toBeGreaterThanOrEqual(before / most - 1e-9)
      if (step.kind === 'rinse' || step.kind === 'wet') expect(step.minutes.value).toBeGreaterThanOrEqual(before - 1e-9)
    }
    const last = plan.steps.find((s) => s.kind === 'rinse' && s.role === 'last')!
    expect(last.minutes.value).toBeCloseTo(plan.rinse.last.minutes.value, 9)
  }
})
