import { said } from '@core/said'
import { US_CUSTOMARY } from '@core/units'
import { scaldLine } from '@core/water'
import {
  hourWords,
  METRIC_SAY,
  notYetWords,
  ordinal,
  ratioWords,
  ruleChoice,
  scaldWords,
  sayIn,
  stepTitle,
  zonesText,
} from '.'

const us = sayIn(US_CUSTOMARY)

test('amounts as people of either kind of units say them', () => {
  expect([METRIC_SAY.weight(24.9476), us.weight(24.9476), us.weight(0.99223)]).toEqual(['25 kg', '55 lb', '2 lb 3 oz'])
  expect([METRIC_SAY.temperature(37.5), us.temperature(37.5)]).toEqual(['37.5 °C', '99.5 °F'])
  expect([METRIC_SAY.volume(250), us.volume(250), us.volume(2.5)]).toEqual(['250 mL', '8½ fl oz', '½ tsp'])
  expect([METRIC_SAY.litres(150, 0), us.litres(151.4164, 0)]).toEqual(['150 L', '40 gal'])
  expect([METRIC_SAY.length(5.08), us.length(5.08)]).toEqual(['5.1 cm', '2 in'])
  expect([METRIC_SAY.clock(845), us.clock(845), us.clock(0), us.clock(725)]).toEqual([
    '14:05',
    '2:05 pm',
    '12:00 am',
    '12:05 pm',
  ])
  expect([METRIC_SAY.minutes(45.4), METRIC_SAY.minutes(60), METRIC_SAY.minutes(157)]).toEqual([
    '45 min',
    '1 h',
    '2 h 37',
  ])
})

test('an hour on the day’s clock has no minutes where am and pm take their room', () => {
  expect([480, 720, 1440].map((m) => hourWords(m, us))).toEqual(['8 am', '12 pm', '12 am'])
  expect([480, 720].map((m) => hourWords(m, METRIC_SAY))).toEqual(['8:00', '12:00'])
})

test('amounts as hands measure them: to a quarter, in steps of five, whole pounds, and never nothing where there is some', () => {
  expect([28, 8.4, 3.2].map(us.weight)).toEqual(['62 lb', '18.5 lb', '7 lb 1 oz'])
  expect([12.3, 9.7].map(METRIC_SAY.weight)).toEqual(['12.5 kg', '9.7 kg'])
  expect([127, 49, 4.26].map((mL) => METRIC_SAY.volume(mL))).toEqual(['125 mL', '49 mL', '4.3 mL'])
  expect([1.2, 6, 0.4, 0.05].map((mL) => us.volume(mL))).toEqual(['¼ tsp', '1¼ tsp', '8 drops', '1 drop'])
  expect([0.1, 0].map((litres) => us.litres(litres, 0))).toEqual(['3½ fl oz', '0 gal'])
})

test('numbers and lists as people write them', () => {
  const { number, list, capital, count } = METRIC_SAY
  expect([number(11.5), number(-4), number(-0.01), number(3.14159, 2)]).toEqual(['11.5', '−4', '0', '3.14'])
  expect([list(['a']), list(['a', 'b']), list(['a', 'b', 'c'], 'or')]).toEqual(['a', 'a and b', 'a, b or c'])
  expect([capital('left'), capital('')]).toEqual(['Left', ''])
  expect([count(1, 'pass', 'passes'), count(2, 'pass', 'passes'), count(1, 'visit')]).toEqual([
    '1 pass',
    '2 passes',
    '1 visit',
  ])
})

test('a scald time is told rounded down, and never called safe', () => {
  const words = [45, 52, 60, 75].map((celsius) => scaldWords(scaldLine(celsius), METRIC_SAY))
  expect(words[0]).toContain('over 5 min')
  expect(words[2]).toContain('5 s')
  expect(words.join()).not.toContain('safe')
  expect(scaldWords({ bound: 'about', seconds: 120 }, METRIC_SAY)).toContain('2 min')
})

test('both readings of a ratio are spelled, so that they can’t be turned round', () => {
  expect(ratioWords(10, METRIC_SAY, 'concentrate')).toBe('1 part product + 10 parts water (11 parts)')
  expect(ratioWords(0, METRIC_SAY, 'neat')).toMatch(/as it comes|neat|no water/)
})

test('house rules, steps and places have plain names', () => {
  expect(METRIC_SAY.said(said('rule.says', { rule: 'waterWarmth', choice: 'neutral' }))).toMatch(/^house rule: /)
  expect(ruleChoice('smallMats', 'after')).not.toMatch(/S18|school/)
  expect(stepTitle({ kind: 'rinse', role: 'last' })).toBe('Last rinse')
  expect(stepTitle({ kind: 'own', name: 'Photograph' })).toBe('Photograph')
  expect(zonesText(['head', 'ears', 'neck', 'back', 'belly', 'forelegs', 'hindlegs', 'tail'])).toBe('all but the feet')
})

test('what stands in the way of the hand-over is one sentence', () => {
  const left = [
    said('notYet.plugs', { plugs: [{ side: 'left', set: 'water' }] }),
    said('notYet.dry', { zones: ['feet', 'tail'] }),
  ]
  expect(notYetWords(left, METRIC_SAY)).toBe(
    'Not yet: the left plug is still in; not felt dry yet: feet and tail and its root.',
  )
})

test('passes are numbered as people say them', () => {
  expect([1, 2, 3, 4, 11, 12, 21].map(ordinal)).toEqual(['1st', '2nd', '3rd', '4th', '11th', '12th', '21st'])
})

test('a way of drying that was not taken says why', () => {
  expect(METRIC_SAY.said(said('bar.slower', { minutes: 75 }))).toBe('1 h 15 longer')
  expect(METRIC_SAY.said(said('bar.staysDamp', { minutes: 240 }))).toBe('still damp after 4 h')
  expect(us.said(said('range.outside', { what: 'weight', quantity: 'weight', least: 0.5, most: 100 }))).toMatch(/lb/)
})
