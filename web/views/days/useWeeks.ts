import { ref, shallowRef, watch } from 'vue'
import { bookedOf, carried, seatFor, type Booking, type DayLoad, type Spread } from '@core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import { days, rebook, type Coming } from '../../api/days'
import { weeksFacts } from '../../api/weeks'
import { useSay } from '../../say'
import { useToast } from '../../ui/toast'
import { askWeeks } from '../../workers/dayWorker'
import type { WeeksAnswers } from '../../workers/jobs'
import { useJob } from '../../workers/useJob'

/** A dog on a day. */
export interface Taken {
  dogId: string
  name: string
  date: string
}

/** Some weeks as they are looked at: how full their days are; dogs moved from one to another, and those that come again and again put on them. */
export function useWeeks(span: () => { from: string; to: string; today: string }, kept: () => unknown) {
  const say = useSay()
  const toast = useToast()
  const loads = shallowRef<ReadonlyMap<string, DayLoad>>(new Map())
  const problem = ref<ApiProblem>()
  const spread = shallowRef<Spread>()
  const spreading = ref<{ done: number; of: number }>()
  const putting = ref(false)
  const weighing = useJob<WeeksAnswers['loads']>()
  const searching = useJob<WeeksAnswers['spread']>()

  /** How full the days are; they come one after the other. */
  async function weigh() {
    try {
      const { from, to } = span()
      const found = new Map<string, DayLoad>()
      await weighing.run(async (wanted) =>
        askWeeks<'loads'>({ kind: 'loads', weeks: await weeksFacts(from, to) }, (load) => {
          found.set(load.date, load)
          if (wanted()) loads.value = new Map(found)
        }),
      )
    } catch (error) {
      problem.value = asProblem(error)
    }
  }

  /** Looks for days for the dogs that come again and again, from today on. */
  async function look() {
    problem.value = undefined
    spread.value = undefined
    spreading.value = { done: 0, of: 0 }
    try {
      const { from, to, today } = span()
      spread.value = await searching.run(async (wanted) =>
        askWeeks<'spread'>({ kind: 'spread', weeks: await weeksFacts(from < today ? today : from, to) }, (progress) => {
          if (wanted()) spreading.value = progress
        }),
      )
    } catch (error) {
      problem.value = asProblem(error)
    }
    if (!searching.busy.value) spreading.value = undefined
  }
  function stop() {
    searching.stop()
    spreading.value = undefined
  }

  /** Puts dogs on their days; what was put there can be taken off again. */
  async function put(bookings: readonly Booking[]) {
    putting.value = true
    problem.value = undefined
    try {
      const dates = [...new Set(bookings.map((b) => b.date))]
      const coming = dates.map(async (date): Promise<Coming> => {
        const { record } = await days.get(date)
        const own = bookings.filter((b) => b.date === date)
        const seats = own.map((b) => seatFor(b.dogId, record, bookedOf(b)))
        return { date, seats, like: record }
      })
      const done = await rebook(await Promise.all(coming), [])
      spread.value = undefined
      const count = done.reduce((sum, { dogIds }) => sum + dogIds.length, 0)
      toast.undone(`${say.count(count, 'visit')} put down.`, async () => {
        await rebook([], done)
        return 'Taken off again.'
      })
    } catch (error) {
      problem.value = asProblem(error)
    } finally {
      putting.value = false
    }
  }

  /** Moves a dog to another day; it can be moved back. */
  async function move({ dogId, name, date }: Taken, target: string) {
    if (target === date) return
    problem.value = undefined
    try {
      const { record, kept } = await days.get(date)
      const recipe = kept.find((k) => k.dogId === dogId)?.today
      const seats = record.seats.filter((s) => s.dogId === dogId).map((s) => (recipe ? carried(s, recipe) : s))
      const moved = await rebook([{ date: target, seats, like: record }], [{ date, dogIds: [dogId] }])
      toast.undone(`${name} comes on ${say.date(target)} now.`, async () => {
        await rebook([{ date, seats, like: record }], moved)
        return `${name} is back on ${say.date(date)}.`
      })
    } catch (error) {
      problem.value = asProblem(error)
    }
  }

  watch([span, kept], () => void weigh(), { immediate: true, deep: true })
  return { loads, problem, spread, spreading, putting, look, stop, put, move }
}
