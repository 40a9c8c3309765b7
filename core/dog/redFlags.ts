import { anySkin, firstSkin, skinMap, SORE, worstMats, type Condition } from './condition'
import type { Dog } from './schema'

/** What everybody who touches a dog must know at a glance, the worst first. */
export const RED_FLAGS = [
  'bites',
  'vetFirst',
  'heart',
  'fits',
  'windpipe',
  'felted',
  'allergy',
  'pregnant',
  'joints',
  'blind',
  'deaf',
  'vaccination',
  'shortNose',
  'firstVisit',
  'fleas',
] as const
export type RedFlag = (typeof RED_FLAGS)[number]

/** How many of them stand beside a name: the worst, so that they are read. */
export const FLAGS_BESIDE_A_NAME = 2

/** How a dog is on a day, as far as red flags go; `date`: that day, by which a vaccination has run out. */
export type FlaggedDay = Pick<Condition, 'mats' | 'fleas'> &
  Partial<Pick<Condition, 'skin' | 'skinAt' | 'leftEar' | 'rightEar'>> & {
    biteRisk?: boolean
    wounds?: 'none' | 'small' | 'wide'
    date?: string
  }

/** Whether an ear or the skin is a vet's to see before anything is done there. */
function isVets({ skin = [], skinAt = [], wounds, leftEar, rightEar }: FlaggedDay): boolean {
  const ears = [leftEar, rightEar].some((ear) => (ear?.signs.length ?? 0) > 0)
  return ears || firstSkin(anySkin(skinMap({ skin, skinAt, wounds })), SORE) !== undefined
}

/** Whether a dog may bite: by its record, or as it has come. */
export const mayBite = (dog: Pick<Dog, 'mayBite'>, today: Pick<FlaggedDay, 'biteRisk'>): boolean =>
  dog.mayBite || today.biteRisk === true

/** The red flags of a dog on a day, the worst first; `today`: as it is that day, else as its record expects it. */
export function redFlagsOf(dog: Dog, today: FlaggedDay = dog.known): RedFlag[] {
  const has: Record<RedFlag, boolean> = {
    bites: mayBite(dog, today),
    vetFirst: isVets(today),
    heart: dog.heart,
    fits: dog.seizures,
    windpipe: dog.windpipe,
    felted: worstMats(today.mats) === 3,
    allergy: dog.allergies.length > 0,
    pregnant: dog.pregnant,
    joints: dog.joints,
    blind: dog.blind,
    deaf: dog.deaf,
    vaccination: today.date !== undefined && dog.vaccinatedUntil !== null && dog.vaccinatedUntil < today.date,
    shortNose: dog.shortNose,
    firstVisit: dog.firstBath || dog.rescue,
    fleas: today.fleas,
  }
  return RED_FLAGS.filter((flag) => has[flag])
}
