import { constants, house, practice } from '../constants'
import type { EarCarriage, EarLook } from '../dog'
import { add, reckon, set, start, times, type Reckoned } from '../reckoned'
import { list } from '../units'
import type { ShelvedProduct } from '../mix'

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
  minutes: Reckoned
  because: string[]
}

/** The facts beside the ear itself. `cleared` means a vet's clearance covers this ear today. */
export interface EarFacts {
  weightKg: number
  carriage: EarCarriage
  cleared: boolean
  puppy: boolean
  school: 'blocking' | 'routine' | 'never'
  hairy: boolean
  giving: 'bottle' | 'cotton'
  cleaner?: ShelvedProduct
  drying?: ShelvedProduct
}

/** Millilitres for one ear and round: by weight, unless the label says. */
export function earMillilitres(weightKg: number, product: ShelvedProduct): Reckoned {
  const { tiny, small, middle, tinyMl, smallMl, middleMl, largeMl } = EARS
  const [amount, size] =
    weightKg < tiny.value
      ? [tinyMl.value, 'under 5 kg']
      : weightKg < small.value
        ? [smallMl.value, '5 to 15 kg']
        : weightKg < middle.value
          ? [middleMl.value, '15 to 30 kg']
          : [largeMl.value, '30 kg and more']
  return reckon(
    'mL',
    start(`a dog of ${size}`, amount),
    product.earMl !== null && set(`${product.name}: label`, product.earMl),
  )
}

function earMinutes(rounds: number, thin: boolean): Reckoned {
  return reckon(
    'min',
    start('look and smell', EARS.look.value),
    add(`${rounds} ${rounds === 1 ? 'round' : 'rounds'} of cleaner`, rounds * EARS.round.value),
    thin && add('a few hairs thinned', EARS.thin.value),
  )
}

/**
 * One ear by the decision table. Any stop sign without a vet's clearance: nothing goes in. Clean and
 * dry: wipe the flap. Waxy: cleaner, as many rounds as the wax, at most three. Damp, or heavy drop
 * ears that were waxy: a drying one after. Hair is thinned only when it blocks and the school allows.
 */
export function decideEar(look: EarLook, facts: EarFacts): EarPlan {
  if (look.signs.length > 0 && !facts.cleared) {
    return {
      action: 'stop',
      rounds: 0,
      thinHair: false,
      thenDry: false,
      minutes: earMinutes(0, false),
      because: [`${list(look.signs)}: the eardrum may not be whole`, 'no cleaner, no plucking, the vet looks first'],
    }
  }
  const because = look.signs.length > 0 ? [`${list(look.signs)}, cleared by a vet`] : []
  const routine = facts.school === 'routine' && facts.hairy
  const thinHair = !facts.puppy && (routine || (look.hairBlocks && facts.school !== 'never'))
  if (thinHair) because.push(look.hairBlocks ? 'hair blocks the canal: thin it first' : 'school: pluck routinely')
  else if (look.hairBlocks) because.push('hair left alone')

  const waxy = look.wax > 0 || thinHair
  if (waxy && facts.cleaner) {
    const rounds = Math.min(EARS.mostRounds.value, Math.max(1, look.wax))
    const damp = look.moist || facts.carriage === 'drop'
    because.push(look.wax > 0 ? `wax ${look.wax} of 3` : 'clean after thinning')
    if (damp) because.push(look.moist ? 'damp inside' : 'drop ears hold the damp')
    because.push(
      facts.giving === 'bottle'
        ? 'filled from the bottle, base massaged 20 to 30 s, let the dog shake'
        : 'soaked cotton squeezed at the opening, base massaged, let the dog shake',
    )
    because.push(`until the cotton comes away clean; still dirty after ${EARS.mostRounds.value} rounds: stop and refer`)
    return {
      action: 'clean',
      product: facts.cleaner.name,
      millilitres: earMillilitres(facts.weightKg, facts.cleaner),
      rounds,
      thinHair,
      thenDry: damp && facts.drying !== undefined,
      minutes: earMinutes(rounds, thinHair),
      because,
    }
  }
  if (look.moist && facts.drying) {
    return {
      action: 'dry',
      product: facts.drying.name,
      millilitres: earMillilitres(facts.weightKg, facts.drying),
      rounds: 1,
      thinHair,
      thenDry: false,
      minutes: earMinutes(1, thinHair),
      because: [...because, 'damp inside, no wax'],
    }
  }
  because.push(
    waxy || look.moist
      ? 'no ear product on the shelf: warm damp cloth, then a dry one'
      : 'clean and dry: cleaning would irritate',
  )
  return { action: 'wipe', rounds: 0, thinHair, thenDry: false, minutes: earMinutes(0, thinHair), because }
}

/** The minutes of both ears, at the dog's pace. */
export function bothEars(left: EarPlan, right: EarPlan, pace: number, mood: string): Reckoned {
  return reckon(
    'min',
    start('left ear', left.minutes.value),
    add('right ear', right.minutes.value),
    times(`${mood}: slower`, pace),
  )
}
