import { merged, mineOver, differences, sameData } from './same'

describe('data that says the same', () => {
  test('whatever the order of fields, deep down too', () => {
    const kept = { plan: { tasks: { 'moss.bath': 480, 'fig.bath': 500 } }, ticks: [] }
    expect(sameData(kept, { ticks: [], plan: { tasks: { 'fig.bath': 500, 'moss.bath': 480 } } })).toBe(true)
    expect(sameData(kept, { ticks: [], plan: { tasks: { 'fig.bath': 480, 'moss.bath': 500 } } })).toBe(false)
  })
  test('with a field missing or undefined, but not null; lists in their order', () => {
    expect(sameData({ a: 1, b: undefined }, { a: 1 })).toBe(true)
    expect(sameData({ a: 1, b: null }, { a: 1 })).toBe(false)
    expect(sameData([1, 2], [2, 1])).toBe(false)
    expect(sameData([{ a: 1, b: 2 }], [{ b: 2, a: 1 }])).toBe(true)
    expect(sameData(undefined, undefined)).toBe(true)
    expect(sameData(undefined, {})).toBe(false)
  })
})

test('where records differ is told place by place, lists as a whole', () => {
  const was = { name: 'Moss', known: { skin: ['dry'], wax: 1 }, notes: '' }
  const is = { name: 'Moss', known: { skin: ['dry', 'oily'], wax: 2 }, owner: 'Ada' }
  expect(differences(was, is)).toEqual([
    { path: 'known.skin', was: ['dry'], is: ['dry', 'oily'] },
    { path: 'known.wax', was: 1, is: 2 },
    { path: 'notes', was: '', is: undefined },
    { path: 'owner', was: undefined, is: 'Ada' },
  ])
  expect(differences(was, { ...was })).toEqual([])
})

test('what two made of one record is put together part by part; the same part changed to different things is a clash', () => {
  const base = { towels: 20, tables: 1, room: { celsius: 20, humidity: 50 } }
  const mine = { ...base, towels: 30, room: { celsius: 22, humidity: 50 } }
  expect(merged(base, mine, { ...base, tables: 2 })).toEqual({ ...mine, tables: 2 })
  expect(merged(base, mine, { ...base, towels: 30 })).toEqual(mine)
  const clash = { ...base, towels: 10, tables: 2 }
  expect(merged(base, mine, clash)).toBeUndefined()
  expect(mineOver(base, mine, clash)).toEqual({ ...mine, tables: 2 })
})
