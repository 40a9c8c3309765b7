import { METRIC_SAY } from '.'
import { comeMessage, ownerMessage, timesMessage } from './whereabouts'

const at = (minute: number, agreed: number, ready = false) =>
  ownerMessage({ name: 'Nimbus', ready, at: minute, agreed }, METRIC_SAY)

test('an owner is told when: ready, as agreed, later with how much, or earlier', () => {
  expect(at(800, 900, true)).toBe('Nimbus is ready and can be fetched.')
  expect(at(898, 900)).toBe('Nimbus will be ready at 15:00, as we said.')
  expect(at(921, 900)).toBe('Nimbus takes longer today: ready at 15:25, 25 min later than we said. Sorry for the wait.')
  expect(at(881, 900)).toBe('Nimbus will be ready at 14:45, as we said.')
  expect(at(840, 900)).toBe('Nimbus will be ready earlier: you can come from 14:00 on.')
})

test('an owner is told when to bring and when to fetch', () => {
  expect(timesMessage({ name: 'Moss', date: '2026-11-28', arrive: 570, pickup: 735 }, METRIC_SAY)).toBe(
    'Moss on Saturday 28 November 2026: please bring Moss at 9:30 and fetch from 12:15 on. A walk before helps.',
  )
})

test('a dog that isn’t there is asked for', () => {
  expect(comeMessage({ name: 'Moss', arrive: 540 }, METRIC_SAY)).toContain('We expected Moss at 9:00.')
})
