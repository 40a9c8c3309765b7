import { allOver } from '../fixtures'
import { planLift, TubSetup } from '../groomer'
import { said } from '../said'
import { isCleared, visitCautions, visitStops, type CautionFacts, type StopFacts } from '.'

const calm: StopFacts = {
  date: '2026-11-28',
  clearances: [],
  health: [],
  wounds: 'none',
  skin: allOver(),
  mats: {},
  biteRisk: false,
  helper: false,
}
const stops = (more: Partial<StopFacts>) => visitStops({ ...calm, ...more }).map((s) => s.id)
const word = (covers: 'skin' | 'wounds' | 'whole visit' | 'left ear', on = '2026-11-01', until = '2026-12-01') => ({
  by: 'A vet',
  on,
  covers,
  until,
})

describe('stops', () => {
  test('none for a sound dog; every stop says what is so and what to do', () => {
    expect(stops({})).toEqual([])
    const all = visitStops({
      ...calm,
      health: ['collapse', 'suspected scabies'],
      wounds: 'wide',
      skin: allOver('broken'),
      mats: { back: 3 },
      biteRisk: true,
    })
    expect(all.map((s) => s.scope)).toEqual(['visit', 'visit', 'visit', 'visit', 'bath', 'skin'])
    expect(all.every((s) => s.level === 'stop' && s.code.startsWith('stop.'))).toBe(true)
  })

  test('a clearance holds from its first to its last day, both included', () => {
    const clearances = [word('skin', '2026-11-10', '2026-11-20')]
    expect(
      ['2026-11-09', '2026-11-10', '2026-11-20', '2026-11-21'].map((day) => isCleared(clearances, 'skin', day)),
    ).toEqual([false, true, true, false])
  })

  test('ringworm and scabies are lifted for the skin, collapse and heat by nobody', () => {
    expect(stops({ health: ['suspected ringworm'], clearances: [word('skin')] })).toEqual([])
    expect(stops({ health: ['suspected ringworm'], clearances: [word('left ear')] })).toHaveLength(1)
    for (const sign of ['collapse', 'heat stress', 'laboured breathing'] as const) {
      expect(stops({ health: [sign], clearances: [word('whole visit')] })).toHaveLength(1)
    }
  })

  test('wounds: small ones stop the skin, wide ones the visit too; each lifted by its own word', () => {
    expect(stops({ skin: allOver('broken'), wounds: 'small' })).toEqual(['stop.skin broken'])
    expect(stops({ skin: allOver('broken'), wounds: 'wide' })).toEqual(['stop.wounds', 'stop.skin broken'])
    expect(stops({ skin: allOver('broken'), wounds: 'wide', clearances: [word('wounds')] })).toEqual([])
    expect(stops({ skin: allOver('broken'), wounds: 'wide', clearances: [word('skin')] })).toEqual(['stop.wounds'])
    expect(stops({ skin: allOver('inflamed'), clearances: [word('skin')] })).toEqual([])
  })

  test('felted names the places, and nobody’s word makes a felted coat washable', () => {
    const [felted] = visitStops({ ...calm, mats: { ears: 3, belly: 3, back: 2 }, clearances: [word('whole visit')] })
    expect(felted).toMatchObject({ code: 'stop.felted', facts: { zones: ['ears', 'belly'] } })
  })
})

const quiet: CautionFacts = {
  weightKg: 8,
  lift: planLift(5, TubSetup.parse({}), false),
  protector: { kind: 'none', nrr: 0 },
  roomC: 23,
  longestWait: 4,
  earTrouble: false,
  refused: [],
  stage: 'adult',
  shortNose: false,
  thinSkin: false,
  hairless: false,
  fleas: false,
  skin: [],
  hotC: 55,
  pregnant: false,
  seizures: false,
  heart: false,
  dryer: [],
  products: [],
}
const cautions = (more: Partial<CautionFacts>) => visitCautions({ ...quiet, ...more })
const ids = (more: Partial<CautionFacts>): string[] => cautions(more).map((c) => c.code.replace('caution.', ''))
const product = {
  id: 'p',
  name: 'P',
  kind: 'cleaning' as const,
  own: false,
  pH: 7,
  labelRatio: 10,
  ratio: 10,
  contact: 5,
  labelContact: 5,
}

describe('cautions', () => {
  test('water and current always stand; the scald line knows the hot side', () => {
    expect(ids({})).toEqual(['scald', 'current'])
    expect(cautions({ hotC: 60 })[0]).toMatchObject({ code: 'caution.scald', facts: { hotC: 60 } })
  })

  test.each([
    [5.9, true],
    [6, false],
    [8, false],
    [8.1, true],
  ])('pH %d is questioned: %s', (pH, asked) => {
    expect(ids({ products: [{ ...product, pH }] }).includes('pH')).toBe(asked)
  })

  test('a product without a printed pH is not questioned', () => {
    expect(ids({ products: [{ ...product, pH: null }] })).not.toContain('pH')
  })

  test('stronger than the label, or on for less than it says', () => {
    expect(ids({ products: [{ ...product, ratio: 9 }] })).toContain('stronger')
    expect(ids({ products: [{ ...product, ratio: 11 }] })).not.toContain('stronger')
    expect(ids({ products: [{ ...product, contact: 4 }] })).toContain('shorter')
    expect(ids({ products: [{ ...product, contact: 4, labelContact: null }] })).not.toContain('shorter')
  })

  test.each([
    [2391, false],
    [2393, true],
  ])('%d W on a circuit of 2990 W: load is asked about, %s', (watts, asked) => {
    expect(ids({ dryer: [{ name: 'D', watts, level: 60, minutes: 10, circuitW: 2990 }] }).includes('load')).toBe(asked)
  })

  test('half a day’s noise asks for protection, and a protector is believed with its derating', () => {
    const dryer = [{ name: 'D', watts: 100, level: 94, minutes: 30, circuitW: 2990 }]
    expect(ids({ dryer })).toContain('noise')
    expect(ids({ dryer: [{ ...dryer[0]!, minutes: 29 }] })).not.toContain('noise')
    expect(ids({ dryer, protector: { kind: 'earmuff', nrr: 25 } })).not.toContain('noise')
  })

  test('chill watch needs a cool room and a wait', () => {
    expect(ids({ roomC: 21.9, longestWait: 3 })).toContain('chill')
    expect(ids({ roomC: 22, longestWait: 3 })).not.toContain('chill')
    expect(ids({ roomC: 18, longestWait: 2.9 })).not.toContain('chill')
  })

  test('heat watch names every reason; conditions are for the vet', () => {
    expect(
      cautions({ shortNose: true, stage: 'senior', hairless: true }).find((c) => c.code === 'caution.heat')!.facts,
    ).toEqual({
      why: ['short nose', 'senior', 'no coat'],
    })
    expect(cautions({ pregnant: true, heart: true }).find((c) => c.code === 'caution.vet')!.facts).toEqual({
      why: ['pregnant', 'heart disease'],
    })
  })

  test('what a label refuses is said with its reason', () => {
    const why = said('not.noInstruction')
    expect(cautions({ refused: [{ name: 'X', why }] })[0]).toMatchObject({
      code: 'caution.refused',
      facts: { product: 'X', why },
    })
  })

  test.each([
    ['degreasing', { tender: 'itchy' as const }, 'dries'],
    ['whitening', { tender: 'puppy' as const }, 'dries'],
    ['degreasing', {}, 'strips'],
    ['medicated', {}, 'medicatedUnasked'],
  ] as const)('the user’s own %s shampoo is taken, and what speaks against it is said', (kind, more, code) => {
    expect(ids({ ...more, products: [{ ...product, kind, own: true }] })).toContain(code)
    expect(ids({ ...more, products: [{ ...product, kind, own: false }] })).not.toContain(code)
  })

  test('degreasing on greasy skin and a treatment the vet ordered need no warning', () => {
    expect(ids({ skin: ['greasy'], products: [{ ...product, kind: 'degreasing', own: true }] })).not.toContain('strips')
    expect(ids({ skin: ['vet-treated'], products: [{ ...product, kind: 'medicated', own: true }] })).not.toContain(
      'medicatedUnasked',
    )
  })

  test('under treatment without a medicated product: said, also when the user’s own product took its place', () => {
    expect(ids({ notMedicated: { product: null } })).toContain('notMedicated')
    expect(cautions({ notMedicated: { product: 'Oat' } })[0]!.facts).toEqual({ product: 'Oat' })
  })
})
