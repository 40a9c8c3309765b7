import { constants, house, practice } from '../constants'
import { daysBetween, type EarCarriage, type EarLook, type EarSign, type Mood, type Skin } from '../dog'
import { paceReason } from '../groomer'
import { stingingIn, type ShelvedProduct, type WhyNot } from '../mix'
import { add, reckon, set, start, withOwn, type Reason, type Reckoned } from '../reckoned'
import type { Rules } from '../rules'
import { said, type Code, type Said } from '../said'

declare module '../said' {
  interface Codes {
    'ears.size': { from: number; to: number | null }
    'ears.label': { product: string }
    'ears.lookAndSmell': None
    'ears.rounds': { rounds: number }
    'ears.hairsThinned': None
    'ears.left': None
    'ears.right': None
    'ear.signs': { signs: EarSign[] }
    'ear.vetFirst': None
    'ear.cleared': { signs: EarSign[] }
    'ear.hairBlocks': None
    'ear.hairLeft': None
    'ear.wax': { wax: number }
    'ear.afterThinning': None
    'ear.damp': None
    'ear.dropHolds': None
    'ear.giving': { giving: Rules['earCleaner'] }
    'ear.until': { rounds: number }
    'ear.dampNoWax': None
    'ear.noProduct': None
    'ear.cleanAndDry': None
    'ear.thinnedLately': { date: string; weeks: number }
    'ear.stings': { product: string; by: string; why: SoreEar }
    'ear.forbidden': { product: string; why: WhyNot }
    'ear.waxStays': None
    'ear.soften': { product: string; minutes: number }
    'ears.softened': { minutes: number }
  }
}

/** Why an ear bears nothing that stings: its skin, a vet's clearance for signs, or hair thinned today. */
export type SoreEar = Skin | 'cleared' | 'thinned'

/** What decides about an ear. */
export type EarCode = Extract<Code, `ear.${string}` | 'rule.says'>

/** Ear cleaner and the minutes that ears take. */
export const EARS = constants({
  tiny: house(5, 'kg', [4, 6]),
  small: house(15, 'kg', [12, 18]),
  middle: house(30, 'kg', [25, 35]),
  tinyMl: house(1, 'mL', [1, 2]),
  smallMl: house(2, 'mL', [1, 3]),
  middleMl: house(3, 'mL', [2, 4]),
  largeMl: house(4, 'mL', [4, 6]),
  mostRounds: practice(3, 'rounds'),
  massage: practice(25, 's', [20, 30]),
  round: house(1.5, 'min', [1, 2.5]),
  look: house(1, 'min per ear', [0.5, 2]),
  thin: house(3, 'min per ear', [2, 5]),
  softens: practice(5, 'min', [3, 10]),
  softenFrom: practice(2, 'wax of 3', [2, 3]),
})

/** What is done with one ear. `stop` leaves it to the vet. */
export type EarAction = 'stop' | 'wipe' | 'clean' | 'dry'

/** One ear's plan: the action, the amount for each round, and every fact that decided it. */
export interface EarPlan {
  action: EarAction
  product?: string
  millilitres?: Reckoned
  rounds: number
  thinHair: boolean
  thenDry: boolean
  /** The product that dries it afterwards. */
  dryWith?: string
  /** What softens the wax first. */
  softenWith?: string
  /** The most rounds with a cleaner, by the house's rule; plans made before had three. */
  most?: number
  /** The hair is powdered, not the fingers. */
  powder?: 'hair'
  /** The house has a cleaner, and this ear bears none of it: the wax stays. */
  waxStays?: true
  minutes: Reckoned
  because: Said<EarCode>[]
}

/** The facts beside the ear itself. `cleared` means a vet's clearance covers this ear today. */
export interface EarFacts {
  weightKg: number
  carriage: EarCarriage
  cleared: boolean
  puppy: boolean
  earHair: Rules['earHair']
  hairy: boolean
  giving: Rules['earCleaner']
  rounds: Rules['earRounds']
  powder: Rules['earPowder']
  /** The day of the visit, and when ear hair was thinned so lately that it isn't again. */
  date: string
  thinnedLately?: string
  /** Skin of this ear that is sore or scratched. */
  sore?: Skin
  /** What the dog may have by label and allergies, best first, and what it may not. */
  cleaners: readonly ShelvedProduct[]
  dryingOnes: readonly ShelvedProduct[]
  forbidden: readonly { product: string; why: WhyNot }[]
  softener?: ShelvedProduct
  /** The user's own amount for each round, mL. */
  own?: Reason
}

const ROUNDS: Record<Rules['earRounds'], number> = { three: EARS.mostRounds.value, two: 2, one: 1 }

/** Millilitres for one ear and round: by weight, unless the label or the user says. */
export function earMillilitres(weightKg: number, product: ShelvedProduct, own?: Reason): Reckoned {
  const { tiny, small, middle, tinyMl, smallMl, middleMl, largeMl } = EARS
  const [amount, from, to] =
    weightKg < tiny.value
      ? [tinyMl.value, 0, tiny.value]
      : weightKg < small.value
        ? [smallMl.value, tiny.value, small.value]
        : weightKg < middle.value
          ? [middleMl.value, small.value, middle.value]
          : [largeMl.value, middle.value, null]
  return withOwn(
    reckon(
      'mL',
      start('ears.size', { from, to }, amount),
      product.earMl !== null && set('ears.label', { product: product.name }, product.earMl),
    ),
    own,
  )
}

function earMinutes(rounds: number, thin: boolean, softened = false): Reckoned {
  const { look, round, thin: thinning, softens } = EARS
  return reckon(
    'min',
    start('ears.lookAndSmell', {}, look.value),
    softened && add('ears.softened', { minutes: softens.value }, softens.value / 2),
    add('ears.rounds', { rounds }, rounds * round.value),
    thin && add('ears.hairsThinned', {}, thinning.value),
  )
}

/** Whether hair is thinned today, and why or why not. */
function thinning({ hairBlocks }: EarLook, facts: EarFacts): { thinHair: boolean; because: Said<EarCode>[] } {
  const { earHair, hairy, puppy, thinnedLately: lately, date } = facts
  if (puppy || earHair === 'never') return { thinHair: false, because: hairBlocks ? [said('ear.hairLeft')] : [] }
  if (hairBlocks) return { thinHair: true, because: [said('ear.hairBlocks')] }
  if (earHair !== 'routine' || !hairy) return { thinHair: false, because: [] }
  if (lately !== undefined) {
    const weeks = Math.round(daysBetween(lately, date) / 7)
    return { thinHair: false, because: [said('ear.thinnedLately', { date: lately, weeks })] }
  }
  return { thinHair: true, because: [said('rule.says', { rule: 'earHair', choice: 'routine' })] }
}

/** The first of several products that doesn't sting where the ear is sore, and what was passed over for it. */
function gentlest(of: readonly ShelvedProduct[], sore: SoreEar | undefined) {
  const passed: Said<EarCode>[] = []
  for (const product of of) {
    const by = sore === undefined ? undefined : stingingIn(product)
    if (by === undefined) return { product, passed }
    passed.push(said('ear.stings', { product: product.name, by, why: sore! }))
  }
  return { product: undefined, passed }
}

/**
 * One ear by the decision table. Any stop sign without a vet's clearance: nothing goes in. Clean and
 * dry: wipe the flap. Waxy: cleaner, as many rounds as the wax, at most what the house allows, after a softener where there
 * is one and much wax. Damp, or heavy drop ears that were waxy: a drying one after. Hair is thinned only when it blocks and
 * the rule allows, or as a routine when it is time again. Nothing with vinegar or alcohol goes into an ear that is sore, was
 * cleared by a vet or is thinned today. What can't be used is said, with the wax that stays.
 */
export function decideEar(look: EarLook, facts: EarFacts): EarPlan {
  const { signs, wax, moist } = look
  if (signs.length > 0 && !facts.cleared) {
    return {
      action: 'stop',
      rounds: 0,
      thinHair: false,
      thenDry: false,
      minutes: earMinutes(0, false),
      because: [said('ear.signs', { signs }), said('ear.vetFirst')],
    }
  }
  const hair = thinning(look, facts)
  const { thinHair } = hair
  const because: Said<EarCode>[] = [...(signs.length > 0 ? [said('ear.cleared', { signs })] : []), ...hair.because]
  const sore: SoreEar | undefined = signs.length > 0 ? 'cleared' : (facts.sore ?? (thinHair ? 'thinned' : undefined))
  const waxy = wax > 0 || thinHair
  const cleaner = gentlest(facts.cleaners, sore)
  const dries = gentlest(facts.dryingOnes, sore)
  if (waxy && cleaner.product) {
    const most = ROUNDS[facts.rounds]
    const rounds = Math.min(most, Math.max(1, wax))
    const damp = moist || facts.carriage === 'drop'
    const softener = wax >= EARS.softenFrom.value ? facts.softener : undefined
    const softens = softener && (sore === undefined || stingingIn(softener) === undefined) ? softener : undefined
    because.push(wax > 0 ? said('ear.wax', { wax }) : said('ear.afterThinning'))
    if (softens) because.push(said('ear.soften', { product: softens.name, minutes: EARS.softens.value }))
    if (damp) because.push(moist ? said('ear.damp') : said('ear.dropHolds'))
    because.push(said('ear.giving', { giving: facts.giving }), said('ear.until', { rounds: most }))
    return {
      action: 'clean',
      ...(thinHair && facts.powder === 'hair' ? { powder: 'hair' as const } : {}),
      product: cleaner.product.name,
      millilitres: earMillilitres(facts.weightKg, cleaner.product, facts.own),
      rounds,
      most,
      thinHair,
      thenDry: damp && dries.product !== undefined,
      ...(damp && dries.product ? { dryWith: dries.product.name } : {}),
      ...(softens ? { softenWith: softens.name } : {}),
      minutes: earMinutes(rounds, thinHair, softens !== undefined),
      because: [...because, ...cleaner.passed, ...(damp ? dries.passed : [])],
    }
  }
  if (moist && dries.product) {
    return {
      action: 'dry',
      product: dries.product.name,
      millilitres: earMillilitres(facts.weightKg, dries.product, facts.own),
      rounds: 1,
      most: 1,
      thinHair,
      thenDry: false,
      minutes: earMinutes(1, thinHair),
      because: [...because, said('ear.dampNoWax'), ...dries.passed],
    }
  }
  const kept = [
    ...facts.forbidden.map((f) => said('ear.forbidden', f)),
    ...cleaner.passed,
    ...(moist ? dries.passed : []),
  ]
  const stays = (waxy || moist) && kept.length > 0
  because.push(
    ...(stays ? [...kept, said('ear.waxStays')] : [waxy || moist ? said('ear.noProduct') : said('ear.cleanAndDry')]),
  )
  return {
    action: 'wipe',
    rounds: 0,
    thinHair,
    thenDry: false,
    ...(stays ? { waxStays: true as const } : {}),
    minutes: earMinutes(0, thinHair),
    because,
  }
}

/** The minutes of both ears, at the dog's pace. */
export function bothEars(left: EarPlan, right: EarPlan, mood: Mood): Reckoned {
  return reckon(
    'min',
    start('ears.left', {}, left.minutes.value),
    add('ears.right', {}, right.minutes.value),
    paceReason(mood),
  )
}
