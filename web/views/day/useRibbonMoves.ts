import { movedBy, type Path, type Ribbon } from './clock'

/** What a hand or a key on a ribbon asks for; `at` in minutes of the clock. */
interface Asked {
  /** How wide a minute is drawn, px. */
  minuteWide: () => number
  select(seatId: string): void
  hold(seatId: string, part: string, at: number): void
  drop(): void
  drag(seatId: string, part: string, at: number): void
  letGo(seatId: string): void
}

/** Px that a pointer must travel before it moves a visit: less is a click. */
const CLICK_PX = 6
/** A move snaps to so many minutes; with Shift a key moves by more. */
const SNAP = 5
const LEAP = 15

/** Takes hold of ribbons on the day's clock by pointer or keys. */
export function useRibbonMoves(asked: Asked) {
  let held: { seatId: string; part: string; at: number; x: number; moved: boolean } | undefined

  function take(event: PointerEvent, path: Path, ribbon: Ribbon) {
    if (event.button > 0) return
    const by = movedBy(ribbon, path.ribbons)
    held = by && { seatId: path.seatId, ...by, x: event.clientX, moved: false }
    if (held) (event.currentTarget as Element).setPointerCapture?.(event.pointerId)
  }
  function drag(event: PointerEvent) {
    if (!held) return
    const by = event.clientX - held.x
    if (!held.moved && Math.abs(by) < CLICK_PX) return
    held.moved = true
    asked.drag(held.seatId, held.part, Math.round((held.at + by / asked.minuteWide()) / SNAP) * SNAP)
  }
  function release(path: Path) {
    const was = held
    held = undefined
    if (was?.moved) asked.drop()
    else asked.select(path.seatId)
  }
  function keyed(event: KeyboardEvent, path: Path, ribbon: Ribbon) {
    const by = movedBy(ribbon, path.ribbons)
    const step = event.shiftKey ? LEAP : SNAP
    if (event.key === 'Enter' || event.key === ' ') asked.select(path.seatId)
    else if (event.key === 'ArrowRight' && by) asked.hold(path.seatId, by.part, by.at + step)
    else if (event.key === 'ArrowLeft' && by) asked.hold(path.seatId, by.part, by.at - step)
    else if (event.key === 'p' && by && ribbon.pinned) asked.letGo(path.seatId)
    else if (event.key === 'p' && by) asked.hold(path.seatId, by.part, by.at)
    else return
    event.preventDefault()
  }
  return { take, drag, release, keyed }
}
