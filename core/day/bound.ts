import type { DayModel } from './model'

/** The least minutes from arrival to ready that a dog needs by itself: its longest chain, and all its work before ready. */
function shortestStay(model: DayModel, dog: number): number {
  const finish = new Map<number, number>()
  const needed = new Set<number>()
  const earliestEnd = (i: number): number => {
    const known = finish.get(i)
    if (known !== undefined) return known
    needed.add(i)
    const t = model.tasks[i]!
    const end = t.dur + t.preds.reduce((most, p) => Math.max(most, earliestEnd(p.task) + p.min), 0)
    finish.set(i, end)
    return end
  }
  const chain = earliestEnd(model.ready[dog]!)
  const dogResource = model.capacity.length - model.problem.dogs.length + dog
  const work = [...needed]
    .filter((i) => model.tasks[i]!.needs.some((n) => n.resource === dogResource))
    .reduce((sum, i) => sum + model.tasks[i]!.dur, 0)
  return Math.max(chain, work)
}

/** The earliest end of a resource's work: all of it that arrives from some moment on, at full capacity, pauses that can't be escaped included. */
function earliestEndOf(model: DayModel, resource: number): number {
  const name = Object.keys(model.problem.resources)[resource]!
  const capacity = model.capacity[resource]!
  const work = model.tasks.flatMap((t) =>
    t.needs.filter((n) => n.resource === resource).map((n) => ({ release: t.release, load: n.amount * t.dur })),
  )
  const moments = [...new Set(work.map((w) => w.release))]
  return moments.reduce((most, from) => {
    const load = work.filter((w) => w.release >= from).reduce((sum, w) => sum + w.load, 0)
    let end = from + Math.ceil(load / capacity)
    for (const pause of [...model.problem.breaks].sort((a, b) => a.latest - b.latest)) {
      const whole = (pause.uses[name] ?? 0) === capacity
      if (whole && from <= pause.earliest && end > pause.latest) end += pause.dur
    }
    return Math.max(most, end)
  }, 0)
}

/** An end of the work that takes hands which no schedule can beat: the most loaded resource, the longest dog. */
export function shortestEnd(model: DayModel): number {
  const { dogs, resources } = model.problem
  const held = Object.keys(resources).filter((name) =>
    dogs.every((d) => d.tasks.every((t) => !t.uses[name] || t.uses.hands)),
  )
  const byResource = held.map((name) => earliestEndOf(model, Object.keys(resources).indexOf(name)))
  const byDog = dogs.map((dog, d) => (model.tasks[model.ready[d]!]!.hands ? dog.arrive + shortestStay(model, d) : 0))
  return Math.max(0, ...byResource, ...byDog)
}

/** An objective that no schedule of the problem can beat. */
export function lowerBound(model: DayModel): number {
  const { dogs, resources } = model.problem
  const stays = dogs.map((_, d) => shortestStay(model, d))
  const late = dogs.reduce((sum, dog, d) => sum + Math.max(0, dog.arrive + stays[d]! - dog.pickup), 0)
  const hands = Object.keys(resources).indexOf('hands')
  const byHands = hands >= 0 ? earliestEndOf(model, hands) : 0
  const byDog = dogs.reduce(
    (most, dog, d) => (model.tasks[model.ready[d]!]!.hands ? Math.max(most, dog.arrive + stays[d]!) : most),
    0,
  )
  return 1000 * late + 10 * Math.max(byHands, byDog) + stays.reduce((a, b) => a + b, 0)
}
