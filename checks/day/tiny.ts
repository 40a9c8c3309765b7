import fc from 'fast-check'
import { DayProblem } from '@core/day'

const minutes = (min: number, max: number) => fc.integer({ min, max })
const maybe = <T>(arb: fc.Arbitrary<T>, freq = 2) => fc.option(arb, { freq })

const tinyDog = fc.record({
  arrive: minutes(0, 4),
  pickup: minutes(3, 14),
  look: maybe(minutes(1, 2)),
  bath: minutes(1, 3),
  hot: minutes(0, 9),
  towel: maybe(minutes(1, 1)),
  rest: maybe(minutes(1, 2)),
  toDry: maybe(minutes(0, 3)),
  dry: minutes(1, 4),
  alone: fc.boolean(),
  clean: maybe(minutes(0, 2)),
  brush: maybe(minutes(1, 2)),
  nails: maybe(minutes(1, 2)),
  last: fc.boolean(),
  pin: maybe(minutes(0, 9), 6),
})

type TinyDog = typeof tinyDog extends fc.Arbitrary<infer T> ? T : never

/** A dog's tasks: what may come before the bath, what must follow it in time, and a brush in the end. */
function tasksOf(id: string, d: TinyDog) {
  const tasks: object[] = []
  const wait = (task: string, maxGap: number | null) => [{ task: `${id}.${task}`, maxGap }]
  if (d.look !== null) tasks.push({ id: `${id}.look`, kind: 'prepare', dur: d.look, uses: { hands: 1, table: 1 } })
  tasks.push({
    id: `${id}.bath`,
    kind: 'bath',
    dur: d.bath,
    uses: { hands: 1, tub: 1 },
    hotDl: d.hot,
    preds: d.look === null ? [] : wait('look', null),
    ...(d.pin === null ? {} : { earliest: d.pin, latest: d.pin }),
  })
  if (d.nails !== null) tasks.push({ id: `${id}.nails`, kind: 'finish', dur: d.nails, uses: { hands: 1, table: 1 } })
  let before = 'bath'
  if (d.towel !== null) {
    tasks.push({ id: `${id}.towel`, kind: 'towel', dur: d.towel, uses: { hands: 1, tub: 1 }, preds: wait('bath', 0) })
    before = 'towel'
  }
  if (d.clean !== null)
    tasks.push({
      id: `${id}.clean`,
      kind: 'clean',
      dur: 1,
      uses: { hands: 1, tub: 1 },
      needsDog: false,
      preds: wait(before, d.clean),
    })
  if (d.rest !== null) {
    tasks.push({ id: `${id}.rest`, kind: 'rest', dur: d.rest, uses: { crate: 1 }, preds: wait(before, 1) })
    before = 'rest'
  }
  tasks.push({
    id: `${id}.dry`,
    kind: 'dry',
    dur: d.dry,
    uses: d.alone ? { fan: 1, circuit: 2 } : { hands: 1, table: 1, circuit: 3 },
    preds: wait(before, d.toDry),
  })
  if (d.brush !== null)
    tasks.push({
      id: `${id}.brush`,
      kind: 'finish',
      dur: d.brush,
      uses: { hands: 1, table: 1 },
      preds: [...wait('dry', null), ...(d.nails === null ? [] : wait('nails', null))],
    })
  return tasks
}

/**
 * Days so small that every one of their schedules can be tried, with all that a day can have: rests in a crate, a fan,
 * a circuit that may be short, a pause, a tank that runs empty, fleas, work that is pinned, hands that are away.
 * `hands`: of how many pairs they are.
 */
export const tinyDays = (most: { dogs: number; horizon: number }, hands: readonly number[] = [1, 1, 1, 2]) =>
  fc
    .record({
      dogs: fc.array(tinyDog, { minLength: 1, maxLength: most.dogs }),
      lunch: maybe(minutes(1, 6)),
      recovery: minutes(0, 4),
      crate: minutes(1, 2),
      circuit: minutes(3, 5),
      hands: fc.constantFrom(...hands),
      away: maybe(fc.record({ from: minutes(0, 8), dur: minutes(1, 3) }), 5),
    })
    .map(({ dogs, lunch, recovery, crate, circuit, hands, away }) =>
      DayProblem.parse({
        horizon: most.horizon,
        resources: { hands, tub: 1, table: 1, crate, fan: 1, circuit },
        tank: { capacityDl: 12, initialDl: 12, recoveryDlPerMin: recovery },
        breaks: lunch === null ? [] : [{ id: 'lunch', dur: 2, earliest: lunch, latest: lunch + 3, uses: { hands } }],
        ...(away === null ? {} : { away: [{ uses: { hands: 1 }, from: away.from, to: away.from + away.dur }] }),
        dogs: dogs.map((d, i) => ({
          id: `d${i}`,
          arrive: d.arrive,
          pickup: d.pickup,
          lastInTub: d.last && i === 0,
          readyTask: `d${i}.${d.brush === null ? 'dry' : 'brush'}`,
          tasks: tasksOf(`d${i}`, d),
        })),
      }),
    )
