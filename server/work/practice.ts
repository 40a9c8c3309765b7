import { DayProblem } from '@core/day'

const MINUTES = { look: 12, bath: 20, towel: 5, dry: 25, fan: 60, finish: 10, clean: 4 }

/** A made-up day of five dogs with all that days have, to practise on. */
export const practiceDay = (): DayProblem =>
  DayProblem.parse({
    name: 'practice',
    horizon: 720,
    resources: { hands: 1, tub: 1, table: 1, crate: 2, fan: 1 },
    tank: { capacityDl: 1200, initialDl: 1200, recoveryDlPerMin: 10 },
    breaks: [{ id: 'pause', dur: 25, earliest: 150, latest: 240, uses: { hands: 1 } }],
    dogs: Array.from({ length: 5 }, (_, d) => {
      const id = `dog${d}`
      const byFan = d % 2 === 1
      const after = (task: string, maxGap: number | null) => [{ task: `${id}.${task}`, maxGap }]
      return {
        id,
        arrive: 20 * d,
        pickup: 200 + 50 * d,
        readyTask: `${id}.finish`,
        tasks: [
          { id: `${id}.look`, kind: 'prepare', dur: MINUTES.look + d, uses: { hands: 1, table: 1 } },
          {
            id: `${id}.bath`,
            kind: 'bath',
            dur: MINUTES.bath + 2 * d,
            uses: { hands: 1, tub: 1 },
            hotDl: 350,
            preds: after('look', null),
          },
          {
            id: `${id}.towel`,
            kind: 'towel',
            dur: MINUTES.towel,
            uses: { hands: 1, table: 1 },
            preds: after('bath', 2),
          },
          {
            id: `${id}.clean`,
            kind: 'clean',
            dur: MINUTES.clean,
            uses: { hands: 1, tub: 1 },
            needsDog: false,
            preds: after('bath', 20),
          },
          {
            id: `${id}.dry`,
            kind: byFan ? 'alone' : 'dry',
            dur: byFan ? MINUTES.fan : MINUTES.dry,
            uses: byFan ? { fan: 1, crate: 1 } : { hands: 1, table: 1 },
            preds: after('towel', 30),
          },
          {
            id: `${id}.finish`,
            kind: 'finish',
            dur: MINUTES.finish,
            uses: { hands: 1, table: 1 },
            preds: after('dry', null),
          },
        ],
      }
    }),
  })
