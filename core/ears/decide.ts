import { constants, house, practice } from '../constants'
import type { EarCarriage, EarLook, EarSign, Mood } from '../dog'
import { paceReason } from '../groomer'
import type { ShelvedProduct } from '../mix'
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
  }
}

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
  cleaner?: ShelvedProduct
  drying?: ShelvedProduct
  /** The user's own amount for each round, mL. */
  own?: Reason
}

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

function earMinutes(rounds: number, thin: boolean): Reckoned {
  return reckon(
    'min',
    start('ears.lookAndSmell', {}, EARS.look.value),
    add('ears.rounds', { rounds }, rounds * EARS.round.value),
    thin && add('ears.hairsThinned', {}, EARS.thin.value),
  )
}

/**
 * One ear by the decision table. Any stop sign without a vet's clearance: nothing goes in. Clean and
 * dry: wipe the flap. Waxy: cleaner, as many rounds as the wax, at most three. Damp, or heavy drop
 * ears that were waxy: a drying one after. Hair is thinned only when it blocks and the rule allows.
 */
export function decideEar(look: EarLook, facts: EarFacts): EarPlan {
  const { signs, hairBlocks, wax, moist } = look
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
  const because: Said<EarCode>[] = signs.length > 0 ? [said('ear.cleared', { signs })] : []
  const routine = facts.earHair === 'routine' && facts.hairy
  const thinHair = !facts.puppy && (routine || (hairBlocks && facts.earHair !== 'never'))
  if (thinHair)
    because.push(hairBlocks ? said('ear.hairBlocks') : said('rule.says', { rule: 'earHair', choice: 'routine' }))
  else if (hairBlocks) because.push(said('ear.hairLeft'))
  const waxy = wax > 0 || thinHair
  if (waxy && facts.cleaner) {
    const rounds = Math.min(EARS.mostRounds.value, Math.max(1, wax))
    const damp = moist || facts.carriage === 'drop'
    because.push(wax > 0 ? said('ear.wax', { wax }) : said('ear.afterThinning'))
    if (damp) because.push(moist ? said('ear.damp') : said('ear.dropHolds'))
    because.push(said('ear.giving', { giving: facts.giving }), said('ear.until', { rounds: EARS.mostRounds.value }))
    return {
      action: 'clean',
      product: facts.cleaner.name,
      millilitres: earMillilitres(facts.weightKg, facts.cleaner, facts.own),
      rounds,
      thinHair,
      thenDry: damp && facts.drying !== undefined,
      ...(damp && facts.drying ? { dryWith: facts.drying.name } : {}),
      minutes: earMinutes(rounds, thinHair),
      because,
    }
  }
  if (moist && facts.drying) {
    return {
      action: 'dry',
      product: facts.drying.name,
      millilitres: earMillilitres(facts.weightKg, facts.drying, facts.own),
      rounds: 1,
      thinHair,
      thenDry: false,
      minutes: earMinutes(1, thinHair),
      because: [...because, said('ear.dampNoWax')],
    }
  }
  because.push(waxy || moist ? said('ear.noProduct') : said('ear.cleanAndDry'))
  return { action: 'wipe', rounds: 0, thinHair, thenDry: false, minutes: earMinutes(0, thinHair), because }
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
