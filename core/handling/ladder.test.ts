import { ladderOf } from '.'

const borne = (
  date: string,
  went: 'at ease' | 'bore it' | 'fought it',
  settled: 'at once' | 'within minutes' | 'not that day',
) => ({
  date,
  stressor: 'dryer noise' as const,
  went,
  settled,
})
const rung = (...history: ReturnType<typeof borne>[]) =>
  ladderOf(['dryer'], history).find((l) => l.stressor === 'dryer noise')!

test('what is feared begins low, with minutes that a pause costs', () => {
  const first = rung()
  expect(first).toMatchObject({ rung: 2, was: 2, minutes: 6, trend: [] })
  expect(ladderOf([], [])).toEqual([])
})

test('at ease and settled at once: one rung more; fought or not settled: one less; else the same', () => {
  expect(rung(borne('2026-05-01', 'at ease', 'at once')).rung).toBe(3)
  expect(rung(borne('2026-05-01', 'at ease', 'within minutes')).rung).toBe(2)
  expect(rung(borne('2026-05-01', 'fought it', 'at once')).rung).toBe(1)
  expect(rung(borne('2026-05-01', 'bore it', 'not that day')).rung).toBe(1)
})

test('the way up and down is kept as a trend, in the order of the days; the ladder has ends', () => {
  const up = rung(borne('2026-07-01', 'fought it', 'not that day'), borne('2026-05-01', 'at ease', 'at once'))
  expect(up).toMatchObject({
    rung: 2,
    was: 3,
    trend: [
      { date: '2026-05-01', rung: 3 },
      { date: '2026-07-01', rung: 2 },
    ],
  })
  const many = Array.from({ length: 9 }, (_, i) => borne(`2026-06-0${i + 1}`, 'at ease', 'at once'))
  expect(rung(...many)).toMatchObject({ rung: 5, minutes: 0 })
  const down = Array.from({ length: 9 }, (_, i) => borne(`2026-06-0${i + 1}`, 'fought it', 'not that day'))
  expect(rung(...down).rung).toBe(1)
})

test('a dog that fears nothing but was asked once starts near the top', () => {
  expect(ladderOf([], [borne('2026-05-01', 'bore it', 'at once')])).toMatchObject([
    { stressor: 'dryer noise', rung: 4 },
  ])
})
