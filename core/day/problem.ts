import { z } from 'zod'
import { constants, house } from '../constants'

const Minute = z.number().int().min(0).max(5000)
const Amounts = z.record(z.string().max(40), z.number().int().min(0).max(1_000_000))

/** A task waits for another of the same dog: at least `minGap` minutes after its end, at most `maxGap` (null: as long as it likes). */
export const Waits = z.object({
  task: z.string().max(80),
  minGap: Minute.default(0),
  maxGap: Minute.nullable().default(null),
})

/**
 * One stretch of work: minutes, what it holds while it runs, hot water in decilitres, and what it waits for.
 * `earliest` and `latest` bound its start; both alike pin it to a minute. `loud`: a dryer is loud in it.
 */
export const DayTask = z.object({
  id: z.string().min(1).max(80),
  kind: z.string().max(40),
  dur: z.number().int().min(1).max(2000),
  uses: Amounts,
  hotDl: z.number().int().min(0).max(1_000_000).default(0),
  needsDog: z.boolean().default(true),
  preds: z.array(Waits).max(40).default([]),
  earliest: Minute.optional(),
  latest: Minute.optional(),
  loud: z.boolean().optional(),
})
export type DayTask = z.infer<typeof DayTask>

/**
 * One dog of the day: when it comes and should be ready, and its tasks. `lastInTub`: bathed after all others. `tender`:
 * anxious or young, better not there for long.
 */
export const DayDog = z.object({
  id: z.string().min(1).max(80),
  arrive: Minute,
  pickup: Minute,
  lastInTub: z.boolean().default(false),
  tender: z.boolean().optional(),
  readyTask: z.string().max(80),
  tasks: z.array(DayTask).min(1).max(60),
})
export type DayDog = z.infer<typeof DayDog>

/** A pause that always happens, to begin within its window. */
export const DayBreak = z.object({
  id: z.string().min(1).max(80),
  dur: z.number().int().min(1).max(600),
  earliest: Minute,
  latest: Minute,
  uses: Amounts,
})

/** A stretch during which some of a resource isn't there: a helper who has gone, a dryer lent out. */
export const DayAway = z.object({ uses: Amounts, from: Minute, to: Minute })

/** What a day is weighed by beyond lateness, its end and the dogs' stays, `end` and `stays` for more of these. */
export const WISHED = ['end', 'stays', 'longWaits', 'apart', 'tender', 'close', 'breather', 'loud', 'scraps'] as const
export type Wished = (typeof WISHED)[number]

const Points = z.number().int().min(0).max(1000)
/** Points for a minute of each; what isn't named isn't weighed. What a minute is: see `wishes.ts`. */
export const DayWishes = z.partialRecord(z.enum(WISHED), Points)
export type DayWishes = z.infer<typeof DayWishes>

/** The most a day may hold: above that no search would come to anything. */
const MOST_TASKS = 400
const MOST_RESOURCES = 60

/** Whether some tasks can never begin because they wait for one another. */
function waitsInCircle(tasks: readonly DayTask[]): boolean {
  const left = new Map(tasks.map((t) => [t.id, t]))
  for (let removed = true; removed;) {
    const open = [...left.values()].filter((t) => t.preds.every((p) => !left.has(p.task)))
    open.forEach((t) => left.delete(t.id))
    removed = open.length > 0
  }
  return left.size > 0
}

/**
 * A wash day over what is scarce. All times are whole minutes from the start of the day, all water whole
 * decilitres, so that every check is exact.
 */
export const DayProblem = z
  .object({
    name: z.string().max(80).default('day'),
    seed: z.number().int().default(1),
    horizon: z.number().int().min(1).max(5000),
    resources: z.record(z.string().max(40), z.number().int().min(0).max(1_000_000)),
    tank: z.object({
      capacityDl: z.number().int().min(0),
      initialDl: z.number().int().min(0),
      recoveryDlPerMin: z.number().int().min(0),
    }),
    breaks: z.array(DayBreak).max(10).default([]),
    away: z.array(DayAway).max(40).optional(),
    wishes: DayWishes.optional(),
    dogs: z.array(DayDog).min(1, 'A day has at least one dog.').max(40, 'A day has at most 40 dogs.'),
  })
  .superRefine((problem, context) => {
    const fail = (path: PropertyKey[], message: string) => context.addIssue({ code: 'custom', path, message })
    const seen = new Set<string>()
    const count = problem.dogs.reduce((sum, d) => sum + d.tasks.length, 0)
    if (count > MOST_TASKS) fail(['dogs'], `A day has at most ${MOST_TASKS} tasks; this one has ${count}.`)
    const kinds = Object.keys(problem.resources).length
    if (kinds > MOST_RESOURCES)
      fail(['resources'], `A day has at most ${MOST_RESOURCES} resources; this one has ${kinds}.`)
    problem.away?.forEach(({ uses, from, to }, a) => {
      if (to <= from) fail(['away', a, 'to'], 'It must end after it begins.')
      for (const name of Object.keys(uses)) {
        if (!(name in problem.resources)) fail(['away', a, 'uses', name], `The day has no ${name}.`)
      }
    })
    problem.dogs.forEach((dog, d) => {
      const own = new Set(dog.tasks.map((t) => t.id))
      if (!own.has(dog.readyTask)) fail(['dogs', d, 'readyTask'], `${dog.id} has no task ${dog.readyTask}.`)
      if (waitsInCircle(dog.tasks))
        fail(['dogs', d, 'tasks'], `The tasks of ${dog.id} wait for each other in a circle.`)
      dog.tasks.forEach((task, t) => {
        if (seen.has(task.id)) fail(['dogs', d, 'tasks', t, 'id'], `Two tasks are called ${task.id}.`)
        seen.add(task.id)
        if ((task.latest ?? Infinity) < (task.earliest ?? 0))
          fail(['dogs', d, 'tasks', t, 'latest'], `${task.id} can't begin before it may.`)
        for (const name of Object.keys(task.uses)) {
          if (!(name in problem.resources)) fail(['dogs', d, 'tasks', t, 'uses', name], `The day has no ${name}.`)
        }
        for (const wait of task.preds) {
          if (!own.has(wait.task))
            fail(
              ['dogs', d, 'tasks', t, 'preds'],
              `${task.id} waits for ${wait.task}, which is not a task of this dog.`,
            )
        }
      })
    })
  })
export type DayProblem = z.infer<typeof DayProblem>

/** A start, in minutes, for every task and every break. */
export interface DaySchedule {
  tasks: Record<string, number>
  breaks: Record<string, number>
}

/**
 * What a schedule comes to: minutes late in all, the end of the groomer's day, the dogs' stays together; and the points
 * of all that, wishes weighed in.
 */
export interface DayScore {
  objective: number
  late: number
  dayEnd: number
  stays: number
}

/** What a minute of each weighs when days are compared. */
export const OBJECTIVE = constants({
  late: house(1000, 'points for a minute late', [200, 5000]),
  dayEnd: house(10, 'points for a minute of the groomer’s day', [3, 30]),
  stays: house(1, 'points for a minute of a dog’s stay', [0.5, 3]),
})
const WEIGHTS = { late: OBJECTIVE.late.value, dayEnd: OBJECTIVE.dayEnd.value, stays: OBJECTIVE.stays.value }

/** What a day comes to in points before wishes, the fewer the better: minutes late, the end of the work, and the dogs' stays, weighed. */
export const objectiveOf = ({ late, dayEnd, stays }: Pick<DayScore, 'late' | 'dayEnd' | 'stays'>): number =>
  WEIGHTS.late * late + WEIGHTS.dayEnd * dayEnd + WEIGHTS.stays * stays
