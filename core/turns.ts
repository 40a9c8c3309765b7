/** The steps of a search until it is over or `ends` says so between two of them; its last word is what it has then. */
export function* until<Y, R>(search: Generator<Y, R>, ends: () => boolean): Generator<Y, Y | R> {
  for (;;) {
    const step = search.next()
    if (step.done || ends()) return step.value
    yield step.value
  }
}

/** Runs a search through at one go. */
export function drive<Y, R>(search: Generator<Y, R>): R {
  let step = search.next()
  while (!step.done) step = search.next()
  return step.value
}

/** How a search lets others speak. */
export interface Turns<Y> {
  /** The clock, ms, and how long a turn of work may take by it. */
  now: () => number
  turnMs: number
  /** Lets others run between two turns; answers whether to go on. */
  pause: () => Promise<boolean>
  /** What there is at the end of a turn. */
  onTurn?: (value: Y) => void
}

/** Runs a search through in short turns; undefined when a pause said to stop. */
export async function inTurns<Y, R>(
  search: Generator<Y, R>,
  { now, turnMs, pause, onTurn }: Turns<Y>,
): Promise<R | undefined> {
  let turn = now()
  for (;;) {
    const step = search.next()
    if (step.done) return step.value
    if (now() - turn < turnMs) continue
    onTurn?.(step.value)
    if (!(await pause())) return undefined
    turn = now()
  }
}
