/** @jest-environment jsdom */
import type { Component } from 'vue'
import { Dog } from '@core/dog'
import { oatShelf, roomWith, tapsOf } from '@core/fixtures'
import { outcomeOf } from '@core/tubside'
import { planVisit, Today } from '@core/visit'
import { emptyDay } from '@core/washday'
import { stepTitle } from '@words'
import { leaveView, showView, type Answers } from '../fixtures/view'
import DaysView from './days/DaysView.vue'
import DogsView from './dogs/DogsView.vue'
import DogView from './dogs/DogView.vue'
import HouseView from './house/HouseView.vue'
import LogbookView from './logbook/LogbookView.vue'
import OutcomeView from './logbook/OutcomeView.vue'
import CheckInView from './recipe/CheckInView.vue'
import RecipeView from './recipe/RecipeView.vue'
import RecipesView from './recipes/RecipesView.vue'
import ShelfView from './shelf/ShelfView.vue'
import TubPick from './tub/TubPick.vue'
import TubView from './tub/TubView.vue'
import DayView from './day/DayView.vue'

afterEach(leaveView)

const stored = <T>(id: string, record: T) => ({ id, version: 1, changedAt: '2026-11-26T08:00:00Z', record })
const [moss, other] = ['Moss', 'Fig'].map((name, i) =>
  stored(`00000000-0000-4000-8000-00000000000${i}`, Dog.parse({ name, weightKg: 7, coat: 'wire' })),
)
const nobody = { last: null, due: null, booked: null }
const ROOM: Answers = {
  '/house': stored('house', roomWith()),
  '/products': oatShelf().map(({ id, ...product }) => stored(id, product)),
  '/standings': [],
  '/days': [],
  '/visits': [],
  '/dogs': [],
  '/dues': [],
  '/memory': { memory: {} },
}
const LOG = { visits: [], count: 0, dogs: [], products: [], tables: [] }
// a day that is always to come
const date = '2098-11-29'
const DAY = { version: 0, changedAt: null, record: emptyDay(date, roomWith()), kept: [] }

const VISIT = '00000000-0000-4000-8000-000000000009'
const waffle = Dog.parse({ name: 'Waffle', weightKg: 7, coat: 'wire' })
const inputs = { dog: waffle, today: Today.parse({ date }), products: oatShelf(), house: roomWith(), memory: {} }
const plan = planVisit(waffle, inputs.today, inputs.products, inputs.house)
const visit = { id: VISIT, version: 1, changedAt: '', dogId: 'w', date, engine: plan.engine, inputs, plan }
const taps = tapsOf({ kind: 'step', step: plan.steps[0]!.id }, { kind: 'finish' })
const outcome = outcomeOf({ plan, today: inputs.today, mood: waffle.mood }, taps, 8)

interface States {
  view: Component
  props?: Record<string, unknown>
  /** Said while the server is slow. */
  waits: string
  /** The path whose answer is refused. */
  fails: string
  /** Answers under which there is nothing yet, and what is said then. */
  empty?: [Answers, string]
  /** Answers under which there is something, and what then stands there. */
  filled: [Answers, string]
}

const VIEWS: Record<string, States> = {
  dogs: {
    view: DogsView,
    waits: 'Fetching the dogs',
    fails: '/dogs',
    empty: [{}, 'No dogs yet. Add one, and the wash is worked out for you.'],
    filled: [{ '/dogs': [moss, other], '/dues': [{ dogId: moss!.id, ...nobody }] }, moss!.record.name],
  },
  'a dog': {
    view: DogView,
    props: { id: moss!.id },
    waits: 'Fetching the record',
    fails: `/dogs/${moss!.id}`,
    filled: [
      { [`/dogs/${moss!.id}`]: moss, '/logbook': LOG, '/dues': [{ dogId: moss!.id, ...nobody }] },
      'Not here yet.',
    ],
  },
  days: {
    view: DaysView,
    waits: 'Looking the days up',
    fails: '/days',
    empty: [{}, 'No dogs in these weeks yet.'],
    filled: [
      {
        '/days': [
          {
            date: new Date().toISOString().slice(0, 10),
            dogs: [{ dogId: 'a', name: 'Waffle', colour: 1 }],
            arranged: false,
          },
        ],
      },
      'Waffle',
    ],
  },
  'a day': {
    view: DayView,
    props: { date },
    waits: 'Working out the day',
    fails: `/days/${date}`,
    empty: [{ [`/days/${date}`]: DAY }, 'No dogs on this day'],
    filled: [{ [`/days/${date}`]: DAY, '/dogs': [moss] }, moss!.record.name],
  },
  recipes: {
    view: RecipesView,
    waits: 'Fetching the recipes',
    fails: '/visits',
    empty: [{}, 'None saved yet.'],
    filled: [
      {
        '/visits': [
          {
            id: 'v',
            dogId: 'a',
            dogName: 'Waffle',
            colour: 1,
            date,
            minutes: 61,
            stops: 1,
            skin: [],
            products: [],
            changedAt: '',
          },
        ],
      },
      'a stop',
    ],
  },
  'a recipe': {
    view: RecipeView,
    props: { dogId: moss!.id, date },
    waits: 'Reckoning',
    fails: `/dogs/${moss!.id}`,
    filled: [{ [`/dogs/${moss!.id}`]: moss, [`/days/${date}`]: DAY }, moss!.record.name],
  },
  'a check-in': {
    view: CheckInView,
    props: { dogId: moss!.id, date },
    waits: 'Fetching the record',
    fails: `/dogs/${moss!.id}`,
    filled: [{ [`/dogs/${moss!.id}`]: moss, [`/days/${date}`]: DAY }, moss!.record.name],
  },
  'the tub’s dogs': {
    view: TubPick,
    props: { date },
    waits: 'Fetching the day',
    fails: `/days/${date}/tub`,
    empty: [
      { [`/days/${date}/tub`]: { date, seats: [], visits: [], hours: { from: 480, to: 1020 }, helper: null } },
      'No dogs this day.',
    ],
    filled: [
      {
        [`/days/${date}/tub`]: {
          date,
          seats: [{ dogId: moss!.id, name: 'Waffle', colour: 1, at: 495 }],
          visits: [],
          hours: { from: 480, to: 1020 },
          helper: null,
        },
      },
      'Waffle',
    ],
  },
  'the tub': {
    view: TubView,
    props: { visitId: VISIT },
    waits: 'Fetching the visit',
    fails: `/visits/${VISIT}`,
    filled: [{ [`/visits/${VISIT}`]: visit, [`/visits/${VISIT}/events`]: { events: [] } }, stepTitle(plan.steps[0]!)],
  },
  logbook: {
    view: LogbookView,
    waits: 'Fetching the log',
    fails: '/logbook',
    empty: [{ '/logbook': LOG, '/logbook/taught': { taught: [], wild: [], wildCount: 0 } }, 'Nothing in the log yet.'],
    filled: [
      { '/logbook': { ...LOG, count: 1, visits: [] }, '/logbook/taught': { taught: [], wild: [], wildCount: 0 } },
      'dashed: what was planned',
    ],
  },
  'how a visit went': {
    view: OutcomeView,
    props: { visitId: VISIT },
    waits: 'Fetching the visit',
    fails: `/visits/${VISIT}`,
    filled: [
      { [`/visits/${VISIT}`]: visit, [`/visits/${VISIT}/outcome`]: { outcome, wild: [] } },
      'Waffle, how it went',
    ],
  },
  shelf: {
    view: ShelfView,
    waits: 'Fetching the shelf',
    fails: '/products',
    empty: [{ '/products': [] }, 'Nothing on the shelf yet'],
    filled: [{}, '1 part product'],
  },
  house: {
    view: HouseView,
    waits: 'Fetching the house',
    fails: '/house',
    filled: [{}, 'Room and hours'],
  },
}

describe.each(Object.entries(VIEWS))('%s', (_name, { view, props = {}, waits, fails, empty, filled }) => {
  test('says what is waited for while the server is slow', async () => {
    const { text } = await showView(view, props, ROOM, { slow: true })
    expect(text()).toContain(waits)
  })

  test('tells a refusal in its words, and shows what is there once it is asked again', async () => {
    const { text, answer, press } = await showView(view, props, { ...ROOM, ...filled[0], [fails]: 500 })
    expect(text()).toContain('It broke on purpose.')
    expect(text()).not.toContain(waits)
    answer({ ...ROOM, ...filled[0] })
    await press('Try again')
    expect(text()).not.toContain('It broke on purpose.')
    expect(text()).toContain(filled[1])
  })

  if (empty)
    test('says what to do while there is nothing yet', async () => {
      const { text } = await showView(view, props, { ...ROOM, ...empty[0] })
      expect(text()).toContain(empty[1])
    })
})
