import { capital, list, minutesText, say } from '../units'
import type { DayFacts } from './assemble'
import type { ArrangedDay } from './arrangeDay'
import { layOut, mixingList, towelsFor, type DayMix } from './mixing'
import { clockText, type Part } from './schema'
import type { DayState } from './stand'
import { partsOf } from './tasks'

/** What each part of a visit is called. */
export const PART_WORDS: Record<Part, string> = {
  prepare: 'look and brush',
  lift: 'lift, two of you',
  bath: 'bath',
  rest: 'shake and rest',
  towel: 'towel',
  alone: 'dries alone',
  dry: 'dry',
  finish: 'finish',
  clean: 'clean the tub',
}

/** A task of a day in words: "Juniper, dry"; undefined for one that isn't a dog's. */
export function taskWords(id: string, seats: DayState['seats']): string | undefined {
  const [seatId, key] = id.split('.')
  const name = seats.find((s) => s.seat.id === seatId)?.dog.name
  const part = PART_WORDS[key?.replace(/\d+$/, '') as Part]
  return name && part ? `${name}, ${part}` : undefined
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
  what: string
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
      return { id, at, until: at + tasks.get(id)!.dur, seat: seat.id, name: dog.name, part, what: PART_WORDS[part] }
    }),
  )
  const pauses = problem.breaks.map((b): DayLine => {
    const at = schedule.breaks[b.id]! + from
    const name = day.pauses.find((p) => p.id === b.id)?.name ?? b.id
    return { id: b.id, at, until: at + b.dur, seat: '', name: '', part: 'pause', what: name }
  })
  return [...work, ...pauses].sort((a, b) => a.at - b.at || a.until - b.until)
}

/** How much product, and how it is measured: strokes of its pump, else by syringe or jug. */
function amountWords({ productMl, measured }: DayMix['vessels'][number], product: string): string {
  if (!measured.ok) return `${say(productMl)} mL of ${product}`
  const amount = `${say(measured.product, 0)} mL of ${product}`
  if (measured.tool.startsWith('pump')) return `${amount} (${measured.steps} pump strokes)`
  return `${amount} (by ${measured.tool.split(',')[0]})`
}

/** A mix in words: what to fill, with what, to which line. */
export function mixWords(mix: DayMix): string[] {
  return mix.vessels.map((filled) => {
    const vessel = filled.mL === 0 ? 'Fresh' : `${say(filled.mL, 0)} mL bottle`
    const line = say(filled.fill - filled.productMl, 0)
    return `${vessel}: water at ${say(mix.waterC, 0)} °C to the ${line} mL line, then ${amountWords(filled, mix.product)}, to ${say(filled.fill, 0)} mL.`
  })
}

/** The mixing list and what to lay out, with an id for each line so that it can be ticked. */
export function prepareList(facts: DayFacts, state: DayState) {
  const seen = new Map<string, number>()
  const mixes = mixingList(facts, state.seats).map((mix) => {
    const own = `mix ${mix.productId} ${mix.ratio.toFixed(2)} ${mix.bathC.toFixed(1)} ${mix.seats.map((s) => s.id).join(' ')}`
    const count = (seen.get(own) ?? 0) + 1
    seen.set(own, count)
    return {
      id: `${own.slice(0, 116)}${count > 1 ? ` ${count}` : ''}`,
      mix,
      words: mixWords(mix),
      who: list(mix.seats.map((s) => `${s.name} ${say(s.mL, 0)} mL`)),
    }
  })
  const things = layOut(state.seats, facts.day.extraTowels).map((t) => ({ id: `lay ${t.what}`.slice(0, 120), ...t }))
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

/** What is mixed before the first dog, a few words for each product: "92 mL Oat Plain to 1009 mL". */
export function mixesInBrief(facts: DayFacts, { seats }: DayState): string[] {
  return mixingList(facts, seats).map(({ product, vessels, neededMl, leftoverMl }) => {
    const concentrate = vessels.reduce((sum, v) => sum + v.productMl, 0)
    return `${say(concentrate, 0)} mL ${product} to ${say(neededMl + leftoverMl, 0)} mL`
  })
}

/** Above this gap, %, the bound says too little to be told. */
const TELLING_GAP = 60

/** How far a found day may be from the best there can be, in words; undefined when the bound says too little. */
export function gapWords({ objective, lowerBound, proven }: Pick<ArrangedDay, 'objective' | 'lowerBound' | 'proven'>) {
  if (proven) return 'No arrangement of this day is better.'
  const gap = (100 * (objective - lowerBound)) / objective
  return gap < TELLING_GAP ? `At most ${say(gap, 0)} % from the best there can be.` : undefined
}

/** The day in two sentences: how many dogs, hands, end, water, towels; and what to mix before it starts. */
export function daySentence(facts: DayFacts, state: DayState): string {
  const { dogs, towels, run } = totalsOf(facts, state)
  const count = `${dogs} ${dogs === 1 ? 'dog' : 'dogs'}`
  if (!run) return `${count}, not arranged yet.`
  const end = `${capital(minutesText(run.handMinutes))} of hands, done by ${clockText(run.end)}`
  return `${count}, ${end}; ${say(run.hotLitres, 0)} L of hot water, ${towels} towels.`
}
