import { z } from 'zod'
import { amountIn } from '../range'
import { constants, house as estimate, practice } from '../constants'
import { measure, type Measured } from './measure'

/** Bottles and jugs of one size: mL each, how many, and mL from mark to mark. */
export const Vessels = z.object({
  mL: amountIn('vessel', 'volume', 50, 20_000),
  count: z.number().int().min(0, 'Give 0 to 12 vessels.').max(12, 'Give 0 to 12 vessels.'),
  markMl: amountIn('marks', 'volume', 5, 500).default(50),
})
export type Vessels = z.infer<typeof Vessels>

/** How full a vessel may be, and what one more of them to fill is worth. */
export const VESSEL = constants({
  brim: practice(0.95, 'share of the vessel', [0.9, 1]),
  vesselWorth: estimate(50, 'mL left over', [10, 200]),
})

/** A mix to be put in vessels: mL in all, and parts of water to one of product. */
export interface MixNeed {
  mL: number
  ratio: number
  pumpMl?: number | null
}

/** One vessel to fill: water to one of its own marks, then product as it can be measured. `mL` 0: a bowl, or no vessel was free. */
export interface Filled {
  mL: number
  waterMl: number
  productMl: number
  fill: number
  measured: Measured
}

/** How many vessels of each size, and what is left over. */
interface Choice {
  counts: number[]
  leftover: number
  cost: number
}

/** A size as a mix may use it: the most water that leaves room for its product under the brim, to a mark; and what that makes. */
interface Room {
  water: number
  holds: number
}

function roomIn({ mL, markMl }: Vessels, ratio: number): Room {
  const most = (VESSEL.brim.value * mL * ratio) / (1 + ratio)
  const water = Math.floor(most / markMl + 1e-9) * markMl
  return { water, holds: water * (1 + 1 / ratio) }
}

/** Water to the first mark with which a vessel makes `rest` mL of mix. */
const waterFor = (rest: number, markMl: number, ratio: number) =>
  Math.max(1, Math.ceil((rest * ratio) / (1 + ratio) / markMl - 1e-9)) * markMl

/** Left over after filling all but one vessel as far as it goes, and that one to the mark that reaches: the least over which one it is. Infinity when they don't hold it. */
function leftoverIn(sizes: readonly Vessels[], rooms: readonly Room[], counts: readonly number[], need: MixNeed) {
  const whole = rooms.reduce((sum, r, i) => sum + r.holds * counts[i]!, 0)
  if (whole < need.mL - 1e-9) return Infinity
  return sizes.reduce((least, s, i) => {
    if (counts[i] === 0) return least
    const rest = need.mL - (whole - rooms[i]!.holds)
    if (rest <= 1e-9) return least
    return Math.min(least, waterFor(rest, s.markMl, need.ratio) * (1 + 1 / need.ratio) - rest)
  }, Infinity)
}

/** Every useful choice of vessels for one mix: none could be left away. */
function choicesFor(sizes: readonly Vessels[], need: MixNeed): Choice[] {
  const rooms = sizes.map((s) => roomIn(s, need.ratio))
  const found: Choice[] = []
  const counts = sizes.map(() => 0)
  const visit = (i: number, held: number) => {
    if (held >= need.mL - 1e-9) {
      const leftover = leftoverIn(sizes, rooms, counts, need)
      const number = counts.reduce((a, b) => a + b, 0)
      if (leftover < Infinity)
        found.push({ counts: [...counts], leftover, cost: leftover + VESSEL.vesselWorth.value * number })
      return
    }
    for (let k = i; k < sizes.length; k++) {
      if (counts[k]! >= sizes[k]!.count || rooms[k]!.holds <= 0) continue
      counts[k]!++
      visit(k, held + rooms[k]!.holds)
      counts[k]!--
    }
  }
  visit(0, 0)
  return found
}

const LATER = 1e6

/**
 * Vessels for several mixes at once, out of what the house has: the sum of what is left over and of what
 * each vessel is worth is least (exact, by trying every choice and keeping the best for each set that
 * remains). A mix that finds none is put off: undefined.
 */
export function chooseVessels(sizes: readonly Vessels[], needs: readonly MixNeed[]): (Choice | undefined)[] {
  const choices = needs.map((n) => choicesFor(sizes, n))
  const known = new Map<string, { cost: number; picks: (Choice | undefined)[] }>()
  const solve = (g: number, left: readonly number[]): { cost: number; picks: (Choice | undefined)[] } => {
    if (g === needs.length) return { cost: 0, picks: [] }
    const key = `${g} ${left.join(' ')}`
    const before = known.get(key)
    if (before) return before
    const put = solve(g + 1, left)
    let best = { cost: put.cost + LATER, picks: [undefined, ...put.picks] as (Choice | undefined)[] }
    for (const choice of choices[g]!) {
      if (choice.counts.some((n, i) => n > left[i]!)) continue
      const rest = solve(
        g + 1,
        left.map((n, i) => n - choice.counts[i]!),
      )
      if (rest.cost + choice.cost < best.cost - 1e-9)
        best = { cost: rest.cost + choice.cost, picks: [choice, ...rest.picks] }
    }
    known.set(key, best)
    return best
  }
  return solve(
    0,
    sizes.map((s) => s.count),
  ).picks
}

const filledTo = (mL: number, waterMl: number, { ratio, pumpMl }: MixNeed): Filled => {
  const productMl = waterMl / ratio
  return { mL, waterMl, productMl, fill: waterMl + productMl, measured: measure(productMl, waterMl, pumpMl) }
}

/** A vessel whose product can be measured: on to the next mark, as far as it holds, until it can. */
function measurable(size: Vessels, waterMl: number, need: MixNeed): Filled {
  const { water: most } = roomIn(size, need.ratio)
  const first = filledTo(size.mL, waterMl, need)
  for (let water = waterMl; water <= most; water += size.markMl) {
    const filled = filledTo(size.mL, water, need)
    if (filled.measured.ok) return filled
  }
  return first
}

/** The chosen vessels with how far each is filled: all as far as they go, but the one that then leaves least, to its mark. */
function fillings(sizes: readonly Vessels[], { counts, leftover }: Choice, need: MixNeed): Filled[] {
  const rooms = sizes.map((s) => roomIn(s, need.ratio))
  const whole = rooms.reduce((sum, r, i) => sum + r.holds * counts[i]!, 0)
  const restOf = (i: number) => need.mL - (whole - rooms[i]!.holds)
  const waterOf = (i: number) => waterFor(restOf(i), sizes[i]!.markMl, need.ratio)
  const partly = sizes.findIndex(
    (_, i) => counts[i]! > 0 && restOf(i) > 1e-9 && waterOf(i) * (1 + 1 / need.ratio) - restOf(i) <= leftover + 1e-6,
  )
  return sizes
    .flatMap((size, i) =>
      Array.from({ length: counts[i]! }, (_, n) =>
        measurable(size, i === partly && n === 0 ? waterOf(i) : rooms[i]!.water, need),
      ),
    )
    .sort((a, b) => b.mL - a.mL)
}

/**
 * Every mix in vessels of the house, water to their own marks and never to the brim; one that finds none free
 * comes back undefined: it is made when one is empty.
 */
export function fillVessels(sizes: readonly Vessels[], needs: readonly MixNeed[]): (Filled[] | undefined)[] {
  const have = sizes.filter((s) => s.count > 0)
  return chooseVessels(have, needs).map((pick, i) => pick && fillings(have, pick, needs[i]!))
}

/** A mix without a vessel of its own, to be made in a bowl or jug: product by spoon or syringe, water beside it. `makeMore` raises the amount until it can be measured, to three times at most. */
export function fillBowl({ mL, ratio, pumpMl }: MixNeed, makeMore = true): Filled {
  const at = (factor: number): Filled => {
    const productMl = (mL * factor) / (1 + ratio)
    const waterMl = mL * factor - productMl
    return { mL: 0, waterMl, productMl, fill: mL * factor, measured: measure(productMl, waterMl, pumpMl, true) }
  }
  const tries = makeMore ? [1, 1.25, 1.5, 2, 2.5, 3] : [1]
  return tries.map(at).find((f) => f.measured.ok) ?? at(1)
}
