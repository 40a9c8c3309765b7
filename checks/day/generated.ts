import { chance } from '@core/chance'
import { DayProblem } from '@core/day'

/**
 * Kinds of made-up days: one pair of hands and dogs one after the other; one pair, little hot water and all dogs in the
 * morning; two pairs; either, by chance.
 */
export const KINDS = {
  staggered: { hands: 1, tight: false, morning: false },
  morning: { hands: 1, tight: true, morning: true },
  twoPairs: { hands: 2, tight: true, morning: false },
  mixed: undefined,
} as const
export type DayKind = keyof typeof KINDS

/** Minutes and litres of a dog by its size: from and to. */
const SIZES = {
  small: { brush: [3, 10], bath: [12, 18], litres: [20, 35], dry: [6, 20], fan: [60, 80], finish: [5, 9] },
  medium: { brush: [5, 14], bath: [18, 28], litres: [35, 60], dry: [15, 35], fan: [80, 110], finish: [6, 12] },
  large: { brush: [8, 18], bath: [25, 38], litres: [60, 90], dry: [25, 50], fan: [100, 140], finish: [8, 15] },
  giant: { brush: [10, 20], bath: [35, 45], litres: [90, 110], dry: [40, 60], fan: [130, 150], finish: [10, 15] },
} as const

const HORIZON = 900
/** A pause at noon, and one in the afternoon of some days. */
const NOON = { id: 'lunch', dur: 25, earliest: 180, latest: 300 }
const TEA = { id: 'tea', dur: 10, earliest: 400, latest: 480 }
/** How often a day is thrown away that nobody would take on: more work, tub or water than it has. */
const MOST_THROWN = 5000

interface Task {
  id: string
  kind: string
  dur: number
  uses: Record<string, number>
  hotDl: number
  needsDog: boolean
  preds: { task: string; minGap: number; maxGap: number | null }[]
}
type Wait = readonly [task: string, atLeast?: number, atMost?: number]

/**
 * A made-up wash day of a kind, by its seed: always the same. Its dogs can be done in the time there is; whether each in its own
 * isn't known.
 */
export function generatedDay(dogs: number, kind: DayKind, seed: number): DayProblem {
  const draw = chance(seed)
  const between = ([from, to]: readonly [number, number] | readonly number[]) =>
    from! + Math.floor(draw() * (to! - from! + 1))
  const perhaps = (share: number) => draw() < share
  const fives = (minute: number) => 5 * Math.round(minute / 5)
  const { hands, tight, morning } = KINDS[kind] ?? {
    hands: dogs >= 10 || perhaps(0.3) ? 2 : 1,
    tight: perhaps(0.5),
    morning: perhaps(0.5),
  }
  const stand = perhaps(0.4) ? 1 : 0
  const tables = hands === 2 && perhaps(0.5) ? 2 : 1
  const tank = tight
    ? { capacityDl: 50 * between([20, 26]), recoveryDlPerMin: between([9, 13]) }
    : { capacityDl: 50 * between([32, 40]), recoveryDlPerMin: between([18, 25]) }
  const resources = {
    hands,
    tub: 1,
    table: tables,
    crate: 3,
    fanKennel: between([1, 2]),
    velocityDryer: 1,
    standDryer: stand,
    circuit: perhaps(0.35) ? 1600 : 1800,
  }
  const fuller = Math.min(0.85, Math.max(0.35, (dogs / hands - 3) / 9 + 0.35))

  function oneDog(id: string) {
    const size = perhaps(fuller) ? 'small' : perhaps(0.55) ? 'medium' : perhaps(0.75) ? 'large' : 'giant'
    const of = SIZES[size]
    const tasks: Task[] = []
    const add = (
      name: string,
      dur: number,
      uses: Record<string, number>,
      waits: readonly Wait[],
      more: Partial<Task> = {},
    ) =>
      tasks.push({
        id: `${id}.${name}`,
        kind: name,
        dur,
        uses,
        hotDl: 0,
        needsDog: true,
        preds: waits.map(([task, atLeast = 0, atMost]) => ({
          task: `${id}.${task}`,
          minGap: atLeast,
          maxGap: atMost ?? null,
        })),
        ...more,
      })
    const atTable = { hands: 1, table: 1 }
    const both = hands === 2 && (size === 'large' || size === 'giant') && perhaps(0.3) ? 2 : 1
    const litres = between(of.litres)
    const [byFan, nails, earsFirst] = [perhaps(0.22), perhaps(0.25), perhaps(0.25)]
    add('arrive', between([4, 6]), atTable, [])
    add('brush', between(of.brush), atTable, [['arrive']])
    add('ears', between([3, 6]), atTable, [[earsFirst ? 'arrive' : 'brush']])
    add('bath', between(of.bath), { hands: both, tub: 1 }, earsFirst ? [['brush'], ['ears']] : [['ears']], {
      hotDl: 10 * litres,
    })
    add('towel', between([3, 8]), { hands: both, tub: 1 }, [['bath', 0, 0]])
    add('clean', 4, { hands: 1, tub: 1 }, [['towel', 0, 5]], { needsDog: false })
    add('rest', 10, { crate: 1 }, [['towel', 0, 2]])
    if (byFan) {
      add('fan', between(of.fan), { fanKennel: 1, circuit: 90 }, [['rest', 0, 10]])
      add('comb', between([5, 10]), atTable, [['fan']])
    } else {
      const onStand = stand === 1 && perhaps(0.4)
      const dryer: Record<string, number> = onStand
        ? { standDryer: 1, circuit: 1200 }
        : { velocityDryer: 1, circuit: 1500 }
      add('dry', between(of.dry), { ...atTable, ...dryer }, [['rest', 0, 15]])
    }
    if (nails) add('nails', between([4, 8]), atTable, [['arrive']])
    add('finish', between(of.finish) - (nails ? 2 : 0), atTable, [
      [byFan ? 'comb' : 'dry'],
      ...(nails ? [['nails'] as const] : []),
    ])
    const ends: Record<string, number> = {}
    for (const t of tasks) ends[t.id] = Math.max(0, ...t.preds.map((p) => ends[p.task]! + p.minGap)) + t.dur
    const sum = (what: (t: Task) => number) => tasks.reduce((all, t) => all + what(t), 0)
    return {
      id,
      tasks,
      readyTask: `${id}.finish`,
      lastInTub: false,
      hands: sum((t) => t.dur * (t.uses.hands ?? 0)),
      tub: sum((t) => t.dur * (t.uses.tub ?? 0)),
      water: 10 * litres,
      alone: Math.max(
        ends[`${id}.finish`]!,
        sum((t) => (t.needsDog ? t.dur : 0)),
      ),
      bath: tasks.find((t) => t.kind === 'bath')!.dur,
    }
  }

  for (let thrown = 0; thrown < MOST_THROWN; thrown++) {
    const all = Array.from({ length: dogs }, (_, i) => oneDog(`d${i + 1}`))
    const last = perhaps(0.4) ? all[Math.floor(draw() * dogs)] : undefined
    if (last) last.lastInTub = true
    const sum = (what: 'hands' | 'tub' | 'water') => all.reduce((s, d) => s + d[what], 0)
    const tooMuch =
      sum('hands') > hands * HORIZON * (hands === 2 ? 0.55 : 0.8) ||
      sum('tub') > 620 ||
      sum('water') > tank.capacityDl + tank.recoveryDlPerMin * 620 ||
      all.some((d) => d.water - tank.recoveryDlPerMin * d.bath > tank.capacityDl)
    if (tooMuch) continue
    all.sort((a, b) => Number(a.lastInTub) - Number(b.lastInTub))
    const pace = hands === 2 ? 1.5 : 1
    let before = 0
    const booked = all.map(({ id, tasks, readyTask, lastInTub, hands: work, alone }) => {
      if (lastInTub) before = Math.max(before, (sum('hands') - work) * 1.05 + 30)
      const arrive = morning
        ? fives(draw() * draw() * 60)
        : Math.min(560, Math.max(0, fives((before / pace) * 0.85 + (draw() - 0.5) * 40)))
      const needed = morning
        ? Math.max(arrive + alone + 20, ((before + work) / pace) * 1.12 + between([15, 90]))
        : arrive + alone * 1.15 + between([25, 110])
      before += work
      return { id, tasks, readyTask, lastInTub, arrive, pickup: Math.min(885, 15 * Math.ceil(needed / 15)) }
    })
    return DayProblem.parse({
      name: `${dogs} ${kind} ${seed}`,
      seed,
      horizon: HORIZON,
      resources,
      tank: { ...tank, initialDl: tank.capacityDl },
      breaks: [NOON, ...(perhaps(0.5) ? [TEA] : [])].map((b) => ({ ...b, uses: { hands } })),
      dogs: booked,
    })
  }
  throw new Error(`no day of ${dogs} dogs with the seed ${seed} that could be done`)
}
