import { capital, list, minutesText, say } from '../units'
import type { DayFacts } from './assemble'
import { layOut, mixingList, type DayMix } from './mixing'
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

/** The day in two sentences: how many dogs, hands, end, water, towels; and what to mix before it starts. */
export function daySentence({ day }: DayFacts, { seats, run }: DayState): string {
  if (!run) return `${seats.length} ${seats.length === 1 ? 'dog' : 'dogs'}, not arranged yet.`
  const towels = seats.reduce((sum, s) => sum + (s.plan.go ? s.plan.towels.value : 0), 0)
  const dogs = `${seats.length} ${seats.length === 1 ? 'dog' : 'dogs'}`
  const end = `${capital(minutesText(run.handMinutes))} of hands, done by ${clockText(run.dayEnd)}`
  return `${dogs}, ${end}; ${say(run.hotUsed, 0)} L of hot water, ${towels + day.extraTowels} towels.`
}
