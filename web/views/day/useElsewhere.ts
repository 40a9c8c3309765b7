import { ref, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { sameData } from '@core/same'
import type { DayState, Seat, WashDay } from '@core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import { putOn, takeOff } from '../../api/days'
import { visits } from '../../api/visits'
import { useSay } from '../../say'
import { useToast } from '../../ui/toast'
import type { useDay } from './useDay'

/** Dogs that leave this day for another or for the tub; `problem`: what stood against the last of it. */
export function useElsewhere(book: ReturnType<typeof useDay>, state: Readonly<Ref<DayState | undefined>>) {
  const say = useSay()
  const router = useRouter()
  const toast = useToast()
  const { day } = book
  const problem = ref<ApiProblem>()

  /** Puts the dogs that the day doesn’t take on another. */
  async function moveAway(seatIds: readonly string[], target: string) {
    problem.value = undefined
    try {
      await book.moveTo(seatIds, target)
      await router.push(`/days/${target}`)
    } catch (error) {
      problem.value = asProblem(error)
    }
  }
  /** Puts one dog on another day; this one stays in sight. */
  async function moveOne(seatId: string, target: string) {
    const from = day.value
    const seat = from?.seats.find((s) => s.id === seatId)
    if (!from || !seat) return
    problem.value = undefined
    const name = book.byId.value.get(seat.dogId)?.record.name ?? ''
    try {
      const moved = await book.moveTo([seatId], target)
      toast.undone(`${name} comes on ${say.date(target)} now.`, () => bringBack(name, seat, from, target, moved))
    } catch (error) {
      problem.value = asProblem(error)
    }
  }
  /** Undoes that, also when another day is in sight by then; who was on the other day before stays there. */
  async function bringBack(name: string, seat: Seat, from: WashDay, target: string, moved: readonly string[]) {
    try {
      for (const dogId of moved) await takeOff(target, dogId)
      if (day.value?.date === from.date) book.change({ ...day.value, seats: [...day.value.seats, seat] })
      else await putOn(from.date, [seat], from)
      return `${name} is back on ${say.date(from.date)}.`
    } catch (error) {
      return asProblem(error).detail
    }
  }
  const visitOf = (seatId: string) => {
    const dogId = day.value?.seats.find((s) => s.id === seatId)?.dogId
    return book.stored.value?.kept.find((k) => k.dogId === dogId)?.visitId
  }
  /** Opens the visit at the tub; its recipe is kept first when it isn't yet. */
  async function toTheTub(seatId: string) {
    const kept = visitOf(seatId)
    if (kept) {
      await router.push(`/tub/${kept}`)
      return
    }
    const plan = state.value?.seats.find((s) => s.seat.id === seatId)
    if (!plan) return
    problem.value = undefined
    try {
      const { id } = await visits.add(plan.seat.dogId, plan.today)
      await router.push(`/tub/${id}`)
    } catch (error) {
      problem.value = asProblem(error)
    }
  }

  /** Has a dog's kept recipe be for something else; the day follows it. */
  async function comesFor(seatId: string, what: Partial<Pick<Seat, 'service' | 'clipCm'>>) {
    const kept = visitOf(seatId)
    if (!kept) return
    problem.value = undefined
    try {
      const { version, dogId, inputs } = await visits.get(kept)
      const change = Object.fromEntries(Object.entries(what).filter(([, value]) => value !== undefined))
      await visits.change(kept, version, dogId, { ...inputs.today, ...change })
      // what the seat itself said of it would go before the recipe
      const seats = day.value?.seats.map((s) => (s.id === seatId ? { ...s, service: null, clipCm: null } : s))
      if (day.value && seats && !sameData(seats, day.value.seats)) book.change({ ...day.value, seats })
    } catch (error) {
      problem.value = asProblem(error)
    }
  }

  return { problem, moveAway, moveOne, toTheTub, visitOf, comesFor }
}
