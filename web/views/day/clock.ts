import { scaleLinear } from 'd3-scale'
import type { CoatType } from '@core/dog'
import type { House } from '@core/house'
import { withDog, type DayState, type WashDay } from '@core/washday'
import { hourWords, type Say } from '@words'
import { LETTER, placeLabels, threadOf, type Label } from './clockShapes'
import { handLanesOf, handsOf, lanesOf, staysOf, type Station, type Stay } from './stays'

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

const AXIS = 24
const HAND_LANE = 35
const WIDE = 46
const NARROW: Record<'fan' | 'rest', number> = { fan: 14, rest: 12 }
const REST_LANE = 18
/** More dogs than this at rest at once are drawn over one another. */
const REST_LANES = 9
const DOOR = 46
const GAP = 8
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
  say: Say,
): ClockLayout {
  /** A time as it stands on the clock's edge, where there is no room for more words. */
  const onDial = (minute: number) => say.clock(minute % 1440)
  const { from, to } = spanOf(day, state)
  const x = scaleLinear([from, to], [0, width])
  const px = width / (to - from)
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
  const marks = [...day.seats].sort((a, b) => a.arrive - b.arrive)
  const runOf = (id: string) => state.run?.seats.find((s) => s.id === id)
  const ins = placeLabels(
    marks.map((s) => ({ x: x(s.arrive), text: onDial(s.arrive) })),
    y + 3,
    width,
  )
  const outOrder = marks.filter((s) => runOf(s.id)).sort((a, b) => runOf(a.id)!.ready - runOf(b.id)!.ready)
  const outs = placeLabels(
    outOrder.map((s) => ({ x: x(runOf(s.id)!.ready), text: onDial(runOf(s.id)!.ready) })),
    y + 24 + ins.height,
    width,
  )
  rail('door', 'Comes', '', DOOR + ins.height + outs.height)
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
    const outLabel = outs.labels[outOrder.indexOf(seat)]!
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
          .filter((h) => h.seatId === seat.id && withDog(h.kind))
          .map((h) => {
            const [x1, x2] = [x(h.from) + 1, x(h.to) - 1]
            const room = Math.floor((x2 - x1 - 6) / LETTER)
            const label = found.dog.name.length <= room ? found.dog.name : room >= 2 ? found.dog.name.slice(0, 2) : ''
            return { x1, x2, y: yOf('hands') + HAND_LANE * h.lane, label }
          }),
        inLabel: ins.labels[marks.indexOf(seat)]!,
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
      text: hourWords(from + 60 * i, say),
    })),
    paths,
    cleaning: working.flatMap((h, i) =>
      !withDog(h.kind)
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

/** Which part of a visit a hand moves when it takes hold of a ribbon: what comes before the bath or after drying by itself, everything else by the bath it is tied to. */
export function movedBy(ribbon: Ribbon, all: readonly Ribbon[]): { part: string; at: number } | undefined {
  if (ribbon.parts.length === 0) return undefined
  const [first] = ribbon.parts as [string]
  if (first.startsWith('prepare') || first.startsWith('finish')) return { part: first, at: ribbon.from }
  const tub = all.find((r) => r.station === 'tub')
  return tub ? { part: tub.parts[0]!, at: tub.from } : { part: first, at: ribbon.from }
}
