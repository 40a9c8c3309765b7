import {
  chooseCleaning,
  chooseTreating,
  inUse,
  labelForbids,
  parseLabel,
  Product,
  ProductKind,
  SAMPLES,
  usualName,
  type ChoiceFacts,
} from '.'
import { said } from '../said'
import { skinMap, type Skin } from '../dog'

const allOver = (...skin: Skin[]) => skinMap({ skin, skinAt: [] })

const EXPIRED = said('not.expired', { date: '2026-11-28' })
const facts: ChoiceFacts = {
  skin: allOver(),
  coat: 'wire',
  undercoat: null,
  stained: [],
  white: false,
  puppy: false,
  shedding: false,
  date: '2026-11-28',
  allergies: [],
  face: true,
}
const bottle = (name: string, more: object = {}) => ({
  ...Product.parse({ name, kind: 'cleaning', ratio: '1:10', ...more }),
  id: name,
})

describe('the shelf that is planned with', () => {
  test('is without what is retired; what comes first is first, those alike as they were put there', () => {
    const shelf = [bottle('a', { rank: 2 }), bottle('b'), bottle('c', { retired: true }), bottle('d')]
    expect(inUse(shelf).map((p) => p.name)).toEqual(['b', 'd', 'a'])
    expect(chooseCleaning(inUse(shelf), facts)!.product.name).toBe('b')
  })

  test('a bottle is good on its last day and not after, and that is said', () => {
    const old = bottle('old', { expires: '2026-11-28' })
    expect(labelForbids(old, facts)).toBeUndefined()
    expect(labelForbids(old, { ...facts, date: '2026-11-29' })).toEqual(EXPIRED)
    const other = chooseCleaning([old, bottle('new')], { ...facts, date: '2026-11-29' })!
    expect(other.product.name).toBe('new')
    expect(other.others).toEqual([{ name: 'old', why: EXPIRED }])
  })

  test('dry skin takes what moisturises; sound skin doesn’t', () => {
    const shelf = [bottle('plain'), bottle('calm', { kind: 'soothing' }), bottle('rich', { kind: 'moisturising' })]
    expect(chooseTreating(shelf, { ...facts, skin: allOver('dry') })!.product.name).toBe('rich')
    expect(chooseTreating(shelf, { ...facts, skin: allOver('itchy') })!.product.name).toBe('calm')
    expect(chooseTreating(shelf, facts)!.product.name).toBe('plain')
  })
})

test('a bottle that nobody named is called as its sample, counted where others are', () => {
  expect(usualName('cleaning', [])).toBe('Everyday shampoo')
  expect(usualName('cleaning', ['everyday shampoo', 'Everyday shampoo 3'])).toBe('Everyday shampoo 2')
  expect(usualName('cleaning', ['Everyday shampoo', 'Everyday shampoo 2'])).toBe('Everyday shampoo 3')
})

test('there is a sample of every kind, its ratio can be read, and a medicated one waits for a vet', () => {
  expect(Object.keys(SAMPLES).sort()).toEqual([...ProductKind.options].sort())
  for (const [kind, sample] of Object.entries(SAMPLES)) {
    expect(sample.kind).toBe(kind)
    expect(parseLabel(sample.ratio).ok).toBe(true)
    expect(labelForbids({ ...sample, id: kind }, facts)?.code).toBe(
      kind === 'medicated' ? 'not.noInstruction' : undefined,
    )
  }
})
