import { worstMats } from './condition'
import type { Condition } from './condition'
import type { Dog } from './schema'

/** What everybody who touches a dog must know at a glance, the worst first. */
export const RED_FLAGS = [
  'bites',
  'heart',
  'fits',
  'windpipe',
  'felted',
  'allergy',
  'pregnant',
  'joints',
  'blind',
  'deaf',
  'shortNose',
  'firstVisit',
  'fleas',
] as const
export type RedFlag = (typeof RED_FLAGS)[number]

/** How many of them stand beside a name: the worst, so that they are read. */
export const FLAGS_BESIDE_A_NAME = 2

/** The red flags of a dog on a day, the worst first; `today`: as it is that day, else as its record expects it. */
export function redFlagsOf(
  dog: Dog,
  today: Pick<Condition, 'mats' | 'fleas'> & { biteRisk?: boolean } = dog.known,
): RedFlag[] {
  const has: Record<RedFlag, boolean> = {
    bites: dog.mayBite || today.biteRisk === true,
    heart: dog.heart,
    fits: dog.seizures,
    windpipe: dog.windpipe,
    felted: worstMats(today.mats) === 3,
    allergy: dog.allergies.length > 0,
    pregnant: dog.pregnant,
    joints: dog.joints,
    blind: dog.blind,
    deaf: dog.deaf,
    shortNose: dog.shortNose,
    firstVisit: dog.firstBath || dog.rescue,
    fleas: today.fleas,
  }
  return RED_FLAGS.filter((flag) => has[flag])
}
