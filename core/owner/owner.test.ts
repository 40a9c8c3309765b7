import fc from 'fast-check'
import { Dog } from '../dog'
import { idAt, oatShelf, roomWith } from '../fixtures'
import { planVisit, Today, type Memory } from '../visit'
import { Memory as MemorySchema } from '../visit'
import { AfterAnswers, BeforeAnswers, codeOf, putByOwner, readHanded, type HandedAnswers } from '.'

const today = Today.parse({ date: '2026-12-05' })
const before = (more: object = {}) => BeforeAnswers.parse(more)

test('what a card hands back is read again, as a file and as a code, whatever an owner writes', () => {
  fc.assert(
    fc.property(
      fc.string({ maxLength: 200, unit: 'grapheme' }),
      fc.integer({ min: 0, max: 260 }),
      (note, lastBathWeeks) => {
        const handed: HandedAnswers = {
          juvant: 'answers',
          dog: idAt(1),
          said: { kind: 'before', date: '2026-12-05', answers: before({ note, lastBathWeeks }) },
        }
        expect(readHanded(codeOf(handed))).toEqual(handed)
        expect(readHanded(` ${JSON.stringify(handed, null, 2)}\n`)).toEqual(handed)
      },
    ),
  )
})

test.each(['', 'hello', '{}', 'JUVANT1:', 'JUVANT1:!!!', '{"juvant":"answers"}', 'JUVANT1:e30'])(
  '%j is no answer',
  (text) => expect(readHanded(text)).toBeUndefined(),
)

test('answers put into a check-in what they say something about, and nothing else', () => {
  expect(putByOwner(today, before())).toEqual({})
  expect(putByOwner(today, before({ mats: 'few' }))).toEqual({})
  const put = putByOwner(
    Today.parse({ ...today, mats: { ears: 2 } }),
    before({ mats: 'few', matsAt: ['ears', 'tail'], fleas: 'yes', ears: 'smells', shedding: true }),
  )
  expect(put).toMatchObject({ mats: { ears: 2, tail: 1 }, fleas: true, shedding: true })
  expect(put.leftEar!.signs).toEqual(['bad smell'])
  expect(putByOwner(today, before({ fleas: 'maybe' }))).toEqual({})
})

describe('what an owner said two days after', () => {
  const dog = Dog.parse({ name: 'Saffron', weightKg: 11, coat: 'drop' })
  const after = (more: object) => AfterAnswers.parse({ scratching: 'no', earShaking: false, dampSmell: false, ...more })
  const planWith = (more?: object) => {
    const memory: Memory = MemorySchema.parse(more ? { after: { date: '2026-11-01', ...after(more) } } : {})
    return planVisit(dog, today, oatShelf(), roomWith(), memory)
  }
  const plain = planWith()
  test('scratching: one more run of the fingers in the last rinse, with its reason', () => {
    const itched = planWith({ scratching: 'much' })
    expect(itched.rinse.last.minutes.value).toBeGreaterThan(plain.rinse.last.minutes.value)
    expect(itched.rinse.last.minutes.because.map((r) => r.code)).toContain('rinse.scratchedAfter')
    expect(planWith({ scratching: 'no' }).rinse.last.minutes).toEqual(plain.rinse.last.minutes)
  })
  test('ears that were shaken, and a damp smell, are minded where they belong', () => {
    const codes = (plan: typeof plain) => plan.cautions.map((c) => `${c.code} ${c.scope}`)
    expect(codes(planWith({ earShaking: true }))).toContain('caution.earsShaken left ear')
    expect(codes(planWith({ dampSmell: true }))).toContain('caution.dampSmell drying')
    expect(codes(plain).filter((c) => /earsShaken|dampSmell/.test(c))).toEqual([])
  })
})
