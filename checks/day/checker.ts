import type { DayProblem, DaySchedule } from '@core/day'

/**
 * What is wrong with a schedule, by the rules of the day and nothing of the search: minute by minute.
 * Empty when every rule holds.
 */
export function faultsOf(problem: DayProblem, schedule: DaySchedule): string[] {
  const faults: string[] = []
  const { horizon, resources, tank, breaks, dogs } = problem
  const starts = schedule.tasks
  const ids = dogs.flatMap((d) => d.tasks.map((t) => t.id))
  for (const id of Object.keys(starts)) if (!ids.includes(id)) faults.push(`no such task: ${id}`)

  for (const dog of dogs) {
    for (const task of dog.tasks) {
      const start = starts[task.id]
      if (start === undefined || !Number.isInteger(start) || start < dog.arrive || start + task.dur > horizon) {
        faults.push(`${task.id} at ${start}`)
        continue
      }
      if (start < (task.earliest ?? 0) || start > (task.latest ?? Infinity))
        faults.push(`${task.id} at ${start}, outside its window`)
      for (const wait of task.preds) {
        const before = dog.tasks.find((t) => t.id === wait.task)!
        const gap = start - (starts[wait.task]! + before.dur)
        if (gap < wait.minGap || (wait.maxGap !== null && gap > wait.maxGap))
          faults.push(`${task.id}: ${gap} min after ${wait.task}`)
      }
    }
  }
  for (const pause of breaks) {
    const start = schedule.breaks[pause.id]
    if (start === undefined || start < pause.earliest || start > pause.latest)
      faults.push(`pause ${pause.id} at ${start}`)
  }
  if (faults.length > 0) return faults

  const runs = (start: number, dur: number, minute: number) => start <= minute && minute < start + dur
  const end = Math.max(
    ...dogs.flatMap((d) => d.tasks.map((t) => starts[t.id]! + t.dur)),
    ...breaks.map((b) => schedule.breaks[b.id]! + b.dur),
  )
  let level = tank.initialDl
  for (let minute = 0; minute < end; minute++) {
    const held: Record<string, number> = {}
    let draw = 0
    const hold = (uses: Record<string, number>) =>
      Object.entries(uses).forEach(([name, n]) => (held[name] = (held[name] ?? 0) + n))
    for (const dog of dogs) {
      const running = dog.tasks.filter((t) => runs(starts[t.id]!, t.dur, minute))
      if (running.filter((t) => t.needsDog).length > 1) faults.push(`${dog.id} is in two places at ${minute}`)
      for (const task of running) {
        hold(task.uses)
        draw += task.hotDl / task.dur
      }
    }
    for (const { uses, from, to } of problem.away ?? []) if (from <= minute && minute < to) hold(uses)
    for (const pause of breaks) if (runs(schedule.breaks[pause.id]!, pause.dur, minute)) hold(pause.uses)
    for (const [name, n] of Object.entries(held))
      if (n > (resources[name] ?? 0)) faults.push(`${name}: ${n} at ${minute}`)
    level = Math.min(tank.capacityDl, level + tank.recoveryDlPerMin - draw)
    if (level < -1e-6) faults.push(`hot water: ${level.toFixed(1)} dl at ${minute}`)
  }
  const baths = dogs.flatMap((d) =>
    d.tasks
      .filter((t) => t.kind === 'bath')
      .map((t) => ({ last: d.lastInTub, from: starts[t.id]!, to: starts[t.id]! + t.dur })),
  )
  for (const late of baths.filter((b) => b.last)) {
    if (baths.some((b) => !b.last && b.to > late.from)) faults.push(`last in the tub, and bathed at ${late.from}`)
  }
  return faults
}
