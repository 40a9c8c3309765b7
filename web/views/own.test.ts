/** @jest-environment jsdom */
import { DOMWrapper, flushPromises } from '@vue/test-utils'
import { Dog } from '@core/dog'
import { oatShelf, roomWith } from '@core/fixtures'
import { Product } from '@core/mix'
import { planVisit, Today, wayOf, withChoice, type OwnChoice } from '@core/visit'
import { kept } from '../api/queries'
import { leaveView, showView, type Answers } from '../fixtures/view'
import CsvTable from '../parts/CsvTable.vue'
import HabitsSection from './house/HabitsSection.vue'
import DemonstrationSection from './house/DemonstrationSection.vue'
import LastTime from './recipe/LastTime.vue'
import OwnChoices from './recipe/OwnChoices.vue'
import ProductChoice from './recipe/ProductChoice.vue'
import StepRibbon from './recipe/StepRibbon.vue'
import BuyList from './shelf/BuyList.vue'
import ShelfView from './shelf/ShelfView.vue'
import StockPanel from './shelf/StockPanel.vue'
import StartView from './start/StartView.vue'

afterEach(leaveView)

const stored = <T>(id: string, record: T, version = 1) => ({ id, version, changedAt: '2026-11-26T08:00:00Z', record })
const plain = stored('plain', Product.parse({ name: 'Plain', kind: 'cleaning', ratio: '1:10', sizeMl: 1000 }))
const block = stored('block', Product.parse({ name: 'Block', kind: 'cleaning', form: 'bar', sizeMl: 120 }))
const line = (productId: string, more: object = {}) => ({
  productId,
  level: 420,
  perWashDay: 60,
  washDaysLeft: 7,
  buy: null,
  ...more,
})
const SERVER: Answers = {
  '/house': stored('house', roomWith()),
  '/products': [plain, block],
  '/stock': [line('plain'), line('block', { level: 30, washDaysLeft: null })],
  '/products/plain/movements': [],
  '/products/block/movements': [],
  '/visits': [],
  '/days': [],
  '/dogs': [],
  '/memory': { memory: {} },
}
const type = async (view: Awaited<ReturnType<typeof showView>>['view'], label: string, value: string) => {
  const field = view.findAll('label').find((l) => l.text().startsWith(label))!
  await new DOMWrapper(document.getElementById(field.attributes('for')!)!).setValue(value)
}

describe('how much is left', () => {
  const moved = {
    id: 'm1',
    productId: 'plain',
    visitId: null,
    kind: 'counted',
    mL: 300,
    at: '2026-11-26T08:00:00Z',
    note: '',
  }

  test('stands with each bottle, in mL or in grams, with how long it will do', async () => {
    const { text } = await showView(ShelfView, {}, SERVER)
    expect(text()).toContain('420 mL left, about 7 washing days')
    expect(text()).toContain('30 g left')
    expect(text()).not.toContain('To buy')
  })

  test('a count is written down as it is typed; nothing typed isn’t', async () => {
    const { view, press, written, text } = await showView(
      StockPanel,
      { product: plain, line: line('plain'), left: '420 mL left' },
      { ...SERVER, 'POST /products/plain/movements': moved },
    )
    await press('Count it')
    await press('Write it down')
    expect(text()).toContain('Give how much, 0 or more.')
    await type(view, 'Left in it', '300')
    await press('Write it down')
    expect(written()).toEqual([
      ['POST /products/plain/movements', expect.objectContaining({ kind: 'counted', mL: 300, note: '' })],
    ])
    expect(view.emitted('changed')).toHaveLength(1)
  })

  test('a new bottle is as full as its size says; a bar is weighed; a refusal is told and what was typed stays', async () => {
    const { press, written, text, view } = await showView(
      StockPanel,
      { product: block, line: undefined, left: undefined },
      { ...SERVER, 'POST /products/block/movements': 500 },
    )
    expect(text()).toContain('Not known yet: open a bottle or count what is there.')
    await press('Opened a new one')
    await press('Write it down')
    expect(written()[0]![1]).toMatchObject({ kind: 'opened', mL: 120 })
    expect(text()).toContain('It broke on purpose.')
    expect((view.find('input').element as HTMLInputElement).value).toBe('120')
  })

  test('what came and went is listed, newest first, a visit by its link', async () => {
    const list = [
      { ...moved, id: 'u', kind: 'used', mL: 12, visitId: 'v1' },
      { ...moved, kind: 'thrown', note: 'smelled off' },
    ]
    const { press, text, view } = await showView(
      StockPanel,
      { product: plain, line: line('plain', { buy: { code: 'stock.low', facts: { washDays: 2 } } }), left: 'x' },
      { ...SERVER, '/products/plain/movements': list },
    )
    expect(text()).not.toContain('About 2 washing days left')
    view.find('.ant-collapse-header').element.dispatchEvent(new MouseEvent('click', { bubbles: true }))
    await flushPromises()
    expect(text()).toMatch(/used on a dog− 12 mL/)
    expect(text()).toContain('thrown away: smelled off')
    expect(view.find('a[href="/logbook/v1"]').exists()).toBe(true)
    await press('Lost')
    expect(text()).toContain('Write it down')
  })

  test('what to buy says why, what it costs, and what all of it does', async () => {
    const lines = [
      { product: plain, why: 'empty', left: '0 mL', price: 18.5 },
      { product: block, why: 'past its date', left: 'not counted', price: null },
    ]
    const { text } = await showView(BuyList, { lines, currency: 'EUR' }, SERVER)
    expect(text()).toContain('PlainEmpty18.5 EUR')
    expect(text()).toContain('One of each, where the price is known: 18.5 EUR.')
  })

  test('a bottle deleted elsewhere stays open with what was typed, and can be brought back', async () => {
    const { view, answer, text, press, written } = await showView(ShelfView, { id: 'plain' }, SERVER)
    await type(view, 'Name, as you call it', 'Half typed')
    answer({ ...SERVER, '/products': [block], '/products/plain/restore': plain })
    // as the server tells of it
    await kept.invalidateQueries()
    await flushPromises()
    expect(text()).toContain('Plain was deleted elsewhere. What you typed is still here.')
    expect(view.findAll('input').some((i) => (i.element as HTMLInputElement).value === 'Half typed')).toBe(true)
    await press('Bring it back')
    expect(written().at(-1)![0]).toBe('POST /products/plain/restore')
  })
})

describe('a table', () => {
  const file = (text: string) => ({ name: 'dogs.csv', text: () => Promise.resolve(text) }) as unknown as File
  const give = async (view: Awaited<ReturnType<typeof showView>>['view'], text: string) => {
    view.findComponent({ name: 'UiUpload' }).vm.$emit('file', file(text))
    await flushPromises()
    await flushPromises()
  }
  const opened = async (answers: Answers) => {
    const shown = await showView(CsvTable, { table: 'dogs', one: 'dog' }, answers)
    shown.view.find('.ant-collapse-header').element.dispatchEvent(new MouseEvent('click', { bubbles: true }))
    await flushPromises()
    return shown
  }
  const rows = [
    { line: 2, name: 'Fig', does: 'adds' },
    { line: 3, name: 'Moss', does: 'changes' },
  ]

  test('says what each row would do, and changes what is there only when that is ticked', async () => {
    const { view, text, press, written } = await opened({
      'POST /tables/dogs/preview': { rows, errors: [], unknown: ['Colour of collar'] },
      'POST /tables/dogs/import': { added: 1, changed: 0, same: 1 },
    })
    await give(view, 'name\nFig\n')
    expect(text()).toContain('1 dog to add, 1 that say something else here and 0 that are here already.')
    expect(text()).toContain('Columns that aren’t known: Colour of collar.')
    await press('Take it over')
    expect(written().at(-1)).toEqual(['POST /tables/dogs/import', { text: 'name\nFig\n', over: false }])
    expect(view.emitted('taken')).toHaveLength(1)
  })

  test('faults stand by line and column, and nothing can be taken; a refusal is told', async () => {
    const errors = [{ line: 3, column: 'weightKg', message: 'Give a number.' }]
    const { view, text, answer } = await opened({ 'POST /tables/dogs/preview': { rows, errors, unknown: [] } })
    await give(view, 'x')
    expect(text()).toContain('Line 3, weightKg: Give a number.')
    expect(text()).not.toContain('Take it over')
    answer({ 'POST /tables/dogs/preview': 500 })
    await give(view, 'y')
    expect(text()).toContain('It broke on purpose.')
  })
})

describe('a first start', () => {
  const house = { ...roomWith(), begun: false }
  const answers = { ...SERVER, '/house': stored('house', house, 3), 'PUT /house': stored('house', house, 4) }

  test('the room is kept with its usual heater and dryers, and the bottles are next', async () => {
    const { press, written, view } = await showView(StartView, {}, answers)
    await type(view, 'What you call it', 'Back room')
    await press('Keep it and go on')
    const [address, sent] = written().at(-1)! as [string, { version: number; record: typeof house }]
    expect(address).toBe('PUT /house')
    expect(sent.version).toBe(3)
    expect(sent.record).toMatchObject({ name: 'Back room', begun: false, water: { heater: 'tank', tankL: 200 } })
    expect(sent.record.dryers.map((d) => d.kind)).toEqual(['hand'])
  })

  test('made-up bottles are put on the shelf once, whatever is there by that name already', async () => {
    const there = stored('e', Product.parse({ name: 'Everyday shampoo', kind: 'cleaning', ratio: '1:10' }))
    const { press, written } = await showView(
      StartView,
      { step: 'bottles' },
      { ...answers, '/products': [there], 'POST /products': there },
    )
    await press('Put 4 bottles on the shelf and go on')
    const added = written().filter(([address]) => address === 'POST /products')
    expect(added.map(([, sent]) => (sent as Product).kind)).toEqual(['soothing', 'conditioner', 'ear cleaner'])
  })

  test('passed over to the end, the room counts as set up', async () => {
    const { press, written } = await showView(StartView, { step: 'dog' }, answers)
    await press('Go on without')
    expect((written().at(-1)![1] as { record: typeof house }).record.begun).toBe(true)
  })

  test('a server that refuses: why, and everything stays', async () => {
    const { press, text, view } = await showView(StartView, {}, { ...answers, 'PUT /house': 500 })
    await type(view, 'What you call it', 'Back room')
    await press('Keep it and go on')
    expect(text()).toContain('It broke on purpose.')
    expect((view.find('input').element as HTMLInputElement).value).toBe('Back room')
  })

  test('the demonstration is cleared only after a yes', async () => {
    const { press, written, view } = await showView(
      DemonstrationSection,
      { units: null },
      { ...SERVER, 'POST /begin/own': { copy: '/data/copies/x.tar.gz' } },
    )
    await press('Begin with my own')
    expect(written()).toEqual([])
    view.findComponent({ name: 'UiConfirm' }).vm.$emit('yes')
    await flushPromises()
    await flushPromises()
    expect(written()[0]).toEqual(['POST /begin/own', { clear: true }])
    expect(view.emitted('cleared')).toHaveLength(1)
  })
})

describe('one’s own way', () => {
  const record = Dog.parse({ name: 'Fig', coat: 'wire', weightKg: 8 })
  const shelf = oatShelf()
  const house = roomWith()
  const planOf = (today: Today, dog = record) => planVisit(dog, today, shelf, house)
  const skipped = Today.parse({ date: '2026-11-28', skipped: [{ step: 'nails', reason: 'done at the vet' }] })

  test('is listed with its reason, put back at one press, kept for the dog from its record as it stands', async () => {
    const newer = stored('fig', { ...record, notes: 'changed meanwhile' }, 7)
    const { text, press, view, written } = await showView(
      OwnChoices,
      { today: skipped, plan: planOf(skipped), dog: stored('fig', record, 5) },
      { ...SERVER, '/dogs/fig': newer, 'PUT /dogs/fig': newer },
    )
    expect(text()).toContain('Left out: nails')
    expect(text()).toContain('done at the vet')
    view.findComponent({ name: 'UiSelect' }).vm.$emit('update:modelValue', 'dog')
    await flushPromises()
    await flushPromises()
    expect(written()).toEqual([
      [
        'PUT /dogs/fig',
        {
          version: 7,
          record: expect.objectContaining({
            notes: 'changed meanwhile',
            usual: expect.objectContaining({ skipped: skipped.skipped }),
          }),
        },
      ],
    ])
    await press('Put back: Left out: nails')
    expect(view.emitted('put')!.at(-1)).toEqual([expect.objectContaining({ skipped: [] })])
  })

  test('what can’t be is said; nothing of one’s own shows nothing', async () => {
    const wished = Today.parse({ date: '2026-11-28', skipped: [{ step: 'rinse-last' }] })
    const { text } = await showView(
      OwnChoices,
      { today: wished, plan: planOf(wished), dog: stored('fig', record) },
      SERVER,
    )
    expect(text()).toContain('Last rinse stays: soap is always rinsed out.')
    const bare = Today.parse({ date: '2026-11-28' })
    const { text: none } = await showView(
      OwnChoices,
      { today: bare, plan: planOf(bare), dog: stored('fig', record) },
      SERVER,
    )
    expect(none()).toBe('')
  })

  test('a step is tapped open: left out, halved, or kept with why; by keys it moves a place', async () => {
    const plan = planOf(Today.parse({ date: '2026-11-28' }))
    const { press, view, text } = await showView(
      StepRibbon,
      { steps: plan.steps, minutes: plan.minutes.value, dog: record, dogId: 'fig', own: [] },
      SERVER,
    )
    await press('Last rinse')
    expect(text()).toContain('Last rinse stays: soap is always rinsed out.')
    await press('Nails')
    await press('Leave it out')
    expect(view.emitted('take')!.at(-1)).toEqual([
      { key: 'skipped nails', in: 'skipped', value: { step: 'nails', reason: '' } },
    ])
    const ids = plan.steps.map((s) => s.id)
    const nails = view.findAll('button').find((b) => b.text() === 'Nails')!
    await nails.trigger('keydown.up', { altKey: true })
    const [{ value }] = view.emitted('take')!.at(-1) as [{ value: { step: string; after: string } }]
    expect(value.step).toBe('nails')
    expect(ids.indexOf(value.after)).toBeLessThan(ids.indexOf('nails') - 1)
  })

  test('last time: what differs, and its way in one press', async () => {
    const then = { ...skipped, date: '2026-10-01' }
    const visit = {
      ...stored('v', {}),
      dogId: 'fig',
      date: '2026-10-01',
      engine: 'x',
      plan: planOf(then),
      inputs: { today: then },
    }
    const now = Today.parse({ date: '2026-11-28', skin: ['itchy'] })
    const { view, press, text } = await showView(
      LastTime,
      { dogId: 'fig', today: now, plan: planOf(now) },
      { ...SERVER, '/visits': [{ id: 'v', date: '2026-10-01' }], '/visits/v': visit },
    )
    expect(text()).toMatch(/Last time ?1 Oct 2026: \d+ things differ/)
    view.find('.ant-collapse-header').element.dispatchEvent(new MouseEvent('click', { bubbles: true }))
    await flushPromises()
    expect(text()).toMatch(/Water: .* → /)
    await press('Do it my way of last time')
    expect(view.emitted('put')!.at(-1)).toEqual([expect.objectContaining({ skipped: then.skipped })])
  })

  test('a product is taken with a ratio of its own, once that can be read', async () => {
    const today = Today.parse({ date: '2026-11-28' })
    const tried: unknown[] = []
    const { view, press, text } = await showView(
      ProductChoice,
      {
        plan: planOf(today),
        dog: record,
        shelf,
        reckon: (choice: OwnChoice) => {
          tried.push(choice.value)
          return planOf({ ...today, ...withChoice(wayOf(today), choice) })
        },
      },
      SERVER,
    )
    await press('Take another product')
    view.findAllComponents({ name: 'UiSelect' })[1]!.vm.$emit('update:modelValue', shelf[0]!.id)
    await flushPromises()
    await type(view, 'Ratio here', '1.000:1')
    expect(text()).toContain('could be a thousand or a decimal')
    await press('Use this product')
    expect(view.emitted('take')).toBeUndefined()
    await type(view, 'Ratio here', '1 in 21')
    expect(text()).toContain('1 part product + 20 parts water')
    expect(text()).toMatch(/Ratio: .* → /)
    await press('Use this product')
    expect(view.emitted('take')!.at(-1)).toEqual([
      {
        key: 'products treat ',
        in: 'products',
        value: expect.objectContaining({ productId: shelf[0]!.id, ratio: 20 }),
      },
    ])
    expect(tried.length).toBeGreaterThan(0)
  })

  test('habits of the house are listed in words and taken away', async () => {
    const habits = [
      {
        id: 'h',
        skin: 'greasy' as const,
        coat: null,
        way: { ...planlessWay(), skipped: [{ step: 'topknot', reason: '' }] },
      },
    ]
    const draft = { ...roomWith(), habits }
    const { text, view } = await showView(HabitsSection, { modelValue: draft }, SERVER)
    expect(text()).toContain('Always on greasy skin: Left out: topknot')
    await view.find('button').trigger('click')
    expect(draft.habits).toEqual([])
  })
})

const planlessWay = () => wayOf(Today.parse({ date: '2026-11-28' }))
