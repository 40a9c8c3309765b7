import { Dog, RED_FLAGS, redFlagsOf } from '@core/dog'
import { dayFacts } from '@core/fixtures'
import { standDay, type DayFacts } from '@core/washday'
import { RED_FLAG_NAMES } from '@words'
import { daySheet } from './daySheet'

const facts = dayFacts(['Ash', 'Birch'])
/** The sheet's words, with the record and the day's condition of Ash changed, and its seat. */
function sheetOf(dog: object, today: object = {}, seat: object = {}) {
  const ash = facts.dogs.Ash!
  const on: DayFacts = {
    ...facts,
    day: { ...facts.day, seats: facts.day.seats.map((s) => (s.dogId === 'Ash' ? { ...s, ...seat } : s)) },
    dogs: { ...facts.dogs, Ash: { ...ash, dog: Dog.parse({ ...ash.dog, ...dog }), today: { ...ash.today, ...today } } },
  }
  return { words: JSON.stringify(daySheet(on, standDay(on)).content), on: on.dogs.Ash! }
}

test('the sheet says all there is to mind of a dog, not the worst of it alone', () => {
  const { words, on } = sheetOf(
    {
      mayBite: true,
      heart: true,
      seizures: true,
      windpipe: true,
      allergies: ['oat'],
      pregnant: true,
      joints: true,
      blind: true,
      deaf: true,
      vaccinatedUntil: '2026-01-01',
      shortNose: true,
      firstBath: true,
    },
    { fleas: true, mats: { tail: 3 }, leftEar: { ...facts.dogs.Ash!.today.leftEar, signs: ['discharge'] } },
  )
  expect(redFlagsOf(on.dog, { ...on.today, date: facts.day.date })).toEqual([...RED_FLAGS])
  for (const flag of RED_FLAGS) expect(words.toLowerCase()).toContain(RED_FLAG_NAMES[flag])
})

test('it says who comes for what, whose it is and how to reach them, what was agreed and noted', () => {
  const { words } = sheetOf(
    { owner: 'Ida Moreau', ownerContact: '07700 900123', secondContact: 'Tom 07700 900124' },
    {},
    { service: 'deShed', price: { cents: 5250, currency: 'GBP' }, note: 'side gate' },
  )
  for (const said of ['Ida Moreau', '07700 900123', 'else Tom 07700 900124', '£52.50', 'side gate', 'De-shed'])
    expect(words).toContain(said)
})

test('what is to mind is said once, and what is short isn’t broken', () => {
  const { words } = sheetOf({}, { fleas: true })
  expect(words.match(/Fleas/g)).toHaveLength(1)
  expect(words).toContain('"noWrap":true')
})

test('what goes for every dog is said once, above them', () => {
  const cold = { ...facts, house: { ...facts.house, room: { ...facts.house.room, celsius: 15 } } }
  const words = JSON.stringify(daySheet(cold, standDay(cold)).content)
  expect(words.match(/Chill watch/g)).toHaveLength(1)
  expect(words).toMatch(/Every dog: Chill watch/)
})
