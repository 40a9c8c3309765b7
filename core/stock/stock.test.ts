import fc from 'fast-check'
import { levelOf, Movement, MovementKind, shortOf, washDaysLeft, whyBuy } from '.'

const at = (minute: number) => new Date(Date.UTC(2026, 0, 1, 0, minute)).toISOString()
const move = (kind: MovementKind, mL: number, minute: number) => Movement.parse({ kind, mL, at: at(minute) })

test('what is left: bottles opened, less what went; a count puts it right and keeps what came before', () => {
  expect(levelOf([])).toBeNull()
  expect(levelOf([move('used', 30, 1)])).toBeNull()
  expect(levelOf([move('opened', 1000, 1), move('used', 30, 2), move('thrown', 70, 3), move('lost', 100, 4)])).toBe(800)
  const counted = [move('opened', 1000, 1), move('used', 300, 2), move('counted', 650, 3), move('used', 50, 4)]
  expect(levelOf(counted)).toBe(600)
  expect(levelOf([...counted, move('used', 5000, 5)])).toBe(0)
  expect(levelOf([move('used', 400, 1), move('opened', 500, 2)])).toBe(500)
})

test('movements sum to the level whatever their order, counts included, and told one by one', () => {
  const any = fc
    .uniqueArray(fc.integer({ min: 0, max: 5000 }), { maxLength: 25 })
    .chain((minutes) =>
      fc.tuple(
        ...minutes.map((m) =>
          fc
            .record({ kind: fc.constantFrom(...MovementKind.options), mL: fc.integer({ min: 0, max: 900 }) })
            .map((r) => move(r.kind, r.mL, m)),
        ),
      ),
    )
  fc.assert(
    fc.property(any, fc.infiniteStream(fc.nat()), (movements, luck) => {
      const shuffled = [...movements].sort(() => (luck.next().value! % 2 === 0 ? 1 : -1))
      expect(levelOf(shuffled)).toBe(levelOf(movements))
      let level: number | null = null
      for (const m of [...movements].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))) {
        if (m.kind === 'counted') level = m.mL
        else if (m.kind === 'opened') level = (level ?? 0) + m.mL
        else if (level !== null) level -= m.mL
      }
      expect(levelOf(movements)).toBe(level === null ? null : Math.max(0, level))
    }),
  )
})

test('wash days left go by what the last ones took; unknown without a level or without use', () => {
  expect(washDaysLeft(600, { mL: 900, washDays: 9 })).toBe(6)
  expect(washDaysLeft(null, { mL: 900, washDays: 9 })).toBeNull()
  expect(washDaysLeft(600, { mL: 0, washDays: 9 })).toBeNull()
})

test('to be bought when empty, low, past its date or soon to be; never what is retired', () => {
  const fresh = { expires: null, retired: false }
  const use = { mL: 900, washDays: 9 }
  const why = (more: object, level: number | null) => whyBuy({ ...fresh, ...more }, level, use, '2026-11-28')?.code
  expect(why({}, 1000)).toBeUndefined()
  expect(why({}, null)).toBeUndefined()
  expect(why({}, 0)).toBe('stock.empty')
  expect(why({}, 350)).toBe('stock.low')
  expect(why({}, 400)).toBeUndefined()
  expect(why({ expires: '2026-11-27' }, 1000)).toBe('stock.past')
  expect(why({ expires: '2026-12-20' }, 1000)).toBe('stock.soon')
  expect(why({ retired: true }, 0)).toBeUndefined()
})

test('a day is short of what it needs more of than is left; of what was never counted nobody knows', () => {
  const needed = [
    { id: 'a', name: 'Plain', mL: 120 },
    { id: 'b', name: 'Soft', mL: 40 },
    { id: 'c', name: 'New', mL: 40 },
  ]
  const levels = new Map([
    ['a', 80],
    ['b', 40],
    ['c', null],
  ])
  expect(shortOf(needed, levels).map((s) => s.facts)).toEqual([
    { product: 'Plain', needed: 120, level: 80, weighed: false },
  ])
})
