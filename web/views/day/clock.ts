import type { CoatType } from '../../../core/dog'
import type { House } from '../../../core/house'
import type { DayState, WashDay } from '../../../core/washday'

/** The rails a dog's path runs over, from top to bottom. */
export type Station = 'tub' | 'table' | 'fan' | 'rest'

/** A stretch of a dog's day in one place. `wide`: hands are on it. Pixels. `parts`: what of the visit it holds; empty for a wait. */
export interface Ribbon {
  key: string
  seatId: string
  station: Station
  parts: string[]
  from: number
  to: number
  x1: number
  x2: number
  y: number
  height: number
  wide: boolean
  pinned: boolean
}

/** One dog on the clock. */
export interface Path {
  seatId: string
  name: string
  coat: CoatType
  colour: number
  thread: string
  ribbons: Ribbon[]
  hands: { x1: number; x2: number; y: number; label: string }[]
  inLabel: Label
  outLabel: Label
}

/** A time beside its mark: where, on which side, what. */
export interface Label {
  x: number
  y: number
  textX: number
  anchor: 'start' | 'end'
  text: string
}

/** A horizontal band of the clock. */
export interface Rail {
  key: string
  label: string
  sub: string
  y: number
  height: number
}

/** Everything that is drawn of a day over its rails. */
export interface ClockLayout {
  width: number
  height: number
  from: number
  to: number
  pxPerMinute: number
  rails: Rail[]
  hours: { x: number; text: string }[]
  paths: Path[]
  cleaning: { x1: number; x2: number; y: number }[]
  pauses: { x1: number; x2: number; y: number; height: number; text: string }[]
  helper?: { x1: number; x2: number; y: number; name: string }
}

const STATION: Record<string, Station> = {
  prepare: 'table',
  lift: 'tub',
  bath: 'tub',
  rest: 'rest',
  towel: 'table',
  dry: 'table',
  finish: 'table',
}
const AXIS = 24
const HAND_LANE = 35
const WIDE = 46
const NARROW: Record<'fan' | 'rest', number> = { fan: 14, rest: 12 }
const REST_LANE = 18
/** More dogs than this at rest at once are drawn over one another. */
const REST_LANES = 9
const DOOR = 46
const GAP = 8
/** Letters need about this much, px. */
const LETTER = 7.4

const clock = (minute: number) =>
  `${Math.floor((minute % 1440) / 60)}:${String(Math.round(minute) % 60).padStart(2, '0')}`

interface Stay {
  seatId: string
  station: Station
  parts: string[]
  from: number
  to: number
  hands: boolean
}

/** A dog's stretches in order: neighbours in one place become one; the waits between them are spent at rest. */
function staysOf(state: DayState, offset: number, seatId: string, house: House): Stay[] {
  const dog = state.problem.dogs.find((d) => d.id === seatId)
  if (!dog || !state.schedule) return []
  const { schedule } = state
  const byFan = state.seats.find((s) => s.seat.id === seatId)?.plan.drying.choice.fan !== undefined
  const hasFan = house.dryers.some((d) => d.kind === 'fan')
  const tasks = dog.tasks
    .filter((t) => t.kind !== 'clean')
    .map((t): Stay => ({
      seatId,
      station: t.kind === 'alone' ? (byFan && hasFan ? 'fan' : 'rest') : (STATION[t.kind] ?? 'table'),
      parts: [t.id.slice(seatId.length + 1)],
      from: schedule.tasks[t.id]! + offset,
      to: schedule.tasks[t.id]! + t.dur + offset,
      hands: t.kind !== 'rest' && t.kind !== 'alone',
    }))
    .sort((a, b) => a.from - b.from || a.to - b.to)
  const stays: Stay[] = []
  let at = dog.arrive + offset
  for (const task of tasks) {
    const last = stays.at(-1)
    if (task.from > at + 1) stays.push({ seatId, station: 'rest', parts: [], from: at, to: task.from, hands: false })
    else if (last && last.station === task.station && last.hands === task.hands && last.parts.length > 0) {
      last.parts.push(...task.parts)
      last.to = Math.max(last.to, task.to)
      at = last.to
      continue
    }
    stays.push(task)
    at = Math.max(at, task.to)
  }
  return stays
}

/** Lanes of stretches that share a rail: the first that is free; never more than `most`. */
export function lanesOf(stretches: readonly { from: number; to: number }[], most: number): number[] {
  const ends: number[] = []
  const order = stretches.map((_, i) => i).sort((a, b) => stretches[a]!.from - stretches[b]!.from || a - b)
  const lanes = new Array<number>(stretches.length).fill(0)
  for (const i of order) {
    const { from, to } = stretches[i]!
    let lane = ends.findIndex((end) => end <= from + 1e-6)
    if (lane < 0) lane = ends.length < most ? ends.length : ends.indexOf(Math.min(...ends))
    ends[lane] = to
    lanes[i] = lane
  }
  return lanes
}

/** Places the times of a row so that none covers another: right of its mark, else left, else a line lower. */
function placeLabels(marks: { x: number; text: string }[], y: number, right: number): Label[] {
  const taken: { x1: number; x2: number; row: number }[] = []
  return marks.map(({ x, text }) => {
    const width = text.length * LETTER + 4
    const choices = [0, 1].flatMap((row) => [
      { anchor: 'start' as const, x1: x + 6, x2: x + 6 + width, row },
      { anchor: 'end' as const, x1: x - 6 - width, x2: x - 6, row },
    ])
    const free = choices.find(
      (c) => c.x2 <= right && c.x1 >= 0 && !taken.some((t) => t.row === c.row && t.x1 < c.x2 && c.x1 < t.x2),
    )
    const chosen = free ?? choices[1]!
    taken.push(chosen)
    return {
      x,
      y,
      textX: chosen.anchor === 'start' ? x + 7 : x - 7,
      anchor: chosen.anchor,
      text: free?.row === 0 ? text : '',
    }
  })
}

/** The ribbon's outline: a lens with pointed ends. */
export function lens(x1: number, x2: number, y: number, height: number): string {
  const tip = Math.min(height > 20 ? 13 : 8, (x2 - x1) * 0.36)
  const r = height / 2
  const n = (v: number) => v.toFixed(1)
  return (
    `M${n(x1)} ${n(y)}C${n(x1 + tip * 0.55)} ${n(y)} ${n(x1 + tip * 0.3)} ${n(y - r)} ${n(x1 + tip)} ${n(y - r)}` +
    `H${n(x2 - tip)}C${n(x2 - tip * 0.3)} ${n(y - r)} ${n(x2 - tip * 0.55)} ${n(y)} ${n(x2)} ${n(y)}` +
    `C${n(x2 - tip * 0.55)} ${n(y)} ${n(x2 - tip * 0.3)} ${n(y + r)} ${n(x2 - tip)} ${n(y + r)}` +
    `H${n(x1 + tip)}C${n(x1 + tip * 0.3)} ${n(y + r)} ${n(x1 + tip * 0.55)} ${n(y)} ${n(x1)} ${n(y)}Z`
  )
}

/** The thread from the door over a dog's stretches and back to the door. */
function threadOf(ribbons: readonly Ribbon[], xIn: number, xOut: number, door: number): string {
  const n = (v: number) => v.toFixed(1)
  let d = `M${n(xIn)} ${n(door + 3)}`
  let [px, py, first] = [xIn, door + 3, true]
  for (const { x1, x2, y } of ribbons) {
    const [a, b] = [x1 + 1.5, Math.max(x1 + 2, x2 - 1.5)]
    if (first) d += `C${n(px)} ${n((py + y) / 2)} ${n(px)} ${n(y)} ${n(a)} ${n(y)}`
    else {
      const m = (px + a) / 2
      d += `C${n(px + 4)} ${n(py)} ${n(m)} ${n(py)} ${n(m)} ${n((py + y) / 2)}S${n(a - 4)} ${n(y)} ${n(a)} ${n(y)}`
    }
    d += `L${n(b)} ${n(y)}`
    ;[px, py, first] = [b, y, false]
  }
  return `${d}C${n(xOut)} ${n(py)} ${n(xOut)} ${n((py + door) / 2)} ${n(xOut)} ${n(door + 24)}`
}

const NUMBER = ['none', 'one', 'two', 'three', 'four', 'five', 'six']
const said = (n: number, many: string) => `${NUMBER[n] ?? n}${n === 1 ? '' : ` ${many}`}`.trim()

/** Hours drawn: from the opening or the first arrival to the closing or the end of work. */
export function spanOf(day: WashDay, state: DayState): { from: number; to: number } {
  const first = Math.min(day.hours.from, ...day.seats.map((s) => s.arrive))
  const last = Math.max(day.hours.to, state.run?.dayEnd ?? 0, ...(state.run?.seats.map((s) => s.ready) ?? []))
  return { from: Math.floor(first / 60) * 60, to: Math.ceil(last / 60) * 60 }
}

/** Lays a day out over `width` pixels: rails, ribbons, threads, names and times, with nothing on top of another where it can be helped. */
export function layClock(
  day: WashDay,
  state: DayState,
  house: House,
  colours: Readonly<Record<string, number>>,
  width: number,
): ClockLayout {
  const { from, to } = spanOf(day, state)
  const px = width / (to - from)
  const x = (minute: number) => (minute - from) * px
  const offset = day.hours.from
  const pairs = day.helper ? 2 : 1
  const stays = day.seats.flatMap((s) => staysOf(state, offset, s.id, house))
  const at = (station: Station) => stays.filter((s) => s.station === station)
  const restLanes = lanesOf(at('rest'), REST_LANES)
  const restCount = Math.max(2, ...restLanes.map((l) => l + 1))
  const fans = house.dryers.filter((d) => d.kind === 'fan').length
  const crates = house.crates.reduce((sum, c) => sum + c.count, 0)

  const rails: Rail[] = []
  let y = AXIS
  const rail = (key: string, label: string, sub: string, height: number) => {
    rails.push({ key, label, sub, y, height })
    y += height + GAP
  }
  rail('hands', 'Hands', pairs === 2 ? `you, ${day.helper?.name || 'helper'}` : 'one pair', HAND_LANE * pairs + 4)
  rail('tub', 'Tub', said(house.tubs, 'tubs'), (WIDE + 10) * house.tubs)
  rail('table', 'Table', said(house.tables, 'tables'), (WIDE + 10) * house.tables)
  if (fans > 0) rail('fan', 'Fan', 'dries alone', 14 + 20 * Math.max(1, Math.min(fans, 3)))
  rail('rest', 'Rest', said(crates, 'crates'), 14 + REST_LANE * restCount)
  rail('door', 'Comes', '', DOOR)
  const yOf = (key: string) => rails.find((r) => r.key === key)!.y
  const door = yOf('door')

  const lanes = new Map<Stay, number>()
  for (const station of ['tub', 'table', 'fan', 'rest'] as const) {
    const own = at(station)
    const most = { tub: house.tubs, table: house.tables, fan: Math.max(1, Math.min(3, fans)), rest: REST_LANES }[
      station
    ]
    lanesOf(own, most).forEach((lane, i) => lanes.set(own[i]!, lane))
  }
  const middle = (stay: Stay) => {
    const lane = lanes.get(stay) ?? 0
    if (stay.station === 'rest') return yOf('rest') + 7 + REST_LANE * (lane + 0.5)
    if (stay.station === 'fan') return yOf('fan') + 7 + 20 * (lane + 0.5)
    return yOf(stay.station) + (WIDE + 10) * (lane + 0.5)
  }
  const working = handsOf(state, offset)
  const pauseTimes = state.schedule
    ? state.problem.breaks.map((b) => ({
        from: state.schedule!.breaks[b.id]! + offset,
        to: state.schedule!.breaks[b.id]! + b.dur + offset,
      }))
    : []
  const handLanes = handLanesOf(working, pauseTimes, day.helper)
  const marks = [...day.seats].sort((a, b) => a.arrive - b.arrive)
  const runOf = (id: string) => state.run?.seats.find((s) => s.id === id)
  const ins = placeLabels(
    marks.map((s) => ({ x: x(s.arrive), text: clock(s.arrive) })),
    door + 3,
    width,
  )
  const outOrder = marks.filter((s) => runOf(s.id)).sort((a, b) => runOf(a.id)!.ready - runOf(b.id)!.ready)
  const outs = placeLabels(
    outOrder.map((s) => ({ x: x(runOf(s.id)!.ready), text: clock(runOf(s.id)!.ready) })),
    door + 24,
    width,
  )

  const paths = marks.flatMap((seat): Path[] => {
    const found = state.seats.find((s) => s.seat.id === seat.id)
    const run = runOf(seat.id)
    if (!found || !run) return []
    const ribbons = stays
      .filter((s) => s.seatId === seat.id)
      .map((s, i): Ribbon => {
        const wide = s.station === 'tub' || s.station === 'table'
        return {
          key: `${seat.id} ${s.parts.join(' ') || `wait ${i}`}`,
          seatId: seat.id,
          station: s.station,
          parts: s.parts,
          from: s.from,
          to: s.to,
          x1: x(s.from),
          x2: x(s.to),
          y: middle(s),
          height: wide ? WIDE : NARROW[s.station as 'fan' | 'rest'],
          wide,
          pinned: s.parts.some((p) => p in seat.pins),
        }
      })
    const outLabel = outs[outOrder.indexOf(seat)]!
    return [
      {
        seatId: seat.id,
        name: found.dog.name,
        coat: found.dog.coat,
        colour: colours[seat.id] ?? 0,
        thread: threadOf(ribbons, x(seat.arrive), x(run.ready), door),
        ribbons,
        hands: working
          .map((h, i) => ({ ...h, lane: handLanes[i] ?? 0 }))
          .filter((h) => h.seatId === seat.id && h.kind !== 'clean')
          .map((h) => {
            const [x1, x2] = [x(h.from) + 1, x(h.to) - 1]
            const room = Math.floor((x2 - x1 - 6) / LETTER)
            const label = found.dog.name.length <= room ? found.dog.name : room >= 2 ? found.dog.name.slice(0, 2) : ''
            return { x1, x2, y: yOf('hands') + HAND_LANE * h.lane, label }
          }),
        inLabel: ins[marks.indexOf(seat)]!,
        outLabel,
      },
    ]
  })
  const last = rails.find((r) => r.key === 'table')!
  return {
    width,
    height: y,
    from,
    to,
    pxPerMinute: px,
    rails,
    hours: Array.from({ length: (to - from) / 60 + 1 }, (_, i) => ({
      x: x(from + 60 * i),
      text: clock(from + 60 * i),
    })),
    paths,
    cleaning: working.flatMap((h, i) =>
      h.kind === 'clean'
        ? [{ x1: x(h.from) + 1, x2: x(h.to) - 1, y: yOf('hands') + HAND_LANE * (handLanes[i] ?? 0) + 31 }]
        : [],
    ),
    pauses: state.schedule
      ? state.problem.breaks.flatMap((b) => {
          const start = state.schedule!.breaks[b.id]! + offset
          if (start >= (state.run?.dayEnd ?? 0)) return []
          const name = day.pauses.find((p) => p.id === b.id)?.name ?? b.id
          const height = pairs === 2 ? HAND_LANE + 2 : last.y + last.height - yOf('hands') - 1
          return [{ x1: x(start), x2: x(start + b.dur), y: yOf('hands') + 1, height, text: name }]
        })
      : [],
    helper: day.helper
      ? { x1: x(day.helper.from), x2: x(day.helper.to), y: yOf('hands') + HAND_LANE, name: day.helper.name || 'Helper' }
      : undefined,
  }
}

interface Work {
  seatId: string
  kind: string
  from: number
  to: number
}

/** Every stretch that takes a pair of hands, in order; a dog's parts that follow on one another as one. */
function handsOf({ problem, schedule }: DayState, offset: number): Work[] {
  if (!schedule) return []
  const alone = new Set(['rest', 'alone'])
  const all = problem.dogs
    .flatMap((d) =>
      d.tasks
        .filter((t) => !alone.has(t.kind))
        .map((t) => ({
          seatId: d.id,
          kind: t.kind,
          from: schedule.tasks[t.id]! + offset,
          to: schedule.tasks[t.id]! + t.dur + offset,
        })),
    )
    .sort((a, b) => a.from - b.from || a.to - b.to)
  return all.reduce<Work[]>((joined, next) => {
    const last = joined.findLast((w) => w.seatId === next.seatId && (w.kind === 'clean') === (next.kind === 'clean'))
    if (last && next.from - last.to <= 1 && next.kind !== 'clean') last.to = next.to
    else joined.push({ ...next })
    return joined
  }, [])
}

/**
 * Whose hands do what: the groomer's (0) or the helper's (1). What goes on during a pause is the helper's,
 * what lies outside her hours the groomer's; of two things at once one is each one's.
 */
function handLanesOf(
  work: readonly Work[],
  pauses: readonly { from: number; to: number }[],
  helper: WashDay['helper'],
): number[] {
  if (!helper) return work.map(() => 0)
  const lanes: (number | undefined)[] = work.map(({ from, to }) => {
    if (pauses.some((p) => p.from < to && from < p.to)) return 1
    return from >= helper.from - 1 && to <= helper.to + 1 ? undefined : 0
  })
  const together = (a: Work, b: Work) => a !== b && a.from < b.to && b.from < a.to
  const spreadFrom = (start: number) => {
    const open = [start]
    for (let i = open.pop(); i !== undefined; i = open.pop()) {
      work.forEach((other, k) => {
        if (lanes[k] !== undefined || !together(work[i]!, other)) return
        lanes[k] = 1 - lanes[i]!
        open.push(k)
      })
    }
  }
  work.forEach((_, i) => lanes[i] !== undefined && spreadFrom(i))
  work.forEach((_, i) => {
    if (lanes[i] !== undefined) return
    lanes[i] = 0
    spreadFrom(i)
  })
  return lanes.map((lane) => lane ?? 0)
}

/** Which part of a visit a hand moves when it takes hold of a ribbon: what comes before the bath or after drying by itself, everything else by the bath it is tied to. */
export function movedBy(ribbon: Ribbon, all: readonly Ribbon[]): { part: string; at: number } | undefined {
  if (ribbon.parts.length === 0) return undefined
  const [first] = ribbon.parts as [string]
  if (first.startsWith('prepare') || first.startsWith('finish')) return { part: first, at: ribbon.from }
  const tub = all.find((r) => r.station === 'tub')
  return tub ? { part: tub.parts[0]!, at: tub.from } : { part: first, at: ribbon.from }
}
