import { readFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { MessageChannel } from 'node:worker_threads'
import { arrangeDay, DayProblem, type Arrangement, type Told } from '@core/day'
import { projectRoot } from '../config'
import type { ServerWork } from '../work/jobs'
import { withPeer } from '../work/peer'
import { arrangeWithin } from './arranging'

const file = join(projectRoot(), 'checks/day/instances/n03-s1.json')
const problem = DayProblem.parse(JSON.parse(readFileSync(file, 'utf8')))
const good = arrangeDay(problem, { tries: 20_000 }) as Arrangement
const poor = arrangeDay(problem, { tries: 0 }) as Arrangement
const loose = { lowerBound: 0, proven: false }
const BUDGET = { problem, seed: 1, budgetMs: 1000 }

/** Threads of which so many are idle, that answer what they are told to; and which jobs they were given. */
function threads(idle: number, answers: Partial<Record<string, () => unknown>>) {
  const given: { job: string; input: { seed: number } }[] = []
  const work = {
    idle: () => idle,
    waiting: () => 0,
    do: async (job: string, input: never) => {
      given.push({ job, input })
      return answers[job]!()
    },
  } as unknown as ServerWork
  return { given, work }
}
const refuses = (why: string) => () => {
  throw new Error(why)
}
const several = availableParallelism() > 1 ? test : test.skip

several('with threads to spare two searches go on, and the better day is answered with what both proved', async () => {
  const { given, work } = threads(3, {
    arrange: () => ({ ...poor, ...loose, lowerBound: good.objective }),
    arrangeBeside: () => ({ ...good, ...loose }),
  })
  const day = await arrangeWithin(work, BUDGET)
  expect(day).toMatchObject({ objective: good.objective, lowerBound: good.objective, proven: true })
  expect(given.map(({ job }) => job)).toEqual(['arrange', 'arrangeBeside'])
  expect(given[0]!.input.seed).not.toBe(given[1]!.input.seed)
})

several('where both come to as good a day, the first one’s is answered', async () => {
  const other = { ...good, schedule: { tasks: {}, breaks: {} } }
  const { work } = threads(3, { arrange: () => good, arrangeBeside: () => other })
  expect(await arrangeWithin(work, BUDGET)).toMatchObject({ schedule: good.schedule })
})

several('one search that fails doesn’t take the other one’s day away; two that fail say why', async () => {
  const first = threads(3, { arrange: refuses('out of memory'), arrangeBeside: () => good })
  expect(await arrangeWithin(first.work, BUDGET)).toEqual(good)
  const second = threads(3, { arrange: () => good, arrangeBeside: refuses('out of memory') })
  expect(await arrangeWithin(second.work, BUDGET)).toEqual(good)
  const both = threads(3, { arrange: refuses('out of memory'), arrangeBeside: refuses('too long') })
  await expect(arrangeWithin(both.work, BUDGET)).rejects.toThrow('out of memory')
})

several('a day that can’t be done is told with what stands in its way', async () => {
  const none = { feasible: false, lowerBound: 0, clash: [] }
  const { work } = threads(3, { arrange: () => none, arrangeBeside: () => undefined })
  expect(await arrangeWithin(work, BUDGET)).toEqual(none)
})

test('with fewer threads to spare, or little time, one search goes on alone', async () => {
  for (const [idle, budgetMs] of [
    [2, 1000],
    [3, 300],
  ] as const) {
    const { given, work } = threads(idle, { arrange: () => good })
    await arrangeWithin(work, { ...BUDGET, budgetMs })
    expect(given.map(({ job }) => job)).toEqual(['arrange'])
    expect(given[0]!.input).not.toHaveProperty('port')
  }
})

test('two searches hear each other at the ends of a port; one that takes bounds alone hears these', () => {
  const { port1, port2 } = new MessageChannel()
  const told: Told[] = [
    { schedules: [poor.schedule], bound: 5 },
    { schedules: [good.schedule], bound: 3 },
  ]
  const heard = withPeer(port1, 'all', (one) =>
    withPeer(port2, 'bounds', (two) => {
      told.forEach(two.tell)
      told.forEach(one.tell)
      return { one: one.told(), two: two.told(), again: one.told() }
    }),
  )
  expect(heard.one).toEqual({ schedules: [poor.schedule, good.schedule], bound: 5 })
  expect(heard.two).toEqual({ schedules: [], bound: 5 })
  expect(heard.again).toBeUndefined()
})
