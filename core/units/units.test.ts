import fc from 'fast-check'
import { METRIC, readAmount, readClock, shownAmount, unitFor, unitsOfLocale, US_CUSTOMARY, type Quantity } from '.'

const value = (text: string, quantity: Quantity, units = METRIC) => {
  const read = readAmount(text, quantity, units)
  return read.ok ? read.value : read.why
}

describe('what is typed', () => {
  test.each<[string, Quantity, number]>([
    ['55 lb', 'weight', 24.9475804],
    ['2 lb 3 oz', 'weight', 0.99223],
    ['8', 'weight', 8],
    ['8,5 kg', 'weight', 8.5],
    ['70F', 'temperature', 21.1111],
    ['70 °F', 'temperature', 21.1111],
    ['21', 'temperature', 21],
    ['40 gal', 'bigVolume', 151.4165],
    ['150 L', 'bigVolume', 150],
    ['4 fl oz', 'volume', 118.2941],
    ['2 cups', 'volume', 473.1765],
    ['500 mL', 'volume', 500],
    ['2 in', 'length', 5.08],
    ['5 cm', 'length', 5],
    ['12 in', 'distance', 0.3048],
    ['8 ft', 'span', 2.4384],
    ['190 sq ft', 'area', 17.6516],
    ['160 cfm', 'air', 4.5307],
  ])('"%s" is read as a %s, whatever the house’s units', (text, quantity, expected) => {
    expect(value(text, quantity)).toBeCloseTo(expected, 2)
    if (/[a-z"]/i.test(text)) expect(value(text, quantity, US_CUSTOMARY)).toBeCloseTo(expected, 2)
  })

  test('a bare number is in the house’s units', () => {
    expect(value('55', 'weight', US_CUSTOMARY)).toBeCloseTo(24.9475804, 6)
    expect(value('70', 'temperature', US_CUSTOMARY)).toBeCloseTo(21.1111, 4)
  })

  test.each<[string, string]>([
    ['', 'empty'],
    ['   ', 'empty'],
    ['heavy', 'noNumber'],
    ['8 stones', 'unknownUnit'],
  ])('"%s" is refused: %s', (text, why) => expect(value(text, 'weight')).toBe(why))

  test('says how it was read', () => {
    expect(readAmount('2 lb 3 oz', 'weight', METRIC)).toMatchObject({
      ok: true,
      given: true,
      parts: [
        { amount: 2, sign: 'lb' },
        { amount: 3, sign: 'oz' },
      ],
    })
  })
})

test('what was typed is shown for ever: 55 lb stays 55 lb, through any number of openings and savings', () => {
  const quantities: Quantity[] = [
    'weight',
    'temperature',
    'volume',
    'bigVolume',
    'flow',
    'length',
    'distance',
    'span',
    'area',
    'air',
  ]
  fc.assert(
    fc.property(
      fc.constantFrom(...quantities),
      fc.integer({ min: 1, max: 4000 }),
      fc.constantFrom(METRIC, US_CUSTOMARY),
      (quantity, tenths, units) => {
        const typed = tenths / 10
        let si = unitFor(quantity, units).toSI(typed)
        for (let i = 0; i < 5; i++) {
          const shown = shownAmount(si, quantity, units, 1)
          expect(shown).toBe(typed)
          si = value(String(shown), quantity, units) as number
        }
      },
    ),
  )
})

test.each([
  ['en-US', US_CUSTOMARY],
  ['en-GB', METRIC],
  ['de-CH', METRIC],
  ['de', METRIC],
  ['en-CA', { ...METRIC, clock: '12' as const }],
])('a browser in %s begins in its usual units', (locale, units) => expect(unitsOfLocale(locale)).toEqual(units))

test.each<[string, number | undefined]>([
  ['14:05', 845],
  ['2:05 pm', 845],
  ['2:05PM', 845],
  ['12:00 am', 0],
  ['12 pm', 720],
  ['9', 540],
  ['9am', 540],
  ['1405', 845],
  ['0:30', 30],
  ['24:00', undefined],
  ['13 pm', undefined],
  ['0 am', undefined],
  ['10:75', undefined],
  ['noon', undefined],
  ['', undefined],
])('the time "%s" is minute %s of the day', (text, minute) => expect(readClock(text)).toBe(minute))
