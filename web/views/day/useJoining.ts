import { shallowRef, type ComputedRef, type Ref } from 'vue'
import { seatFor, type Booked, type DayFacts, type JoinFit, type JoinTime, type WashDay } from '@core/washday'
import { putOn } from '../../api/days'
import { timeNow } from '../../device/clock'
import { useMemory } from '../../stores/memory'
import { askDay, type Running } from '../../workers/dayWorker'
import type { DayAnswers } from '../../workers/jobs'

/** The day that dogs join. */
interface Joined {
  day: Readonly<Ref<WashDay | undefined>>
  facts: ComputedRef<DayFacts | undefined>
  isToday: Readonly<Ref<boolean>>
  /** Undefined or the words of the first thing that is wrong. */
  change(record: WashDay): string | undefined
  arrange(): Promise<void>
}

/** Times at which one dog may come, as far as they are found. */
export interface FoundTimes {
  dogId: string
  found: readonly JoinTime[]
  done: boolean
}

/** Dogs that may join a day: whether and when each best does, when else, and putting them on it. */
export function useJoining({ day, facts, isToday, change, arrange }: Joined) {
  const memory = useMemory()
  const fits = shallowRef<Record<string, JoinFit>>({})
  const times = shallowRef<FoundTimes>()
  let fitting: Running<DayAnswers['fits']> | undefined
  let timing: Running<DayAnswers['joinTimes']> | undefined
  /** Which dogs are being tried: again, once the day is another. */
  let wishedFor: readonly string[] = []
  /** The day they were tried on; what the log knows of them comes first. */
  let triedOn: DayFacts | undefined
  let asksTheLog = false

  /** The minute of the clock before which nobody can come, on the day itself. */
  function earliest(): number | undefined {
    if (!isToday.value) return undefined
    const now = new Date(timeNow())
    return 60 * now.getHours() + now.getMinutes()
  }

  /** Tries dogs on the day, one after the other; none: that's over. */
  async function tryDogs(dogIds: readonly string[]) {
    wishedFor = dogIds
    fitting?.cancel()
    timing?.cancel()
    const timesOf = times.value?.dogId
    fits.value = {}
    times.value = undefined
    asksTheLog = true
    await memory.ensure(dogIds).catch(() => undefined)
    if (wishedFor !== dogIds) return
    asksTheLog = false
    triedOn = facts.value
    if (!facts.value || dogIds.length === 0) return
    const mine = (fitting = askDay<'fits'>(
      facts.value,
      { kind: 'fits', dogIds: [...dogIds], now: earliest() },
      (fit) => {
        if (fitting === mine) fits.value = { ...fits.value, [fit.dogId]: fit }
      },
    ))
    if (timesOf) void lookForTimes(timesOf)
    await mine.answer.catch(() => undefined)
  }
  /** The same once more, where the day they were tried on is another now. */
  function tryAgain() {
    if (wishedFor.length > 0 && !asksTheLog && facts.value !== triedOn) void tryDogs(wishedFor)
  }

  /** Looks for times at which a dog may come. */
  async function lookForTimes(dogId: string) {
    if (!facts.value) return
    timing?.cancel()
    times.value = { dogId, found: [], done: false }
    const mine = (timing = askDay<'joinTimes'>(facts.value, { kind: 'joinTimes', dogId, now: earliest() }, (time) => {
      if (timing === mine && times.value) times.value = { ...times.value, found: [...times.value.found, time] }
    }))
    await mine.answer.catch(() => undefined)
    if (timing === mine && times.value) times.value = { ...times.value, done: true }
  }

  /** From when on a dog can come that is told no time: the opening, or now. */
  function whenever({ hours }: WashDay): Partial<Booked> {
    const now = earliest() ?? 0
    return now > hours.from && now < hours.to ? { arrive: now } : {}
  }
  /** Puts a dog on the day as it is booked, for as long as the day is open (from now) where that says no times; undefined or the words of what is wrong. */
  function addDog(dogId: string, booked?: Partial<Booked>): string | undefined {
    if (!day.value) return undefined
    const first = day.value.seats.length === 0 || !day.value.plan
    const seat = seatFor(dogId, day.value, { ...whenever(day.value), ...booked })
    const wrong = change({ ...day.value, seats: [...day.value.seats, seat] })
    if (!wrong && first) void arrange()
    return wrong
  }
  /** The same at a time that was offered, with the plan in which it was found. */
  function addAt(dogId: string, { arrive, pickup, plan }: JoinTime): string | undefined {
    if (!day.value) return undefined
    return change({ ...day.value, seats: [...day.value.seats, seatFor(dogId, day.value, { arrive, pickup })], plan })
  }
  /** The same when it best comes; whenever it suits where it doesn't fit. Throws an ApiProblem. */
  async function addWhenBest(dogId: string): Promise<string | undefined> {
    if (!facts.value) return undefined
    const known = fits.value[dogId]
    if (known) return known.coming ? addAt(dogId, known.coming) : addDog(dogId)
    const { date } = facts.value.day
    await memory.ensure([dogId]).catch(() => undefined)
    const now = facts.value
    const found =
      now.day.date === date
        ? await askDay<'fits'>(now, { kind: 'fits', dogIds: [dogId], now: earliest() }).answer.catch(() => undefined)
        : undefined
    const coming = found?.[0]?.coming
    // it was meant for the day that was in sight then
    if (day.value?.date !== date) {
      await putOn(date, [seatFor(dogId, now.day, coming && { arrive: coming.arrive, pickup: coming.pickup })], now.day)
      return undefined
    }
    if (day.value.seats.some((s) => s.dogId === dogId)) return undefined
    // a plan of the day as it was isn't one of the day as it is
    return coming && facts.value === now ? addAt(dogId, coming) : addDog(dogId, coming)
  }

  return { fits, times, tryDogs, tryAgain, lookForTimes, addDog, addAt, addWhenBest }
}
