// Under Jest the clock stands at the beginning of the run, by the date that the run was given: each look at it is one
// millisecond later than the one before, so that what happens in turn stays in turn, however long it takes.
const Own = Date
let at = globalThis.RUN_BEGAN

globalThis.Date = class extends Own {
  constructor(...given) {
    super(...(given.length > 0 ? given : [globalThis.Date.now()]))
  }
  static now() {
    return at++
  }
}
