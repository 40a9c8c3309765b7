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
  stored('fig', 8, { coat: 'smooth', shortNose: true }),
  stored('Ash', 12),
]
const listed = (more: Partial<DogChoice>) =>
  chosenDogs(DOGS, { order: 'name', coat: 'any', care: false, ...more }, METRIC_SAY).map((d) => d.record.name)

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
