/**
 * Sets the clock of this thread, or of a page, so many ms ahead: whatever asks what time it is hears that, the embedded
 * database as well. For tests: a page is given this function as it stands, so it uses nothing from outside.
 */
export function setAhead(ms: number): void {
  const Own = Date
  const now = () => Own.now() + ms
  globalThis.Date = new Proxy(Own, {
    construct: (of, given, as) => Reflect.construct(of, given.length > 0 ? given : [now()], as) as object,
    apply: () => new Own(now()).toString(),
    get: (of, key) => (key === 'now' ? now : Reflect.get(of, key)),
  })
}

/**
 * How far ahead of the computer's clock a test wants the program, ms: `JUVANT_AHEAD_MS`, and `NODE_ENV=test` beside it.
 * Throws an error that names the variable where no test asks.
 */
export function aheadIn({ JUVANT_AHEAD_MS: ms, NODE_ENV }: NodeJS.ProcessEnv): number {
  if (ms === undefined || ms === '') return 0
  if (NODE_ENV !== 'test') throw new ClockRefused('JUVANT_AHEAD_MS is for tests alone. Leave it out.')
  const ahead = Number(ms)
  if (!Number.isFinite(ahead)) throw new ClockRefused('JUVANT_AHEAD_MS is a number of milliseconds.')
  return ahead
}

/** A clock that isn't set: by whom, or to what, isn't allowed. */
export class ClockRefused extends Error {}
