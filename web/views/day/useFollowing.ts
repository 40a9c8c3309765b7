import { computed } from 'vue'
import { visitRecord } from '@core/tubside'
import { progressFromTub, type Progress, type SeatPlan, type WashDay } from '@core/washday'
import { useAsk } from '../../api/queries'
import { useTimeNow } from '../../device/clock'
import { deviceToday } from '../../parts/words'

const EVERY_MS = 60_000

const minuteOf = (ms: number) => {
  const at = new Date(ms)
  return at.getHours() * 60 + at.getMinutes()
}
/** The date of a time (ms) where this device is: a visit tried on another day says nothing of this one. */
const dateOf = (ms: number) => {
  const at = new Date(ms)
  return [at.getFullYear(), at.getMonth() + 1, at.getDate()].map((n) => String(n).padStart(2, '0')).join('-')
}

/** Today as the tub tells it, tap by tap: what is done stands where it was, what is left begins no earlier than now. */
export function useFollowing(date: () => string) {
  const now = useTimeNow(EVERY_MS)
  const isToday = computed(() => date() === dateOf(now.value.getTime()) && date() === deviceToday())
  const { answer } = useAsk('GET /days/{date}/tub', () => (isToday.value ? { params: { date: date() } } : undefined))
  const visits = computed(() => (isToday.value && answer.value?.date === date() ? answer.value.visits : []))

  /** How far a day is by its taps; undefined on another day, and before the first tap. */
  function progressOf(record: WashDay, seats: readonly SeatPlan[]): Progress | undefined {
    if (visits.value.length === 0) return undefined
    const records = Object.fromEntries(
      record.seats.flatMap((s) => {
        const visit = visits.value.find((v) => v.dogId === s.dogId)
        const told = visit && visitRecord(visit.events)
        return told?.began !== undefined && dateOf(told.began) === record.date ? [[s.id, told]] : []
      }),
    )
    const tasks = progressFromTub(seats, records, minuteOf)
    if (Object.keys(tasks).length === 0) return undefined
    const said = record.progress
    return {
      now: Math.max(minuteOf(now.value.getTime()), said?.now ?? 0),
      tasks: { ...said?.tasks, ...tasks },
    }
  }
  /** The day as the tub has it; undefined on another day. */
  const tubDay = computed(() => (isToday.value && answer.value?.date === date() ? answer.value : undefined))
  return { isToday, tubDay, progressOf }
}
