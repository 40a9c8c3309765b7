import { ref } from 'vue'
import type { HoldWish, LostPin, Seat } from '@core/washday'
import { useSay } from '../../say'
import type { useDay } from './useDay'

/** Moving, holding and letting go of parts of visits by hand, with words for what can't be. */
export function useMoves(book: ReturnType<typeof useDay>) {
  const say = useSay()
  const { day } = book
  const moving = ref(false)
  const refused = ref<string>()

  function whyNot(seatId: string, at: number): string {
    const seat = day.value!.seats.find((s) => s.id === seatId)
    if (!seat) return 'the dog isn’t on this day any more.'
    if (at < seat.arrive) return `the dog comes at ${say.clock(seat.arrive)}.`
    const progress = book.facts.value?.day.progress
    if (progress && at < progress.now) return 'that is over.'
    if (day.value!.seats.some((s) => s.id !== seatId && Object.keys(s.pins).length > 0))
      return 'another pin stands in the way. Let it go first.'
    return 'what comes before it needs that time, or a pause, a helper or a last place in the tub stands in the way.'
  }
  const sayWhyNot = ({ seatId, at }: HoldWish, can: boolean) => {
    refused.value = can ? undefined : `It can’t begin at ${say.clock(Math.max(0, at))}: ${whyNot(seatId, at)}`
  }
  const hold = (seatId: string, part: string, at: number) => holdTo({ seatId, part, at })
  function holdTo(wish: HoldWish) {
    const held = book.heldTo(wish)
    sayWhyNot(wish, held !== undefined)
    if (held) book.change(held.day)
  }
  /** Where the hand is now, while an answer for an earlier place is awaited. */
  let next: HoldWish | undefined
  /** The newest place it was moved to that has been tried. */
  let last: HoldWish | undefined
  let following: Promise<void> | undefined
  /** A hand moves a part: the day follows as fast as it can be reckoned, the newest place first. */
  function drag(seatId: string, part: string, at: number) {
    // what the hand takes hold of is what is seen: a search that is under way ends with it
    if (!moving.value) book.stopArranging(true)
    moving.value = true
    next = { seatId, part, at }
    following ??= follow().finally(() => (following = undefined))
  }
  async function follow() {
    for (let wish = next; wish; wish = next) {
      next = undefined
      const held = await book.askHeld(wish)
      last = wish
      sayWhyNot(wish, held !== undefined)
      if (held) book.show(held)
      // once for each frame that is drawn
      await new Promise(requestAnimationFrame)
    }
  }
  async function drop() {
    if (!moving.value) return
    await following
    moving.value = false
    const held = book.preview.value
    book.show(undefined)
    if (held) book.change(held.day)
    // the day changed while the hand moved: it is held in the day as it is now
    else if (last) holdTo(last)
    last = undefined
  }
  const withSeats = (change: (seats: Seat[]) => Seat[]) => {
    refused.value = undefined
    book.change({ ...day.value!, seats: change(day.value!.seats) })
  }
  const letGo = (seatId: string) => withSeats((seats) => seats.map((s) => (s.id === seatId ? { ...s, pins: {} } : s)))
  /** Lets pins go that can't hold any more; each part stays where it stands now. */
  const letLostGo = (lost: readonly LostPin[]) =>
    withSeats((seats) =>
      seats.map((s) => {
        const gone = new Set(lost.filter((l) => l.seat === s.id).map((l) => l.part))
        return { ...s, pins: Object.fromEntries(Object.entries(s.pins).filter(([part]) => !gone.has(part))) }
      }),
    )
  const changeSeat = (seat: Seat) => withSeats((seats) => seats.map((s) => (s.id === seat.id ? seat : s)))
  /** A dog that is taken off waits for another day. */
  const remove = (seatId: string) => book.leaveOut([seatId], 'takenOff')

  return { moving, refused, hold, drag, drop, letGo, letLostGo, changeSeat, remove }
}
