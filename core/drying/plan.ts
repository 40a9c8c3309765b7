import { add, note, reckon, type Reason } from '../reckoned'
import { say } from '../units'
import { towelsWorthwhile, waterAfterBath, waterForDryer } from './afterBath'
import { dryByHand, handMinutes } from './byHand'
import { dryByItself } from './byItself'
import { CURVE } from './curve'
import { chooseTechnique, type TechniqueChoice } from './technique'
import type { DryingFacts, DryingPlan } from './types'

const roomNote = ({ room }: DryingFacts) => note(`room ${say(room.celsius)} °C, ${say(room.humidity, 0)} % humid`)

/** Fan first, down to where a velocity dryer would leave it, then a short warm brush. */
function dryByBoth(choice: TechniqueChoice, share: number, facts: DryingFacts, own?: Reason) {
  const fan = dryByItself(choice, share, facts, CURVE.velocityLeaves.value)
  const hand = dryByHand(choice, choice.warm!, Math.min(share, CURVE.velocityLeaves.value), facts)
  const brushed = handMinutes(hand, choice, facts)
  const minutes = reckon('min', ...fan.reasons, add('then the warm brush', brushed.value), roomNote(facts), own)
  const zones = hand.map(({ dried }, i) => {
    const before = fan.zones[i]!
    return { ...dried, grams: before.grams, evaporatesFan: before.evaporates }
  })
  return { zones, minutes, handMinutes: brushed.value, dries: fan.dries, combAt: [] }
}

function dryAlone(choice: TechniqueChoice, share: number, facts: DryingFacts, own?: Reason) {
  const { zones, minutes, reasons, dries } = dryByItself(choice, share, facts, CURVE.dry.value)
  const combed = facts.coat.coat !== 'corded' && facts.coat.coat !== 'hairless' && facts.coat.coat !== 'smooth'
  const times = combed ? Math.floor((minutes - 1) / CURVE.combEvery.value) : 0
  const combAt = Array.from({ length: Math.max(0, times) }, (_, i) => (i + 1) * CURVE.combEvery.value)
  return { zones, minutes: reckon('min', ...reasons, roomNote(facts), own), handMinutes: 0, dries, combAt }
}

/** What to remember while drying: hands, ears, breaks, and what a helper can do. */
function remindersFor(choice: TechniqueChoice, handMinutes: number, dryerShy: boolean): string[] {
  const long = handMinutes > CURVE.longDrying.value
  return [
    long &&
      `Change hands every ${CURVE.changeHands.value} min; a break for both of you at ${say(handMinutes / 2, 0)} min.`,
    handMinutes > 0 && 'The free hand holds the coat, and feels damp and heat. Keep the air moving.',
    choice.velocity !== undefined && 'Fast air: ear protection on you, hood or band over the dog’s ears.',
    dryerShy && 'Start at the rear on the lowest setting, lick mat in front, stop before panic.',
    'A helper can towel the next dog, comb behind the air, or hold the head.',
  ].filter((r): r is string => !!r)
}

/**
 * Drying from the last rinse to dry at the skin: the water that squeeze, shake and towels leave; the
 * technique; then every zone in the school's order with its minutes, setting and nearest distance.
 * Zones add; in each the slower of evaporating and brushing rules. `own` replaces the total by the
 * user's, `facts.towels` the number of towels.
 */
export function planDrying(facts: DryingFacts, own?: Reason): DryingPlan {
  const choice = chooseTechnique(facts.dryers, {
    coat: facts.coat.coat,
    stage: facts.stage,
    dryerShy: facts.dryerShy,
    crateShy: facts.crateShy,
    crateFits: facts.crateFits,
    skin: facts.skin,
    wanted: facts.technique,
  })
  const towels = facts.towels ?? towelsWorthwhile(facts.coat, facts.surface, facts.chamois)
  const stages = waterAfterBath(facts.coat, facts.surface, {
    squeeze: true,
    shake: true,
    towels,
    chamois: facts.chamois,
  })
  const { share } = stages[stages.length - 1]!
  const shared = { choice, stages, towels, water: waterForDryer(stages, towels) }
  const dried = dryBy(choice, share, facts, own)
  return { ...shared, ...dried, reminders: remindersFor(choice, dried.handMinutes, facts.dryerShy) }
}

function dryBy(choice: TechniqueChoice, share: number, facts: DryingFacts, own?: Reason) {
  if (choice.technique === 'fan' || choice.technique === 'air') return dryAlone(choice, share, facts, own)
  if (choice.technique === 'fan, then brush') return dryByBoth(choice, share, facts, own)
  const zones = dryByHand(choice, choice.warm!, share, facts)
  const minutes = handMinutes(zones, choice, facts, own)
  return { zones: zones.map((z) => z.dried), minutes, handMinutes: minutes.value, dries: true, combAt: [] }
}
