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
  expect(after.minutes.because.at(-1)!.fact).toBe('the log: 30 % longer than the coat’s norm, from 4 visits')
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
  expect(plan.drying.minutes.because.map((r) => r.fact)).toContain(
    'hindlegs and inner thighs, the log: 50 % longer than the coat’s norm, from 4 visits',
  )
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
  expect(plan.drying.water.because.at(-1)!.fact).toBe(
    'holds 25 % more water than its table, the log: 4 visits of its own',
  )
  expect(plan.drying.minutes.value).toBeGreaterThanOrEqual(plain.drying.minutes.value)
})

test('waits and rests are set: nothing is learned from them; by itself is another kind than by hand', () => {
  expect(kindOf({ id: 'wait-1', hands: true })).toBeUndefined()
  expect(kindOf({ id: 'shake', hands: false })).toBeUndefined()
  expect(kindOf({ id: 'lather-2', hands: true })).toBe('lather')
  expect(kindOf({ id: 'dry', hands: false })).toBe('dry alone')
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

test('what happened before, and places found damp again and again, are warned of', () => {
  const plan = planWith({
    happened: [{ date: '2026-10-10', what: 'soap in the eye', step: 'Last rinse' }],
    damp: [
      { zone: 'forelegs', visits: 3 },
      { zone: 'feet', visits: 1 },
    ],
  })
  const said = plan.cautions.map((c) => `${c.title}. ${c.next}`)
  expect(said).toContain('It happened on 10 October: soap in the eye. It was during “Last rinse”: go slower there.')
  expect(said.some((t) => t.startsWith('Found damp on 3 visits: forelegs'))).toBe(true)
  expect(said.some((t) => t.includes('feet'))).toBe(false)
})
