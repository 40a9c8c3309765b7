/** @jest-environment jsdom */
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { nextTick, type Component } from 'vue'
import { roomWith } from '@core/fixtures'
import { METRIC, US_CUSTOMARY, type Units } from '@core/units'
import { likeABrowser } from '../fixtures/browser'
import { useRoom } from '../stores/room'
import UiAmount from './UiAmount.vue'
import UiButton from './UiButton.vue'
import UiCheck from './UiCheck.vue'
import UiChoice from './UiChoice.vue'
import UiDate from './UiDatePicker.vue'
import UiFold from './UiFold.vue'
import UiNumber from './UiNumber.vue'
import UiPick from './UiPick.vue'
import UiProgress from './UiProgress.vue'
import UiSelect from './UiSelect.vue'
import UiTable from './UiTable.vue'
import UiText from './UiText.vue'
import UiTime from './UiTime.vue'
import UiTubButton from './UiTubButton.vue'
import UiUpload from './UiUpload.vue'
import UiWaiting from './UiWaiting.vue'

beforeAll(likeABrowser)

let mounted: VueWrapper | undefined
afterEach(() => mounted?.unmount())

/** A part in a house of these units, with what it was last set to. */
function put(
  part: Component,
  props: Record<string, unknown>,
  units: Units = METRIC,
  slots: Record<string, unknown> = {},
) {
  setActivePinia(createPinia())
  useRoom().house = roomWith({ units })
  const set: unknown[] = []
  const wrapper = mount(part, {
    attachTo: document.body,
    props: { ...props, 'onUpdate:modelValue': (value: unknown) => set.push(value) },
    slots: slots as Record<string, string>,
  })
  mounted = wrapper
  return { wrapper, set, last: () => set.at(-1) }
}
const described = (wrapper: VueWrapper) =>
  document.getElementById(wrapper.get('input, textarea').attributes('aria-describedby') ?? '')?.textContent

describe('buttons', () => {
  test('one says what it does and tells of a tap, once; by itself it sends no form', async () => {
    const { wrapper } = put(UiButton, { kind: 'primary' }, METRIC, { default: 'Keep' })
    await wrapper.trigger('click')
    expect(wrapper.text()).toBe('Keep')
    expect(wrapper.attributes('type')).toBe('button')
    expect(wrapper.emitted('click')).toHaveLength(1)
  })
  test('one of a form sends it; one that is off tells nothing', async () => {
    expect(put(UiButton, { submit: true }).wrapper.attributes('type')).toBe('submit')
    const off = put(UiButton, { disabled: true }).wrapper
    await off.trigger('click')
    expect(off.emitted('click')).toBeUndefined()
  })
  test('a choice at the tub stays as tapped, and says so', async () => {
    const { wrapper } = put(UiTubButton, { on: true }, METRIC, { default: 'head' })
    expect(wrapper.attributes('aria-pressed')).toBe('true')
    expect(put(UiTubButton, {}).wrapper.attributes('aria-pressed')).toBeUndefined()
  })
})

describe('fields', () => {
  test('text has its label, its hint, and instead of it its error', async () => {
    const { wrapper, last } = put(UiText, { modelValue: '', label: 'Name', hint: 'As you call it.' })
    expect(wrapper.get('label').attributes('for')).toBe(wrapper.get('input').attributes('id'))
    expect(described(wrapper)).toBe('As you call it.')
    await wrapper.get('input').setValue('Fig')
    expect(last()).toBe('Fig')
    await wrapper.setProps({ error: 'Give the dog a name.' })
    expect(described(wrapper)).toBe('Give the dog a name.')
    expect(wrapper.get('[role=alert]').text()).toBe('Give the dog a name.')
  })
  test('a number is read with a comma too, and is none while it can’t be read', async () => {
    const { wrapper, last } = put(UiNumber, { modelValue: 3, label: 'Towels' })
    await wrapper.get('input').setValue('6,5')
    expect(last()).toBe(6.5)
    await wrapper.get('input').setValue('many')
    expect(last()).toBeNaN()
  })
  test('an amount is shown in the house’s unit, read in any, and kept in SI', async () => {
    const { wrapper, last } = put(UiAmount, { modelValue: 180, label: 'Tank', quantity: 'bigVolume' }, US_CUSTOMARY)
    expect(wrapper.get('label').text()).toBe('Tank, gal')
    expect(wrapper.get('input').element.value).toBe('47.6')
    await wrapper.get('input').setValue('40 gal')
    expect(last()).toBeCloseTo(151.416, 3)
    await wrapper.get('input').setValue('100 L')
    expect(last()).toBe(100)
    expect(described(wrapper)).toMatch(/26\.4/)
  })
  test('a time is read by either clock when the field is left; what can’t be read is said', async () => {
    const { wrapper, last, set } = put(UiTime, { modelValue: 540, label: 'Comes at' }, US_CUSTOMARY)
    expect(wrapper.get('input').element.value).toBe('9:00 am')
    await wrapper.get('input').setValue('14:05')
    await wrapper.get('input').trigger('blur')
    expect(last()).toBe(845)
    await wrapper.get('input').setValue('noonish')
    await wrapper.get('input').trigger('blur')
    expect(set).toHaveLength(1)
    expect(described(wrapper)).toMatch(/^Give a time, for example/)
  })
})

describe('a date', () => {
  test.each<[string, Units, string]>([
    ['28 Nov 2026', METRIC, '28 Nov 2026'],
    ['Nov 28, 2026', US_CUSTOMARY, '11/28/2026'],
  ])('stands as the house writes it: %s', async (shown, units, typed) => {
    const { wrapper, last } = put(UiDate, { id: 'when', modelValue: '2026-11-28' }, units)
    expect(wrapper.get('input').element.value).toBe(shown)
    const other = typed.replace('28', '27')
    await wrapper.get('input').trigger('mousedown')
    await wrapper.get('input').setValue(other)
    const enter = { key: 'Enter', keyCode: 13, which: 13, bubbles: true } as KeyboardEventInit
    wrapper.get('input').element.dispatchEvent(new KeyboardEvent('keydown', enter))
    await flushPromises()
    expect(last()).toBe('2026-11-27')
  })
})

describe('choices', () => {
  const options = [
    { value: 'dry', text: 'dry skin' },
    { value: 'itchy', text: 'itchy skin' },
  ]
  test('one of several: the chosen one is checked, another takes its place', async () => {
    const { wrapper, last } = put(UiChoice, { modelValue: 'dry', label: 'Skin', options })
    const [dry, itchy] = wrapper.findAll('input')
    expect(wrapper.get('legend').text()).toBe('Skin')
    expect(dry!.element.checked).toBe(true)
    await itchy!.setValue(true)
    expect(last()).toBe('itchy')
  })
  test('several at once: each comes and goes by itself', async () => {
    const { wrapper, last } = put(UiChoice, { modelValue: ['dry'], label: 'Skin', options, many: true })
    await wrapper.findAll('input')[1]!.setValue(true)
    expect(last()).toEqual(['dry', 'itchy'])
    await wrapper.findAll('input')[0]!.setValue(false)
    expect(last()).toEqual([])
  })
  test('a tick', async () => {
    const { wrapper, last } = put(UiCheck, { modelValue: false }, METRIC, { default: 'laid out' })
    await wrapper.get('input').setValue(true)
    expect(last()).toBe(true)
  })
})

describe('a list to choose from', () => {
  const options = ['smooth', 'wire', 'curly'].map((value) => ({ value, text: `${value} coat` }))
  const combobox = () => document.getElementById('coat')!
  test('it tells a screen reader the truth, shut, open and shut again', async () => {
    const { wrapper, last } = put(UiSelect, { id: 'coat', modelValue: 'wire', options, label: 'Coat' })
    expect(combobox().getAttribute('aria-expanded')).toBe('false')
    expect(combobox().hasAttribute('aria-controls')).toBe(false)
    await wrapper.get('.ant-select-selector').trigger('mousedown')
    await flushPromises()
    expect(combobox().getAttribute('aria-expanded')).toBe('true')
    expect(document.getElementById(combobox().getAttribute('aria-controls')!)!.getAttribute('aria-label')).toBe(
      'Choices',
    )
    document.querySelector<HTMLElement>('.ant-select-item-option[title="curly coat"]')!.click()
    await nextTick()
    expect(last()).toBe('curly')
    expect(combobox().getAttribute('aria-expanded')).toBe('false')
  })
  test('what is typed may stay as it is, or be taken from what fits', async () => {
    const { wrapper, last } = put(UiPick, {
      id: 'breed',
      label: 'Breeds',
      modelValue: '',
      options: [{ value: 'Samoyed', beside: 'long double' }],
    })
    await wrapper.get('input').setValue('samo')
    expect(last()).toBe('samo')
    await flushPromises()
    document.querySelector<HTMLElement>('.ant-select-item-option')!.click()
    await nextTick()
    expect(wrapper.emitted('pick')).toEqual([['Samoyed']])
  })
})

test('what folds is shut at first, opens by a tap, and by itself when something in it wants a look', async () => {
  const { wrapper } = put(UiFold, { title: 'More' }, METRIC, { default: '<p>within</p>' })
  const head = () => wrapper.get('.ant-collapse-header')
  expect(head().attributes('aria-expanded')).toBe('false')
  await head().trigger('click')
  expect(head().attributes('aria-expanded')).toBe('true')
  await head().trigger('click')
  await wrapper.setProps({ open: true })
  expect(head().attributes('aria-expanded')).toBe('true')
})

test('a table has a name, a head, and each figure knows its column, for a narrow screen', () => {
  const { wrapper } = put(
    UiTable as unknown as Component,
    {
      label: 'Drying',
      columns: [
        { key: 'zone', title: 'Zone' },
        { key: 'minutes', title: 'Minutes', number: true },
      ],
      rows: [{ zone: 'head', minutes: 3 }],
      rowKey: (row: { zone: string }) => row.zone,
    },
    METRIC,
    { cell: `<template #cell="{ column, row }">{{ row[column.key] }}</template>` },
  )
  expect(wrapper.attributes('aria-label')).toBe('Drying')
  expect(wrapper.findAll('th').map((th) => th.text())).toEqual(['Zone', 'Minutes'])
  expect(wrapper.findAll('td').map((td) => [td.attributes('data-label'), td.text()])).toEqual([
    ['Zone', 'head'],
    ['Minutes', '3'],
  ])
})

test('a table is put in order by a column’s head: up, down, as it was; what isn’t known comes last', async () => {
  type Row = { dog: string; kg: number | null }
  const { wrapper } = put(
    UiTable as unknown as Component,
    {
      label: 'Dogs',
      columns: [
        { key: 'dog', title: 'Dog' },
        { key: 'kg', title: 'kg', number: true },
      ],
      rows: [
        { dog: 'Giant 10', kg: null },
        { dog: 'Giant 2', kg: 60 },
        { dog: 'ash', kg: 9 },
      ],
      rowKey: (row: Row) => row.dog,
      sortBy: (row: Row, { key }: { key: keyof Row }) => row[key],
    },
    METRIC,
    { cell: `<template #cell="{ column, row }">{{ row[column.key] }}</template>` },
  )
  const first = () => wrapper.findAll('tbody tr.ant-table-row').map((tr) => tr.find('td').text())
  const [dog, kg] = wrapper.findAll('th button')
  await dog!.trigger('click')
  expect([first(), wrapper.get('th').attributes('aria-sort')]).toEqual([['ash', 'Giant 2', 'Giant 10'], 'ascending'])
  await kg!.trigger('click')
  expect(first()).toEqual(['ash', 'Giant 2', 'Giant 10'])
  await kg!.trigger('click')
  expect(first()).toEqual(['Giant 2', 'ash', 'Giant 10'])
  await kg!.trigger('click')
  expect(first()).toEqual(['Giant 10', 'Giant 2', 'ash'])
  expect(wrapper.get('th').attributes('aria-sort')).toBe('none')
})

test('a file is handed over and sent nowhere', async () => {
  const { wrapper } = put(UiUpload, { label: 'Calendar file', accept: '.ics' }, METRIC, { default: 'Choose one' })
  const input = wrapper.get('input[type=file]')
  expect(wrapper.get('label').attributes('for')).toBe(input.attributes('id'))
  const file = new File(['BEGIN:VCALENDAR'], 'book.ics', { type: 'text/calendar' })
  Object.defineProperty(input.element, 'files', { value: [file] })
  await input.trigger('change')
  await flushPromises()
  expect((wrapper.emitted('file')![0] as [File])[0].name).toBe('book.ics')
})

test('how far something is, is a number for everybody', () => {
  const { wrapper } = put(UiProgress, { share: 0.42, label: 'Arranging the day' })
  expect(wrapper.attributes()).toMatchObject({
    role: 'progressbar',
    'aria-valuenow': '42',
    'aria-label': 'Arranging the day',
  })
})

test('what is waited for is told to screen readers once; its bars say nothing to them', () => {
  const { wrapper } = put(UiWaiting, { label: 'Fetching the dogs', rows: 3 })
  const status = wrapper.get('[role=status]')
  expect([status.text(), status.attributes('aria-busy')]).toEqual(['Fetching the dogs', 'true'])
  expect(wrapper.findAll('[aria-hidden=true]')).toHaveLength(3)
})
