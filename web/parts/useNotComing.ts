import { shallowRef } from 'vue'
import type { DogToPlace } from '@contract'
import { feeFor, usualPrice, type Entry } from '@core/money'
import type { Price } from '@core/price'
import { me } from '../api/access'
import { ask } from '../api/client'
import { askKept } from '../api/queries'
import { useRoom } from '../stores/room'
import { deviceToday } from './words'

/** Why a dog doesn't come: it was called off, or nobody came and nobody said so. */
export type Missed = 'calledOff' | 'noShow'

const HOUR_MS = 3_600_000

/** Hours until a dog was to come on its day; negative once that is past. */
const hoursTo = ({ date, seat }: DogToPlace): number =>
  (new Date(`${date}T00:00:00`).getTime() + seat.arrive * 60_000 - Date.now()) / HOUR_MS

/**
 * A dog that was to come and doesn't: written into its owner's account with how long before that was said, and with what the
 * house's rule asks for it, once somebody has said whether it is asked.
 */
export function useNotComing() {
  const room = useRoom()
  /** What the rule asks for a dog, until it is answered; `hours`: before it was to come; null: nobody came. */
  const asks = shallowRef<{ dogId: string; missed: Missed; hours: number | null; fee: Price }>()

  /** The ways in which it doesn't come: on its day and after, somebody has said so or nobody has. */
  const how = (w: DogToPlace): { missed: Missed; text: string }[] =>
    w.date > deviceToday() || hoursTo(w) > 0
      ? [{ missed: 'calledOff', text: 'Isn’t coming' }]
      : [
          { missed: 'calledOff', text: 'Was called off' },
          { missed: 'noShow', text: 'Nobody came' },
        ]

  /** Writes it down; answers how that is taken back, or nothing while it is asked whether the fee is. */
  async function notComing(w: DogToPlace, missed: Missed, asked?: 'ask' | 'leave') {
    const { seat, date } = w
    const nothing = { takeBack: () => Promise.resolve() }
    if (!room.house || (me.value?.role ?? 'whole') !== 'whole') return nothing
    const [{ ownerId }, { record: dog }] = await Promise.all([
      askKept('GET /account', { query: { dog: seat.dogId } }),
      askKept('GET /dogs/{id}', { params: { id: seat.dogId } }),
    ])
    if (!ownerId) return nothing
    const { currency } = room.house.prices
    const hours = missed === 'noShow' ? null : Math.max(0, hoursTo(w))
    const price = seat.price ?? usualPrice(dog, room.house, seat.service ? { service: seat.service } : {})
    const fee = price?.currency === currency ? feeFor(price, hours, room.house.priceList) : undefined
    if (fee && !asked) {
      asks.value = { dogId: seat.dogId, missed, hours, fee: { cents: fee.value, currency } }
      return undefined
    }
    asks.value = undefined
    const of = {
      dogId: seat.dogId,
      dog: dog.name,
      date,
      fee: { cents: asked === 'ask' && fee ? fee.value : 0, currency },
    }
    const entry: Entry = hours === null ? { kind: 'noShow', ...of } : { kind: 'calledOff', hours, ...of }
    const params = { id: ownerId }
    const written = await ask('POST /owners/{id}/entries', { params, body: entry })
    return {
      takeBack: async () => {
        await ask('POST /owners/{id}/entries', { params, body: { kind: 'takenBack', entry: written.id, note: '' } })
      },
    }
  }
  return { asks, how, notComing }
}
