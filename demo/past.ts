import { chance, normals } from '@core/chance'
import { ZONES, type Dog, type Zone } from '@core/dog'
import { paceFactor } from '@core/groomer'
import { paidFor } from './payments'
import type { Happening, Settled, Stressor, Went } from '@core/handling'
import type { House } from '@core/house'
import { readLog, type Done } from '@core/learn'
import type { ShelvedProduct } from '@core/mix'
import { doneOf, outcomeOf, TubEvent, zoneMinutes } from '@core/tubside'
import { addDays, NOTHING_KNOWN, planVisit, Today, todayFromRecord, type Memory, type Plan } from '@core/visit'

/** What really went on in the made-up past, beyond the models: what learning has to find. Ratios of minutes, or of grams. */
export interface Hidden {
  /** One dog's zone that dries slower than its coat's norm. */
  slowZone: { dog: string; zone: Zone; ratio: number } | null
  /** One calendar month, so many before the one from which a dryer was weak, in which all drying took longer. */
  humidMonth: { monthsBefore: number; ratio: number } | null
  /** A dryer that has become weak since the first of the month that holds the day so many days ago. */
  weakDryer: { name: string; daysAgo: number; ratio: number } | null
  /** One dog's coat that holds more water than its table. */
  thirsty: { dog: string; ratio: number } | null
}

/**
 * Days after which a weak dryer is told from a humid month: six wash days, which are never all of one month.
 */
const WEAK_DAYS = 42

/** The past that ships with the demonstration. */
export const HIDDEN: Hidden = {
  slowZone: { dog: 'Pesto', zone: 'hindlegs', ratio: 1.6 },
  humidMonth: { monthsBefore: 2, ratio: 1.22 },
  weakDryer: { name: 'Stand dryer', daysAgo: WEAK_DAYS, ratio: 1.28 },
  thirsty: { dog: 'Nimbus', ratio: 1.2 },
}

/** Nothing hidden: minutes scatter around the models alone. */
export const NOTHING_HIDDEN: Hidden = { slowZone: null, humidMonth: null, weakDryer: null, thirsty: null }

/** One visit of the past: which dog, how it was that day, what the log knew then, its plan, and the taps. */
export interface PastVisit {
  dog: string
  today: Today
  memory: Memory
  plan: Plan
  events: TubEvent[]
}

/** One wash day of the past, its visits in the order in which they were worked. `starts`: planned minutes of the clock. */
export interface PastDay {
  date: string
  visits: PastVisit[]
  starts: number[]
}

/** How much the minutes of the past scatter, as spreads of their logarithm. */
const SCATTER = { step: 0.18, zone: 0.18, day: 0.06, towels: 0.06 }
const OPENS = 8 * 60
const LATEST = 17 * 60
const MINUTE = 60_000
const DAY_MS = 86_400_000
/** A dog that isn't due again before so many days to the end of the past was there for the last time. */
const LAST_DAYS = 4
const WEEKS = 26
/** After how many days owners come again at the latest, whatever is advised. */
const OFTEN = [14, 21, 21, 28]
const LEFT_OUT = new Set(['Clove', 'Wren', 'Puck', 'Bosun'])

/** The month so many months before a date's, as "2026-08". */
function monthBack(date: string, back: number): string {
  const [year, month] = date.split('-').map(Number) as [number, number]
  return new Date(Date.UTC(year, month - 1 - back, 1)).toISOString().slice(0, 7)
}

/** The months of what is hidden in a past that ends before `last`, as "2026-08": the humid one, and that from which a dryer was weak. */
export function monthsHidden({ humidMonth, weakDryer }: Hidden, last: string): { humid?: string; weakSince?: string } {
  const weakSince = monthBack(addDays(last, -(weakDryer?.daysAgo ?? WEAK_DAYS)), 0)
  return {
    humid: humidMonth ? monthBack(`${weakSince}-01`, humidMonth.monthsBefore) : undefined,
    weakSince: weakDryer ? weakSince : undefined,
  }
}

const STRESSORS: Partial<Record<Dog['fears'][number], Stressor>> = {
  water: 'running water',
  face: 'face',
  feet: 'feet',
  tail: 'tail',
  ears: 'ears',
  brush: 'brush',
  dryer: 'dryer noise',
  crate: 'the crate alone',
}

/** Places that stay damp now and then, the likeliest first. */
const DAMP: readonly Zone[] = ['forelegs', 'hindlegs', 'belly', 'ears']
const ACCIDENTS: readonly Happening[] = ['soap in the eye', 'slip or jump', 'panic', 'chilled, shivering']

/** Now and then the tap at the end of a short step is forgotten, and its minutes run on. */
const FORGOTTEN = { share: 0.05, times: 6 }
const SHORT: readonly string[] = ['look', 'nails', 'ears']

interface Told {
  dog: Dog
  today: Today
  memory: Memory
  plan: Plan
  hidden: Hidden
  last: string
  random: () => number
  normal: () => number
}

/** What really makes a zone's drying slower or faster than the model that day. */
function truthOfDrying({ dog, today, plan, hidden, last }: Told, zone?: Zone): number {
  const { slowZone, humidMonth, weakDryer } = hidden
  const slow = slowZone && slowZone.dog === dog.name && slowZone.zone === zone ? slowZone.ratio : 1
  const months = monthsHidden(hidden, last)
  const humid = humidMonth && today.date.startsWith(months.humid!) ? humidMonth.ratio : 1
  const isWeak = weakDryer && plan.drying.choice.warm?.name === weakDryer.name && today.date >= months.weakSince!
  return slow * humid * (isWeak ? weakDryer.ratio : 1)
}

/** An id for a tap, by chance. */
function idBy(random: () => number, kind: 'a' | 'b'): string {
  const hex = (n: number) => {
    let text = ''
    for (let i = 0; i < n; i++) text += '0123456789abcdef'[Math.floor(16 * random())]
    return text
  }
  return `${hex(8)}-${hex(4)}-4${hex(3)}-${kind}${hex(3)}-${hex(12)}`
}

/** The taps of one visit that begins at `began` (ms): every step of the plan with the minutes it really took. */
function tapsOf(told: Told, began: number): { events: TubEvent[]; ended: number } {
  const { dog, today, plan, random, normal, hidden } = told
  const events: TubEvent[] = []
  let at = began
  const tap = (what: Record<string, unknown>) =>
    events.push(
      TubEvent.parse({
        id: idBy(random, 'a'),
        at: Math.round(at),
        device: 'tablet',
        ...what,
      }),
    )
  const mood = Math.exp(SCATTER.day * normal())
  const pace = paceFactor(today.mood ?? dog.mood)
  const accident = random() < 0.05 ? ACCIDENTS[Math.floor(random() * ACCIDENTS.length)] : undefined
  const accidentIn = accident && plan.steps[2 + Math.floor(random() * (plan.steps.length - 3))]?.id
  const forgotten = random() < FORGOTTEN.share ? SHORT[Math.floor(random() * SHORT.length)] : undefined
  for (const step of plan.steps) {
    if (step.kind === 'nails' && random() < 0.08) {
      tap({ kind: 'skip', step: step.id, why: 'The dog has had enough' })
      continue
    }
    tap({ kind: 'step', step: step.id })
    if (step.kind === 'plugIn' || step.kind === 'plugOut') {
      const way = step.kind === 'plugIn' ? 'in' : 'out'
      for (const side of ['left', 'right'] as const) tap({ kind: 'plug', side, way, set: 'water' })
    }
    if (step.kind === 'wash' && typeof step.pass === 'number')
      for (const zone of step.zones) tap({ kind: 'lathered', pass: step.pass, zone })
    if (step.kind === 'dry' && step.hands && step.role !== 'fast') {
      for (const { zone, minutes } of zoneMinutes(plan, pace)) {
        at += minutes * truthOfDrying(told, zone) * mood * Math.exp(SCATTER.zone * normal()) * MINUTE
        if (DAMP.includes(zone) && random() < 0.06) {
          tap({ kind: 'damp', zone: zone })
          at += 1.5 * MINUTE
        }
        tap({ kind: 'dry', zone: zone })
      }
      continue
    }
    const set = step.kind === 'stand' || step.kind === 'shake' || step.role === 'wrapped'
    const truth =
      step.kind === 'dry' && step.role !== 'fast' ? truthOfDrying(told) : step.id === forgotten ? FORGOTTEN.times : 1
    at += (step.model ?? step.minutes.value) * (set ? 1 : truth * mood * Math.exp(SCATTER.step * normal())) * MINUTE
    if (step.kind === 'rinse' && step.role === 'last') {
      for (let p = 1; p <= plan.rinse.last.passes; p++) tap({ kind: 'rinsed', pass: p })
      tap({ kind: 'fingers', slippery: null })
    }
    if (step.kind === 'towel') for (let t = 0; t < plan.drying.towels; t++) tap({ kind: 'towel' })
    if (accident && step.id === accidentIn) {
      tap({ kind: 'happened', what: accident, text: '' })
      tap({ kind: 'pause' })
      at += 3 * MINUTE
      tap({ kind: 'resume' })
    }
  }
  const unchecked = ZONES.filter((z) => !events.some((e) => e.kind === 'dry' && e.zone === z))
  for (const zone of unchecked) tap({ kind: 'dry', zone })
  tap({ kind: 'finish' })
  const ended = at
  const { stages, held = 1 } = plan.drying
  const towelled = stages.findLast((s) => s.after !== 'towels')!.grams - stages.at(-1)!.grams
  if (plan.go && towelled > 30 && random() < 0.6) {
    const thirst = hidden.thirsty?.dog === dog.name ? hidden.thirsty.ratio : 1
    const wet = (towelled / held) * thirst * Math.exp(SCATTER.towels * normal())
    at += MINUTE
    tap({ kind: 'weighed', what: 'dry', grams: 900 })
    tap({ kind: 'weighed', what: 'wet', grams: Math.round(900 + wet) })
  }
  return { events, ended }
}

/** How a feared thing was borne: a little better from visit to visit. */
function bearing(told: Told, visits: number, at: number): TubEvent[] {
  const { dog, random } = told
  return dog.fears.flatMap((fear, i) => {
    const stressor = STRESSORS[fear]
    if (!stressor) return []
    const ease = Math.min(0.8, 0.25 + 0.1 * visits)
    const well = random() < ease
    const went: Went = well ? 'at ease' : random() < 0.3 ? 'fought it' : 'bore it'
    const settled: Settled = well
      ? 'at once'
      : went === 'fought it' && random() < 0.4
        ? 'not that day'
        : 'within minutes'
    return [
      TubEvent.parse({
        id: idBy(random, 'b'),
        at: Math.round(at) + i,
        device: 'tablet',
        kind: 'settled',
        stressor,
        went,
        settled,
      }),
    ]
  })
}

/** Whether a dog, by its name, is of another one's owner. */
const isOwners = (dogs: readonly Dog[], name: string, { owner }: Dog): boolean =>
  owner !== '' && dogs.some((d) => d.name === name && d.owner === owner)

/** How a dog is on a day of the past: as its record expects, with what comes and goes. */
function conditionOn(dog: Dog, date: string, before: Today | undefined, random: () => number): Today {
  const usual = todayFromRecord(dog, date)
  const kg = Math.round(10 * dog.weightKg * (0.97 + 0.06 * random())) / 10
  const troubled = before?.skin.filter((s) => s === 'itchy' || s === 'greasy' || s === 'dry') ?? []
  const eased = troubled.length > 0 && random() < 0.6
  const skin = eased ? [] : random() < 0.12 ? (['itchy'] as const) : usual.skin
  return Today.parse({
    ...usual,
    fleas: false,
    weightKg: kg,
    skin: [...skin],
    soil: random() < 0.2 ? 'filthy' : usual.soil,
  })
}

/**
 * Half a year of wash days that end before `last`, a Saturday every week, by a seed: each dog when it is due,
 * as many as the day holds, worked one after another. The plans knew what the log said by then; the minutes
 * are the models' with what is `hidden` and with the scatter of steps, zones and days. `dogs` name themselves.
 */
export function* eachPastDay(
  { dogs, house }: { dogs: readonly Dog[]; house: House },
  shelf: readonly ShelvedProduct[],
  last: string,
  { seed = 1, hidden = HIDDEN, weeks = WEEKS }: { seed?: number; hidden?: Hidden; weeks?: number } = {},
): Generator<PastDay, void> {
  const random = chance(seed)
  const normal = normals(seed + 77)
  const comes = dogs.filter((d) => !LEFT_OUT.has(d.name))
  const due = new Map(comes.map((d, i) => [d.name, addDays(last, -7 * weeks + 7 * (i % 4))]))
  const before = new Map<string, { today: Today; visits: number; memory: Memory }>()
  const log: Record<string, Done[]> = {}
  for (let week = weeks; week >= 1; week--) {
    const date = addDays(last, -7 * week)
    const ready = comes.filter((d) => due.get(d.name)! <= addDays(date, 3))
    ready.sort((a, b) => due.get(a.name)!.localeCompare(due.get(b.name)!))
    const lessons = readLog(log)
    let [clock, at] = [OPENS, Date.parse(`${date}T00:00:00Z`) + OPENS * MINUTE]
    const day: PastDay = { date, visits: [], starts: [] }
    for (const dog of ready) {
      const own = before.get(dog.name)
      const today = conditionOn(dog, date, own?.today, random)
      const memory: Memory = {
        ...(own?.memory ?? NOTHING_KNOWN),
        lessons: lessons({ dog: dog.name, coat: dog.coat }),
      }
      const plan = planVisit(dog, today, shelf, house, memory)
      if (clock + plan.minutes.value > LATEST) continue
      const told: Told = { dog, today, memory, plan, hidden, last, random, normal }
      at = Math.max(at, Date.parse(`${date}T00:00:00Z`) + clock * MINUTE)
      const { events, ended } = tapsOf(told, at)
      const visits = (own?.visits ?? 0) + 1
      const borne = bearing(told, visits, ended + 2 * MINUTE)
      const all = [...events, ...borne]
      day.starts.push(clock)
      clock += Math.ceil(plan.minutes.value)
      at = ended
      const outcome = outcomeOf({ plan, today, mood: dog.mood }, all, house.water.flow)!
      for (const [kind, done] of Object.entries(doneOf(outcome, dog.name, dog.coat))) (log[kind] ??= []).push(done)
      const news = Object.entries(outcome.settled).map(([stressor, how]) => ({
        date,
        stressor: stressor as Stressor,
        ...how,
      }))
      before.set(dog.name, {
        today,
        visits,
        memory: {
          ...(own?.memory ?? NOTHING_KNOWN),
          came: [...(own?.memory.came ?? []), date],
          borne: [...(own?.memory.borne ?? []), ...news],
          happened: [
            ...(own?.memory.happened ?? []),
            ...outcome.happened.map((h) => ({
              date,
              what: h.what,
              step: outcome.steps.find((s) => s.id === h.step)?.step ?? null,
            })),
          ],
        },
      })
      const days = Math.min(plan.next.days.value, OFTEN[Math.floor(OFTEN.length * random())]!)
      due.set(dog.name, addDays(date, days))
      const cameLast = own?.memory.came?.at(-1)
      const paid = paidFor({
        dog,
        today,
        plan,
        house,
        second: day.visits.some((v) => isOwners(comes, v.dog, dog)),
        since: cameLast ? Math.round((Date.parse(date) - Date.parse(cameLast)) / DAY_MS) : null,
        last: addDays(date, days) > addDays(last, -LAST_DAYS),
        at: ended + 5 * MINUTE,
      })
      day.visits.push({ dog: dog.name, today, memory, plan, events: [...all, ...paid] })
    }
    if (day.visits.length > 0) yield day
  }
}

/** All of them. */
export const pastDays = (...of: Parameters<typeof eachPastDay>): PastDay[] => [...eachPastDay(...of)]
