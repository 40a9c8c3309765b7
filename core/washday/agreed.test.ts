import fc from 'fast-check'
import { arrangedDay, brokenRules, dayFacts, dayHouse } from '../fixtures'
import { Dog, Service, serviceIn } from '../dog'
import { centsShown, centsTyped, Price } from '../price'
import { drive } from '../turns'
import { NOTHING_KNOWN, addDays } from '../visit'
import {
  bookedOf,
  carried,
  ownersOfDay,
  placedAgain,
  Seat,
  seatFor,
  spreadDogs,
  standDay,
  Standing,
  ticksSent,
  tryWay,
  wasSent,
  waysFor,
  WashDay,
  whatChanged,
  withToPlace,
  type DayFacts,
  type DayState,
} from '.'

const agreed = fc.record({
  service: fc.option(fc.constantFrom(...Service.options)),
  clipCm: fc.option(fc.integer({ min: 5, max: 1500 }).map((n) => n / 100)),
  price: fc.option(
    fc.record({
      cents: fc.integer({ min: 0, max: 10_000_000 }),
      currency: fc.constantFrom('EUR', 'GBP', 'USD', 'pts'),
    }),
  ),
  note: fc.string({ maxLength: 400 }).map((text) => text.trim()),
})
const NONE = { service: null, clipCm: null, price: null, note: '' }

describe('what is agreed about a visit', () => {
  test('goes with the dog: booked, kept and read, carried to another day, and from one that comes again and again', () => {
    const facts = dayFacts(['Ash'])
    const lost: unknown[] = []
    fc.assert(
      fc.property(agreed, (facing) => {
        const seat = seatFor('Ash', facts.day, facing)
        const read = WashDay.parse(JSON.parse(JSON.stringify({ ...facts.day, seats: [seat] }))).seats[0]!
        const standing = Standing.parse({
          dogId: 'Ash',
          from: '2026-12-05',
          rhythm: { kind: 'weeks', every: 4 },
          arrive: 540,
          pickup: 600,
          ...facing,
        })
        const elsewhere = carried(read, { service: 'deShed', clipCm: 2 })
        const all = [bookedOf(read), bookedOf(seatFor('Ash', facts.day, bookedOf(standing)))]
        for (const { arrive: _a, pickup: _p, ...has } of all)
          if (JSON.stringify(has) !== JSON.stringify(facing)) lost.push({ facing, has })
        // the recipe of the day says what it is for, once that is known
        if (elsewhere.service !== 'deShed' || elsewhere.clipCm !== 2) lost.push({ facing, elsewhere })
        if (JSON.stringify([elsewhere.price, elsewhere.note]) !== JSON.stringify([facing.price, facing.note]))
          lost.push({ facing, elsewhere })
      }),
    )
    expect(lost).toEqual([])
  })

  test('a regular comes on its day for what is agreed', () => {
    const of = {
      service: 'bathAndTidy' as const,
      clipCm: null,
      price: { cents: 4550, currency: 'GBP' },
      note: 'side gate',
    }
    const standing = Standing.parse({
      dogId: 'Ash',
      from: '2026-12-05',
      rhythm: { kind: 'weeks', every: 4 },
      arrive: 540,
      pickup: 1020,
      ...of,
    })
    const { shelf, dogs } = dayFacts(['Ash'])
    const { bookings } = drive(
      spreadDogs({
        from: '2026-11-30',
        to: addDays('2026-11-30', 20),
        days: [],
        dogs: { Ash: { record: dogs.Ash!.dog, memory: NOTHING_KNOWN } },
        standings: [standing],
        shelf,
        house: dayHouse,
      }),
    )
    expect(bookings.map((b) => [b.date, bookedOf(b)])).toEqual([['2026-12-05', { arrive: 540, pickup: 1020, ...of }]])
  })

  test('seats and dogs that come regularly from before there were prices and notes are read', () => {
    const old = { id: 'ash', dogId: 'Ash', arrive: 540, pickup: 600 }
    expect(Seat.parse(old)).toMatchObject(NONE)
    expect(Standing.parse({ ...old, from: '2026-12-05', rhythm: { kind: 'month', nth: 2 } })).toMatchObject(NONE)
  })

  test('undo names what it takes back', () => {
    const { day } = dayFacts(['Ash'])
    const changed = (of: object) =>
      whatChanged(day, WashDay.parse({ ...day, seats: [{ ...day.seats[0]!, ...of }] }), (id) => id).code
    expect(
      [{ price: { cents: 1, currency: 'EUR' } }, { note: 'x' }, { service: 'deShed' }, { clipCm: 1 }].map(changed),
    ).toEqual(['did.price', 'did.note', 'did.service', 'did.service'])
  })

  test.each([
    ['Fig, full groom', 'fullClip'],
    ['Rook: bath + nails', 'bath'],
    ['DE-SHED Juniper', 'deShed'],
    ['Moss wash and tidy', 'bathAndTidy'],
    ['nails only, Pip', 'nailsAndEars'],
    ['Bathsheba', null],
    ['', null],
  ])('a booking’s words say what it is for: %s', (words, service) => {
    expect(serviceIn(words)).toBe(service)
  })
})

describe('a price', () => {
  test('is read as it is typed, and typed again it is the same', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 9_999_999 }), (cents) => centsTyped(centsShown(cents)) === cents))
    expect(['45', '45.5', '45,50', ' 7 ', '', 'about 40', '-3', '1.234'].map((text) => centsTyped(text))).toEqual([
      4500,
      4550,
      4550,
      700,
      null,
      NaN,
      NaN,
      NaN,
    ])
    // yen have no parts, dinars a thousand of which a tenth isn’t kept
    expect(['4500', '4500.00', '45.5'].map((text) => centsTyped(text, 'JPY'))).toEqual([450000, 450000, NaN])
    expect(['1.250', '1.25', '1.255', '1.2500'].map((text) => centsTyped(text, 'KWD'))).toEqual([125, 125, NaN, NaN])
    expect(centsTyped('45.50', 'acorns')).toBe(4550)
    expect(Price.safeParse({ cents: NaN, currency: 'EUR' }).success).toBe(false)
  })
})

describe('a dog that may bite', () => {
  const biting = (names: string[], more: Partial<WashDay> = {}): DayFacts => {
    const facts = dayFacts(['Ash', 'Birch', 'Fern'], more)
    const dogs = Object.fromEntries(
      Object.entries(facts.dogs).map(([name, d]) => [
        name,
        { ...d, dog: Dog.parse({ ...d.dog, mayBite: names.includes(name) }) },
      ]),
    )
    return { ...facts, dogs }
  }
  const found = (facts: DayFacts) => standDay(arrangedDay(facts)).findings.filter((f) => f.kind === 'bites')
  const ALL_DAY = { name: 'Sam', from: 480, to: 1200 }

  test('one pair of hands, or a helper who isn’t there then, is said; a second person all day isn’t', () => {
    expect(found(biting([]))).toEqual([])
    expect(found(biting(['Ash'])).map((f) => f.facts)).toEqual([expect.objectContaining({ name: 'Ash', helper: null })])
    expect(found(biting(['Ash'], { helper: { name: 'Sam', from: 1080, to: 1140 } })).map((f) => f.facts)).toEqual([
      expect.objectContaining({ helper: 'Sam' }),
    ])
    expect(found(biting(['Ash'], { helper: ALL_DAY }))).toEqual([])
  })

  test('what helps is the helper, for as long as it takes', () => {
    const facts = arrangedDay(biting(['Ash']))
    const state = standDay(facts)
    const finding = state.findings.find((f) => f.kind === 'bites')!
    const ways = waysFor(facts, state, finding)
    expect(ways.map((w) => w.what.code)).toEqual(['do.helper'])
    expect(tryWay(facts, state, finding, ways[0]!)?.day.helper?.name).toBe('Sam')
  })

  test('is never the helper’s alone: two of them aren’t worked at once, nor one while the groomer has a pause', () => {
    const pauses = [{ id: 'lunch', name: 'Lunch', minutes: 40, earliest: 600, latest: 660 }]
    const facts = arrangedDay(biting(['Ash', 'Birch'], { helper: ALL_DAY, pauses }))
    const { problem, schedule } = standDay(facts)
    expect(brokenRules(problem, schedule!)).toEqual([])
    /** Handling of the two and the pause, as far as it begins before what goes before it is over. */
    const atOnce = ({ problem, schedule }: DayState) => {
      const handled = problem.dogs
        .filter((d) => d.id !== 'fern')
        .flatMap((d) => d.tasks.filter((t) => t.needsDog && t.uses.hands))
        .map((t) => ({ from: schedule!.tasks[t.id]!, to: schedule!.tasks[t.id]! + t.dur }))
      expect(handled.length).toBeGreaterThan(4)
      const pause = { from: schedule!.breaks.lunch!, to: schedule!.breaks.lunch! + 40 }
      const inTurn = [...handled, pause].sort((a, b) => a.from - b.from)
      return inTurn.filter((t, i) => i > 0 && t.from < inTurn[i - 1]!.to)
    }
    expect(atOnce(standDay(facts))).toEqual([])
    // without teeth they are worked by both at once
    expect(atOnce(standDay(arrangedDay(biting([], { helper: ALL_DAY, pauses })))).length).toBeGreaterThan(0)
  })
})

describe('dogs to be placed', () => {
  const { day } = dayFacts(['Ash', 'Birch'])
  const off = withToPlace(day, [{ ...day.seats[0]!, note: 'gate', pins: { bath: 600 } }], 'takenOff')

  test('one that is taken off is on the list as it was booked, without its pins; on the day again it is off the list', () => {
    expect(off.seats.map((s) => s.dogId)).toEqual(['Birch'])
    expect(off.toPlace).toEqual([{ seat: { ...day.seats[0]!, note: 'gate', pins: {} }, why: 'takenOff' }])
    expect(withToPlace(off, [off.toPlace[0]!.seat], 'doesNotFit').toPlace.map((t) => t.why)).toEqual(['doesNotFit'])
    expect(placedAgain({ ...off, seats: [...off.seats, seatFor('Ash', day)] }).toPlace).toEqual([])
    expect(placedAgain(off)).toBe(off)
  })

  test('undo names dogs taken off, how many were changed at once, and the list', () => {
    const name = (id: string) => id
    expect(whatChanged(day, off, name)).toMatchObject({ code: 'did.takeOff', facts: { name: 'Ash', more: 0 } })
    expect(whatChanged(off, { ...off, toPlace: [] }, name).code).toBe('did.toPlace')
    const later = { ...day, seats: day.seats.map((s) => ({ ...s, arrive: s.arrive + 30 })) }
    expect(whatChanged(day, later, name)).toMatchObject({ code: 'did.times', facts: { name: 'Ash', more: 1 } })
  })
})

describe('what owners are told', () => {
  const facts = dayFacts(['Ash', 'Birch', 'Cedar'])
  const owned = (name: string, owner: string, arrive: number) => {
    const plan = standDay(facts).seats.find((s) => s.dog.name === name)!
    return { ...plan, dog: { ...plan.dog, owner, ownerContact: '07700 900100' }, seat: { ...plan.seat, arrive } }
  }

  test('one message for each owner, of all their dogs; dogs without one by themselves', () => {
    const owners = ownersOfDay([owned('Ash', 'Ida', 600), owned('Birch', '', 560), owned('Cedar', 'IDA', 540)])
    expect(owners.map((o) => [o.owner, o.visits.map((v) => v.name)])).toEqual([
      ['IDA', ['Cedar', 'Ash']],
      ['', ['Birch']],
    ])
    // nobody is asked to fetch a dog before it is ready
    const { run } = standDay(arrangedDay(facts))
    const late = { seats: run!.seats.map((s) => ({ ...s, ready: 1212 })) }
    expect(ownersOfDay([owned('Ash', 'Ida', 600)], late)[0]!.visits[0]!.pickup).toBe(1215)
  })

  test('what was sent is known until the times are others, and can be taken back', () => {
    const [ida] = ownersOfDay([owned('Ash', 'Ida', 600), owned('Cedar', 'Ida', 540)])
    const sent = { ticks: ticksSent({ ticks: ['towels'] }, 'times', ida!, true) }
    expect([wasSent({ ticks: [] }, 'times', ida!), wasSent(sent, 'times', ida!)]).toEqual([false, true])
    expect(wasSent(sent, 'reminder', ida!)).toBe(false)
    const [later] = ownersOfDay([owned('Ash', 'Ida', 630), owned('Cedar', 'Ida', 540)])
    expect(wasSent(sent, 'times', later!)).toBe(false)
    const again = ticksSent(sent, 'times', later!, true)
    expect([again.length, wasSent({ ticks: again }, 'times', later!)]).toEqual([3, true])
    expect(ticksSent(sent, 'times', ida!, false)).toEqual(['towels'])
    expect(WashDay.safeParse({ ...facts.day, ticks: again }).success).toBe(true)
  })
})
