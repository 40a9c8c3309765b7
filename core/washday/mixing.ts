import { constants, house as estimate, practice } from '../constants'
import { redFlagsOf, type ClipTool, type CoatType, type Dog, type RedFlag } from '../dog'
import type { House } from '../house'
import { fillBowl, fillVessels, wayOn, type Filled, type Method } from '../mix'
import { rulesFor } from '../rules'
import { said, type Code, type Said } from '../said'
import { waterForMix } from '../water'
import type { DayFacts, SeatPlan } from './assemble'

declare module '../said' {
  interface Codes {
    'lay.towels': { count: number }
    'lay.chamois': None
    'lay.plugs': { count: number }
    'lay.product': { product: string; neat: boolean }
    'lay.brush': { tool: 'rubber' | 'slicker' | 'pin' | 'soft' }
    'lay.cloth': None
    'lay.clip': { tool: ClipTool }
    'lay.nails': None
    'lay.own': { what: string }
    'lay.treats': None
    'lay.styptic': None
    'lay.muzzle': None
    'lay.vetNumber': None
    'lay.harness': None
    'lay.matTool': None
    'lay.without': { allergens: string[] }
    'lay.mat': None
    'lay.coolCloth': None
    'lay.fleaComb': None
    'lay.hood': None
    'lay.proof': None
  }
}

/** How mixes of a day are shared, and how long one stays warm in its bottle. */
export const MIXING = constants({
  within: practice(2, 'K', [1, 3]),
  staysWarm: estimate(60, 'min', [30, 120]),
})

/** Who a mix is for: mL, and the minute of the clock at which that bath begins, once the day is arranged. */
export interface MixFor {
  id: string
  name: string
  mL: number
  at: number | null
}

/** One mix of the day: a product at one ratio and temperature, for whom, how much, and in what. */
export interface DayMix {
  productId: string
  product: string
  /** The product it is mixed with, half and half. */
  blend: string | null
  /** Parts of water to one of product. */
  ratio: number
  bathC: number
  waterC: number
  seats: MixFor[]
  neededMl: number
  leftoverMl: number
  vessels: Filled[]
  how: Method
  /** No vessels are free for it at the start: mix it when one is empty. */
  later: boolean
  /** Dogs whose bath begins so long after the first that the bottle is stood in hot water again. */
  warmAgain: { name: string; at: number }[]
}

interface Need {
  seat: SeatPlan
  productId: string
  product: string
  blend: { id: string; name: string } | null
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
  const fresh = house.method === 'froth' || rulesFor(house.rules, record.rules).mixing === 'fresh'
  return plan.mix.bottles
    .filter((b) => b.waterMl > 0 && b.productMl > 0)
    .map(({ product, blend, productMl, waterMl }, pass): Need => {
      const concentrate = productMl + (blend?.productMl ?? 0)
      return {
        seat,
        productId: product.id,
        product: product.name,
        blend: blend ? { id: blend.product.id, name: blend.product.name } : null,
        ratio: waterMl / concentrate,
        bathC: plan.water.target.value,
        mL: concentrate + waterMl,
        fresh,
        pass,
      }
    })
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
    const apart = need.fresh ? `${need.seat.seat.id} ${need.pass}` : ''
    const key = [need.productId, need.blend?.id ?? '', need.ratio.toFixed(3), apart].join(' ')
    keyed.set(key, [...(keyed.get(key) ?? []), need])
  }
  return [...keyed.values()].flatMap(byWarmth)
}

/**
 * What to mix for a day: the dogs' mixes gathered by product, ratio and temperature (per dog where the house
 * mixes fresh), each in vessels of the house so that least is left over. Diluted product dies at the day's end.
 * `bathAt`: the minute of the clock at which a seat's bath begins, once that is known.
 */
export function mixingList(
  { house, shelf, dogs }: DayFacts,
  seats: readonly SeatPlan[],
  bathAt: (seat: string) => number | undefined = () => undefined,
): DayMix[] {
  const groups = groupsOf(seats.flatMap((s) => needsOf(s, house, dogs)))
  const bowls: Method[] = ['froth', 'proportioner']
  const methodOf = ([first]: readonly Need[]): Method => {
    const product = shelf.find((p) => p.id === first!.productId)
    return product ? wayOn(product, house.method) : house.method
  }
  const needs = groups.map((group) => ({
    mL: group.reduce((sum, n) => sum + n.mL, 0),
    ratio: group[0]!.ratio,
    pumpMl: group[0]!.blend ? null : shelf.find((p) => p.id === group[0]!.productId)?.pumpMl,
  }))
  const inBowl = (g: number) => bowls.includes(methodOf(groups[g]!))
  const bottled = needs.flatMap((_, g) => (inBowl(g) ? [] : [g]))
  const filledOf = fillVessels(
    house.vessels,
    bottled.map((g) => needs[g]!),
  )
  return groups.map((group, g): DayMix => {
    const { productId, product, blend, ratio } = group[0]!
    const need = needs[g]!
    const bathC = (group[0]!.bathC + group[group.length - 1]!.bathC) / 2
    const method = methodOf(group)
    const filled = inBowl(g) ? undefined : filledOf[bottled.indexOf(g)]
    const vessels = filled ?? [fillBowl(need, method === 'froth')]
    const who = mergeSeats(group, bathAt)
    const first = Math.min(...who.flatMap((s) => s.at ?? []))
    return {
      productId,
      product,
      blend: blend?.name ?? null,
      ratio,
      bathC,
      waterC: waterForMix(bathC, 1, ratio, house.room.celsius),
      seats: who,
      neededMl: need.mL,
      leftoverMl: vessels.reduce((sum, f) => sum + f.fill, 0) - need.mL,
      vessels,
      how: method,
      later: !filled && !inBowl(g),
      warmAgain: who.flatMap(({ name, at }) =>
        at !== null && at - first > MIXING.staysWarm.value ? [{ name, at }] : [],
      ),
    }
  })
}

/** Whom a mix is for, each once, in the order of their baths. */
function mergeSeats(group: readonly Need[], bathAt: (seat: string) => number | undefined): MixFor[] {
  const seats = new Map<string, MixFor>()
  for (const { seat, mL } of group) {
    const { id } = seat.seat
    seats.set(id, { id, name: seat.dog.name, mL: (seats.get(id)?.mL ?? 0) + mL, at: bathAt(id) ?? null })
  }
  return [...seats.values()].sort((a, b) => (a.at ?? Infinity) - (b.at ?? Infinity) || 0)
}

/** Towels that a day's baths take. */
export function towelsFor(seats: readonly SeatPlan[]): number {
  return seats.reduce((sum, s) => sum + (s.plan.go ? s.plan.towels.value : 0), 0)
}

const BRUSHES: Record<CoatType, 'rubber' | 'slicker' | 'pin' | null> = {
  smooth: 'rubber',
  'short double': 'rubber',
  'long double': 'slicker',
  wire: 'slicker',
  curly: 'slicker',
  drop: 'pin',
  feathered: 'pin',
  corded: null,
  hairless: null,
}

/** What each red flag wants at hand. */
const FOR_FLAG: Record<RedFlag, (dog: Dog) => LayLine['what']> = {
  bites: () => said('lay.muzzle'),
  vetFirst: () => said('lay.vetNumber'),
  heart: () => said('lay.vetNumber'),
  fits: () => said('lay.vetNumber'),
  windpipe: () => said('lay.harness'),
  felted: () => said('lay.matTool'),
  allergy: ({ allergies }) => said('lay.without', { allergens: allergies }),
  pregnant: () => said('lay.vetNumber'),
  joints: () => said('lay.mat'),
  blind: () => said('lay.mat'),
  deaf: () => said('lay.mat'),
  vaccination: () => said('lay.proof'),
  shortNose: () => said('lay.coolCloth'),
  firstVisit: () => said('lay.treats'),
  fleas: () => said('lay.fleaComb'),
}

/** One line of what to lay out: what, and for whom with how many where that differs from dog to dog. */
export interface LayLine {
  what: Said<Extract<Code, `lay.${string}`>>
  who: { name: string; count: number | null }[]
}

/** What to lay out before the first dog: a line for each thing, with for whom. */
export function layOut(
  seats: readonly SeatPlan[],
  extraTowels: number,
  house: Pick<House, 'layOut'> = { layOut: [] },
): LayLine[] {
  const lines = new Map<string, LayLine>()
  const put = (what: LayLine['what'], name: string, count: number | null = null) => {
    const key = JSON.stringify(what)
    const line = lines.get(key) ?? { what, who: [] }
    if (!line.who.some((w) => w.name === name)) line.who.push({ name, count })
    lines.set(key, line)
  }
  const bathed = seats.filter((s) => s.plan.go)
  const towels: LayLine = {
    what: said('lay.towels', { count: towelsFor(seats) + extraTowels }),
    who: bathed.map((s) => ({ name: s.dog.name, count: s.plan.towels.value })),
  }
  const plugged = bathed.filter((s) => s.plan.ears.plugs > 0)
  const plugs: LayLine = {
    what: said('lay.plugs', { count: plugged.reduce((sum, s) => sum + s.plan.ears.plugs, 0) }),
    who: plugged.map((s) => ({ name: s.dog.name, count: null })),
  }
  for (const { dog, plan, today, young } of seats) {
    for (const flag of redFlagsOf(dog, today)) put(FOR_FLAG[flag](dog), dog.name)
    for (const ear of [plan.ears.left, plan.ears.right]) {
      if (ear.product) put(said('lay.product', { product: ear.product, neat: false }), dog.name)
      if (ear.dryWith) put(said('lay.product', { product: ear.dryWith, neat: false }), dog.name)
      if (ear.softenWith) put(said('lay.product', { product: ear.softenWith, neat: false }), dog.name)
    }
    const kinds = new Set(plan.steps.map((s) => s.kind))
    const clip = plan.steps.flatMap((s) => s.detail).find((d) => d.code === 'step.clip')
    if (clip) put(said('lay.clip', { tool: clip.facts.tool }), dog.name)
    if (kinds.has('tidy')) put(said('lay.clip', { tool: 'scissors' }), dog.name)
    if (kinds.has('nails')) {
      put(said('lay.nails'), dog.name)
      put(said('lay.styptic'), dog.name)
    }
    for (const { name } of plan.course?.applied ?? [])
      put(said('lay.product', { product: name, neat: false }), dog.name)
    for (const what of [...house.layOut, ...dog.layOut]) put(said('lay.own', { what }), dog.name)
    const brush = BRUSHES[dog.coat]
    const puppy = young && plan.short === 'puppy'
    if (brush !== null && (plan.go || kinds.has('brush')))
      put(said('lay.brush', { tool: puppy ? 'soft' : brush }), dog.name)
    if (!plan.go) continue
    if (plan.chamois) put(said('lay.chamois'), dog.name)
    for (const bottle of plan.mix.bottles)
      if (bottle.waterMl === 0) put(said('lay.product', { product: bottle.product.name, neat: true }), dog.name)
    if (plan.mix.conditioner?.waterMl === 0)
      put(said('lay.product', { product: plan.mix.conditioner.product.name, neat: true }), dog.name)
    if (plan.steps.some((s) => s.role === 'cloth') || plan.drying.zones.some((z) => z.by === 'cloth'))
      put(said('lay.cloth'), dog.name)
    if (plan.short !== undefined || dog.fears.length > 0) put(said('lay.treats'), dog.name)
    if (plan.drying.choice.velocity || dog.fears.includes('dryer')) put(said('lay.hood'), dog.name)
  }
  return [towels, ...(plugged.length > 0 ? [plugs] : []), ...lines.values()]
}
