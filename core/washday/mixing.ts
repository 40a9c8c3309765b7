import { constants, house as estimate, practice } from '../constants'
import type { Vessels } from '../house'
import { measure, type Measured, type Method } from '../mix'
import { schoolsFor } from '../schools'
import { waterForMix } from '../water'
import type { DayFacts, SeatPlan } from './assemble'

/** How mixes of a day are shared and what a vessel is worth. */
export const MIXING = constants({
  within: practice(2, 'K', [1, 3]),
  vesselWorth: estimate(50, 'mL left over', [10, 200]),
})

/** One vessel to fill: how far, mL, and what of it is product. */
export interface Filled {
  mL: number
  fill: number
  productMl: number
  measured: Measured
}

/** One mix of the day: a product at one ratio and temperature, for whom, how much, and in what. */
export interface DayMix {
  productId: string
  product: string
  /** Parts of water to one of product. */
  ratio: number
  bathC: number
  waterC: number
  seats: { id: string; name: string; mL: number }[]
  neededMl: number
  leftoverMl: number
  vessels: Filled[]
  /** No vessels are free for it at the start: mix it when one is empty. */
  later: boolean
}

interface Need {
  seat: SeatPlan
  productId: string
  product: string
  ratio: number
  bathC: number
  mL: number
  fresh: boolean
  pass: number
}

function needsOf(seat: SeatPlan, house: DayFacts['house'], dogs: DayFacts['dogs']): Need[] {
  const { plan } = seat
  if (!plan.go) return []
  const record = dogs[seat.seat.dogId]!.dog
  const fresh = house.method === 'froth' || schoolsFor(house.schools, record.schools).S14 === 'fresh'
  const mixes = [
    ...plan.mix.bottles.map((b) => ({ ...b, ratio: b.waterMl / b.productMl })),
    ...(plan.mix.conditioner ? [{ ...plan.mix.conditioner, ratio: plan.mix.conditioner.ratio.value }] : []),
  ]
  return mixes
    .filter((m) => m.waterMl > 0 && m.productMl > 0)
    .map((m, pass) => ({
      seat,
      productId: m.product.id,
      product: m.product.name,
      ratio: m.ratio,
      bathC: plan.water.target.value,
      mL: m.productMl + m.waterMl,
      fresh,
      pass,
    }))
}

/** Needs of one product and ratio gathered so that no dog's bath is further than ± 2 K from its mix: the fewest groups. */
function byWarmth(needs: readonly Need[]): Need[][] {
  const groups: Need[][] = []
  for (const need of [...needs].sort((a, b) => a.bathC - b.bathC)) {
    const group = groups[groups.length - 1]
    if (group && need.bathC - group[0]!.bathC <= 2 * MIXING.within.value + 1e-9) group.push(need)
    else groups.push([need])
  }
  return groups
}

function groupsOf(needs: readonly Need[]): Need[][] {
  const keyed = new Map<string, Need[]>()
  for (const need of needs) {
    const apart = need.fresh ? ` ${need.seat.seat.id} ${need.pass}` : ''
    const key = `${need.productId} ${need.ratio.toFixed(3)}${apart}`
    keyed.set(key, [...(keyed.get(key) ?? []), need])
  }
  return [...keyed.values()].flatMap(byWarmth)
}

/** How many vessels of each size, and what is left over when the last is filled to its mark. */
interface Choice {
  counts: number[]
  leftover: number
  cost: number
}

const toMark = (mL: number, mark: number) => Math.ceil(mL / mark - 1e-9) * mark

/** Left over after filling all but one vessel, and that one to the mark that reaches: the least over which one it is. Infinity when they don't hold it. */
function leftoverIn(sizes: readonly Vessels[], counts: readonly number[], needed: number): number {
  const whole = sizes.reduce((sum, s, i) => sum + s.mL * counts[i]!, 0)
  if (whole < needed - 1e-9) return Infinity
  return sizes.reduce((least, s, i) => {
    if (counts[i] === 0) return least
    const rest = needed - (whole - s.mL)
    if (rest <= 1e-9) return least
    return Math.min(least, toMark(rest, s.markMl) - rest)
  }, Infinity)
}

/** Every useful choice of vessels for one mix: none could be left away. */
function choicesFor(sizes: readonly Vessels[], needed: number): Choice[] {
  const found: Choice[] = []
  const counts = sizes.map(() => 0)
  const visit = (i: number, held: number) => {
    if (held >= needed - 1e-9) {
      const leftover = leftoverIn(sizes, counts, needed)
      const number = counts.reduce((a, b) => a + b, 0)
      if (leftover < Infinity)
        found.push({ counts: [...counts], leftover, cost: leftover + MIXING.vesselWorth.value * number })
      return
    }
    for (let k = i; k < sizes.length; k++) {
      if (counts[k]! >= sizes[k]!.count) continue
      counts[k]!++
      visit(k, held + sizes[k]!.mL)
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
export function chooseVessels(sizes: readonly Vessels[], needs: readonly number[]): (Choice | undefined)[] {
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

/** The chosen vessels with how far each is filled: the one that leaves least is filled to its mark, the others full. */
function fillings(sizes: readonly Vessels[], choice: Choice, needed: number): { mL: number; fill: number }[] {
  const whole = sizes.reduce((sum, s, i) => sum + s.mL * choice.counts[i]!, 0)
  const partly = sizes.findIndex((s, i) => {
    const rest = needed - (whole - s.mL)
    return choice.counts[i]! > 0 && rest > 1e-9 && toMark(rest, s.markMl) - rest <= choice.leftover + 1e-6
  })
  return sizes
    .flatMap((s, i) =>
      Array.from({ length: choice.counts[i]! }, (_, n) => {
        const last = i === partly && n === 0
        return { mL: s.mL, fill: last ? Math.min(s.mL, toMark(needed - (whole - s.mL), s.markMl)) : s.mL }
      }),
    )
    .sort((a, b) => b.mL - a.mL)
}

/**
 * What to mix for a day: the dogs' mixes gathered by product, ratio and temperature (per dog where the house
 * mixes fresh), each in vessels of the house so that least is left over. Diluted product dies at the day's end.
 */
export function mixingList({ house, shelf, dogs }: DayFacts, seats: readonly SeatPlan[]): DayMix[] {
  const groups = groupsOf(seats.flatMap((s) => needsOf(s, house, dogs)))
  const totals = groups.map((g) => g.reduce((sum, n) => sum + n.mL, 0))
  const sizes = house.vessels.filter((v) => v.count > 0)
  const bowls: Method[] = ['froth', 'proportioner']
  const picks = bowls.includes(house.method) ? totals.map(() => undefined) : chooseVessels(sizes, totals)
  return groups.map((group, g): DayMix => {
    const { productId, product, ratio } = group[0]!
    const neededMl = totals[g]!
    const bathC = (group[0]!.bathC + group[group.length - 1]!.bathC) / 2
    const pump = shelf.find((p) => p.id === productId)?.pumpMl
    const pick = picks[g]
    const filled = pick ? fillings(sizes, pick, neededMl) : [{ mL: 0, fill: neededMl }]
    return {
      productId,
      product,
      ratio,
      bathC,
      waterC: waterForMix(bathC, 1, ratio, house.room.celsius),
      seats: mergeSeats(group),
      neededMl,
      leftoverMl: filled.reduce((sum, f) => sum + f.fill, 0) - neededMl,
      vessels: filled.map(({ mL, fill }) => {
        const productMl = fill / (1 + ratio)
        return { mL, fill, productMl, measured: measuredWell(productMl, fill - productMl, pump) }
      }),
      later: !pick && !bowls.includes(house.method),
    }
  })
}

/** By pump strokes where they come near enough, else by syringe or jug. */
function measuredWell(product: number, water: number, pump: number | null | undefined): Measured {
  const strokes = measure(product, water, pump)
  return strokes.ok ? strokes : measure(product, water)
}

function mergeSeats(group: readonly Need[]): DayMix['seats'] {
  const seats = new Map<string, DayMix['seats'][number]>()
  for (const { seat, mL } of group) {
    const before = seats.get(seat.seat.id)
    seats.set(seat.seat.id, { id: seat.seat.id, name: seat.dog.name, mL: (before?.mL ?? 0) + mL })
  }
  return [...seats.values()]
}

/** Towels that a day's baths take. */
export function towelsFor(seats: readonly SeatPlan[]): number {
  return seats.reduce((sum, s) => sum + (s.plan.go ? s.plan.towels.value : 0), 0)
}

/** What to lay out before the first dog: a line for each thing, with for whom. */
export function layOut(seats: readonly SeatPlan[], extraTowels: number): { what: string; who: string[] }[] {
  const lines = new Map<string, string[]>()
  const put = (what: string, who: string) => lines.set(what, [...(lines.get(what) ?? []), who])
  const towels = towelsFor(seats)
  const plugs = seats.reduce((sum, s) => sum + (s.plan.go ? s.plan.ears.plugs : 0), 0)
  for (const { dog, plan } of seats) {
    for (const ear of [plan.ears.left, plan.ears.right])
      if (ear.product && ear.action === 'clean' && !lines.get(ear.product)?.includes(dog.name))
        put(ear.product, dog.name)
    if (!plan.go) continue
    for (const bottle of plan.mix.bottles) if (bottle.waterMl === 0) put(`${bottle.product.name}, neat`, dog.name)
    if (plan.mix.conditioner?.waterMl === 0) put(`${plan.mix.conditioner.product.name}, neat`, dog.name)
  }
  return [
    {
      what: `${towels + extraTowels} towels`,
      who: seats.filter((s) => s.plan.go).map((s) => `${s.dog.name} ${s.plan.towels.value}`),
    },
    ...(plugs > 0
      ? [
          {
            what: `${plugs} cotton plugs`,
            who: seats.filter((s) => s.plan.go && s.plan.ears.plugs > 0).map((s) => s.dog.name),
          },
        ]
      : []),
    ...[...lines].map(([what, who]) => ({ what, who })),
  ]
}
