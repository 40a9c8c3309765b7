import type { OwnersNews } from '@core/washday'
import { METRIC_SAY } from '.'
import { newsMessage, timesMessage } from './whereabouts'

test.each<[OwnersNews, string]>([
  [{ what: 'ready' }, 'Nimbus is ready and can be fetched.'],
  [{ what: 'agreed', at: 900 }, 'Nimbus will be ready at 15:00, as we said.'],
  [
    { what: 'later', at: 925, by: 25 },
    'Nimbus takes longer today: ready at 15:25, 25 min later than we said. Sorry for the wait.',
  ],
  [{ what: 'earlier', at: 840 }, 'Nimbus will be ready earlier: you can come from 14:00 on.'],
  [
    { what: 'missing', arrive: 540 },
    'We expected Nimbus at 9:00. Are you on your way? We can begin as soon as Nimbus is here.',
  ],
  [{ what: 'mayCome', at: 625 }, 'We are ahead of time: you may bring Nimbus from 10:25 on, if that suits you.'],
])('an owner is told: %j', (news, message) => expect(newsMessage('Nimbus', news, METRIC_SAY)).toBe(message))

test('an owner is told when to bring and when to fetch', () => {
  expect(timesMessage({ name: 'Moss', date: '2026-11-28', arrive: 570, pickup: 735 }, METRIC_SAY)).toBe(
    'Moss on Saturday 28 November 2026: please bring Moss at 9:30 and fetch from 12:15 on. A walk before helps.',
  )
})

test('the message that a dog is ready says what its owner should hear before it is seen', () => {
  const ready = (happened: string[]) => newsMessage('Moss', { what: 'ready' }, METRIC_SAY, happened)
  expect(ready([])).toBe('Moss is ready and can be fetched.')
  expect(ready(['nail cut to the quick', 'panic'])).toBe(
    'Moss is ready and can be fetched. Something to tell you when you come: nail cut to the quick and panic.',
  )
})
