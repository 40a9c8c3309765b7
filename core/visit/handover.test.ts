import { Dog, ZONES } from '../dog'
import { oatShelf, roomWith } from '../fixtures'
import { handOver, NOTHING_KNOWN, planVisit, Today, type Memory } from '.'

const dogWith = (more: Record<string, unknown>) => Dog.parse({ name: 'Moss', weightKg: 7, coat: 'wire', ...more })
function slipOf(more: Record<string, unknown>, today: Record<string, unknown> = {}, memory: Partial<Memory> = {}) {
  const dog = dogWith(more)
  const on = Today.parse({ date: '2026-11-28', ...today })
  const plan = planVisit(dog, on, oatShelf(), roomWith(), { ...NOTHING_KNOWN, ...memory })
  return handOver(dog, on, plan)
}

test('the slip names every product as it was mixed, and on what', () => {
  expect(slipOf({}).used[0]).toMatchObject({ facts: { product: 'Oat' } })
})

test('a product of two washes is told once, on all it went on', () => {
  const used = slipOf({}).used.filter((u) => u.code === 'used.product')
  expect(used.map((u) => u.facts)).toMatchObject([{ product: 'Oat', zones: [...ZONES] }])
})

test('without a bath nothing was used', () => {
  expect(slipOf({}, { skin: ['broken'], wounds: 'wide' }).used).toEqual([{ code: 'used.nothing', facts: {} }])
})

test.each([
  [{ coat: 'drop' }, {}, 'home.brushOften'],
  [{ coat: 'corded' }, {}, 'home.cords'],
  [{ earCarriage: 'drop' }, {}, 'home.liftEars'],
  [{ folds: true }, {}, 'home.folds'],
  [{}, { skin: ['itchy'] }, 'home.tellScratching'],
  [{}, { fleas: true }, 'home.fleas'],
])('home care follows the dog: %j %j', (dog, today, code) => {
  expect(slipOf(dog, today).homeCare.map((h) => h.code)).toContain(code)
  expect(slipOf({}).homeCare.map((h) => h.code)).not.toContain(code)
})

describe('what to practise before the next visit', () => {
  test('stands on the slip for everything the dog can’t bear yet, and for nothing else', () => {
    expect(slipOf({}).practise).toEqual([])
    const slip = slipOf({ fears: ['water', 'feet'] })
    expect(slip.practise).toHaveLength(2)
    expect(slip.practise[0]).toEqual({ code: 'home.practise', facts: { stressor: 'running water' } })
  })

  test('is left out once the dog stands at the top of that ladder', () => {
    const well = (date: string) => ({ date, stressor: 'feet', went: 'at ease', settled: 'at once' }) as const
    const borne = ['2026-05-01', '2026-06-01', '2026-07-01'].map(well)
    expect(slipOf({ fears: ['feet'] }, {}, { borne: borne.slice(0, 2) }).practise).toHaveLength(1)
    expect(slipOf({ fears: ['feet'] }, {}, { borne }).practise).toEqual([])
  })
})
