import { isMissing, OWNER_NEWS, ownersNews, type OwnersDog } from './ownersNews'

const dog = (more: Partial<OwnersDog> = {}): OwnersDog => ({
  expected: false,
  over: false,
  arrive: 540,
  pickup: 900,
  ready: 850,
  readyBy: 898,
  ...more,
})

test('ready, as agreed, later by how much, earlier from where it is worth a message', () => {
  expect(ownersNews(dog({ over: true }), 800)).toEqual({ what: 'ready' })
  expect(ownersNews(dog(), 700)).toEqual({ what: 'agreed', at: 900 })
  expect(ownersNews(dog({ readyBy: 921 }), 700)).toEqual({ what: 'later', at: 925, by: 25 })
  expect(ownersNews(dog({ readyBy: 881 }), 700)).toEqual({ what: 'agreed', at: 885 })
  expect(ownersNews(dog({ readyBy: 878 }), 700)).toEqual({ what: 'earlier', at: 880 })
  expect(ownersNews(dog({ ready: null, readyBy: null }), 700)).toEqual({ what: 'agreed', at: 900 })
})

test('a dog that isn’t there at its time is asked for, and only then', () => {
  const late = 540 + OWNER_NEWS.waitedFor.value
  expect([late, late + 1].map((now) => isMissing(dog({ expected: true }), now))).toEqual([false, true])
  expect(isMissing(dog(), 900)).toBe(false)
  expect(ownersNews(dog({ expected: true }), 560)).toEqual({ what: 'missing', arrive: 540 })
})

test('one that is far ahead of its time may come earlier', () => {
  const ahead = dog({ expected: true, arrive: 660, ready: 840, readyBy: 860 })
  expect(ownersNews(ahead, 601)).toEqual({ what: 'mayCome', at: 625 })
  expect(ownersNews({ ...ahead, ready: 895 }, 601).what).not.toBe('mayCome')
  expect(ownersNews(ahead, 650).what).not.toBe('mayCome')
})
