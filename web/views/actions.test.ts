/** @jest-environment jsdom */
import { flushPromises, mount } from '@vue/test-utils'
import { Dog } from '@core/dog'
import { oatShelf, roomWith } from '@core/fixtures'
import { FIRST_SHELF, Product, SAMPLES } from '@core/mix'
import { addDays } from '@core/visit'
import { emptyDay, seatFor, type WashDay } from '@core/washday'
import { HELP, type HelpOf } from '@words'
import { leaveView, showView, type Answers } from '../fixtures/view'
import HelpWords from '../parts/HelpWords.vue'
import PickDay from '../parts/PickDay.vue'
import { deviceToday } from '../parts/words'
import AddDogs from './day/AddDogs.vue'
import OwnerTimesBasin from './day/OwnerTimesBasin.vue'
import DaysView from './days/DaysView.vue'
import DogOverview from './dogs/DogOverview.vue'
import DogsView from './dogs/DogsView.vue'
import LogbookView from './logbook/LogbookView.vue'
import ShelfView from './shelf/ShelfView.vue'

afterEach(leaveView)

const stored = <T>(id: string, record: T, version = 1) => ({ id, version, changedAt: '2026-11-26T08:00:00Z', record })
const uuid = (n: number) => `00000000-0000-4000-8000-00000000000${n}`
const today = deviceToday()
const dogs = [
  stored(uuid(1), Dog.parse({ name: 'Ash', weightKg: 9, coat: 'smooth', owner: 'Odile' })),
  stored(uuid(2), Dog.parse({ name: 'Birch', weightKg: 8, coat: 'wire' })),
  stored(uuid(3), Dog.parse({ name: 'Cedar', weightKg: 14, coat: 'curly' })),
]
const dues = [
  { dogId: uuid(1), last: addDays(today, -80), due: addDays(today, 40), booked: null },
  { dogId: uuid(2), last: addDays(today, -90), due: addDays(today, -6), booked: null },
  { dogId: uuid(3), last: addDays(today, -90), due: addDays(today, -9), booked: addDays(today, 2) },
]
const LOG = { visits: [], count: 0, dogs: [], products: [], tables: [] }
const SERVER: Answers = {
  '/house': stored('house', roomWith()),
  '/products': oatShelf().map(({ id, ...product }) => stored(id, product)),
  '/days': [],
  '/visits': [],
  '/standings': [],
  '/dogs': dogs,
  '/dues': dues,
  '/memory': { memory: {} },
  '/logbook': LOG,
}

describe('the shelf', () => {
  const bottle = (id: string, more: object = {}, version = 1) =>
    stored(id, Product.parse({ name: id, kind: 'cleaning', ratio: '1:10', ...more }), version)

  test('empty: made-up bottles are put on it at one press, each as its sample', async () => {
    const { press, written } = await showView(
      ShelfView,
      {},
      { ...SERVER, '/products': [], 'POST /products': bottle('x') },
    )
    await press(`Begin with ${FIRST_SHELF.length} made-up bottles`)
    await flushPromises()
    expect(written()).toEqual(FIRST_SHELF.map((kind) => ['POST /products', SAMPLES[kind]]))
  })

  test('made-up bottles that can’t be kept: why, and nothing is said to be there', async () => {
    const { press, text } = await showView(ShelfView, {}, { ...SERVER, '/products': [], 'POST /products': 500 })
    await press(`Begin with ${FIRST_SHELF.length} made-up bottles`)
    expect(text()).toContain('It broke on purpose.')
    expect(text()).toContain('Nothing on the shelf yet')
  })

  test('by kind, with how each ratio reads, and what asks for a look', async () => {
    const shelf = [
      bottle('Second', { rank: 2, contains: ['oat', 'aloe'], pricePerLitre: 18, sizeMl: 500 }),
      bottle('First', { ratio: '1 in 11' }),
      bottle('Old', { kind: 'conditioner', expires: '2020-01-31' }),
      bottle('Cure', { kind: 'medicated' }),
      bottle('Block', { kind: 'soothing', form: 'bar', ratio: '' }),
      bottle('Blank', { kind: 'tear-free', ratio: '' }),
      bottle('Given up', { retired: true }),
    ]
    const { text } = await showView(ShelfView, {}, { ...SERVER, '/products': shelf })
    const all = text()
    expect(all.indexOf('First')).toBeLessThan(all.indexOf('Second'))
    expect(all).toContain('1 in 11: 1 part product + 10 parts water (11 parts)')
    expect(all).toMatch(/500 mL when full; 18 \w+ a litre; 1.64 \w+ a litre of mix; contains oat and aloe/)
    expect(all).toContain('past its date, 31 Jan 2020')
    expect(all).toContain('no instruction: not used')
    expect(all).toContain('The bar itself')
    expect(all).toContain('No ratio yet: a cautious one is taken')
    expect(all).toContain('6 bottles')
    expect(all).toContain('1 bottle retired')
  })

  test('an open one is retired, put before the others, or says why not', async () => {
    const shelf = [bottle('First'), bottle('Second', {}, 4)]
    const { press, written, answer, text } = await showView(
      ShelfView,
      { id: 'Second' },
      { ...SERVER, '/products': shelf, 'PUT /products/Second': shelf[1] },
    )
    await press('Use it before the others of its kind')
    await press('Retire it')
    expect(written()).toEqual([
      ['PUT /products/Second', { version: 4, record: { ...shelf[1]!.record, rank: -1 } }],
      ['PUT /products/Second', { version: 4, record: { ...shelf[1]!.record, retired: true } }],
    ])
    answer({ ...SERVER, '/products': shelf, 'PUT /products/Second': 500 })
    await press('Retire it')
    expect(text()).toContain('It broke on purpose.')
  })

  test('one that was deleted elsewhere: so it is said, with a way back', async () => {
    const { text } = await showView(ShelfView, { id: 'gone' }, SERVER)
    expect(text()).toContain('There is no such bottle any more.')
  })
})

describe('a day is picked', () => {
  const summary = (date: string, names: string[]) => ({
    date,
    dogs: names.map((name, i) => ({ dogId: uuid(i), name, colour: i })),
    arranged: true,
  })
  test('the next days that have dogs stand first, without those that are no choice', async () => {
    const [one, two, three] = [1, 2, 3].map((n) => addDays(today, n)) as [string, string, string]
    const days = [summary(three, ['Ash']), summary(two, ['Ash', 'Birch']), summary(one, ['Ash'])]
    const { view, text } = await showView(PickDay, { label: 'Book a day', not: [one] }, { ...SERVER, '/days': days })
    const buttons = view.findAll('button').map((b) => b.text())
    expect(buttons).toEqual([expect.stringMatching(/, 2 dogs$/), expect.stringMatching(/, 1 dog$/)])
    expect(text()).toContain('or on')
    await view.findAll('button')[0]!.trigger('click')
    expect(view.emitted('pick')).toEqual([[two]])
  })
})

describe('the record at a glance', () => {
  const date = addDays(today, 3)
  const day = (seats: WashDay['seats'] = []) => ({
    version: 2,
    changedAt: null,
    record: { ...emptyDay(date, roomWith()), seats },
    kept: [],
  })
  const ahead = [{ date, dogs: [{ dogId: 'x', name: 'Else', colour: 1 }], arranged: true }]

  test('a day is booked beside those who come already', async () => {
    const there = day()
    const { view, written } = await showView(
      DogOverview,
      { stored: dogs[1]! },
      {
        ...SERVER,
        '/days': ahead,
        [`/days/${date}`]: there,
        [`PUT /days/${date}`]: there,
      },
    )
    expect(view.text()).toContain('Due since')
    await view.find('.pick-day button').trigger('click')
    await flushPromises()
    await flushPromises()
    const [[address, sent]] = written() as [[string, { version: number; record: WashDay }]]
    expect([address, sent.version]).toEqual([`PUT /days/${date}`, 2])
    expect(sent.record.seats.map((s) => s.dogId)).toEqual([uuid(2)])
  })

  test('who is on that day already isn’t put there twice', async () => {
    const there = day([seatFor(uuid(2), emptyDay(date, roomWith()))])
    const { view, written } = await showView(
      DogOverview,
      { stored: dogs[1]! },
      { ...SERVER, '/days': ahead, [`/days/${date}`]: there },
    )
    await view.find('.pick-day button').trigger('click')
    await flushPromises()
    expect(written()).toEqual([])
  })

  test('a day that can’t be kept: why', async () => {
    const { view, text } = await showView(
      DogOverview,
      { stored: dogs[1]! },
      {
        ...SERVER,
        '/days': ahead,
        [`/days/${date}`]: day(),
        [`PUT /days/${date}`]: 500,
      },
    )
    await view.find('.pick-day button').trigger('click')
    await flushPromises()
    await flushPromises()
    expect(text()).toContain('It broke on purpose.')
  })

  test('visits that ended with what they took, recipes whose visit hasn’t, and forgetting what was learned', async () => {
    const visit = (n: number, minutes: number) => ({
      ...{ visitId: `v${n}`, date: addDays(today, -21 * n), minutes, planned: 60 },
      ...{ used: [{ name: 'Oats', amount: 10 }], damp: ['belly'], happened: [] },
    })
    const visits = [visit(1, 70), visit(2, 66), visit(3, 61)]
    const kept = (id: string) => ({
      ...{ id, dogId: uuid(2), dogName: 'Birch', colour: 1, date: today, minutes: 64, stops: 0, skin: [] },
      ...{ products: ['Oats'], changedAt: '' },
    })
    const { view, press, text } = await showView(
      DogOverview,
      { stored: dogs[1]! },
      {
        ...SERVER,
        '/logbook': { ...LOG, visits, count: 9 },
        '/visits': [kept('open'), kept('v1')],
      },
    )
    expect(text()).toMatch(/1 h 10, planned 1 h.*Oats; damp: belly/)
    expect(text()).toContain('All 9 in the logbook')
    expect(view.findAll('circle')).toHaveLength(3)
    expect(view.findAll('a').filter((a) => a.attributes('href')?.startsWith('/recipes/'))).toHaveLength(1)
    await press('Forget what was learned of Birch')
    expect(view.emitted('learnFrom')).toEqual([[today]])
  })
})

describe('who comes', () => {
  const show = (props: object = {}) => showView(AddDogs, { dogs, fits: {}, date: today, ...props }, SERVER)

  test('who is due and on no day comes first; each says how it stands', async () => {
    const { view, text } = await show()
    expect(view.findAll('li .name').map((name) => name.text())).toEqual(['Birch', 'Ash', 'Cedar'])
    expect(text()).toContain('Due since')
    expect(text()).toContain('Comes on')
  })

  test('is found by its owner; nobody found says so', async () => {
    const { view, text } = await show()
    await view.find('input').setValue('odile')
    expect(view.findAll('li')).toHaveLength(1)
    expect(text()).toContain('Ash')
    await view.find('input').setValue('nobody at all')
    expect(text()).toContain('No dog of that name.')
  })

  test('those that fit, or don’t, say why as it becomes known; all are asked for', async () => {
    const { view } = await show()
    expect(view.emitted('ask')![0]).toEqual([[uuid(1), uuid(2), uuid(3)]])
    await view
      .findAll('button')
      .find((b) => b.text().startsWith('Add'))!
      .trigger('click')
    expect(view.emitted('add')).toHaveLength(1)
  })
})

test('times for owners are shown with what they spare, taken or left', async () => {
  const times = [{ seatId: 's', dogId: uuid(1), arrive: 525, pickup: 690, saved: 330 }]
  const { view, press, text } = await showView(OwnerTimesBasin, { date: today, times, nameOf: () => 'Ash' }, SERVER)
  expect(text()).toMatch(/Ash ?8:45 to 11:30 ?5 h 30 less in the house/)
  await press('Take these times')
  await press('Leave them open')
  expect([view.emitted('take'), view.emitted('leave')]).toEqual([[[]], [[]]])
})

describe('the weeks ahead', () => {
  test('five weeks from the beginning of this one are asked for, and every day leads to itself', async () => {
    const { view, asked } = await showView(DaysView, {}, SERVER)
    const [, from, to] = /from=(\d{4}-\d\d-\d\d)&to=(\d{4}-\d\d-\d\d)/.exec(
      asked()
        .filter((a) => a.includes('/days?') && a.includes('to='))
        .at(-1)!,
    )!
    expect(addDays(from!, 34)).toBe(to)
    expect(from! <= today && today <= addDays(from!, 6)).toBe(true)
    const cells = view.findAll('.cell')
    expect(cells).toHaveLength(35)
    const leads = (of: typeof cells) => of.map((c) => c.find('a').attributes('href'))
    expect(leads(cells)).toEqual(cells.map((_, i) => `/days/${addDays(from!, i)}`))
    expect(leads(cells.filter((c) => c.attributes('aria-current') === 'date'))).toEqual([`/days/${today}`])
  })

  test('another beginning shows other weeks, with a way back; nonsense shows this one', async () => {
    const { text, asked } = await showView(DaysView, { from: '2028-05-03' }, SERVER)
    expect(asked().some((a) => a.includes('from=2028-05-01'))).toBe(true)
    expect(text()).toContain('This week')
    const again = await showView(DaysView, { from: 'soon' }, SERVER)
    expect(again.text()).not.toContain('This week')
  })
})

describe('who is due', () => {
  test('stands in the logbook, the longest first, without those on a day already', async () => {
    const { view } = await showView(
      LogbookView,
      {},
      { ...SERVER, '/logbook': { ...LOG, count: 1 }, '/logbook/taught': { taught: [], wild: [], wildCount: 0 } },
    )
    const section = view.find('[aria-labelledby="who-is-due"]')
    expect(section.findAll('li').map((li) => li.find('a').text())).toEqual(['Birch'])
    expect(section.text()).toContain('last here')
  })

  test('nobody: so it is said', async () => {
    const { text } = await showView(
      LogbookView,
      {},
      {
        ...SERVER,
        '/dues': [],
        '/logbook': { ...LOG, count: 1 },
        '/logbook/taught': { taught: [], wild: [], wildCount: 0 },
      },
    )
    expect(text()).toContain('Nobody within a week who isn’t on a day already.')
  })

  test('narrows the list of dogs', async () => {
    const { view, text } = await showView(DogsView, {}, SERVER)
    expect(text()).toContain('3 dogs')
    expect(text()).toMatch(/Odile: due about/)
    await view
      .findAll('label')
      .find((l) => l.text() === 'Only those due')!
      .find('input')
      .setValue(true)
    expect(text()).toContain('1 of 3 dogs')
    expect(text()).not.toContain('Cedar')
  })
})

test.each(Object.keys(HELP) as HelpOf[])('help on %s shows its lines, its keys, and who comes before it', (of) => {
  const wrapper = mount(HelpWords, { props: { of } })
  for (const line of HELP[of].lines) expect(wrapper.text()).toContain(line)
  expect(wrapper.findAll('dt')).toHaveLength(HELP[of].keys.length)
  expect(wrapper.text()).toContain('The vet, the product’s label and local rules')
})
