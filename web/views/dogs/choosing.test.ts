import { Dog } from '@core/dog'
import { METRIC_SAY } from '@words'
import { chosenDogs, coatsOf, type DogChoice } from './choosing'

const stored = (name: string, weightKg: number, more: object = {}) => ({
  id: name,
  version: 1,
  changedAt: '',
  record: Dog.parse({ name, weightKg, coat: 'wire', ...more }),
})
const DOGS = [
  stored('Giant 10', 60),
  stored('Giant 2', 60, { coat: 'long double' }),
  stored('fig', 8, { coat: 'smooth', shortNose: true, owner: 'Odile' }),
  stored('Ash', 12, { owner: 'adair' }),
]
const today = '2026-11-26'
const never = { last: null, due: null, booked: null }
const DUES = {
  today,
  of: new Map(
    [
      { dogId: 'Giant 10', last: '2026-09-01', due: '2026-10-20', booked: null },
      { dogId: 'Giant 2', last: '2026-09-01', due: '2026-10-06', booked: '2026-11-28' },
      { dogId: 'fig', ...never },
      { dogId: 'Ash', last: '2026-10-01', due: '2026-12-03', booked: null },
    ].map((d) => [d.dogId, d]),
  ),
}
const listed = (more: Partial<DogChoice>) =>
  chosenDogs(DOGS, { order: 'name', coat: 'any', care: false, due: false, ...more }, METRIC_SAY, DUES).map(
    (d) => d.record.name,
  )

test('by name, whatever its case, numbers as numbers; by weight, those alike by name', () => {
  expect(listed({})).toEqual(['Ash', 'fig', 'Giant 2', 'Giant 10'])
  expect(listed({ order: 'lightest' })).toEqual(['fig', 'Ash', 'Giant 2', 'Giant 10'])
  expect(listed({ order: 'heaviest' })).toEqual(['Giant 2', 'Giant 10', 'Ash', 'fig'])
})

test('only one coat, only those that ask for care', () => {
  expect(listed({ coat: 'wire' })).toEqual(['Ash', 'Giant 10'])
  expect(listed({ care: true })).toEqual(['fig', 'Giant 2', 'Giant 10'])
  expect(listed({ care: true, coat: 'wire' })).toEqual(['Giant 10'])
  expect(coatsOf(DOGS)).toEqual(['long double', 'smooth', 'wire'])
})

test('the longest due first, those on a day already and those never here last; only those due within a week', () => {
  expect(listed({ order: 'due' })).toEqual(['Giant 10', 'Ash', 'fig', 'Giant 2'])
  expect(listed({ due: true })).toEqual(['Ash', 'Giant 10'])
  expect(listed({ due: true, coat: 'smooth' })).toEqual([])
})

test('by owner, whatever the case; those without one last', () => {
  expect(listed({ order: 'owner' })).toEqual(['Ash', 'fig', 'Giant 2', 'Giant 10'])
})
