import type { OwnersNews } from '@core/washday'
import { METRIC_SAY } from '.'
import { newsMessage, reminderMessage, signed, timesMessage } from './whereabouts'

test.each<[OwnersNews, string]>([
  [{ what: 'ready' }, 'Nimbus is ready and can be picked up.'],
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

test('an owner is told when to bring and when to pick it up', () => {
  const moss = { name: 'Moss', arrive: 570, pickup: 735 }
  const date = '2026-11-28'
  expect(timesMessage({ visits: [moss], date }, METRIC_SAY)).toBe(
    'Moss on Saturday 28 November 2026: please bring Moss at 9:30 and pick up from 12:15 on. A walk before helps.',
  )
  // one message says it of all the dogs of an owner
  const fig = { ...moss, name: 'Fig' }
  expect(timesMessage({ visits: [moss, fig], date }, METRIC_SAY)).toBe(
    'Moss and Fig on Saturday 28 November 2026: please bring them at 9:30 and pick up from 12:15 on. A walk before helps.',
  )
  expect(reminderMessage({ visits: [moss, { ...fig, arrive: 600, pickup: 780 }], date }, METRIC_SAY)).toBe(
    'A reminder for Saturday 28 November: please bring Moss at 9:30 and Fig at 10:00. Pick up Moss from 12:15 and Fig from 13:00 on. Tell us if something has changed.',
  )
  expect([signed('Hello.', 'The Tub'), signed('Hello.', '')]).toEqual(['Hello.\nThe Tub', 'Hello.'])
})

test('the message that a dog is ready says what its owner should hear before it is seen', () => {
  const ready = (happened: string[]) => newsMessage('Moss', { what: 'ready' }, METRIC_SAY, happened)
  expect(ready([])).toBe('Moss is ready and can be picked up.')
  expect(ready(['nail cut to the quick', 'panic'])).toBe(
    'Moss is ready and can be picked up. Something to tell you when you come: nail cut to the quick and panic.',
  )
})
