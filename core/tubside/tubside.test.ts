import fc from 'fast-check'
import { idAt, oatShelf, roomWith, tapsOf, type TapDraft } from '../fixtures'
import { Dog, ZONES } from '../dog'
import { said } from '../said'
import { planVisit, Today } from '../visit'
import { contactClock, HANDS_AWAY, notedBefore, notYet, standing, TubEvent, visitRecord } from '.'

describe('a visit told by its events', () => {
  test('minutes are counted from step to step, without pauses', () => {
    const record = visitRecord(
      tapsOf(
        { kind: 'step', step: 'wet', minute: 0 },
        { kind: 'pause', minute: 2 },
        { kind: 'resume', minute: 3 },
        { kind: 'step', step: 'lather-1', minute: 5 },
        { kind: 'done', step: 'lather-1', minute: 9 },
      ),
    )
    expect(record.steps).toEqual({
      wet: { state: 'done', minutes: 4, from: 0 },
      'lather-1': { state: 'done', minutes: 4, from: 300_000 },
    })
    expect(record.current).toBeUndefined()
  })

  test('what goes on is counted up to now, and not while it is paused', () => {
    const events = tapsOf({ kind: 'step', step: 'dry', minute: 0 }, { kind: 'pause', minute: 6 })
    expect(visitRecord(events, 60_000 * 10).steps.dry!.minutes).toBe(6)
    expect(visitRecord(events.slice(0, 1), 60_000 * 10)).toMatchObject({
      current: 'dry',
      steps: { dry: { minutes: 10 } },
    })
  })

  test('a long pause, and something that happened, make a step no guide', () => {
    const record = visitRecord(
      tapsOf(
        { kind: 'step', step: 'wet', minute: 0 },
        { kind: 'pause', minute: 1 },
        { kind: 'resume', minute: 9 },
        { kind: 'step', step: 'dry', minute: 10 },
        { kind: 'happened', what: 'panic', minute: 12 },
        { kind: 'finish', minute: 15 },
      ),
    )
    expect(record.steps.wet!.disturbed).toEqual(said('aside.longPause'))
    expect(record.steps.dry).toMatchObject({ state: 'done', disturbed: said('aside.happened', { what: 'panic' }) })
    expect(record.happened).toMatchObject([{ what: 'panic', step: 'dry' }])
  })

  test('a dog whose hands went to another stands still: its minutes too, and a long wait makes them no guide', () => {
    const events = tapsOf(
      { kind: 'step', step: 'brush', minute: 0 },
      { kind: 'pause', why: HANDS_AWAY, minute: 4 },
      { kind: 'resume', minute: 20 },
      { kind: 'step', step: 'wet', minute: 21 },
    )
    expect(visitRecord(events.slice(0, 2), 60_000 * 9)).toMatchObject({ paused: true, handsAway: true })
    const record = visitRecord(events)
    expect(record).toMatchObject({ paused: false, handsAway: false })
    expect(record.steps.brush).toMatchObject({ minutes: 5, disturbed: said('aside.handsAway') })
  })

  test('a pause that was asked for stays one, also when the hands go elsewhere meanwhile', () => {
    const paused = tapsOf({ kind: 'step', step: 'brush' }, { kind: 'pause' }, { kind: 'pause', why: HANDS_AWAY })
    expect(visitRecord(paused)).toMatchObject({ paused: true, handsAway: false })
  })

  test('the fingers say whether the rinse is over; a slippery place asks for another pass and another look', () => {
    const taps = tapsOf(
      { kind: 'rinsed', pass: 1 },
      { kind: 'rinsed', pass: 2 },
      { kind: 'fingers', slippery: 'belly' },
      { kind: 'rinsed', pass: 3 },
      { kind: 'fingers', slippery: null },
    )
    expect(visitRecord(taps.slice(0, 3))).toMatchObject({ rinses: 2, fingers: 'belly', slippery: ['belly'] })
    expect(visitRecord(taps.slice(0, 4)).fingers).toBeUndefined()
    expect(visitRecord(taps)).toMatchObject({ rinses: 3, fingers: 'clean', slippery: ['belly'] })
  })

  test('a skipped step keeps its reason', () => {
    expect(visitRecord(tapsOf({ kind: 'skip', step: 'nails', why: 'had enough' })).steps.nails).toEqual({
      state: 'skipped',
      minutes: 0,
      why: 'had enough',
    })
    expect(TubEvent.safeParse({ id: idAt(1), at: 0, kind: 'skip', step: 'nails', why: ' ' }).success).toBe(false)
  })
})

const moss = Dog.parse({ name: 'Moss', weightKg: 7, coat: 'wire' })
const planOn = (more: Record<string, unknown> = {}, dog = moss) =>
  planVisit(dog, Today.parse({ date: '2026-11-28', ...more }), oatShelf(), roomWith())

describe('closing', () => {
  const plan = planOn()
  const left = said('notYet.plugs', { plugs: [{ side: 'left', set: 'water' }] })
  const allDry = ZONES.map((zone): TapDraft => ({ kind: 'dry', zone }))
  test('is refused while a plug is in, whichever set, and while a zone isn’t felt dry', () => {
    const plugged = visitRecord(tapsOf({ kind: 'plug', side: 'left', way: 'in', set: 'water' }, ...allDry))
    expect(notYet(plugged, plan)).toEqual([left])
    const both = visitRecord(
      tapsOf(
        { kind: 'plug', side: 'left', way: 'in', set: 'noise' },
        { kind: 'plug', side: 'right', way: 'in', set: 'water' },
        ...allDry,
      ),
    )
    expect(notYet(both, plan)).toEqual([
      said('notYet.plugs', {
        plugs: [
          { side: 'right', set: 'water' },
          { side: 'left', set: 'noise' },
        ],
      }),
    ])
    const out = visitRecord(
      tapsOf(
        { kind: 'plug', side: 'left', way: 'in', set: 'water' },
        { kind: 'plug', side: 'left', way: 'out', set: 'water' },
        ...allDry.slice(1),
      ),
    )
    expect(notYet(out, plan)).toEqual([said('notYet.dry', { zones: [ZONES[0]!] })])
  })
  test('a damp place opens its zone again; a visit stopped early needs no dry zones, but its plugs out', () => {
    const damp = visitRecord(tapsOf(...allDry, { kind: 'damp', zone: 'hindlegs' }))
    expect(notYet(damp, plan)).toEqual([said('notYet.dry', { zones: ['hindlegs'] })])
    expect(damp.damp).toEqual(['hindlegs'])
    const stopped = visitRecord(
      tapsOf({ kind: 'plug', side: 'left', way: 'in', set: 'water' }, { kind: 'stop early', why: 'panic' }),
    )
    expect(notYet(stopped, plan)).toEqual([left])
    expect(notYet(visitRecord([]), planOn({ health: ['collapse'] }))).toEqual([])
  })
})

test('zones that are left damp on purpose need not be felt dry before the dog goes home', () => {
  const shih = Dog.parse({ name: 'Momo', weightKg: 6, coat: 'drop', topknot: true })
  const plan = planOn({}, shih)
  const damp = plan.drying.zones.filter((z) => z.damp !== undefined).map((z) => z.zone)
  expect(damp).toContain('head')
  const felt = ZONES.filter((z) => !damp.includes(z)).map((zone): TapDraft => ({ kind: 'dry', zone }))
  expect(notYet(visitRecord(tapsOf(...felt)), plan)).toEqual([])
  expect(notYet(visitRecord(tapsOf(...felt.slice(1))), plan)).toHaveLength(1)
})

test('contact counts from the last zone lathered; the first ones have had longer', () => {
  const record = visitRecord(
    tapsOf(
      { kind: 'lathered', pass: 1, zone: 'back', minute: 1 },
      { kind: 'lathered', pass: 1, zone: 'belly', minute: 3 },
    ),
  )
  expect(contactClock(record, 1, ['back', 'belly', 'feet'], 5)).toEqual({
    from: 180_000,
    until: 480_000,
    first: 60_000,
    zones: 2,
    all: false,
  })
  expect(contactClock(record, 2, ['back'], 5)).toBeUndefined()
})

test('an undo takes its event back, an undone undo brings it again', () => {
  const events = tapsOf({ kind: 'towel' }, { kind: 'towel' })
  const undo = TubEvent.parse({ id: idAt(50), at: 200_000, kind: 'undo', event: idAt(1) })
  const redo = TubEvent.parse({ id: idAt(51), at: 300_000, kind: 'undo', event: idAt(50) })
  expect(visitRecord(events).towels).toBe(2)
  expect(visitRecord([...events, undo]).towels).toBe(1)
  expect(visitRecord([redo, ...events, undo]).towels).toBe(2)
})

const draft = fc.oneof(
  fc.record({ kind: fc.constant('step' as const), step: fc.constantFrom('wet', 'lather-1', 'dry') }),
  fc.record({ kind: fc.constant('done' as const), step: fc.constantFrom('wet', 'lather-1', 'dry') }),
  fc.constantFrom<TapDraft>({ kind: 'pause' }, { kind: 'resume' }, { kind: 'towel' }, { kind: 'finish' }),
  fc.record({
    kind: fc.constant('plug' as const),
    side: fc.constantFrom('left', 'right'),
    way: fc.constantFrom('in', 'out'),
    set: fc.constantFrom('water', 'noise'),
  }),
  fc.record({ kind: fc.constantFrom('damp' as const, 'dry' as const), zone: fc.constantFrom(...ZONES) }),
  fc.record({
    kind: fc.constant('earDid' as const),
    side: fc.constantFrom('left', 'right'),
    did: fc.constantFrom('looked', 'filled', 'dried'),
  }),
  fc.record({
    kind: fc.constant('ear' as const),
    side: fc.constantFrom('left', 'right'),
    cotton: fc.constantFrom('clean', 'dirty'),
  }),
  fc.record({
    kind: fc.constant('earSigns' as const),
    side: fc.constantFrom('left', 'right'),
    signs: fc.constantFrom([], ['wound'], ['bad smell', 'discharge']),
  }),
  fc.record({
    kind: fc.constant('note' as const),
    text: fc.constantFrom('calm', 'wary'),
    zone: fc.constantFrom(...ZONES),
  }),
  fc.record({ kind: fc.constant('undo' as const), event: fc.integer({ min: 0, max: 30 }).map(idAt) }),
)

test('the same events tell the same visit, in whatever order and however often they come', () => {
  fc.assert(
    fc.property(fc.array(draft, { maxLength: 30 }), fc.infiniteStream(fc.nat()), (drafts, numbers) => {
      // from two devices, some at the very same moment
      const events = tapsOf(...(drafts as TapDraft[])).map((e, i) => ({
        ...e,
        device: `d${i % 2}`,
        at: i % 5 === 4 ? e.at - 60_000 : e.at,
      }))
      const shaken = [...events, ...events.filter((_, i) => i % 3 === 0)]
        .map((e) => ({ e, key: numbers.next().value as number }))
        .sort((a, b) => a.key - b.key)
        .map(({ e }) => e)
      expect(visitRecord(shaken)).toEqual(visitRecord(events))
      expect(standing(shaken)).toEqual(standing(events))
      for (const step of Object.values(visitRecord(events).steps)) expect(step.minutes).toBeGreaterThanOrEqual(0)
    }),
    { numRuns: 300 },
  )
})

test('a note is about the dog, a step or a zone; about those it is shown there again, the newest first', () => {
  const record = visitRecord(
    tapsOf(
      { kind: 'step', step: 'dry', minute: 0 },
      { kind: 'note', text: 'stood well', minute: 1 },
      { kind: 'note', text: 'pulls this foot away', zone: 'feet', minute: 2 },
      { kind: 'note', text: 'lick mat helps', step: 'dry', minute: 3 },
    ),
  )
  expect(record.notes.map(({ text, step, zone }) => [text, step, zone])).toEqual([
    ['stood well', undefined, undefined],
    ['pulls this foot away', undefined, 'feet'],
    ['lick mat helps', 'dry', undefined],
  ])
  const noted = [
    { date: '2026-10-01', text: 'old', step: null, zone: 'feet' as const },
    { date: '2026-11-01', text: 'new', step: null, zone: 'feet' as const },
    { date: '2026-11-01', text: 'lick mat', step: { kind: 'dry' as const }, zone: null },
    { date: '2026-11-01', text: 'second rinse', step: { kind: 'rinse' as const, role: 'last' as const }, zone: null },
  ]
  const at = (kind: 'dry' | 'rinse' | 'wash', zone?: 'feet' | 'head', role?: 'last' | 'first') =>
    notedBefore({ noted }, { kind, role }, zone).map((n) => n.text)
  expect(at('wash', 'feet')).toEqual(['new', 'old'])
  expect(at('dry', 'head')).toEqual(['lick mat'])
  expect(at('rinse', undefined, 'last')).toEqual(['second rinse'])
  expect(at('rinse', undefined, 'first')).toEqual([])
})
