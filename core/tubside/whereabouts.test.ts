import { Dog } from '../dog'
import { oatShelf, roomWith, tapsOf, type TapDraft } from '../fixtures'
import { Protector } from '../groomer'
import { planVisit, Today } from '../visit'
import { visitRecord } from './record'
import { readyIn, usedSoFar, whereabouts, type StepAhead } from './whereabouts'

const dog = Dog.parse({ name: 'Nimbus', weightKg: 22, coat: 'long double' })
const plan = planVisit(dog, Today.parse({ date: '2026-11-28' }), oatShelf(), roomWith())
const steps: StepAhead[] = plan.steps.map((s) => ({
  id: s.id,
  kind: s.kind,
  role: s.role,
  minutes: s.minutes.value,
  hands: s.hands,
  withDog: s.withDog,
}))
const record = (...taps: TapDraft[]) => visitRecord(tapsOf(...taps), 0)
const at = (...taps: TapDraft[]) => whereabouts(record(...taps), steps)
const come: TapDraft = { kind: 'arrived', minute: 0 }
const step = (id: string, minute = 1): TapDraft => ({ kind: 'step', step: id, minute })

test('where a dog is, from expected to gone home', () => {
  expect(whereabouts(undefined, steps)).toBe('expected')
  expect(at()).toBe('expected')
  expect(at(come)).toBe('here')
  expect(at(come, step('wet'))).toBe('inHand')
  expect(at(come, step('wet'), { kind: 'pause', minute: 2 })).toBe('here')
  expect(at(step('shake'))).toBe('resting')
  expect(at(step('wet'), { kind: 'finish', minute: 9 })).toBe('ready')
  expect(at(step('wet'), { kind: 'finish', minute: 9 }, { kind: 'gone', minute: 12 })).toBe('gone')
  const alone = steps.map((s) => (s.id === 'dry' ? { ...s, hands: false } : s))
  expect(whereabouts(record(step('dry'), { kind: 'pause', minute: 2 }), alone)).toBe('dryingAlone')
})

test('having come doesn’t begin the visit; the first arrival counts', () => {
  const told = record(come, { kind: 'arrived', minute: 20 })
  expect(told.began).toBeUndefined()
  expect(told.arrived).toBe(0)
})

test('ready once what is left is done: less with every step, never counting the tub that is cleaned after it', () => {
  const withDog = steps.filter((s) => s.withDog !== false)
  const all = withDog.reduce((sum, s) => sum + s.minutes, 0)
  expect(readyIn(record(), steps).minutes).toBeCloseTo(all, 9)
  const [first] = withDog
  const done = record(step(first!.id, 0), { kind: 'done', step: first!.id, minute: 3 })
  expect(readyIn(done, steps).minutes).toBeCloseTo(all - first!.minutes, 9)
  expect(readyIn(record(step('wet'), { kind: 'finish', minute: 9 }), steps)).toEqual({ minutes: 0, band: [0, 0] })
  const scattered = steps.map((s) => ({ ...s, spread: 0.3 }))
  const { minutes, band } = readyIn(record(), scattered)
  expect(band[0]).toBeLessThan(minutes)
  expect(band[1]).toBeGreaterThan(minutes)
})

test('water by the minutes that it ran, towels and noise by what was tapped and measured', () => {
  const told = visitRecord(
    tapsOf(
      step('wet', 0),
      { kind: 'done', step: 'wet', minute: 4 },
      { kind: 'towel', minute: 5 },
      { kind: 'towel', minute: 6 },
      { kind: 'noise', level: 95, minutes: 60, minute: 7 },
    ),
  )
  const none = Protector.parse({ kind: 'none' })
  const visit = { record: told, steps, tool: 'shower', flow: 7 } as const
  const used = usedSoFar([visit], none)
  expect(used.litres).toBeCloseTo(28, 9)
  expect(used.towels).toBe(2)
  expect(used.noise['']).toBeGreaterThan(0)
  expect(usedSoFar([visit, visit], none).litres).toBeCloseTo(56, 9)
  expect(usedSoFar([], none)).toEqual({ litres: 0, towels: 0, noise: { '': 0 } })
})

test('each pair of ears has its own dose, each dog is in the hands that took its step up last', () => {
  const told = visitRecord(
    tapsOf(
      step('wet', 0),
      { kind: 'step', step: 'dry', by: 'Dunja', minute: 5 },
      { kind: 'noise', level: 95, minutes: 30, by: 'Dunja', minute: 40 },
      { kind: 'noise', level: 85, minutes: 10, minute: 60 },
    ),
  )
  expect(told.by).toBe('Dunja')
  const visit = { record: told, steps, tool: 'shower', flow: 7 } as const
  const { noise } = usedSoFar([visit], Protector.parse({ kind: 'none' }))
  expect(Object.keys(noise).sort()).toEqual(['', 'Dunja'])
  expect(noise.Dunja!).toBeGreaterThan(noise['']!)
  expect(
    visitRecord(tapsOf(step('dry', 0), { kind: 'step', step: 'dry', by: 'Dunja', minute: 1 }, step('dry', 2))).by,
  ).toBe('')
})
