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

/** Today as it goes: how far it is, and by what that is known; when dogs came that have come, by seat (minutes of the clock). */
export interface Followed {
  progress: Progress
  by: 'tub' | 'clock'
  came: Readonly<Record<string, number>>
}

/**
 * Today as the tub tells it, tap by tap, and as the clock does: what is done stands where it was, what is left begins no
 * earlier than now.
 */
export function useFollowing(date: () => string) {
  const now = useTimeNow(EVERY_MS)
  const isToday = computed(() => date() === dateOf(now.value.getTime()) && date() === deviceToday())
  const { answer } = useAsk('GET /days/{date}/tub', () => (isToday.value ? { params: { date: date() } } : undefined))
  const visits = computed(() => (isToday.value && answer.value?.date === date() ? answer.value.visits : []))
  const wall = computed(() => minuteOf(now.value.getTime()))

  /** How far a day is; undefined on another day, before it opens, and once it has closed without a tap. */
  function follow(record: WashDay, seats: readonly SeatPlan[]): Followed | undefined {
    if (!isToday.value || record.seats.length === 0) return undefined
    const records = Object.fromEntries(
      record.seats.flatMap((s) => {
        const visit = visits.value.find((v) => v.dogId === s.dogId)
        return visit ? [[s.id, visitRecord(visit.events)] as const] : []
      }),
    )
    const onDay = (ms: number | undefined): ms is number => ms !== undefined && dateOf(ms) === record.date
    const begun = Object.fromEntries(Object.entries(records).filter(([, told]) => onDay(told.began)))
    const tasks = progressFromTub(seats, begun, minuteOf)
    const came = Object.fromEntries(
      Object.entries(records).flatMap(([id, { arrived }]) => (onDay(arrived) ? [[id, minuteOf(arrived)]] : [])),
    )
    const said = record.progress
    const by = Object.keys(tasks).length > 0 ? 'tub' : 'clock'
    const { from, to } = record.hours
    if (by === 'clock' && (wall.value <= from || wall.value >= to)) return undefined
    return { progress: { now: Math.max(wall.value, said?.now ?? 0), tasks: { ...said?.tasks, ...tasks } }, by, came }
  }
  /** The day as the tub has it; undefined on another day. */
  const tubDay = computed(() => (isToday.value && answer.value?.date === date() ? answer.value : undefined))
  return { isToday, tubDay, follow }
}
