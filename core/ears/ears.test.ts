import { EarSign, SOUND_EAR, type EarLook } from '../dog'
import { Product } from '../mix'
import { bothEars, decideEar, earMillilitres, type EarFacts } from '.'

const product = (name: string, kind: 'ear cleaner' | 'ear drying', earMl: number | null = null) => ({
  ...Product.parse({ name, kind }),
  id: name,
  earMl,
})
const cleaner = product('Clear', 'ear cleaner')
const drying = product('Dry', 'ear drying')
const facts: EarFacts = {
  weightKg: 14,
  carriage: 'erect',
  cleared: false,
  puppy: false,
  earHair: 'blocking',
  hairy: false,
  giving: 'bottle',
  cleaner,
  drying,
}
const look = (more: Partial<EarLook> = {}): EarLook => ({ ...SOUND_EAR, ...more })

describe('one ear', () => {
  test.each(EarSign.options)('%s: nothing goes in, whatever else is found', (sign) => {
    for (const more of [{}, { wax: 3 }, { moist: true }, { hairBlocks: true }]) {
      const plan = decideEar(look({ signs: [sign], ...more }), facts)
      expect(plan).toMatchObject({ action: 'stop', rounds: 0, thinHair: false, thenDry: false })
      expect(plan.product).toBeUndefined()
      expect(JSON.stringify(plan.because)).toContain(sign)
    }
  })

  test('a vet’s clearance lifts it', () => {
    expect(decideEar(look({ signs: ['bad smell'], wax: 2 }), { ...facts, cleared: true }).action).toBe('clean')
  })

  test.each<[string, Partial<EarLook>, Partial<EarFacts>, object]>([
    ['clean and dry', {}, {}, { action: 'wipe', rounds: 0 }],
    ['a little wax', { wax: 1 }, {}, { action: 'clean', rounds: 1, product: 'Clear', thenDry: false }],
    ['full of wax', { wax: 3 }, {}, { action: 'clean', rounds: 3 }],
    ['wax in a drop ear', { wax: 2 }, { carriage: 'drop' }, { action: 'clean', rounds: 2, thenDry: true }],
    ['damp', { moist: true }, {}, { action: 'dry', product: 'Dry', rounds: 1 }],
    ['hair blocks', { hairBlocks: true }, {}, { action: 'clean', thinHair: true, rounds: 1 }],
    [
      'hair in the canal, plucked as a routine',
      {},
      { earHair: 'routine', hairy: true },
      { action: 'clean', thinHair: true },
    ],
    ['no hair in the canal, plucked as a routine', {}, { earHair: 'routine' }, { action: 'wipe', thinHair: false }],
    ['hair blocks, never plucked', { hairBlocks: true }, { earHair: 'never' }, { action: 'wipe', thinHair: false }],
    ['hair blocks, puppy', { hairBlocks: true }, { puppy: true }, { action: 'wipe', thinHair: false }],
    ['wax, no cleaner in the house', { wax: 2 }, { cleaner: undefined }, { action: 'wipe' }],
    ['damp, no drying product', { moist: true }, { drying: undefined }, { action: 'wipe' }],
    [
      'wax in a drop ear, no drying product',
      { wax: 2 },
      { carriage: 'drop', drying: undefined },
      { action: 'clean', thenDry: false },
    ],
  ])('%s', (_what, more, moreFacts, expected) => {
    const plan = decideEar(look(more), { ...facts, ...moreFacts })
    expect(plan).toMatchObject(expected)
    expect(plan.because.length).toBeGreaterThan(0)
  })
})

test('says how the cleaner is given, by the house’s rule, and when to stop', () => {
  const codes = (giving: 'bottle' | 'cotton') => decideEar(look({ wax: 2 }), { ...facts, giving }).because
  expect(codes('bottle')).not.toEqual(codes('cotton'))
  expect(JSON.stringify(codes('cotton'))).toContain('cotton')
  expect(codes('bottle').map((w) => w.code)).toContain('ear.until')
})

test.each([
  [4, 1],
  [5, 2],
  [14, 2],
  [15, 3],
  [29, 3],
  [30, 4],
  [60, 4],
])('%d kg takes %d mL, unless the label says', (kg, mL) => {
  expect(earMillilitres(kg, cleaner).value).toBe(mL)
  expect(earMillilitres(kg, product('x', 'ear cleaner', 2.5)).value).toBe(2.5)
})

test('both ears take their looks, rounds and plucking, at the dog’s pace', () => {
  const clean = decideEar(look({ wax: 2 }), facts)
  const thin = decideEar(look({ hairBlocks: true }), facts)
  expect(clean.minutes.value).toBe(1 + 2 * 1.5)
  expect(thin.minutes.value).toBe(1 + 1.5 + 3)
  expect(bothEars(clean, thin, 'anxious').value).toBeCloseTo(1.5 * 9.5, 9)
})
