import { objectiveOf, type DayProblem, type DaySchedule, type DayScore } from './problem'
import { wishPoints } from './wishes'

/**
 * A schedule weighed. A dog is late by what its ready task ends
 * after its pick-up; the day ends with the last task that takes hands; a stay runs from arrival to ready.
 */
export function scoreDay(problem: DayProblem, schedule: DaySchedule): DayScore {
  const { tasks } = schedule
  let [late, dayEnd, stays] = [0, 0, 0]
  for (const dog of problem.dogs) {
    for (const task of dog.tasks) {
      const end = tasks[task.id]! + task.dur
      if ((task.uses.hands ?? 0) > 0) dayEnd = Math.max(dayEnd, end)
      if (task.id !== dog.readyTask) continue
      late += Math.max(0, end - dog.pickup)
      stays += end - dog.arrive
    }
  }
  return { objective: objectiveOf({ late, dayEnd, stays }) + wishPoints(problem, schedule), late, dayEnd, stays }
}
