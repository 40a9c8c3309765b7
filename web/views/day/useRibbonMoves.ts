import { DragGesture, type FullGestureState } from '@use-gesture/vanilla'
import type { ObjectDirective } from 'vue'
import { movedBy, type Path, type Ribbon } from './clock'

type Taken = NonNullable<ReturnType<typeof movedBy>>
type DragState = FullGestureState<'drag'>

/** What a hand or a key on a ribbon asks for; `at` in minutes of the clock. */
interface Asked {
  /** How wide a minute is drawn, px. */
  minuteWide: () => number
  select(seatId: string): void
  hold(seatId: string, part: string, at: number): void
  drop(): void
  drag(seatId: string, part: string, at: number): void
  letGo(seatId: string): void
  /** Where the hand is, in px of the window, while it drags. */
  at(x: number, y: number): void
}

/** Px that a pointer must travel before it moves a visit: less is a click. */
const CLICK_PX = 6
/** A move snaps to so many minutes; with Shift a key moves by more. */
const SNAP = 5
const LEAP = 15

/** A ribbon that can be taken hold of, and whose dog it is. */
interface Grip {
  path: Path
  ribbon: Ribbon
}

/** Takes hold of ribbons on the day's clock by pointer (`vGrip` on a ribbon) or keys. */
export function useRibbonMoves(asked: Asked) {
  const grips = new WeakMap<EventTarget, { now: Grip; gesture: DragGesture; gone?: true }>()

  const moving = new WeakSet<Element>()

  /** The part that a drag moves and the minute at which it began, found when the pointer goes down. */
  function dragged(element: Element, state: DragState): Taken | undefined {
    const grip = grips.get(element)!
    const { path, ribbon } = grip.now
    if (state.last) moving.delete(element)
    else moving.add(element)
    // a hand that moves something marks no words
    document.documentElement.classList.toggle('dragging', !state.last && !state.tap)
    const taken = (state.memo as Taken | undefined) ?? movedBy(ribbon, path.ribbons)
    if (state.tap) asked.select(path.seatId)
    else if (!taken) return undefined
    else if (state.last) asked.drop()
    else {
      const at = taken.at + state.movement[0] / asked.minuteWide()
      asked.at(...state.xy)
      asked.drag(path.seatId, taken.part, Math.round(at / SNAP) * SNAP)
    }
    if (state.last && grip.gone) grip.gesture.destroy()
    return taken
  }
  const vGrip: ObjectDirective<Element, Grip> = {
    mounted(element, { value }) {
      const gesture = new DragGesture(element, (state) => dragged(element, state), {
        axis: 'x',
        filterTaps: true,
        threshold: CLICK_PX,
        // the ribbon under the hand may be drawn anew meanwhile; keys move by steps of their own
        pointer: { capture: false, keys: false },
      })
      grips.set(element, { now: value, gesture })
    },
    updated(element, { value }) {
      grips.get(element)!.now = value
    },
    unmounted(element) {
      const grip = grips.get(element)!
      grip.gone = true
      if (!moving.has(element)) grip.gesture.destroy()
    },
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
  return { vGrip, keyed }
}
