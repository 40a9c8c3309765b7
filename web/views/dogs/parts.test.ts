import { Dog } from '@core/dog'
import { partOf, RECORD_PARTS } from './parts'

test('a refused field is looked for where it stands', () => {
  expect(partOf('weightKg')).toBe('dog')
  expect(partOf('zoneLengthsCm.tail')).toBe('dog')
  expect(partOf('allergies[0]')).toBe('manner')
  expect(partOf('clearances.0.until')).toBe('body')
  expect(partOf('ownerContact')).toBe('people')
  expect(partOf('layOut[2]')).toBe('people')
  expect(partOf('rules.waterFeel')).toBe('rules')
})

test('every field of the record has a part that there is a link to, and none is the overview', () => {
  const links = RECORD_PARTS.map((p) => p.key)
  for (const field of Object.keys(Dog.shape)) {
    expect(links).toContain(partOf(field))
    expect(partOf(field)).not.toBe('overview')
  }
})
