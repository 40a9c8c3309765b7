import { Dog } from '../dog'
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
  expect(slipOf({}).used.join()).toMatch(/^Oat, .*10 parts water.*, on /)
})

test('without a bath nothing was used', () => {
  expect(slipOf({}, { skin: ['broken'], wounds: 'wide' }).used).toEqual(['Nothing: no bath today.'])
})

test.each([
  [{ coat: 'drop' }, {}, /two or three times a week/],
  [{ coat: 'corded' }, {}, /cords/],
  [{ earCarriage: 'drop' }, {}, /under the flap/],
  [{ folds: true }, {}, /folds every day/],
  [{}, { skin: ['itchy'] }, /scratches in two days/],
  [{}, { fleas: true }, /the home on one day/],
])('home care follows the dog: %j %j', (dog, today, words) => expect(slipOf(dog, today).homeCare.join()).toMatch(words))

describe('what to practise before the next visit', () => {
  test('stands on the slip for everything the dog can’t bear yet, and for nothing else', () => {
    expect(slipOf({}).practise).toEqual([])
    const slip = slipOf({ fears: ['water', 'feet'] })
    expect(slip.practise).toHaveLength(2)
    expect(slip.practise[0]).toMatch(/^Running water: Stand in the dry tub/)
  })

  test('is left out once the dog stands at the top of that ladder', () => {
    const well = (date: string) => ({ date, stressor: 'feet', went: 'at ease', settled: 'at once' }) as const
    const borne = ['2026-05-01', '2026-06-01', '2026-07-01'].map(well)
    expect(slipOf({ fears: ['feet'] }, {}, { borne: borne.slice(0, 2) }).practise).toHaveLength(1)
    expect(slipOf({ fears: ['feet'] }, {}, { borne }).practise).toEqual([])
  })
})
