import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { Dog } from '@core/dog'
import { asPrice, isSecond, visitPrice, type PriceFacts } from '@core/money'
import type { Price } from '@core/price'
import type { Plan, Today } from '@core/visit'
import type { Seat } from '@core/washday'
import { me } from '../api/access'
import { useAsk } from '../api/queries'
import { useRoom } from '../stores/room'
import { useDues } from './useDues'

/** A visit whose price is wanted. */
export interface Priced {
  dogId: string
  dog: Dog
  today: Today
  plan: Plan
  /** What is agreed for this visit alone. */
  agreed?: Price | null
}

const DAY_MS = 86_400_000

/** Prices of visits on a day, by the house's list and what is agreed; a device that isn't told of money gets none. */
export function usePrices(date: MaybeRefOrGetter<string | undefined>, seatsNow?: () => readonly Seat[] | undefined) {
  const room = useRoom()
  const whole = computed(() => (me.value?.role ?? 'whole') === 'whole')
  const on = computed(() => (whole.value || room.house?.priceList.atTub ? toValue(date) : undefined))
  const { answer: day } = useAsk('GET /days/{date}', () =>
    on.value && !seatsNow ? { params: { date: on.value } } : undefined,
  )
  // a device at the tub isn’t told whose dogs are whose
  const { answer: dogs } = useAsk('GET /dogs', () => (on.value && whole.value ? {} : undefined))
  // when a dog was here last counts only where that takes something off
  const dues = useDues(() => ((room.house?.priceList.regular ?? 0) > 0 && whole.value ? on.value : undefined))
  const owners = computed(() => new Map(dogs.value?.map((d) => [d.id, d.record])))
  const seats = computed(() => seatsNow?.() ?? day.value?.record.seats ?? [])

  function factsOf({ dogId, dog, today, plan, agreed }: Priced): PriceFacts | undefined {
    if (!room.house || !on.value) return undefined
    const last = dues.value?.get(dogId)?.last
    const since = last && last < on.value ? Math.round((Date.parse(on.value) - Date.parse(last)) / DAY_MS) : null
    const second = isSecond(dogId, seats.value, (id) => owners.value.get(id))
    const { hours } = room.house
    const seat = seats.value.find((s) => s.dogId === dogId)
    const outOfHours = seat !== undefined && (seat.arrive < hours.from || seat.pickup > hours.to)
    return { dog, today, plan, house: room.house, agreed, second, since, outOfHours }
  }
  return {
    /** With its reasons. */
    number: (of: Priced) => {
      const facts = factsOf(of)
      return facts && visitPrice(facts)
    },
    price: (of: Priced): Price | null => {
      const facts = factsOf(of)
      return facts ? asPrice(visitPrice(facts), facts) : null
    },
    /** A dog's place on the day. */
    seatOf: (dogId: string) => seats.value.find((s) => s.dogId === dogId),
  }
}
