import { makeCalendar, type Calendar } from './calendar'
import type { DayModel } from './model'
import { heldBy, needsOf, type Held } from './needs'
import { makeTank } from './tank'

/** What tasks are placed on: the calendar of all that is held, and the tank; reused, so that a search allocates nothing. */
export interface Ground {
  calendar: Calendar
  /** What each pause holds. */
  pauses: readonly Held[]
  /** What is away or pinned can't be had together, or the pinned draws leave the tank short. */
  hopeless: boolean
  /** Forgets what was placed. */
  reset(): void
  /** The earliest start of a task from `from` to `to` at which all it needs is there, hot water too, or −1. */
  earliest(task: number, from: number, to: number): number
  /** Puts a task at a minute: its start stands, and what it holds is held. Pinned tasks hold theirs always. */
  put(task: number, at: number): void
  takeOut(task: number): void
  /** Holds again what was placed before, its start standing; `draws`: it draws hot water too. */
  hold(task: number): void
  draw(task: number): void
}

/** The ground of a model. `start`: where the placed tasks begin; `dry`: without asking the tank. */
export function makeGround(model: DayModel, start: Int32Array, { dry = false }: { dry?: boolean } = {}): Ground {
  const { problem, tasks } = model
  const names = Object.keys(problem.resources)
  const calendar = makeCalendar(model)
  const tank = makeTank(model, start)
  const held = tasks.map((t) => heldBy(t.needs, calendar.single))

  function hold(task: number) {
    calendar.hold(held[task]!, start[task]!, tasks[task]!.dur, 1)
  }

  return {
    calendar,
    pauses: problem.breaks.map((b) => heldBy(needsOf(names, b.uses), calendar.single)),
    hopeless: calendar.clash || (!dry && tank.drained()),
    hold,
    draw: (task) => tank.draw(task),
    reset() {
      calendar.reset()
      tank.reset()
    },
    earliest(task, from, to) {
      const { dur, hot, pinned, latest } = tasks[task]!
      if (pinned) return from <= latest && latest <= to ? latest : -1
      const needs = held[task]!
      let s = calendar.free(needs, dur, from, to)
      if (hot === 0 || dry) return s
      // A minute's wait mends at most a minute's recovery and a minute of this draw.
      const mends = problem.tank.recoveryDlPerMin + hot / dur
      while (s >= 0) {
        const lacks = tank.lacks(task, s)
        if (lacks === 0) return s
        s = calendar.free(needs, dur, s + Math.max(1, Math.floor(lacks / mends)), to)
      }
      return s
    },
    put(task, at) {
      start[task] = at
      if (tasks[task]!.pinned) return
      hold(task)
      if (tasks[task]!.hot > 0) tank.draw(task)
    },
    takeOut(task) {
      if (tasks[task]!.pinned) return
      calendar.hold(held[task]!, start[task]!, tasks[task]!.dur, -1)
      if (tasks[task]!.hot > 0) tank.takeOut(task)
    },
  }
}
