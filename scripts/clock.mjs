// The clock of a run of the tests: nine in the morning of a date where this computer is, the next nine in the morning unless
// JUVANT_TODAY names another date ("2028-02-29"): what a database writes by the computer's own clock is never ahead of it. It is set once; what the run starts hears how far it is ahead of the computer's own.
const OPENS = 9

function set() {
  const date = process.env.JUVANT_TODAY
  const at = date ? new Date(`${date}T00:00:00`) : new Date()
  if (Number.isNaN(at.getTime())) throw new Error(`JUVANT_TODAY is a date like 2028-02-29, not ${date}.`)
  at.setHours(OPENS, 0, 0, 0)
  if (!date && at.getTime() < Date.now()) at.setDate(at.getDate() + 1)
  process.env.JUVANT_AHEAD_MS = String(at.getTime() - Date.now())
}
if (process.env.JUVANT_AHEAD_MS === undefined) set()

/** How far the clock of the run is ahead of this computer's, ms. */
export const AHEAD_MS = Number(process.env.JUVANT_AHEAD_MS)
