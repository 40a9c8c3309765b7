import {
  ageInWeeks,
  anySkin,
  bathes,
  bodySurface,
  COATS,
  cutsAll,
  coatHold,
  coatOf,
  hasUndercoat,
  skinMap,
  surfaceShare,
  stageOn,
  worstMats,
  ZONES,
  type Coat,
  type Dog,
  type Zone,
} from '../dog'
import { constants, practice } from '../constants'
import { bearsFastAir } from '../drying'
import { canClip, HANDWORK, HAND_RATES } from '../groomer'
import { planHandling } from '../handling'
import type { House } from '../house'
import type { ShelvedProduct } from '../mix'
import { set, type Reason } from '../reckoned'
import { toolOf } from '../rinse'
import { rulesFor } from '../rules'
import { leavesOut, type OverrideTarget, type Today } from './schema'
import { shortVisit } from './short'

/** From when on what will be cut off is cut off before the bath. */
export const CLIP_FIRST = constants({
  mats: practice(2, 'score of the worst mat', [2, 3]),
  brushLeaves: practice(0.5, 'share of the shed undercoat', [0.3, 0.7]),
  times: practice(2.5, 'times the length that is left', [2, 4]),
})

/** The coat as a rough clip leaves it, where the dog comes for a full clip or a haircut of a coat that is matted or long: nothing is brushed, washed or dried that is cut off. */
function clippedFirst(coat: Coat, { service, clipCm, mats }: Today): Coat | undefined {
  if (!cutsAll(service) || !canClip(coat.coat)) return undefined
  const left = clipCm ?? HANDWORK.clipShort.value
  const long = (coat.lengthCm ?? COATS.rows[coat.coat].reference) >= CLIP_FIRST.times.value * left
  return long || worstMats(mats) >= CLIP_FIRST.mats.value ? { ...coat, lengthCm: left } : undefined
}

/** Everything about the dog and the day that more than one part of the plan asks for. */
export function gather(
  dog: Dog,
  given: Today,
  products: readonly ShelvedProduct[],
  house: House,
  zones: readonly Zone[] = ZONES,
) {
  const weightKg = given.weightKg ?? dog.weightKg
  const stage = stageOn({ ...dog, weightKg }, given.date)
  const grown = coatOf(dog, stage)
  const clipped = clippedFirst(grown, given)
  const shorn = clipped ?? grown
  // what is cut off takes its mats along
  const today = clipped ? { ...given, mats: {} } : given
  const skin = skinMap(today)
  const mood = today.mood ?? dog.mood
  const rules = rulesFor(house.rules, dog.rules)
  const puppy = stage === 'puppy'
  const sheds = hasUndercoat(dog) && today.shedding && !puppy && !clipped
  const blown =
    rules.coatPreparation === 'blow' &&
    bathes(today.service) &&
    sheds &&
    house.dryers.some((d) => d.kind === 'velocity') &&
    bearsFastAir({ coat: shorn, skin, stage, dryerShy: dog.fears.includes('dryer') })
  const brushed = rules.coatPreparation !== 'straight' && !blown && HAND_RATES.rows[shorn.coat].brush > 0
  const out = (blown && !leavesOut(today, 'blow-out')) || today.service === 'deShed'
  const loose = !sheds || out ? 0 : brushed && !leavesOut(today, 'brush') ? CLIP_FIRST.brushLeaves.value : 1
  const coat = loose > 0 ? { ...shorn, loose } : shorn
  const surface = bodySurface(weightKg)
  const handling = planHandling({ dog, weightKg, stage, mood, biteRisk: today.biteRisk, helper: today.helper })
  return {
    dog,
    today,
    products,
    house,
    weightKg,
    stage,
    coat,
    /** The coat that is cut off roughly before the bath, where it is; its worst mat. */
    clipFirst: clipped && { coat: grown, worst: worstMats(given.mats) },
    puppy,
    /** Shed undercoat is blown out before the bath. */
    blown,
    /** Body surface, m²; the zones that are washed, and their surface. */
    surface,
    zones,
    washed: zones.length === ZONES.length ? surface : surface * surfaceShare(zones),
    hold: coatHold(coat),
    skin,
    anySkin: anySkin(skin),
    mood,
    handling,
    tool: toolOf(handling.tool, house.water.flow),
    short: shortVisit(dog, stage, mood),
    rules,
    ageWeeks: dog.born ? ageInWeeks(dog.born, today.date) : undefined,
  }
}

/** What a plan is made from. */
export type Gathered = ReturnType<typeof gather>

/** The user's own number for a target, as a reason of theirs. */
export function ownNumber(today: Today, target: OverrideTarget): Reason | undefined {
  const own = today.overrides.find((o) => o.target === target)
  return own && set('you.number', { reason: own.reason }, own.value, 'you')
}

/** The user's own minutes of a step, as a reason of theirs. */
export function ownMinutes(today: Today, step: string): Reason | undefined {
  const own = today.minutes.find((o) => o.step === step)
  return own && set('you.number', { reason: own.reason }, own.minutes, 'you')
}
