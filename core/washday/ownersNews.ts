import { constants, house, practice } from '../constants'
import { OWNER_TIMES } from './ownerTimes'

/** When owners are told something while the day goes on, and after it. */
export const OWNER_NEWS = constants({
  waitedFor: house(10, 'min', [5, 20]),
  worthTelling: house(20, 'min', [10, 40]),
  askedFrom: practice(2, 'days', [2, 3]),
  askedUntil: house(10, 'days', [5, 14]),
})

/** A dog of today as far as its owner goes; minutes of the clock. `readyBy`: by when 9 in 10 like it are ready. */
export interface OwnersDog {
  expected: boolean
  over: boolean
  arrive: number
  pickup: number
  ready: number | null
  readyBy: number | null
}

/** What an owner is told: ready, as agreed, later, earlier; where the dog stays, or that it may come earlier. */
export type OwnersNews =
  | { what: 'ready' }
  | { what: 'agreed' | 'earlier'; at: number }
  | { what: 'later'; at: number; by: number }
  | { what: 'missing'; arrive: number }
  | { what: 'mayCome'; at: number }

/** Whether a dog should have been here for a while. */
export const isMissing = ({ expected, arrive }: Pick<OwnersDog, 'expected' | 'arrive'>, now: number): boolean =>
  expected && now > arrive + OWNER_NEWS.waitedFor.value

/**
 * What there is to tell the owner of a dog at a minute of the day. Times are rounded up, so that nobody comes too early;
 * earlier than agreed is told from 20 min on; a dog that is far ahead of its time may be brought earlier.
 */
export function ownersNews(dog: OwnersDog, now: number): OwnersNews {
  const { expected, over, arrive, pickup, ready, readyBy } = dog
  const step = OWNER_TIMES.roundTo.value
  const up = (minute: number) => step * Math.ceil(minute / step)
  const worth = OWNER_NEWS.worthTelling.value
  if (over) return { what: 'ready' }
  if (isMissing(dog, now)) return { what: 'missing', arrive }
  if (expected && arrive - now > worth && (ready ?? Infinity) <= pickup - worth)
    return { what: 'mayCome', at: up(now + worth) }
  const at = up(readyBy ?? ready ?? pickup)
  if (at > pickup) return { what: 'later', at, by: at - pickup }
  return { what: at <= pickup - worth ? 'earlier' : 'agreed', at }
}
