/** An amount of one resource, by its number: those of the house in their order, then every dog, of which there is one. */
export interface Need {
  resource: number
  amount: number
}

/** What a stretch of work holds. `names`: the house's resources in order; `dog`: the dog that has to be there. */
export function needsOf(names: readonly string[], uses: Readonly<Record<string, number>>, dog?: number): Need[] {
  const needs = names.flatMap((n, r) => (uses[n] ? [{ resource: r, amount: uses[n]! }] : []))
  return dog === undefined ? needs : [...needs, { resource: names.length + dog, amount: 1 }]
}

/** What is held, ready for the search: bits of what there is only one of, and amounts of the rest. */
export interface Held {
  mask: number
  counted: Need[]
}

/** A bit for each resource of which there is one, 0 for the others and where the bits run out. */
export function singleBits(capacity: readonly number[]): number[] {
  let bit = 1
  return capacity.map((c) => {
    if (c !== 1 || bit >= 2 ** 30) return 0
    const own = bit
    bit *= 2
    return own
  })
}

export function heldBy(needs: readonly Need[], single: readonly number[]): Held {
  const mask = needs.reduce((all, n) => all | (n.amount === 1 ? single[n.resource]! : 0), 0)
  return { mask, counted: needs.filter((n) => single[n.resource] === 0) }
}
