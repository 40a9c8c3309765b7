/** A repeatable stream of numbers from 0 to 1 for a seed (mulberry32): randomness comes into the core as an argument. */
export function chance(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** A repeatable stream of standard normal numbers for a seed (Box and Muller). */
export function normals(seed: number): () => number {
  const uniform = chance(seed)
  return () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
}
