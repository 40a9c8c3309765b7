import type { Begun } from './begun'
import { handsOf, type DayModel } from './model'
import { OBJECTIVE } from './problem'
import type { Stage, Stages } from './stages'

/** Shares of a minute that come from reckoning in parts of minutes. */
const TINY = 1e-6
/** Minutes by which the stretch alone must outweigh the hands' work after it to be looked at by itself. */
const LONG_ALONE = 20

/** What is left of dogs on hands, or on hands before what goes on for long alone; from 0 on, on something scarce. */
const HANDS = -1
const EARLY = -2
type Of = number

/**
 * Points that no day begun in a certain way can beat. Every dog that isn't ready yet is ready at the earliest by its own
 * waits, and after what is left of it has been done on one scarce thing at a time: hands, or a fan. On such a thing the
 * work of all may be interrupted; with the shortest rest first the ends are then the least in number by any time
 * (Schrage), so that matched with the pick-ups in their order they give a least lateness (Chu 1992; value of the bound
 * from memory), and summed a least stay. A dog that is last in the tub comes after the work that leads to all other
 * baths. Once it is `enough` it isn't worked out further.
 */
export function makeAhead(model: DayModel, stages: Stages): (begun: Begun, enough: number) => number {
  const { problem, tasks, capacity, ready } = model
  const { dogs, breaks } = problem
  const pairs = problem.resources.hands ?? 0
  const count = dogs.length
  // so that what is due comes nearly sorted
  const byPickup = dogs.map((_, d) => d).sort((a, b) => dogs[a]!.pickup - dogs[b]!.pickup)
  const perLate = OBJECTIVE.late.value
  const perEnd = OBJECTIVE.dayEnd.value
  const perStay = OBJECTIVE.stays.value
  const byHand = dogs.map((_, d) => tasks[ready[d]!]!.hands)
  const pauseHands = breaks.map((b) => b.uses.hands ?? 0)
  const byHandTasks = tasks.flatMap((t, i) => (t.hands ? [{ i, hands: handsOf(model, i) }] : []))

  // The time of the hands: minutes of all that are there, one after the other, until each minute of the clock; and back.
  const length = model.length + Math.max(0, ...breaks.map((b) => b.dur))
  const worked = new Float64Array(length + 1)
  for (let t = 0; t < length; t++) {
    const away = (problem.away ?? []).reduce((sum, a) => sum + (a.from <= t && t < a.to ? (a.uses.hands ?? 0) : 0), 0)
    worked[t + 1] = worked[t]! + Math.max(0, pairs - away)
  }
  const plain = worked.every((w, t) => w === t)
  const clockOf = new Int32Array(worked[length]! + 1)
  for (let t = 1, w = 1; t <= length; t++) while (w <= worked[t]!) clockOf[w++] = t
  /** Hands' time of a minute of the clock, and the first minute of the clock by which so much hands' time has gone; with work that is under way. */
  let busy = 0
  let busyUntil = 0
  const toHands = (t: number) => (plain ? t : worked[Math.min(t, length)]!)
  const toClock = (w: number) => (plain ? w : w >= clockOf.length ? length : clockOf[Math.ceil(w - TINY)]!)

  /** The minute of the clock by which so much hands' time has gone, and what pauses and work under way take of it, unless it was idle before. */
  function endAt(w: number, waited: number, pauses: number): number {
    const free = toClock(w)
    const lost = pausesBefore(pauses, free) - waited
    if (busy > 0 && lost + busy > 0) {
      const after = toClock(w + lost + busy)
      if (after >= busyUntil) return Math.max(after, free)
    }
    return lost > 0 ? toClock(w + lost) : free
  }
  const users = stages.scarce.map((r) =>
    Int32Array.from(tasks.flatMap((t, i) => (!t.hands && t.needs.some((n) => n.resource === r) ? [i] : []))),
  )

  /** Dogs that aren't ready yet, and how far each has got. */
  const open = new Int32Array(count)
  const at: Stage[] = []
  const come = new Float64Array(count)
  const alone = new Float64Array(count)
  const most = count + breaks.length + byHandTasks.length
  const from = new Float64Array(most)
  const left = new Float64Array(most)
  const due = new Float64Array(count)
  const end = new Float64Array(most)
  const order = new Int32Array(count)
  let jobs = 0
  let [otherLate, others] = [0, 0]
  let [late, stays] = [0, 0]
  /** Points of what is ready, and of the end of the work. */
  let fixed = 0
  const points = () => fixed + perLate * Math.ceil(late - TINY) + perStay * Math.ceil(stays - TINY)

  /** What else takes the hands: pauses still to come and work under way, and when each is over at the latest, in that order. */
  const over = new Float64Array(breaks.length + byHandTasks.length)
  let certain = 0

  /** Jobs by when they can begin; and those that are there, the shortest rest last. */
  const coming = new Int32Array(most)
  const there = new Int32Array(most)

  /** The ends of so many jobs on one thing that is free from `now` on, the shortest rest first, in order. */
  function shortestFirst(now: number, all: number) {
    for (let j = 0; j < all; j++) {
      const f = from[j]!
      let k = j - 1
      for (; k >= 0 && from[coming[k]!]! > f; k--) coming[k + 1] = coming[k]!
      coming[k + 1] = j
    }
    let count = 0
    for (let k = 0, come = 0; k < all;) {
      for (; come < all && from[coming[come]!]! <= now; come++) {
        const l = left[coming[come]!]!
        let i = count++ - 1
        for (; i >= 0 && left[there[i]!]! < l; i--) there[i + 1] = there[i]!
        there[i + 1] = coming[come]!
      }
      const next = come < all ? from[coming[come]!]! : Infinity
      if (count === 0) {
        now = next
        continue
      }
      const j = there[count - 1]!
      const l = left[j]!
      if (now + l <= next) {
        now += l
        end[k++] = now
        count--
      } else {
        left[j] = l - (next - now)
        now = next
      }
    }
  }

  /** Sorts when they are due. */
  function sortDue() {
    for (let j = 1; j < jobs; j++) {
      const d = due[j]!
      let k = j - 1
      for (; k >= 0 && due[k]! > d; k--) due[k + 1] = due[k]!
      due[k + 1] = d
    }
  }

  /** Hands' time that pauses still to come take before `t`: with one pair of hands a pause that begins before it is over before it, or puts it off. */
  function pausesBefore(pauses: number, t: number): number {
    let sum = 0
    for (let b = 0; b < breaks.length; b++) {
      if (pauses & (1 << b)) continue
      const { latest, dur } = breaks[b]!
      if ((plain ? latest : latest + dur) < t) sum += dur * pauseHands[b]!
    }
    return sum
  }

  /** The stages whose longest stretch alone outweighs the hands' work after it. */
  const longAlone = new Set<Stage>()
  for (const list of stages.dogs)
    for (const st of list) if (st.early.tail - (st.hands.work - st.early.work) > LONG_ALONE) longAlone.add(st)

  /** Gathers what is left of each open dog on one thing as jobs; a dog that has nothing left of it is ready by its own waits. */
  function gather(n: number, of: Of) {
    jobs = 0
    otherLate = others = 0
    for (let j = 0; j < n; j++) {
      const d = open[j]!
      const st = at[j]!
      const own = of === HANDS ? st.hands : of === EARLY ? (longAlone.has(st) ? st.early : st.hands) : st.alone[of]
      const { pickup } = dogs[d]!
      // who is last in the tub and late for that is so whatever is left of it
      const waits = last[d] && !st.bathed && alone[d]! > pickup
      if (own && own.work > 0 && !waits) {
        from[jobs] = come[d]! + own.head
        left[jobs] = own.work
        due[jobs++] = pickup - own.tail
        others += own.tail
      } else {
        others += alone[d]!
        if (alone[d]! > pickup) otherLate += alone[d]! - pickup
      }
    }
  }

  /** One thing more that takes the hands: hands' time from a minute on, over at the latest by another. */
  function addOne(at: number, work: number, until: number) {
    if (work <= 0) return
    from[jobs + certain] = toHands(at)
    left[jobs + certain] = work
    let k = certain++
    for (; k > 0 && over[k - 1]! > until; k--) over[k] = over[k - 1]!
    over[k] = until
  }

  /** Adds what else takes the hands to the jobs gathered. */
  function addCertain({ start, pauses }: Begun, now: number) {
    for (let b = 0; b < breaks.length; b++) {
      const { earliest, latest, dur } = breaks[b]!
      // with one pair of hands, what is done after a pause began is done after it
      if (!(pauses & (1 << b)))
        addOne(Math.max(now, earliest), dur * pauseHands[b]!, pairs === 1 ? latest + 1 : latest + dur)
    }
    if (busy === 0) return
    for (let k = 0; k < byHandTasks.length; k++) {
      const { i, hands } = byHandTasks[k]!
      const begins = start[i]!
      const until = begins + tasks[i]!.dur
      if (begins >= 0) addOne(Math.max(now, begins), hands * (until - Math.max(now, begins)), until)
    }
  }

  /**
   * Lateness and stays of the jobs gathered, on top of those of the others; kept where they are more. On hands what else
   * takes them is done meanwhile: once it must be over, one more of all the ends has gone by.
   */
  function weigh(now: number, onHands?: Begun) {
    certain = 0
    if (onHands) {
      if (!plain) for (let j = 0; j < jobs; j++) from[j] = toHands(from[j]!)
      addCertain(onHands, now)
    }
    shortestFirst(onHands ? toHands(now) : now, jobs + certain)
    sortDue()
    let [tardy, sum] = [otherLate, others]
    if (onHands && !plain) for (let k = 0; k < jobs + certain; k++) end[k] = toClock(end[k]!)
    for (let k = 0, gone = 0; k < jobs; k++) {
      let e = end[k + gone]!
      while (gone < certain && e >= over[gone]!) e = end[k + ++gone]!
      sum += e
      if (e > due[k]!) tardy += e - due[k]!
    }
    if (tardy > late) late = tardy
    if (sum > stays) stays = sum
  }

  /** The least end of some work by hand: of the dogs that come after each moment, and pauses; 0 where there is none. */
  function endOfWork(begun: Begun, now: number, workOf: (stage: Stage, dog: number) => number): number {
    let n = 0
    for (let d = 0; d < count; d++) if (workOf(stages.dogs[d]![begun.stage[d]!]!, d) > 0) order[n++] = d
    for (let j = 1; j < n; j++) {
      const d = order[j]!
      let k = j - 1
      for (; k >= 0 && come[order[k]!]! > come[d]!; k--) order[k + 1] = order[k]!
      order[k + 1] = d
    }
    if (n === 0) return 0
    let w = toHands(now)
    let waited = 0
    for (let j = 0; j < n; j++) {
      const d = order[j]!
      const comes = toHands(come[d]!)
      if (comes > w) {
        waited += comes - w
        w = comes
      }
      w += workOf(stages.dogs[d]![begun.stage[d]!]!, d)
    }
    return endAt(w, waited, begun.pauses)
  }

  const last = dogs.map((d) => d.lastInTub)
  const flagged = dogs.flatMap((d, i) => (d.lastInTub ? [i] : []))
  const allWork = (st: Stage) => st.work
  const bathsOfOthers = (st: Stage, d: number) => (last[d] ? 0 : st.toBath)

  return (begun, enough) => {
    const { start, floor, handsAt, stage } = begun
    const now = pairs === 1 ? handsAt : floor
    busy = 0
    busyUntil = handsAt
    if (!plain)
      for (const { i, hands } of byHandTasks)
        if (start[i]! >= 0) busy += hands * Math.max(0, start[i]! + tasks[i]!.dur - Math.max(now, start[i]!))
    let n = 0
    let lastEnd = begun.dayEnd
    let [lateAlone, readySum, arrivals] = [0, 0, 0]
    for (let k = 0; k < count; k++) {
      const d = byPickup[k]!
      const st = stages.dogs[d]![stage[d]!]!
      come[d] = now
      if (st.ready) continue
      let e = Infinity
      let readyAt = 0
      for (let s = 0; s < st.next.length; s++) {
        const { tasks: own, chain } = st.next[s]!
        const t = tasks[own[0]!]!
        let low = Math.max(t.hands ? now : floor, t.release)
        for (let q = 0; q < t.preds.length; q++) {
          const p = t.preds[q]!
          const after = start[p.task]! + tasks[p.task]!.dur + p.min
          if (after > low) low = after
        }
        if (low < e) e = low
        if (chain >= 0 && low + chain > readyAt) readyAt = low + chain
      }
      if (e === Infinity) e = now
      if (e + st.wanted > readyAt) readyAt = e + st.wanted
      const { pickup, arrive } = dogs[d]!
      if (readyAt > pickup) lateAlone += readyAt - pickup
      if (byHand[d] && readyAt > lastEnd) lastEnd = readyAt
      arrivals += arrive
      readySum += readyAt
      come[d] = e
      alone[d] = readyAt
      at[n] = st
      open[n++] = d
    }
    // who is last in the tub comes after all that leads to the baths of the others
    let bathsDone = -1
    for (let k = 0; k < flagged.length; k++) {
      const d = flagged[k]!
      const st = stages.dogs[d]![stage[d]!]!
      if (st.ready || st.bathed) continue
      if (bathsDone < 0) bathsDone = endOfWork(begun, now, bathsOfOthers)
      const readyAt = bathsDone + st.fromBath
      const before = alone[d]!
      if (readyAt <= before) continue
      const { pickup } = dogs[d]!
      lateAlone += Math.max(0, readyAt - pickup) - Math.max(0, before - pickup)
      readySum += readyAt - before
      if (byHand[d] && readyAt > lastEnd) lastEnd = readyAt
      alone[d] = readyAt
    }
    late = lateAlone
    stays = readySum
    lastEnd = Math.max(lastEnd, endOfWork(begun, now, allWork))
    fixed = begun.cost - perStay * arrivals + perEnd * Math.ceil(lastEnd - TINY)
    if (n === 0 || points() >= enough) return points()

    gather(n, HANDS)
    weigh(now, begun)
    if (points() >= enough) return points()

    let different = false
    for (let j = 0; j < n; j++) different ||= longAlone.has(at[j]!)
    if (different) {
      gather(n, EARLY)
      weigh(now, begun)
      if (points() >= enough) return points()
    }

    for (let m = 0; m < users.length; m++) {
      gather(n, m)
      if (jobs < 2) continue
      // with one of it, it is free when the last that has it is done
      let free = floor
      if (capacity[stages.scarce[m]!] === 1)
        for (const i of users[m]!) if (start[i]! >= 0) free = Math.max(free, start[i]! + tasks[i]!.dur)
      weigh(free)
    }
    return points()
  }
}
