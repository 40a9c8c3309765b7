import { noiseDose, protection, type Protector } from '../groomer'
import { bandOfSum } from '../learn'
import { litresOf, toolOf, type RinseTool } from '../rinse'
import type { StepName } from '../visit'
import type { VisitRecord } from './record'

/** Where a dog of the day is. */
export const WHEREABOUTS = ['expected', 'here', 'inHand', 'resting', 'dryingAlone', 'ready', 'gone'] as const
export type Whereabouts = (typeof WHEREABOUTS)[number]

/** A step as far as it goes into where a dog is and when it will be ready. */
export interface StepAhead extends StepName {
  id: string
  minutes: number
  hands: boolean
  /** Spread of the logarithm of its minutes; none where they are set. */
  spread?: number
  withDog?: boolean
}

/** Where a dog is by what was tapped of it; without any visit it is expected. */
export function whereabouts(record: VisitRecord | undefined, steps: readonly StepAhead[]): Whereabouts {
  if (!record) return 'expected'
  if (record.gone !== undefined) return 'gone'
  if (record.ended !== undefined) return 'ready'
  if (record.began === undefined) return record.arrived === undefined ? 'expected' : 'here'
  const step = steps.find((s) => s.id === record.current)
  // left to itself it goes on, whether or not its clock stands
  if (step && !step.hands) return step.kind === 'dry' ? 'dryingAlone' : step.kind === 'shake' ? 'resting' : 'inHand'
  return record.paused || !record.current ? 'here' : 'inHand'
}

/** Minutes until a dog is ready: the middle, and by when 1, 5 and 9 in 10 like it are; 0 once it is. */
export interface ReadyIn {
  minutes: number
  band: [number, number]
}

/** How long a dog still takes once it goes on now: what is left of its step, and of those after it in which it takes part. */
export function readyIn(record: VisitRecord, steps: readonly StepAhead[]): ReadyIn {
  if (record.ended !== undefined || record.gone !== undefined) return { minutes: 0, band: [0, 0] }
  const over = (id: string) => record.steps[id]?.state === 'done' || record.steps[id]?.state === 'skipped'
  const left = steps
    .filter((s) => !over(s.id) && s.withDog !== false)
    .map(({ id, minutes, spread }) => ({
      middle: Math.max(0, minutes - (record.steps[id]?.minutes ?? 0)),
      spread,
    }))
  return { minutes: left.reduce((sum, p) => sum + p.middle, 0), band: bandOfSum(left).most }
}

/** What is used up so far: litres of water, towels, and the noise dose in percent of a day's by whose ears; the empty name is who usually works. */
export interface UsedSoFar {
  litres: number
  towels: number
  noise: Record<string, number>
}

/** One visit as far as what it uses goes. */
export interface UsingVisit {
  record: VisitRecord
  steps: readonly StepAhead[]
  tool: RinseTool['kind']
  /** The shower's flow, L/min. */
  flow: number
}

/** What visits of a day used so far: water by the minutes that it really ran, towels by taps, noise as it was measured. */
export function usedSoFar(visits: readonly UsingVisit[], protector: Protector): UsedSoFar {
  const wet = (s: StepAhead) => s.kind === 'wet' || s.kind === 'rinse'
  const off = protection(protector)
  const heard = visits.flatMap((v) => v.record.noise)
  const people = [...new Set(['', ...heard.map((n) => n.by ?? '')])]
  return {
    litres: visits.reduce((sum, { record, steps, tool, flow }) => {
      const minutes = steps.filter(wet).reduce((all, s) => all + (record.steps[s.id]?.minutes ?? 0), 0)
      return sum + litresOf(toolOf(tool, flow), minutes)
    }, 0),
    towels: visits.reduce((sum, v) => sum + v.record.towels, 0),
    noise: Object.fromEntries(
      people.map((by) => [
        by,
        noiseDose(heard.filter((n) => (n.by ?? '') === by).map((n) => ({ level: n.level - off, minutes: n.minutes }))),
      ]),
    ),
  }
}
