import { EarSign, SOUND_EAR, type EarLook } from '../dog'
import { Product, stingingIn } from '../mix'
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
  rounds: 'three',
  powder: 'fingers',
  date: '2026-11-28',
  cleaners: [cleaner],
  dryingOnes: [drying],
  forbidden: [],
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
    ['wax, no cleaner in the house', { wax: 2 }, { cleaners: [] }, { action: 'wipe' }],
    ['damp, no drying product', { moist: true }, { dryingOnes: [] }, { action: 'wipe' }],
    [
      'wax in a drop ear, no drying product',
      { wax: 2 },
      { carriage: 'drop', dryingOnes: [] },
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

/** Common practice, no source. */
describe('what stings, and what a dog may not have', () => {
  const vinegar = { ...product('Sour', 'ear cleaner'), contains: ['apple vinegar'] }
  const gentle = product('Gentle', 'ear cleaner')
  const codes = (more: Partial<EarLook>, moreFacts: Partial<EarFacts>) => {
    const plan = decideEar(look(more), { ...facts, ...moreFacts })
    return { ...plan, codes: plan.because.map((b) => b.code) }
  }
  const sore: [string, Partial<EarLook>, Partial<EarFacts>][] = [
    ['cleared by a vet', { signs: ['flaming red'], wax: 2 }, { cleared: true }],
    ['scratched', { wax: 2 }, { sore: 'itchy' }],
    ['plucked today', { hairBlocks: true }, {}],
  ]
  test.each(sore)('%s: nothing with vinegar or alcohol, and the reason is told', (_what, more, moreFacts) => {
    const only = codes(more, { ...moreFacts, cleaners: [vinegar] })
    expect(only).toMatchObject({ action: 'wipe', waxStays: true })
    expect(only.product).toBeUndefined()
    expect(only.codes).toEqual(expect.arrayContaining(['ear.stings', 'ear.waxStays']))
    const another = codes(more, { ...moreFacts, cleaners: [vinegar, gentle] })
    expect(another).toMatchObject({ action: 'clean', product: 'Gentle' })
    expect(another.codes).toContain('ear.stings')
  })
  test('a sound ear may have it', () => {
    expect(codes({ wax: 2 }, { cleaners: [vinegar] })).toMatchObject({ action: 'clean', product: 'Sour' })
  })
  test('a damp sore ear gets no drying one with alcohol', () => {
    const strong = { ...product('Strong dry', 'ear drying'), contains: ['isopropyl alcohol'] }
    expect(codes({ moist: true }, { sore: 'inflamed', cleaners: [], dryingOnes: [strong] })).toMatchObject({
      action: 'wipe',
      waxStays: true,
    })
  })
  test('allergic to the only cleaner: said, with the wax that stays', () => {
    const why = { code: 'not.contains' as const, facts: { allergen: 'aloe' } }
    const told = codes({ wax: 2 }, { cleaners: [], forbidden: [{ product: 'Clear', why }] })
    expect(told).toMatchObject({ action: 'wipe', waxStays: true })
    expect(told.codes).toEqual(['ear.forbidden', 'ear.waxStays'])
    expect(codes({}, { cleaners: [], forbidden: [{ product: 'Clear', why }] }).waxStays).toBeUndefined()
  })

  test.each([
    [{ contains: ['Apple cider vinegar'] }, 'vinegar'],
    [{ contains: ['isopropyl alcohol 5 %'] }, 'isopropyl'],
    [{ contains: ['cetyl alcohol', 'water'] }, undefined],
    [{ contains: ['cetearyl alcohol', 'ethanol'] }, 'ethanol'],
    [{ name: 'Vinegar ear rinse' }, 'vinegar'],
    [{ name: 'Alcoholfree ears' }, undefined],
  ])('%j stings by %s', (more, by) => {
    expect(stingingIn({ name: 'Clear', contains: [], ...more })).toBe(by)
  })
})

/** Common practice, no source. */
describe('how often and how far', () => {
  test('ears plucked as a routine 3 weeks ago: not today, unless hair blocks', () => {
    const routine = { earHair: 'routine' as const, hairy: true, thinnedLately: '2026-11-07' }
    const plan = decideEar(look(), { ...facts, ...routine })
    expect(plan.thinHair).toBe(false)
    expect(plan.because).toContainEqual({ code: 'ear.thinnedLately', facts: { date: '2026-11-07', weeks: 3 } })
    expect(decideEar(look({ hairBlocks: true }), { ...facts, ...routine }).thinHair).toBe(true)
  })
  test('as many rounds as the house allows; a softener first where there is much wax', () => {
    expect(decideEar(look({ wax: 3 }), { ...facts, rounds: 'one' })).toMatchObject({ rounds: 1, most: 1 })
    const softener = { ...product('Soft', 'ear cleaner'), kind: 'wax softener' as const }
    const soft = decideEar(look({ wax: 3 }), { ...facts, softener })
    expect(soft.softenWith).toBe('Soft')
    expect(soft.minutes.value).toBeGreaterThan(decideEar(look({ wax: 3 }), facts).minutes.value)
    expect(decideEar(look({ wax: 1 }), { ...facts, softener }).softenWith).toBeUndefined()
  })
})
