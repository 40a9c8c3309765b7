import type { Whereabouts } from '@core/tubside'
import type { Say } from './say'

/** Where a dog of the day is. */
export const WHERE_NAMES: Record<Whereabouts, string> = {
  expected: 'expected',
  here: 'here',
  inHand: 'in hand',
  resting: 'resting',
  dryingAlone: 'drying alone',
  ready: 'ready',
  gone: 'gone home',
}

/** What an owner is told: when the dog is ready, in minutes of the clock; `agreed`: when it was to be fetched. */
export interface OwnersNews {
  name: string
  ready: boolean
  at: number
  agreed: number
}

/** From how many minutes earlier on it is worth telling an owner; what is told is rounded up to so many. */
const WORTH_TELLING = 20
const ROUNDED = 5

/** A message for the owner, to copy or share: ready now, ready at, later than agreed, or earlier. */
export function ownerMessage({ name, ready, at, agreed }: OwnersNews, say: Say): string {
  if (ready) return `${name} is ready and can be fetched.`
  const told = Math.ceil(at / ROUNDED) * ROUNDED
  if (told > agreed)
    return `${name} takes longer today: ready at ${say.clock(told)}, ${say.minutes(told - agreed)} later than we said. Sorry for the wait.`
  if (told <= agreed - WORTH_TELLING) return `${name} will be ready earlier: you can come from ${say.clock(told)} on.`
  return `${name} will be ready at ${say.clock(told)}, as we said.`
}

/** The times of a visit, for its owner. */
export const timesMessage = (
  { name, date, arrive, pickup }: { name: string; date: string; arrive: number; pickup: number },
  say: Say,
): string =>
  `${name} on ${say.date(date)}: please bring ${name} at ${say.clock(arrive)} and fetch from ${say.clock(pickup)} on. A walk before helps.`

/** What is asked of an owner whose dog is not there at its time. */
export const comeMessage = ({ name, arrive }: { name: string; arrive: number }, say: Say): string =>
  `We expected ${name} at ${say.clock(arrive)}. Are you on your way? We can begin as soon as ${name} is here.`

/** Asks an owner to bring the dog earlier. */
export const earlierMessage = ({ name, at }: { name: string; at: number }, say: Say): string =>
  `We are ahead of time: you may bring ${name} from ${say.clock(at)} on, if that suits you.`
