/** A stretch of the day: from and to in minutes since the opening, fractions allowed. */
export interface Stretch {
  from: number
  to: number
}

/** Adds an amount per minute to every minute a stretch covers, by the share it covers. */
export function spread(line: number[], { from, to }: Stretch, amount: number) {
  const last = Math.min(line.length, Math.ceil(to - 1e-9))
  for (let m = Math.max(0, Math.floor(from + 1e-9)); m < last; m++) {
    const share = Math.min(to, m + 1) - Math.max(from, m)
    if (share > 0) line[m] = line[m]! + amount * share
  }
}
