import type { DayProblem, DaySchedule, Weighed } from '@core/day'

/** Stretches of a line of minutes that hold: from and to. */
function stretches(line: readonly boolean[]): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = []
  line.forEach((is, m) => {
    if (!is) return
    const last = found.at(-1)
    if (last?.to === m) last.to = m + 1
    else found.push({ from: m, to: m + 1 })
  })
  return found
}

/** What a schedule is weighed by, minute by minute, by nothing of the engine. */
export function weighedByMinutes({ dogs, breaks }: DayProblem, schedule: DaySchedule): Weighed {
  const all = dogs.flatMap((dog) => dog.tasks.map((t) => ({ ...t, dog, at: schedule.tasks[t.id]! })))
  const pauses = breaks.map((b) => ({ ...b, at: schedule.breaks[b.id]! }))
  const length = Math.max(...[...all, ...pauses].map((t) => t.at + t.dur)) + 1
  const minutes = Array.from({ length }, (_, m) => m)
  const runs = (t: { at: number; dur: number }) => (m: number) => t.at <= m && m < t.at + t.dur
  const anyOf = (of: readonly { at: number; dur: number }[]) => minutes.map((m) => of.some((t) => runs(t)(m)))

  const byHand = all.filter((t) => (t.uses.hands ?? 0) > 0)
  const end = Math.max(0, ...byHand.map((t) => t.at + t.dur))
  const found: Weighed = { end, stays: 0, longWaits: 0, apart: 0, tender: 0, close: 0, breather: 0, loud: 0, scraps: 0 }

  for (const dog of dogs) {
    const own = all.filter((t) => t.dog === dog)
    const last = own.find((t) => t.id === dog.readyTask)!
    const ready = last.at + last.dur
    found.stays += ready - dog.arrive
    if (dog.tender) found.tender += ready - dog.arrive
    found.close += [...Array(10).keys()].filter((k) => ready + k >= dog.pickup).length
    const busy = anyOf(own.filter((t) => t.needsDog))
    const idle = minutes.map((m) => m >= dog.arrive && m < ready && !busy[m])
    const longest = Math.max(0, ...stretches(idle).map((s) => s.to - s.from))
    found.longWaits += Math.max(0, longest - 30)
    // once one of its works has begun, whatever it waits for at one time beyond a quarter of an hour
    const first = Math.min(...own.filter((t) => t.needsDog).map((t) => t.at))
    for (const s of stretches(idle)) if (s.from > first) found.apart += Math.max(0, s.to - s.from - 15)
  }

  // in the order of the starts: what was dried since the last rest, and whether the work that comes had one
  const atWork = anyOf(byHand)
  let dried = 0
  const inOrder = [...byHand].sort((a, b) => a.at - b.at)
  inOrder.forEach((t, k) => {
    let rest = 0
    if (!inOrder.slice(0, k).some((o) => o.at + o.dur > t.at)) while (rest < t.at && !atWork[t.at - 1 - rest]) rest++
    if (rest >= 10) dried = 0
    else if (dried >= 45) {
      found.breather += 10 - rest
      dried = 0
    }
    if (t.kind === 'dry') dried += t.dur
  })

  const held = stretches(anyOf([...byHand, ...pauses.filter((p) => (p.uses.hands ?? 0) > 0)]))
  held.forEach((s, k) => {
    const gap = k === 0 ? Infinity : s.from - held[k - 1]!.to
    // nothing by hand comes after it: no scrap between works
    if (gap <= 4 && s.from < end) found.scraps += gap
  })

  const noise = all.filter((t) => t.loud).sort((a, b) => a.at - b.at)
  let stretch = 0
  noise.forEach((t, k) => {
    const until = Math.max(-Infinity, ...noise.slice(0, k).map((o) => o.at + o.dur))
    if (t.at - until >= 10) stretch = 0
    const before = Math.max(0, stretch - 60)
    stretch += t.dur
    found.loud += Math.max(0, stretch - 60) - before
  })
  return found
}
