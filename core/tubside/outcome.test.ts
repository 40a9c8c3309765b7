import { Dog } from '../dog'
import { roomWith, tapsOf, type TapDraft } from '../fixtures'
import { Product } from '../mix'
import { said } from '../said'
import { mixesOf, planVisit, Today, type Step } from '../visit'
import {
  asksFirst,
  cautionsAt,
  detailNow,
  doneOf,
  mindNow,
  outcomeOf,
  phrasesFor,
  pictureNow,
  rinseState,
  safeEnd,
  stepsNow,
  visitRecord,
  waitTimers,
  zonesToDo,
  type VisitRecord,
} from '.'

const house = roomWith()
const shelf = (['cleaning', 'whitening', 'conditioner'] as const).map((kind, i) => ({
  ...Product.parse({ name: ['Oat', 'Bright', 'Soft'][i], kind, ratio: '1+10', contactMinutes: [4, 10, 5][i] }),
  id: kind,
}))
const dog = Dog.parse({
  name: 'Nimbus',
  weightKg: 22,
  coat: 'long double',
  white: true,
  fears: ['dryer'],
  known: { stained: ['feet'] },
})
const today = Today.parse({ ...dog.known, date: '2026-11-28' })
const plan = planVisit(dog, today, shelf, house)
const told = (...drafts: TapDraft[]) => outcomeOf({ plan, today, mood: dog.mood }, tapsOf(...drafts), house.water.flow)

test('what was paid and how: the last word holds, an undo takes it back, and saying it afterwards begins no work', () => {
  const price = { cents: 4500, currency: 'EUR' }
  expect(
    told({ kind: 'finish' }, { kind: 'paid', price, how: 'later' }, { kind: 'paid', price, how: 'card' })?.paid,
  ).toMatchObject({ price, how: 'card', payments: [{ cents: 4500, tip: 0, how: 'card' }] })
  expect(told({ kind: 'finish' })).not.toHaveProperty('paid')
  const [finish, paid] = tapsOf({ kind: 'finish' }, { kind: 'paid', price, how: 'cash' })
  const undo = { id: 'undone', at: paid!.at + 1, device: '', kind: 'undo', event: paid!.id } as const
  expect(outcomeOf({ plan, today, mood: dog.mood }, [finish!, paid!, undo], house.water.flow)).not.toHaveProperty(
    'paid',
  )
  expect(visitRecord(tapsOf({ kind: 'paid', price, how: 'cash' })).began).toBeUndefined()
})

const short: TapDraft[] = [
  { kind: 'step', step: 'wet', minute: 0 },
  { kind: 'step', step: 'lather-1', minute: 6 },
  { kind: 'step', step: 'rinse-last', minute: 12 },
  { kind: 'towel', minute: 15 },
  { kind: 'step', step: 'dry', minute: 16 },
  { kind: 'dry', zone: 'hindlegs', minute: 24 },
  { kind: 'damp', zone: 'tail', minute: 25 },
  { kind: 'dry', zone: 'tail', minute: 27 },
  { kind: 'dry', zone: 'back', minute: 31 },
  { kind: 'dry', zone: 'belly', minute: 31.02 },
]
const end: TapDraft = { kind: 'finish', minute: 40 }

test('a visit that hasn’t ended comes to nothing yet', () => {
  expect(told(...short)).toBeUndefined()
  expect(told(end)?.minutes).toBe(0)
})

test('minutes by step and zone, litres by the shower’s minutes, towels and damp places', () => {
  const outcome = told(...short, end)!
  const step = (id: string) => outcome.steps.find((s) => s.id === id)!
  expect(step('wet')).toMatchObject({ actual: 6, state: 'done', kind: 'wet' })
  expect(step('brush')).toMatchObject({ actual: 0, state: 'not reached' })
  expect(outcome.litres.actual).toBeCloseTo((6 + 4) * house.water.flow, 9)
  expect(outcome.towels.actual).toBe(1)
  expect(outcome.damp).toEqual(['tail'])
  const zone = (z: string) => outcome.zones.find((o) => o.zone === z)
  expect(zone('hindlegs')).toMatchObject({ actual: 8 })
  expect(zone('tail')).toMatchObject({ actual: 3 })
  expect(zone('head')).toBeUndefined()
  expect([zone('back')!.aside, zone('belly')!.aside]).toEqual([said('aside.together'), said('aside.together')])
})

test('a correction puts a number right and keeps what it was; minutes put right are learned from', () => {
  const pause: TapDraft[] = [
    { kind: 'pause', minute: 17 },
    { kind: 'resume', minute: 22 },
  ]
  const disturbed = told(...short.slice(0, 5), ...pause, end)!
  const done = (o: typeof disturbed) => doneOf(o, 'nimbus', 'long double').dry!
  expect(done(disturbed).setAside).toEqual(said('aside.longPause'))
  const fix: TapDraft = { kind: 'correct', field: 'minutes: dry', value: 21, why: 'clock forgotten', minute: 90 }
  const corrected = told(...short.slice(0, 5), ...pause, end, fix)!
  expect(corrected.steps.find((s) => s.id === 'dry')).toMatchObject({
    actual: 21,
    corrected: { was: 19, why: 'clock forgotten' },
  })
  expect(done(corrected)).toMatchObject({ actual: 21, setAside: undefined })
  const towels = told(...short, end, { kind: 'correct', field: 'towels', value: 4, why: 'miscounted', minute: 91 })!
  expect(towels.towels).toMatchObject({ actual: 4, corrected: { was: 1, why: 'miscounted' } })
  expect(towels.ended).toBe(40 * 60_000)
})

test('a product that goes on in two washes is one, with all of it that was lathered, and is put right as one', () => {
  const fix: TapDraft = { kind: 'correct', field: 'used: Oat', value: 12, why: 'measured', minute: 90 }
  const twice = mixesOf(plan).filter((m) => m.product.name === 'Oat')
  expect(twice.length).toBeGreaterThan(1)
  const second: TapDraft[] = [
    { kind: 'step', step: 'lather-2', minute: 32 },
    { kind: 'done', step: 'lather-2', minute: 34 },
  ]
  const oats = (more: TapDraft[], lathered = second) =>
    told(...short, ...lathered, end, ...more)!.used.filter((u) => u.name === 'Oat')
  const whole = twice.reduce((sum, m) => sum + m.productMl, 0)
  expect(oats([])).toMatchObject([{ id: twice[0]!.product.id, amount: whole }])
  expect(oats([], [])).toMatchObject([{ amount: twice[0]!.productMl }])
  expect(told({ kind: 'step', step: 'wet', minute: 0 }, end)!.used).toEqual([])
  expect(oats([fix])).toMatchObject([{ amount: 12, corrected: { was: whole, why: 'measured' } }])
})

test('a visit left out teaches nothing', () => {
  const outcome = told(...short, end, { kind: 'leave out', why: 'new helper', minute: 90 })!
  const done = Object.values(doneOf(outcome, 'nimbus', 'long double'))
  expect(done.length).toBeGreaterThan(3)
  expect(new Set(done.map((d) => d.setAside))).toEqual(new Set([said('aside.leftOut', { why: 'new helper' })]))
})

test('washes one after another are learned as one kind; weighed towels as grams', () => {
  const outcome = told(
    { kind: 'step', step: 'lather-1', minute: 0 },
    { kind: 'step', step: 'lather-2', minute: 5 },
    { kind: 'step', step: 'towel', minute: 9 },
    { kind: 'weighed', what: 'dry', grams: 900, minute: 10 },
    { kind: 'weighed', what: 'wet', grams: 1400, minute: 11 },
    { ...end, minute: 12 },
  )!
  const done = doneOf(outcome, 'n', 'long double')
  expect(done.lather).toMatchObject({ actual: 9 })
  expect(done.lather!.model).toBeCloseTo(
    plan.steps.filter((s) => s.id.startsWith('lather')).reduce((sum, s) => sum + s.minutes.value, 0),
    9,
  )
  expect(done['towel water']).toMatchObject({ actual: 500 })
})

describe('the guide', () => {
  const second = plan.steps.find((s) => s.id === 'wait-2')!
  test('waits run side by side, each from its own last zone; an untapped one from the wait’s beginning', () => {
    const mixes = plan.mix.passes[1]!.mixes
    expect(mixes.length).toBeGreaterThan(1)
    const [a, b] = mixes as [(typeof mixes)[0], (typeof mixes)[0]]
    const record = visitRecord(
      tapsOf(
        { kind: 'step', step: 'lather-2', minute: 0 },
        ...a.zones.slice(0, 2).map((zone, i): TapDraft => ({ kind: 'lathered', pass: 2, zone, minute: 1 + 2 * i })),
        { kind: 'step', step: 'wait-2', minute: 8 },
      ),
    )
    const timers = waitTimers(record, plan, second)
    expect(timers.map((t) => t.product)).toEqual(mixes.map((m) => m.product.name))
    expect(timers[0]!.until).toBe((1 + 2 * (Math.min(2, a.zones.length) - 1) + a.contact.value) * 60_000)
    expect(timers[1]!.until).toBe((8 + b.contact.value) * 60_000)
    expect(waitTimers(record, plan, plan.steps[0]!)).toEqual([])
  })

  test('stopped with soap on: it is rinsed, the plugs come out, the wet dog is towelled, nothing else', () => {
    const record = visitRecord(
      tapsOf(
        { kind: 'plug', side: 'left', way: 'in', set: 'water', minute: 0 },
        { kind: 'step', step: 'wet', minute: 1 },
        { kind: 'step', step: 'lather-1', minute: 5 },
      ),
    )
    expect(safeEnd(record, plan)).toEqual(['rinse-last', 'plugs-out', 'lift-out', 'towel', 'hand-over', 'clean'])
    expect(safeEnd(visitRecord([]), plan)).toEqual(['hand-over'])
  })

  test('an added step comes after the one it was added to', () => {
    const record = visitRecord(
      tapsOf({ kind: 'add', step: 'extra-1', title: 'Rinse once more', after: 'towel', minutes: 3, minute: 0 }),
    )
    const ids = stepsNow(record, plan).map((s) => s.id)
    expect(ids[ids.indexOf('towel') + 1]).toBe('extra-1')
    const outcome = told(
      { kind: 'add', step: 'extra-1', title: 'Rinse once more', after: 'towel', minutes: 3, minute: 0 },
      { kind: 'step', step: 'extra-1', minute: 1 },
      { ...end, minute: 5 },
    )!
    expect(outcome.steps.find((s) => s.id === 'extra-1')).toMatchObject({ actual: 4, planned: 3 })
    expect(Object.keys(doneOf(outcome, 'n', 'c'))).not.toContain('extra')
  })

  test('the next zone is the first one not tapped', () => {
    const dry = plan.steps.find((s) => s.id === 'dry')!
    const order = plan.drying.zones.map((z) => z.zone)
    expect(zonesToDo(visitRecord([]), dry, plan)).toEqual(order)
    expect(zonesToDo(visitRecord(tapsOf({ kind: 'dry', zone: order[0]!, minute: 0 })), dry, plan)[0]).toBe(order[1])
  })

  test('a stop goes before a caution, and every step has something to mind', () => {
    const stopped = planVisit(dog, Today.parse({ ...today, leftEar: { signs: ['bad smell'] } }), shelf, house)
    const ears = stopped.steps.find((s) => s.id === 'ears')!
    expect(mindNow(ears, stopped)).toMatchObject({ notice: { level: 'stop', facts: { signs: ['bad smell'] } } })
  })

  test('one thing to mind at a time: the scald line once where the water begins, then the next, each once', () => {
    const tub = plan.steps.filter((s) => s.place === 'tub' && s.kind !== 'liftIn' && s.kind !== 'plugOut')
    const minds = tub.map((step) => mindNow(step, plan))
    const scald = minds.filter((m) => m && 'notice' in m && m.notice.code === 'caution.scald')
    expect(scald).toHaveLength(1)
    const said = minds.flatMap((m) => (m === undefined ? [] : [JSON.stringify(m)]))
    expect(new Set(said).size).toBe(said.length)
    expect(minds.filter((m) => m === undefined).length).toBeGreaterThan(3)
    // what isn't said there can still be asked for
    expect(
      tub
        .filter((s) => s.withDog)
        .every((step) => cautionsAt(step, plan).length >= (minds[0] && 'notice' in minds[0] ? 1 : 0)),
    ).toBe(true)
    expect(plan.steps.map((step) => mindNow(step, plan))).toContainEqual({ usual: 'table' })
  })

  test('phrases fit the dog and the step', () => {
    const dry = phrasesFor({ kind: 'dry' }, dog, today)
    expect(dry).toEqual(expect.arrayContaining([said('phrase.better', { fear: 'dryer' }), said('phrase.undercoat')]))
    expect(phrasesFor({ kind: 'wet' }, dog, today)).not.toContainEqual(said('phrase.armpits'))
    expect(new Set(dry.map((p) => JSON.stringify(p))).size).toBe(dry.length)
  })
})

describe('the last rinse', () => {
  const { passes } = plan.rinse.last
  const passed: TapDraft[] = Array.from({ length: passes }, (_, i) => ({ kind: 'rinsed', pass: i + 1 }))
  const stateAfter = (...taps: TapDraft[]) => rinseState(visitRecord(tapsOf(...taps)), plan, dog)

  test('goes pass by pass, then to the fingers; slippery means that place once more', () => {
    expect(stateAfter()).toMatchObject({ done: 0, of: passes, feel: false, clean: false })
    expect(stateAfter(...passed)).toMatchObject({ done: passes, feel: true })
    const again = stateAfter(...passed, { kind: 'fingers', slippery: 'tail' })
    expect(again).toMatchObject({ of: passes + 1, feel: false, again: { zone: 'tail', place: 'underTail' } })
    const rinsed = [...passed, { kind: 'fingers', slippery: 'tail' }, { kind: 'rinsed', pass: 1 }] as TapDraft[]
    expect(stateAfter(...rinsed)).toMatchObject({ done: passes + 1, feel: true, again: undefined })
    expect(stateAfter(...rinsed, { kind: 'fingers', slippery: null })).toMatchObject({ clean: true, feel: false })
  })

  test('says what to do now and shows where: all over, the places that hold soap, then the one that was slippery', () => {
    const rinse = plan.steps.find((s) => s.id === 'rinse-last')!
    const now = (...taps: TapDraft[]) => {
      const record = visitRecord(tapsOf(...taps))
      return { detail: detailNow(record, rinse, plan, dog), picture: pictureNow(record, rinse, plan, dog)! }
    }
    expect(now().detail).toBe(rinse.detail)
    expect(now({ kind: 'rinsed', pass: 1 }).detail).toMatchObject([{ code: 'now.pass' }])
    expect(now(...passed).detail).toEqual([said('now.feel')])
    const again = now(...passed, { kind: 'fingers', slippery: 'tail' })
    expect(again.detail).toEqual([said('now.rinseAgain', { place: 'underTail' })])
    expect(again.picture.next).toBe('tail')
    expect(again.picture.depth.tail).toBeGreaterThan(again.picture.depth.belly!)
    const clean = now(...passed, { kind: 'fingers', slippery: null })
    expect(Object.values(clean.picture.depth).every((d) => d === 0)).toBe(true)
  })

  test('other steps say the plan’s words; only those that go over the body have a picture, the next zone deepest', () => {
    const record = visitRecord(tapsOf({ kind: 'lathered', pass: 1, zone: 'neck' }))
    const lather = plan.steps.find((s) => s.id === 'lather-1')!
    const picture = pictureNow(record, lather, plan, dog)!
    expect(picture.depth.neck).toBeUndefined()
    expect(picture.depth[picture.next!]).toBe(1)
    const towel = plan.steps.find((s) => s.id === 'towel')!
    expect(detailNow(record, towel, plan, dog)).toBe(towel.detail)
    expect(pictureNow(record, towel, plan, dog)).toBeUndefined()
  })

  test('shows the folds first where a dog has them', () => {
    const first = (folds: boolean) => rinseState(visitRecord([]), plan, { folds }).places[0]!.place
    expect([first(true), first(false)]).toEqual(['folds', 'behindEars'])
  })

  test('isn’t left unasked until nothing is slippery; other steps are', () => {
    const rinse = { kind: 'rinse', role: 'last' } as const
    const clean = visitRecord(tapsOf({ kind: 'fingers', slippery: null }))
    const asks = (record: VisitRecord, step: Partial<Step> & Pick<Step, 'kind'>) =>
      asksFirst(record, { role: undefined, ...step }, plan, 0)
    expect(asks(visitRecord(tapsOf(...passed)), rinse)).toBe('fingers')
    expect(asks(clean, rinse)).toBeUndefined()
    expect(asks(visitRecord([]), { kind: 'towel' })).toBeUndefined()
    expect(asks(visitRecord([]), { kind: 'earClean' })).toBe('ears')
    const looked = (side: 'left' | 'right'): TapDraft[] => [
      { kind: 'earDid', side, did: 'looked' },
      { kind: 'earDid', side, did: 'enough' },
    ]
    expect(asks(visitRecord(tapsOf(...looked('left'))), { kind: 'earClean' })).toBe('ears')
    expect(asks(visitRecord(tapsOf(...looked('left'), ...looked('right'))), { kind: 'earClean' })).toBeUndefined()
  })

  test('its passes, the fingers’ word and the ears’ rounds stand in the outcome', () => {
    const outcome = told(
      { kind: 'step', step: 'rinse-last', minute: 0 },
      { kind: 'rinsed', pass: 1, minute: 1 },
      { kind: 'fingers', slippery: 'belly', minute: 2 },
      { kind: 'rinsed', pass: 2, minute: 3 },
      { kind: 'fingers', slippery: null, minute: 4 },
      { kind: 'ear', side: 'left', cotton: 'dirty', minute: 5 },
      { kind: 'ear', side: 'left', cotton: 'clean', minute: 6 },
      { kind: 'finish', minute: 7 },
    )!
    expect(outcome.rinse).toEqual({ passes: 2, planned: passes, fingers: 'clean', slippery: ['belly'] })
    expect(outcome.ears).toEqual({ left: { rounds: 2, clean: true }, right: { rounds: 0, clean: false } })
  })
})

describe('a visit that was ticked through when the work was over', () => {
  const worked = plan.steps.map((s, i): TapDraft => ({ kind: 'step', step: s.id, minute: 0.05 * i }))
  const over: TapDraft = { kind: 'finish', minute: 0.05 * plan.steps.length }
  const learned = (...more: TapDraft[]) => {
    const outcome = told(...worked, over, ...more)!
    const counted = Object.values(doneOf(outcome, 'n', 'long double')).filter((d) => d.setAside === undefined)
    return { quick: outcome.quick, counted: counted.length }
  }

  test('asks, and teaches nothing until somebody says that it counts', () => {
    const { quick, counted } = learned()
    expect(quick.ticked).toBeGreaterThan(3)
    expect(quick.learn).toBeNull()
    expect(counted).toBe(0)
    expect(learned({ kind: 'learn', from: false, minute: 90 })).toMatchObject({ counted: 0, quick: { learn: false } })
    expect(learned({ kind: 'learn', from: true, minute: 90 }).counted).toBeGreaterThan(3)
  })

  test('a visit worked at its plan’s pace is not asked about; one quick step in it is set aside alone', () => {
    let minute = 0
    const paced = (quick: string) =>
      plan.steps.map((s): TapDraft => {
        const tap = { kind: 'step' as const, step: s.id, minute }
        minute += s.id === quick ? 0.1 : s.minutes.value
        return tap
      })
    const outcome = told(...paced('brush'), { kind: 'finish', minute })!
    expect(outcome.quick).toMatchObject({ ticked: 1, learn: true })
    const done = doneOf(outcome, 'n', 'long double')
    expect(done.brush!.setAside).toEqual(said('aside.catchingUp'))
    expect(done.wet!.setAside).toBeUndefined()
  })
})
