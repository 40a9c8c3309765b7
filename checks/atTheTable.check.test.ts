import fc from 'fast-check'
import { CoatType, Dog, type Zone } from '@core/dog'
import { howToNow, visitRecord, type HowTo } from '@core/tubside'
import { NOTHING_KNOWN, planVisit, Today, type Memory, type Plan, type Step } from '@core/visit'
import { DEMO } from '../demo/scenario'
import { SATURDAY } from './plans'

const shelf = DEMO.products.map((p) => ({ ...p, id: p.name }))
const bottle = (name: string, kind: string, more: object = {}) => ({ ...shelf[0]!, id: name, name, kind, ...more })
type Bottle = (typeof shelf)[number]

interface Facts {
  dog?: object
  today?: object
  house?: object
  products?: readonly object[]
  memory?: Partial<Memory>
}
/** A whole plan and what it was made from: a wire coat of 8 kg where nothing else is said. */
function visit({ dog, today, house, products = shelf, memory }: Facts) {
  const record = Dog.parse({ name: 'Fig', coat: 'wire', weightKg: 8, ...dog })
  const day = Today.parse({ date: SATURDAY, ...today })
  const plan = planVisit(
    record,
    day,
    products as Bottle[],
    { ...DEMO.house, ...house },
    { ...NOTHING_KNOWN, ...memory },
  )
  return { plan, dog: record, today: day }
}
const planOf = (facts: Facts): Plan => visit(facts).plan
const ids = (plan: Plan) => plan.steps.map((s) => s.id)
const minutesOf = (plan: Plan, id: string) => plan.steps.find((s) => s.id === id)?.minutes.value ?? 0

/** Every line at the steps of a kind, with the zones before `zone` done where one is given. */
function linesAt(facts: Facts, kind: Step['kind'], { role, zone }: { role?: string; zone?: Zone } = {}): HowTo[] {
  const at = visit(facts)
  const step = at.plan.steps.find((s) => s.kind === kind && (role === undefined || s.role === role))
  if (!step) return []
  const before = zone ? step.zones.slice(0, step.zones.indexOf(zone)) : []
  const tapped = before.map((z, i) => ({
    id: `${i}`,
    device: 'x',
    at: i,
    ...(kind === 'dry' ? { kind: 'dry' as const, zone: z } : { kind: 'lathered' as const, pass: 1, zone: z }),
  }))
  return howToNow(visitRecord(tapped), step, at)
}

/** Common practice, no source. */
describe('what has an interval of its own', () => {
  const weeksAgo = (weeks: number) => new Date(Date.parse(SATURDAY) - weeks * 7 * 86_400_000).toISOString().slice(0, 10)
  const nails = (weeks: number, rules: object = {}, today: object = {}) =>
    planOf({ dog: { rules }, today, memory: { cared: { nails: weeksAgo(weeks) } } })
  test('nails cut a fortnight ago are left today, and said; after three weeks they are cut; anyway where it is wanted', () => {
    expect(ids(nails(2))).not.toContain('nails')
    expect(nails(2).leftOut).toContainEqual({ what: 'nails', because: 'notYet', last: weeksAgo(2) })
    expect(ids(nails(3))).toContain('nails')
    expect(ids(nails(3, { nailsEvery: 'sixWeeks' }))).not.toContain('nails')
    expect(ids(nails(1, { nailsEvery: 'visit' }))).toContain('nails')
    expect(ids(nails(1, {}, { anyway: ['nails'] }))).toContain('nails')
    expect(ids(nails(1, {}, { service: 'nailsAndEars' }))).toContain('nails')
  })
  test('ears plucked as a routine 3 weeks ago are not plucked today', () => {
    const ears = (weeks: number) =>
      planOf({
        dog: { earHair: true, rules: { earHair: 'routine' } },
        memory: { cared: { earHair: weeksAgo(weeks) } },
      })
    expect(ears(3).ears.left.thinHair).toBe(false)
    expect(ears(3).leftOut.map((l) => l.what)).toContain('earHair')
    expect(ears(5).ears.left.thinHair).toBe(true)
  })
  test('glands and teeth too', () => {
    const rules = { glands: 'yes', teeth: 'yes' }
    const plan = planOf({ dog: { rules }, memory: { cared: { glands: weeksAgo(2), teeth: weeksAgo(2) } } })
    expect(ids(plan)).toContain('teeth')
    expect(ids(plan)).not.toContain('glands')
  })
})

/** Common practice, no source. */
describe('ears over a whole visit', () => {
  const sour = bottle('Sour', 'ear cleaner', { contains: ['vinegar'] })
  test('a scratched ear isn’t cleaned with vinegar, and the wax that stays is a caution', () => {
    const plan = planOf({
      products: [...shelf.filter((p) => p.kind !== 'ear cleaner'), sour],
      today: {
        leftEar: { signs: [], wax: 2, moist: false, hairBlocks: false },
        rightEar: { signs: [], wax: 2, moist: false, hairBlocks: false },
        skinAt: [{ zone: 'ears', side: 'left', skin: ['itchy'] }],
      },
    })
    expect(plan.ears.left).toMatchObject({ action: 'wipe', waxStays: true })
    expect(plan.ears.right).toMatchObject({ action: 'clean', product: 'Sour' })
    expect(plan.cautions.map((c) => c.code)).toContain('caution.waxStays')
  })
  test('allergic to the only cleaner: said', () => {
    const plan = planOf({
      products: [
        ...shelf.filter((p) => p.kind !== 'ear cleaner'),
        bottle('Aloe ears', 'ear cleaner', { contains: ['aloe'] }),
      ],
      dog: { allergies: ['aloe'] },
      today: { rightEar: { signs: [], wax: 2, moist: false, hairBlocks: false } },
    })
    const caution = plan.cautions.find((c) => c.code === 'caution.waxStays')
    expect(caution).toMatchObject({ scope: 'right ear', facts: { why: { code: 'ear.forbidden' } } })
  })
})

/** Common practice, no source. */
describe('products as they are used', () => {
  test('a ratio of its own for a filthy coat, and for the froth bowl', () => {
    const products = [bottle('Both', 'cleaning', { ratio: '1:10', filthyRatio: '1:5', frothRatio: '1:20' })]
    const ratio = (today: object, house: object = {}) =>
      planOf({ products, today, house }).mix.passes.at(-1)!.mixes[0]!.ratio.value
    expect(ratio({})).toBe(10)
    expect(ratio({ soil: 'filthy' })).toBe(5)
    expect(ratio({}, { method: 'froth' })).toBe(20)
  })
  test('a mask on a dry long coat; with only a mask a short coat is told what it is for', () => {
    const mask = bottle('Mask', 'mask', { form: 'neat', ratio: '', contactMinutes: 10 })
    const softened = (dog: object, today: object, products: readonly object[]) => planOf({ dog, today, products }).mix
    expect(softened({ coat: 'drop' }, { skin: ['dry'] }, [...shelf, mask]).conditioner!.product.name).toBe('Mask')
    expect(softened({ coat: 'drop' }, {}, [...shelf, mask]).conditioner!.product.name).toBe('Soft Finish')
    const only = [...shelf.filter((p) => p.kind !== 'conditioner'), mask]
    expect(softened({ coat: 'drop' }, {}, only).conditioner!.product.name).toBe('Mask')
    const short = softened({ coat: 'wire', rules: { conditioner: 'always' } }, {}, only)
    expect([short.conditioner, short.conditionerWhy.code]).toEqual([undefined, 'conditioner.onlyMask'])
  })
  test('three washes: the third is of the bottle that is mixed already, and isn’t waited for', () => {
    const plan = planOf({ dog: { coat: 'short double', rules: { washCount: 'three' } }, today: { skin: ['greasy'] } })
    const [clean, , third] = plan.mix.passes
    expect(third!.name).toBe('mild')
    expect(third!.mixes[0]!.product.name).toBe(clean!.mixes[0]!.product.name)
    expect(third!.wait.value).toBe(0)
  })

  const finishing = [
    bottle('Slide', 'leave-in', { form: 'spray', ratio: '' }),
    bottle('Gloss', 'finishing oil', { form: 'spray', ratio: '' }),
    bottle('Meadow', 'scent', { form: 'spray', ratio: '' }),
  ]
  const finished = (dog: object, today: object = {}) => planOf({ products: [...shelf, ...finishing], dog, today })
  test('what stays on is planned in mL where coat and rule ask for it', () => {
    const long = finished({ coat: 'drop', weightKg: 6 })
    expect(ids(long)).toEqual(expect.arrayContaining(['leave-in', 'finishing-oil']))
    expect(ids(long)).not.toContain('scent')
    expect(ids(long).indexOf('leave-in')).toBeLessThan(ids(long).findIndex((id) => id.startsWith('dry')))
    expect(ids(long).indexOf('finishing-oil')).toBeGreaterThan(ids(long).indexOf('comb'))
    for (const a of long.course!.applied) expect(a.mL).toBeGreaterThan(0)
    expect(ids(finished({ coat: 'smooth' }))).not.toContain('leave-in')
    expect(ids(finished({ coat: 'smooth', rules: { finishing: 'scent' } }))).toContain('scent')
    expect(finished({ coat: 'drop', rules: { finishing: 'no' } }).course!.applied).toEqual([])
  })
  test('no oil and no scent on tender skin or before a vet looks, and that is said', () => {
    const rules = { finishing: 'scent' }
    const itchy = finished({ coat: 'drop', rules }, { skin: ['itchy'] })
    expect(ids(itchy)).not.toEqual(expect.arrayContaining(['scent']))
    expect(itchy.finishing!.map((f) => [f.name, f.why.code])).toEqual([
      ['Gloss', 'not.staysTender'],
      ['Meadow', 'not.staysTender'],
    ])
    const vet = finished(
      { coat: 'drop', rules },
      { leftEar: { signs: ['bad smell'], wax: 0, moist: false, hairBlocks: false } },
    )
    expect(vet.finishing!.map((f) => f.why.code)).toEqual(['not.staysVet', 'not.staysVet'])
    expect(ids(vet)).toContain('leave-in')
  })
})

/** Common practice, no source. */
describe('the face and the order of water', () => {
  test('the head is rinsed first, or last by rule; against fleas never before the ring', () => {
    const last = (rules: object, today: object = {}) =>
      planOf({ dog: { rules }, today }).steps.find((s) => s.id === 'rinse-last')!.zones
    expect(last({})[0]).toBe('head')
    expect(last({ rinseOrder: 'headLast' }).slice(-2)).toEqual(expect.arrayContaining(['head']))
    expect(last({}, { fleas: true })[0]).toBe('neck')
  })
  test('the first rinse has hand lines as the last has', () => {
    for (const coat of ['wire', 'drop', 'smooth'])
      expect(linesAt({ dog: { coat } }, 'rinse', { role: 'first' })).toContain('soapHides')
    const face = { dog: { rules: { washingOrder: 'face' } } }
    expect(linesAt(face, 'rinse', { role: 'first' })).toEqual(expect.arrayContaining(['noseDown', 'muzzleShut']))
  })
  test('the head gets wet late, or early by rule', () => {
    expect(linesAt({}, 'wet')).not.toContain('noseDown')
    expect(linesAt({}, 'face')).toContain('noseDown')
    expect(linesAt({ dog: { rules: { headWet: 'early' } } }, 'wet')).toContain('noseDown')
  })
})

/** Common practice, no source. */
describe('a first bath', () => {
  const first = (weightKg: number, helper: boolean) =>
    planOf({ dog: { firstBath: true, coat: 'curly', weightKg }, today: { helper } }).handling
  test('over 10 kg two people and a lick treat are proposed; water by hand first', () => {
    expect(first(24, true).people).toBe(2)
    expect(first(24, false).notes.map((n) => n.code)).toEqual(
      expect.arrayContaining(['handle.twoPeople', 'handle.handFirst']),
    )
    expect(first(6, true).people).toBe(1)
    expect(first(6, false).notes.map((n) => n.code)).not.toContain('handle.twoPeople')
  })
})

/** Common practice, no source. */
describe('hand lines that practitioners look for', () => {
  const long = { dog: { coat: 'drop', earCarriage: 'drop' } }
  const cases: [HowTo, Facts, Step['kind'], { role?: string; zone?: Zone }?][] = [
    ['holdJaw', { dog: { coat: 'curly' }, today: { service: 'fullClip', clipCm: 3 } }, 'clip'],
    ['holdJaw', { today: { service: 'bathAndTidy' } }, 'tidy'],
    ['toesPointed', { today: { service: 'bathAndTidy' } }, 'tidy'],
    ['towelShoulders', { dog: { coat: 'curly', weightKg: 20 } }, 'dry', { role: 'fast' }],
    ['shakeOnCue', {}, 'shake'],
    ['earLeather', long, 'rinse', { role: 'last' }],
    ['faceInWait', {}, 'face'],
    ['mitt', { dog: { coat: 'smooth' } }, 'wash', { zone: 'back' }],
    ['testCup', { dog: { firstBath: true } }, 'wet'],
    ['lureIn', { dog: { weightKg: 32 } }, 'liftIn'],
    ['tieNothing', {}, 'liftIn'],
    ['earFringe', long, 'brush'],
    ['sections', long, 'brush'],
    ['letTurn', { dog: { coat: 'drop', weightKg: 12 } }, 'brush'],
    ['skirtLying', long, 'dry', { zone: 'belly' }],
    ['ownCalm', { dog: { firstBath: true } }, 'wet'],
    ['untilClear', { today: { soil: 'filthy' } }, 'rinse', { role: 'first' }],
    ['rubberBrush', { dog: { coat: 'smooth' } }, 'brush'],
    ['clothWithHair', { dog: { coat: 'smooth' } }, 'comb'],
  ]
  test.each(cases.map((c) => [c[0], c] as const))('%s', (line, [, facts, kind, at]) => {
    expect(linesAt(facts, kind, at)).toContain(line)
  })
  test('long hair that dries by itself is combed each time one looks in', () => {
    expect(linesAt({ dog: { coat: 'drop' }, today: { technique: 'air' } }, 'dry')).toContain('combDry')
  })
  test('no line fits another coat: nothing is combed on a sleek one, nothing is lured that one hand lifts', () => {
    const anyDog = fc.record({
      coat: fc.constantFrom(...CoatType.options),
      weightKg: fc.double({ min: 2, max: 50, noNaN: true }),
    })
    fc.assert(
      fc.property(anyDog, (dog) => {
        const at = visit({ dog })
        const lines = at.plan.steps.flatMap((step) => howToNow(visitRecord([]), step, at))
        if (dog.coat === 'smooth' || dog.coat === 'hairless')
          for (const comb of ['fromTheEnds', 'sections', 'earFringe'] as const) expect(lines).not.toContain(comb)
        else expect(lines).not.toContain('clothWithHair')
        expect(lines.includes('lureIn')).toBe(dog.weightKg > 25)
      }),
      { numRuns: 60 },
    )
  })
})

/** Common practice, no source. */
describe('what a coat is cut with', () => {
  test('blade and comb by zone stand at the cut, and in what is done always', () => {
    const cut = { back: '7F blade, 3 mm', belly: '7F blade, 3 mm', forelegs: '13 mm comb' }
    const plan = planOf({ dog: { coat: 'curly' }, today: { service: 'fullClip', cut } })
    const said = plan.steps.find((s) => s.id === 'clip')!.detail.filter((d) => d.code === 'step.cutWith')
    expect(said.map((d) => d.facts)).toEqual([
      { cut: '7F blade, 3 mm', zones: ['back', 'belly'] },
      { cut: '13 mm comb', zones: ['forelegs'] },
    ])
    expect(minutesOf(plan, 'clip')).toBeGreaterThan(0)
  })
})
