import type { DayProblem, DaySchedule } from '../day'
import { HABITS } from './habits'
import type { Progress, WashDay } from './schema'

type Task = DayProblem['dogs'][number]['tasks'][number]

/** What a plan says has been done by a minute of the clock: ended tasks, and those under way. */
export function progressAt({ hours }: WashDay, problem: DayProblem, schedule: DaySchedule, now: number): Progress {
  const tasks: Progress['tasks'] = {}
  const note = (id: string, start: number, dur: number) => {
    const begins = start + hours.from
    if (begins >= now) return
    tasks[id] = { start: begins, end: begins + dur <= now ? begins + dur : null }
  }
  for (const dog of problem.dogs) for (const t of dog.tasks) note(t.id, schedule.tasks[t.id]!, t.dur)
  for (const pause of problem.breaks) note(pause.id, schedule.breaks[pause.id]!, pause.dur)
  return { now, tasks }
}

/** Hot water of what is done, dl, never more than the tank had at the time. */
function reachable(problem: DayProblem): DayProblem {
  const { capacityDl, initialDl, recoveryDlPerMin } = problem.tank
  const done = problem.dogs
    .flatMap((d) => d.tasks)
    .filter((t) => t.hotDl > 0 && t.latest !== undefined && t.latest === t.earliest)
    .sort((a, b) => a.latest! - b.latest!)
  let [level, at] = [initialDl, 0]
  const capped = new Map<string, number>()
  for (const task of done) {
    level = Math.min(capacityDl, level + recoveryDlPerMin * Math.max(0, task.latest! - at))
    const hotDl = Math.min(task.hotDl, Math.floor(level + recoveryDlPerMin * task.dur))
    capped.set(task.id, hotDl)
    level = Math.max(0, Math.min(capacityDl, level + recoveryDlPerMin * task.dur - hotDl))
    at = task.latest! + task.dur
  }
  const dogs = problem.dogs.map((d) => ({
    ...d,
    tasks: d.tasks.map((t) => (capped.has(t.id) ? { ...t, hotDl: capped.get(t.id)! } : t)),
  }))
  return { ...problem, dogs }
}

/** A task as it stands: done ones hold nothing any more, those under way hold on for as long as they need. */
function taskNow(task: Task, { now, tasks }: Progress, from: number): Task {
  const known = tasks[task.id]
  if (!known) {
    const pin = task.latest !== undefined && task.latest === task.earliest && task.latest >= now - from
    return pin ? task : { ...task, earliest: Math.max(task.earliest ?? 0, now - from), latest: undefined }
  }
  const at = Math.max(0, known.start - from)
  if (known.end !== null)
    return {
      ...task,
      uses: {},
      preds: [],
      needsDog: false,
      earliest: at,
      latest: at,
      dur: Math.max(1, known.end - known.start),
    }
  const spent = now - known.start
  const least = spent + Math.max(1, Math.ceil(HABITS.overrun.value * task.dur))
  return { ...task, preds: [], earliest: at, latest: at, dur: spent >= task.dur ? least : task.dur }
}

/** Waits after something done are dropped when they have run out already, or `loose`: when there is no other way. */
function waitsNow(task: Task, dog: readonly Task[], { now, tasks }: Progress, from: number, loose: boolean): Task {
  const preds = task.preds.map((p) => {
    const done = tasks[p.task] && dog.find((t) => t.id === p.task)
    if (!done || p.maxGap === null) return p
    const over = now - from > done.earliest! + done.dur + p.maxGap
    return over || loose ? { ...p, maxGap: null } : p
  })
  return { ...task, preds }
}

/**
 * What is left of a day at a minute of the clock: tasks done stand where they were and hold nothing, those
 * under way run on (past their time: a little longer), nothing else begins before now. The same minutes as
 * the whole day, so that a schedule places both. `loose` lets wet dogs wait longer where it must be.
 */
export function problemNow(problem: DayProblem, progress: Progress, from: number, loose = false): DayProblem {
  const { now, tasks } = progress
  const begun = (id: string) => tasks[id]
  return reachable({
    ...problem,
    breaks: problem.breaks.map((pause) => {
      const known = begun(pause.id)
      if (known) {
        const at = Math.max(0, known.start - from)
        return {
          ...pause,
          earliest: at,
          latest: at,
          dur: Math.max(1, (known.end ?? known.start + pause.dur) - known.start),
          uses: known.end === null ? pause.uses : {},
        }
      }
      const earliest = Math.max(pause.earliest, now - from)
      return { ...pause, earliest, latest: Math.max(pause.latest, earliest + pause.dur) }
    }),
    dogs: problem.dogs.map((dog) => {
      const own = dog.tasks.map((t) => taskNow(t, progress, from))
      const first = Math.min(dog.arrive, ...own.filter((t) => begun(t.id)).map((t) => t.earliest!))
      const bathed = own.some((t) => t.kind === 'bath' && begun(t.id))
      return {
        ...dog,
        arrive: first,
        lastInTub: dog.lastInTub && !bathed,
        tasks: own.map((t) => (begun(t.id) ? t : waitsNow(t, own, progress, from, loose))),
      }
    }),
  })
}
