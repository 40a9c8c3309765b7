import type { Whereabouts } from '@core/tubside'
import type { OwnersNews } from '@core/washday'
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

/** What an owner is told of, in a word or two. */
export const NEWS_NAMES: Record<OwnersNews['what'], string> = {
  ready: 'ready',
  agreed: 'in time',
  earlier: 'earlier',
  later: 'later',
  missing: 'where it stays',
  mayCome: 'may come',
}

/** A message for the owner, to copy or share; `happened`: what went wrong, which the owner hears of before it is seen. */
export function newsMessage(name: string, news: OwnersNews, say: Say, happened: readonly string[] = []): string {
  switch (news.what) {
    case 'ready': {
      const told = happened.length === 0 ? '' : ` Something to tell you when you come: ${say.list(happened)}.`
      return `${name} is ready and can be picked up.${told}`
    }
    case 'agreed':
      return `${name} will be ready at ${say.clock(news.at)}, as we said.`
    case 'earlier':
      return `${name} will be ready earlier: you can come from ${say.clock(news.at)} on.`
    case 'later':
      return `${name} takes longer today: ready at ${say.clock(news.at)}, ${say.minutes(news.by)} later than we said. Sorry for the wait.`
    case 'missing':
      return `We expected ${name} at ${say.clock(news.arrive)}. Are you on your way? We can begin as soon as ${name} is here.`
    case 'mayCome':
      return `We are ahead of time: you may bring ${name} from ${say.clock(news.at)} on, if that suits you.`
  }
}

/** Which times others take the place of, and how long the dog then waits in one go. */
export const insteadWords = ({ arrive, pickup }: { arrive: number; pickup: number }, waits: number, say: Say): string =>
  `instead of ${say.clock(arrive)} to ${say.clock(pickup)}, waits ${say.minutes(waits)} at most`

/** A dog that isn't ready by the closing: when it comes, and when it is ready. */
export const unreadyWords = ({ arrive, ready }: { arrive: number; ready: number }, say: Say): string =>
  `comes at ${say.clock(arrive)}, but isn’t ready by the closing: likely at ${say.clock(ready)}. No pick-up time is given.`

/** What an owner is told of dogs on a day: minutes of the clock. */
interface Told {
  visits: readonly { name: string; arrive: number; pickup: number }[]
  date: string
}

/** When to bring and fetch: at once where they come and go together, else each by its name. */
function bringAndFetch(visits: Told['visits'], say: Say): string {
  const [first, ...others] = visits
  if (!first) return ''
  const together = others.every((v) => v.arrive === first.arrive && v.pickup === first.pickup)
  if (together) {
    const them = others.length > 0 ? 'them' : first.name
    return `please bring ${them} at ${say.clock(first.arrive)} and pick up from ${say.clock(first.pickup)} on.`
  }
  const bring = say.list(visits.map((v) => `${v.name} at ${say.clock(v.arrive)}`))
  const fetch = say.list(visits.map((v) => `${v.name} from ${say.clock(v.pickup)}`))
  return `please bring ${bring}. Pick up ${fetch} on.`
}

/** The times of a day's visits, for their owner. */
export const timesMessage = ({ visits, date }: Told, say: Say): string =>
  `${say.list(visits.map((v) => v.name))} on ${say.date(date)}: ${bringAndFetch(visits, say)} A walk before helps.`

/** The same once more, shortly before. */
export const reminderMessage = ({ visits, date }: Told, say: Say): string =>
  `A reminder for ${say.date(date, 'weekday')} ${say.date(date, 'day')}: ${bringAndFetch(visits, say)} Tell us if something has changed.`

/** A message with who writes it. */
export const signed = (message: string, house: string): string => (house === '' ? message : `${message}\n${house}`)
