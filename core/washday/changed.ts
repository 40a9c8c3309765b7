import { sameData } from '../same'
import { said, type Code, type Said } from '../said'
import type { WashDay } from './schema'

declare module '../said' {
  interface Codes {
    'did.add': { name: string; more: number }
    'did.takeOff': { name: string; more: number }
    'did.pin': { name: string; more: number }
    'did.letGo': { name: string; more: number }
    'did.times': { name: string; more: number }
    'did.drying': { name: string; more: number }
    'did.service': { name: string; more: number }
    'did.price': { name: string; more: number }
    'did.note': { name: string; more: number }
    'did.toPlace': None
    'did.arrange': None
    'did.progress': None
    'did.hours': None
    'did.helper': None
    'did.water': None
    'did.air': None
    'did.towels': None
    'did.ears': None
    'did.ticks': None
  }
}

/** What a change of a day was about. */
export type DidCode = Extract<Code, `did.${string}`>

const differ = (a: unknown, b: unknown) => !sameData(a, b)

/** What of a seat that was on the day before and after has changed. */
function seatChange(
  before: WashDay['seats'][number],
  after: WashDay['seats'][number],
  who: { name: string; more: number },
) {
  const pins = [Object.keys(before.pins).length, Object.keys(after.pins).length] as const
  if (differ(before.pins, after.pins)) return pins[1] < pins[0] ? said('did.letGo', who) : said('did.pin', who)
  if (before.technique !== after.technique) return said('did.drying', who)
  if (before.service !== after.service || before.clipCm !== after.clipCm) return said('did.service', who)
  if (differ(before.price, after.price)) return said('did.price', who)
  if (before.note !== after.note) return said('did.note', who)
  return said('did.times', who)
}

/**
 * What a change of a day was about, the thing that a person did first: dogs, then what was asked of one, then hours and
 * the like; an order that only follows from those isn't named. `nameOf`: a dog's name by its id.
 */
export function whatChanged(before: WashDay, after: WashDay, nameOf: (dogId: string) => string): Said<DidCode> {
  const had = new Map(before.seats.map((s) => [s.id, s]))
  const has = new Map(after.seats.map((s) => [s.id, s]))
  const added = after.seats.filter((s) => !had.has(s.id))
  if (added[0]) return said('did.add', { name: nameOf(added[0].dogId), more: added.length - 1 })
  const gone = before.seats.filter((s) => !has.has(s.id))
  if (gone[0]) return said('did.takeOff', { name: nameOf(gone[0].dogId), more: gone.length - 1 })
  const [seat, ...others] = after.seats.filter((s) => differ(had.get(s.id), s))
  if (seat) return seatChange(had.get(seat.id)!, seat, { name: nameOf(seat.dogId), more: others.length })
  if (differ(before.toPlace, after.toPlace)) return said('did.toPlace')
  if (differ(before.progress, after.progress)) return said('did.progress')
  if (differ([before.hours, before.pauses], [after.hours, after.pauses])) return said('did.hours')
  if (differ(before.helper, after.helper)) return said('did.helper')
  if (before.heaterFrom !== after.heaterFrom) return said('did.water')
  if (before.windowOpen !== after.windowOpen) return said('did.air')
  if (before.extraTowels !== after.extraTowels) return said('did.towels')
  if (before.protector !== after.protector) return said('did.ears')
  if (differ(before.ticks, after.ticks)) return said('did.ticks')
  return said('did.arrange')
}
