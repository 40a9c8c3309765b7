import type { DayFacts } from './assemble'
import type { DayFinding, FindingKind, Judge, Judged } from './finding'
import { judgeCompany } from './subjects/company'
import { judgeCircuits } from './subjects/circuit'
import { judgeAir } from './subjects/dampAir'
import { judgeLateness } from './subjects/lateness'
import { judgeNoise } from './subjects/noise'
import { judgeTowels } from './subjects/towels'
import { judgeWaiting } from './subjects/waiting'
import { judgeWater } from './subjects/water'

const JUDGES: readonly Judge[] = [
  judgeLateness,
  judgeWater,
  judgeCircuits,
  judgeNoise,
  judgeAir,
  judgeTowels,
  judgeWaiting,
  judgeCompany,
]

/** Kinds of findings, the worst first. */
const ORDER: readonly FindingKind[] = [
  'water',
  'circuit',
  'late',
  'towels',
  'noise',
  'wet wait',
  'bites',
  'crates',
  'wait',
  'hours',
  'low water',
  'load',
  'dry longer',
  'humid',
]

/** What of a day does not hold or asks for care, the worst first. */
export function judgeDay(facts: DayFacts, judged: Judged): DayFinding[] {
  const rank = (f: DayFinding) => (f.level === 'stop' ? 0 : ORDER.length) + ORDER.indexOf(f.kind)
  return JUDGES.flatMap((judge) => judge(facts, judged)).sort((a, b) => rank(a) - rank(b) || b.amount - a.amount)
}
