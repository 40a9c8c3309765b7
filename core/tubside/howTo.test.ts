import { Dog, EarSign } from '../dog'
import { EARS } from '../ears'
import { oatShelf, roomWith, tapsOf, type TapDraft } from '../fixtures'
import { planVisit, Today, type Plan, type Step } from '../visit'
import { earNow, earOver } from './earWork'
import { headRinseOf, howToNow } from './howTo'
import { visitRecord } from './record'

const dogOf = (more: object = {}) => Dog.parse({ name: 'Ash', weightKg: 20, coat: 'long double', ...more })
const at = (dog: Dog, day: object = {}, rules: object = {}) => {
  const house = roomWith()
  const today = Today.parse({ date: '2026-11-28', ...day })
  return { plan: planVisit(dog, today, oatShelf(), { ...house, rules: { ...house.rules, ...rules } }), dog, today }
}
const stepOf = (plan: Plan, kind: Step['kind'], role?: string) =>
  plan.steps.find((s) => s.kind === kind && (role === undefined || s.role === role))!
const nothing = visitRecord([])
const lathered = (...zones: string[]) =>
  visitRecord(
    tapsOf(...zones.map((zone): TapDraft => ({ kind: 'lathered', pass: 1, zone: zone as 'feet', minute: 1 }))),
  )

/** Common practice, no source. */
describe('what the hands do', () => {
  test('erect ears are held shut where water goes over the head, others needn’t be', () => {
    const hands = (earCarriage: string, headWet: string, kind: Step['kind']) => {
      const facts = at(dogOf({ earCarriage }), {}, { headWet })
      return howToNow(nothing, stepOf(facts.plan, kind), facts)
    }
    const overHead = ['earsShut', 'muzzleShut', 'shieldEyes']
    expect(hands('erect', 'early', 'wet')).toEqual(expect.arrayContaining(['eyeCrusts', ...overHead]))
    expect(hands('erect', 'late', 'wet')).not.toContain('earsShut')
    expect(hands('erect', 'late', 'face')).toEqual(expect.arrayContaining(overHead))
    expect(hands('drop', 'early', 'wet')).not.toContain('earsShut')
  })

  test('chin up or nose down by the house’s rule; a short nose has a cloth and no water', () => {
    for (const [rule, line] of [
      ['down', 'noseDown'],
      ['up', 'chinUp'],
    ] as const) {
      const facts = at(dogOf(), {}, { headRinse: rule })
      expect(headRinseOf(facts.plan)).toBe(rule)
      const lines = howToNow(nothing, stepOf(facts.plan, 'rinse', 'last'), facts)
      expect(lines).toContain(line)
      expect(lines).not.toContain(line === 'chinUp' ? 'noseDown' : 'chinUp')
    }
    const pug = at(dogOf({ coat: 'smooth', shortNose: true, folds: true }))
    const lines = howToNow(nothing, stepOf(pug.plan, 'face'), pug)
    expect(lines.slice(0, 2)).toEqual(['clothFace', 'foldsDried'])
    expect(howToNow(nothing, stepOf(pug.plan, 'rinse', 'last'), pug)).not.toContain('noseDown')
  })

  test('the zone in hand comes first: toes at the feet, legs forward and back at the legs', () => {
    const facts = at(dogOf())
    const wash = stepOf(facts.plan, 'wash')
    const order = wash.zones
    for (const [i, zone] of order.entries()) {
      const [first] = howToNow(lathered(...order.slice(0, i)), wash, facts)
      if (zone === 'feet') expect(first).toBe('betweenToes')
      if (zone === 'hindlegs') expect(first).toBe('legsForeAndBack')
      if (zone === 'back') expect(first).toBe('strokeAlong')
    }
  })

  test('fleas: the ring first, the rinse from it backwards, the tub after', () => {
    const facts = at(dogOf(), { fleas: true })
    expect(howToNow(nothing, stepOf(facts.plan, 'wash'), facts)[0]).toBe('neckRing')
    expect(howToNow(nothing, stepOf(facts.plan, 'rinse', 'last'), facts)[0]).toBe('rinseFromRing')
    expect(howToNow(nothing, stepOf(facts.plan, 'clean'), facts)).toEqual(['tubAfterFleas'])
    const none = at(dogOf())
    expect(howToNow(nothing, stepOf(none.plan, 'clean'), none)).toEqual([])
  })

  test('a first bath: treats and stopping points, the cup from the feet up', () => {
    const facts = at(dogOf({ firstBath: true }))
    const wet = howToNow(nothing, stepOf(facts.plan, 'wet'), facts)
    expect(wet).toEqual(expect.arrayContaining(['cupFromFeet', 'treatNow', 'stopPoint', 'pourIntoCoat']))
    expect(wet).not.toContain('liftCoat')
    const known = at(dogOf())
    expect(howToNow(nothing, stepOf(known.plan, 'wet'), known)).not.toContain('treatNow')
  })
})

describe('an ear, step by step', () => {
  const plan = { action: 'clean', thinHair: false, thenDry: false } as const
  const left = (...taps: TapDraft[]) => visitRecord(tapsOf(...taps)).ears.left
  const did = (deed: 'looked' | 'thinned' | 'filled' | 'wiped' | 'dried', minute = 0): TapDraft => ({
    kind: 'earDid',
    side: 'left',
    did: deed,
    minute,
  })
  const cotton = (came: 'clean' | 'dirty', minute: number): TapDraft => ({
    kind: 'ear',
    side: 'left',
    cotton: came,
    minute,
  })
  const phase = (ear: ReturnType<typeof left>, minute = 0, of: Parameters<typeof earNow>[1] = plan) =>
    earNow(ear, of, minute * 60_000)

  test('looked at, filled, massaged for its seconds, wiped; again until clean', () => {
    expect(phase(left())).toEqual({ at: 'look' })
    expect(phase(left(did('looked')))).toEqual({ at: 'fill' })
    const filled = left(did('looked'), did('filled', 1))
    expect(phase(filled, 1)).toEqual({ at: 'massage', until: 60_000 + EARS.massage.value * 1000 })
    expect(phase(filled, 1 + EARS.massage.value / 60)).toEqual({ at: 'wipe' })
    expect(phase(left(did('looked'), did('filled', 1), cotton('dirty', 2)))).toEqual({ at: 'fill' })
    const clean = left(did('looked'), did('filled', 1), cotton('clean', 2))
    expect(phase(clean, 2)).toEqual({ at: 'over' })
    expect(phase(clean, 2, { ...plan, thenDry: true })).toEqual({ at: 'dry' })
  })

  test('a third dirty round stops; so does a sign found at the table, whatever was planned', () => {
    const thrice = [cotton('dirty', 1), cotton('dirty', 2), cotton('dirty', 3)]
    expect(phase(left(...thrice.slice(0, 2)))).toEqual({ at: 'fill' })
    expect(phase(left(...thrice))).toEqual({ at: 'refer' })
    for (const found of EarSign.options) {
      const ear = left(did('looked'), { kind: 'earSigns', side: 'left', signs: [found], minute: 1 })
      expect([found, phase(ear)]).toEqual([found, { at: 'stopped' }])
      expect(earOver(phase(ear))).toBe(true)
    }
    const mistaken = left(
      { kind: 'earSigns', side: 'left', signs: ['wound'], minute: 1 },
      { kind: 'earSigns', side: 'left', signs: [], minute: 2 },
    )
    expect(phase(mistaken)).toEqual({ at: 'look' })
  })

  test('thinned before it is filled; a clean ear has its flap wiped only; an ear for the vet is left', () => {
    expect(phase(left(did('looked')), 0, { ...plan, thinHair: true })).toEqual({ at: 'thin' })
    expect(phase(left(did('looked'), did('thinned')), 0, { ...plan, thinHair: true })).toEqual({ at: 'fill' })
    const wipe = { action: 'wipe', thinHair: false, thenDry: false } as const
    expect(phase(left(did('looked')), 0, wipe)).toEqual({ at: 'flap' })
    expect(phase(left(did('looked'), did('wiped')), 0, wipe)).toEqual({ at: 'over' })
    expect(phase(left(), 0, { ...wipe, action: 'stop' })).toEqual({ at: 'leave' })
  })
})
