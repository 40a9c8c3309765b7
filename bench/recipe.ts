import { performance } from 'node:perf_hooks'
import { Dog } from '@core/dog'
import { planVisit, Today, todayFromRecord } from '@core/visit'
import { DRYING_CASES, DRYING_WAYS, HAND_CASES } from '../checks/dogs'
import { planOf } from '../checks/plans'
import { REFERENCES } from '../checks/references'
import { DEMO } from '../demo/scenario'

type Line = (what: string, value: string, aim?: string) => void

const DATE = '2026-11-28'
const shelf = DEMO.products.map((p) => ({ ...p, id: p.name }))
const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!
const timed = (work: () => void) => {
  const began = performance.now()
  work()
  return performance.now() - began
}

/** Minutes beside the range that practice knows; what lies outside is named. */
const beside = (line: Line, what: string, minutes: number, least: number, most: number) =>
  line(
    what,
    `${minutes.toFixed(0)} min`,
    minutes > most + 0.5 || minutes < least - 0.5 ? `OUTSIDE ${least} to ${most}` : `${least} to ${most}`,
  )

/** Minutes of drying by each way, beside the table of practice. */
function dryingMinutes(line: Line): void {
  for (const [name, ...bands] of REFERENCES.dryingWays.values)
    DRYING_WAYS.forEach(([technique, dryers], i) => {
      const [least, most] = [Number(bands[2 * i]), Number(bands[2 * i + 1])]
      const { drying } = planOf(DRYING_CASES[name], { technique }, { dryers })
      if (most > 0) beside(line, `dry: ${name}, ${technique}`, drying.minutes.value, least, most)
    })
}

/** Milliseconds of a recipe for each of some dogs, and of a fixed loop of sums in the same run. */
function cost(dogs: readonly Dog[]): { ms: number; ratio: number } {
  const days = dogs.map((dog) => [dog, todayFromRecord(dog, DATE)] as const)
  const once = () => timed(() => days.forEach(([dog, today]) => planVisit(dog, today, shelf, DEMO.house))) / days.length
  let kept = 0
  const loop = () =>
    timed(() => {
      for (let i = 1; i < 1_000_000; i++) kept += Math.sqrt(i) / i
    })
  for (let i = 0; i < 30; i++) kept += once() + loop()
  const [ms, fixed] = [median(Array.from({ length: 60 }, once)), median(Array.from({ length: 60 }, loop))]
  return { ms, ratio: kept > 0 ? ms / fixed : Infinity }
}

/** Minutes of hands and of drying in the house of the demonstration beside what practice knows, and what a recipe costs. */
export function recipes(line: Line): void {
  for (const [name, least, most] of REFERENCES.handMinutes.values) {
    const [dog, today] = HAND_CASES[name]
    const plan = planVisit(Dog.parse({ name, ...dog }), Today.parse({ date: DATE, ...today }), shelf, DEMO.house)
    beside(line, `hands: ${name}`, plan.handMinutes.value, least, most)
  }
  dryingMinutes(line)
  const { ms, ratio } = cost(DEMO.dogs)
  line(
    'one recipe in core, median',
    `${ms.toFixed(3)} ms`,
    `aim: under 2 ms; ${ratio.toFixed(2)} × a loop of a million roots`,
  )
  const frightened = cost(DEMO.dogs.map((dog) => ({ ...dog, mood: 'anxious' as const })))
  line('one of a frightened dog, median', `${frightened.ms.toFixed(3)} ms`, `${frightened.ratio.toFixed(2)} × the loop`)
}
