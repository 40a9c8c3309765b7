import type { Filled } from '../mix'
import type { DayFacts } from './assemble'
import { layOut, mixingList, towelsFor, type DayMix, type LayLine } from './mixing'
import { PARTS, type Part } from './schema'
import type { DayState } from './finding'
import { partsOf } from './tasks'

/** A task of a day as it is called: whose, and which part of its visit. */
export interface TaskName {
  name: string
  part: Part
}

/** What a task of a day is; undefined for one that isn't a dog's. */
export function taskOf(id: string, seats: DayState['seats']): TaskName | undefined {
  const [seatId, key] = id.split('.')
  const name = seats.find((s) => s.seat.id === seatId)?.dog.name
  const part = PARTS.find((p) => p === key?.replace(/\d+$/, ''))
  return name && part ? { name, part } : undefined
}

/** One line of the day in order of time: minutes of the clock, who and what. */
export interface DayLine {
  /** The task's or pause's id in the day's problem. */
  id: string
  at: number
  until: number
  seat: string
  name: string
  part: Part | 'pause'
  /** The pause's own name; undefined for a dog's part. */
  pause?: string
}

/** The day's work in order of time; empty while it isn't arranged. */
export function linesOfDay({ day }: DayFacts, { seats, problem, schedule }: DayState): DayLine[] {
  if (!schedule) return []
  const { from } = day.hours
  const tasks = new Map(problem.dogs.flatMap((d) => d.tasks.map((t) => [t.id, t])))
  const work = seats.flatMap(({ seat, dog, plan, liftApart }) =>
    partsOf(plan, liftApart).map(({ part, key }): DayLine => {
      const id = `${seat.id}.${key}`
      const at = schedule.tasks[id]! + from
      return { id, at, until: at + tasks.get(id)!.dur, seat: seat.id, name: dog.name, part }
    }),
  )
  const pauses = problem.breaks.map((b): DayLine => {
    const at = schedule.breaks[b.id]! + from
    const name = day.pauses.find((p) => p.id === b.id)?.name ?? b.id
    return { id: b.id, at, until: at + b.dur, seat: '', name: '', part: 'pause', pause: name }
  })
  return [...work, ...pauses].sort((a, b) => a.at - b.at || a.until - b.until)
}

/** A mix of the day with an id for its line, so that it can be ticked. */
export interface PreparedMix {
  id: string
  mix: DayMix
}

/** What to lay out, with an id for its line. */
export interface LaidOut extends LayLine {
  id: string
}

/** When each seat's bath begins, minutes of the clock, once the day is arranged. */
function bathsOf({ day }: DayFacts, { schedule }: DayState) {
  return (seat: string): number | undefined => {
    const at = schedule?.tasks[`${seat}.bath`]
    return at === undefined ? undefined : at + day.hours.from
  }
}

/** What tells lines of one kind apart: a product, a tool, one's own words. */
function ofLine({ what }: LayLine): string {
  switch (what.code) {
    case 'lay.product':
      return what.facts.product
    case 'lay.brush':
    case 'lay.clip':
      return what.facts.tool
    case 'lay.own':
      return what.facts.what
    default:
      return ''
  }
}

/** The mixing list and what to lay out, with an id for each line so that it can be ticked. */
export function prepareList(facts: DayFacts, state: DayState): { mixes: PreparedMix[]; things: LaidOut[] } {
  const seen = new Map<string, number>()
  const mixes = mixingList(facts, state.seats, bathsOf(facts, state)).map((mix): PreparedMix => {
    const seats = mix.seats.map((s) => s.id).sort()
    const own = `mix ${mix.productId} ${mix.ratio.toFixed(2)} ${mix.bathC.toFixed(1)} ${seats.join(' ')}`
    const count = (seen.get(own) ?? 0) + 1
    seen.set(own, count)
    return { id: `${own.slice(0, 116)}${count > 1 ? ` ${count}` : ''}`, mix }
  })
  const things = layOut(state.seats, facts.day.extraTowels, facts.house).map((line): LaidOut => {
    return { id: `${line.what.code} ${ofLine(line)}`.trim().slice(0, 120), ...line }
  })
  return { mixes, things }
}

/** A day's totals: dogs, towels, and once it is arranged the minutes of hands, when it ends (minute of the clock) and litres of hot water. */
export interface DayTotals {
  dogs: number
  towels: number
  run?: { handMinutes: number; end: number; hotLitres: number }
}

/** What a day comes to. */
export function totalsOf({ day }: Pick<DayFacts, 'day'>, { seats, run }: DayState): DayTotals {
  return {
    dogs: seats.length,
    towels: towelsFor(seats) + day.extraTowels,
    ...(run ? { run: { handMinutes: run.handMinutes, end: run.dayEnd, hotLitres: run.hotUsed } } : {}),
  }
}

/** What is mixed before the first dog: each product's concentrate as it is measured out, and how much mix it makes, mL. */
export function mixesInBrief(
  facts: DayFacts,
  { seats }: DayState,
): { product: string; concentrate: number; mL: number }[] {
  return mixingList(facts, seats).map(({ product, vessels, how }) => {
    const given = (v: Filled) => (how !== 'proportioner' && v.measured.ok ? v.measured.product : v.productMl)
    const concentrate = vessels.reduce((sum, v) => sum + given(v), 0)
    return { product, concentrate, mL: concentrate + vessels.reduce((sum, v) => sum + v.waterMl, 0) }
  })
}
