import { Dog } from '@core/dog'
import { oatShelf, roomWith, tapsOf, type TapDraft } from '@core/fixtures'
import { outcomeOf } from '@core/tubside'
import { planVisit, Today } from '@core/visit'
import { METRIC_SAY } from '@words'
import { recordedOf } from './recorded'

const dog = Dog.parse({ name: 'Moss', weightKg: 7, coat: 'wire' })
const today = Today.parse({ date: '2026-11-28' })
const plan = planVisit(dog, today, oatShelf(), roomWith())
const { passes } = plan.rinse.last
const recordedAfter = (...taps: TapDraft[]) => {
  const events = tapsOf({ kind: 'step', step: 'rinse-last' }, ...taps, { kind: 'finish' })
  const rows = recordedOf(outcomeOf({ plan, today, mood: dog.mood }, events, 8)!, METRIC_SAY)
  return Object.fromEntries(rows.map((r) => [r.what, r.words]))
}

test('a visit with nothing put down has nothing to tell', () => expect(recordedAfter()).toEqual({}))

test('what was found, each ear’s rounds, noise and how it was borne are told in words', () => {
  expect(
    recordedAfter(
      { kind: 'step', step: 'towel', by: 'Dunja' },
      { kind: 'step', step: 'dry', by: 'Dunja' },
      { kind: 'found', what: 'tick', view: 'left', zone: 'neck', x: 0.2, y: 0.3 },
      { kind: 'found', what: 'lump', view: 'left', zone: 'belly', x: 0.5, y: 0.6 },
      { kind: 'ear', side: 'left', cotton: 'dirty' },
      { kind: 'ear', side: 'left', cotton: 'clean' },
      { kind: 'ear', side: 'right', cotton: 'dirty' },
      { kind: 'noise', level: 88.4, minutes: 12.5 },
      { kind: 'damp', zone: 'forelegs' },
      { kind: 'happened', what: 'soap in the eye', text: 'left one' },
      { kind: 'settled', stressor: 'dryer noise', went: 'bore it', settled: 'at once' },
      { kind: 'note', text: 'Stood well' },
    ),
  ).toEqual({
    'Worked by': 'Dunja',
    Found: 'Tick, neck and chest; lump, belly and groin',
    Ears: 'Left 2 rounds, clean; right 1 round, still dirty',
    Noise: '88 dBA for 12.5 min, measured',
    'Felt damp': 'Forelegs and armpits',
    Happened: 'Soap in the eye, left one',
    'Bore it': 'Dryer noise bore it, settled at once',
    Noted: 'Stood well',
  })
})

test.each<[TapDraft[], string]>([
  [[], 'not felt with the fingers'],
  [[{ kind: 'fingers', slippery: null }], 'nothing slippery at the end'],
  [[{ kind: 'fingers', slippery: 'tail' }], 'slippery at first: tail and its root; left slippery: tail and its root'],
])('the last rinse tells its passes and what the fingers felt', (fingers, end) => {
  expect(recordedAfter({ kind: 'rinsed', pass: 1 }, ...fingers)['Last rinse']).toBe(`1 pass, planned ${passes}; ${end}`)
})
