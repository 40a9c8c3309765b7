import { arrangedDay as arranged, dayFacts as factsOf } from '../fixtures'
import { JOINING, joinTimes, firstJoinTime, planSeats, seatFor, standDay, standLoosely, type DayFacts } from '.'

const open = { hours: { from: 480, to: 1020 } }
const day = (names: string[]) => arranged(factsOf(names, open, { pickup: 1020 }))

/** The day with a dog on it at the time that is offered first, and how it stands; undefined where there is none. */
function joined(facts: DayFacts, dogId: string) {
  const { coming } = firstJoinTime(facts, standLoosely(facts, planSeats(facts)), dogId)
  if (!coming) return undefined
  const { plan, ...times } = coming
  const seat = seatFor(dogId, facts.day, { arrive: times.arrive, pickup: times.pickup })
  return { ...facts, day: { ...facts.day, seats: [...facts.day.seats, seat], plan } }
}

describe('one more dog', () => {
  test('comes when hands are free for it, is done in one stay, and its owner isn’t told the very minute', () => {
    const facts = day(['Ash'])
    const before = standDay(facts)
    const found = firstJoinTime(facts, before, 'Birch')
    expect(found).toMatchObject({ dogId: 'Birch', fits: true, why: { code: 'fit.ready' } })
    const { arrive, ready, pickup } = found.coming!
    expect([arrive >= 480, ready > arrive]).toEqual([true, true])
    expect(pickup - ready).toBeGreaterThanOrEqual(JOINING.fetched.value)
    const after = joined(facts, 'Birch')!
    const birch = standDay(after).run!.seats.find((s) => s.id === 'birch')!
    expect([birch.late, birch.ready]).toEqual([0, ready])
    expect(birch.waiting).toBeLessThanOrEqual(JOINING.waits.value)
  })

  test('dogs that come one after the other at the times offered make a day that nobody waits on', () => {
    const names = ['Ash', 'Birch', 'Cedar', 'Dell']
    let facts: DayFacts = { ...factsOf(names, open), day: { ...factsOf([], open).day } }
    for (const name of names) facts = joined(facts, name) ?? facts
    const { run } = standDay(facts)
    expect(run!.seats.length).toBeGreaterThan(1)
    expect(run!.seats.filter((s) => s.late > 0 || s.waiting > 2 * JOINING.waits.value)).toEqual([])
    // not all of them in the morning
    expect(new Set(facts.day.seats.map((s) => s.arrive)).size).toBeGreaterThan(1)
  })

  test('several times are apart from each other, in turn, and none is before now', () => {
    const facts = day(['Ash'])
    const before = standDay(facts)
    const times = [...joinTimes(facts, before, 'Birch')]
    expect(times.length).toBeGreaterThan(1)
    times.slice(1).forEach((t, i) => expect(t.arrive - times[i]!.arrive).toBeGreaterThanOrEqual(JOINING.apart.value))
    const now = 703
    for (const { arrive } of joinTimes(facts, before, 'Birch', now)) expect(arrive).toBeGreaterThanOrEqual(now)
    expect(firstJoinTime(facts, before, 'Birch', now).coming!.arrive).toBeGreaterThanOrEqual(now)
  })

  test('towels that run out keep no dog away: the time is offered, and what to put right is said', () => {
    const facts = day(['Ash'])
    const few = { ...facts, house: { ...facts.house, towels: 1 } }
    const { fits, coming, why } = firstJoinTime(few, standDay(few), 'Birch')
    expect([fits, coming!.mind?.code]).toEqual([true, 'found.towels'])
    expect(why).toMatchObject({ code: 'fit.ready', facts: { mind: { code: 'found.towels' } } })
    expect(
      firstJoinTime({ ...facts, house: { ...facts.house, towels: 60 } }, standDay(facts), 'Birch').coming!.mind,
    ).toBe(undefined)
  })

  test('a day that can’t take it says why: somebody late, no time left, or only with a long stay', () => {
    const short = arranged(factsOf(['Ash'], { hours: { from: 480, to: 570 } }, { pickup: 570 }))
    const no = firstJoinTime(short, standDay(short), 'Dell')
    expect([no.fits, no.coming, no.why.code]).toEqual([false, undefined, 'fit.no'])
    const facts = day(['Ash'])
    expect(firstJoinTime(facts, standDay(facts), 'Birch', 1021)).toMatchObject({
      fits: false,
      why: { code: 'fit.noPlace' },
    })
  })
})
