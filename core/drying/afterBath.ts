import { constants, house, memory } from '../constants'
import { coatHold, reachableShare, type Coat } from '../dog'
import { add, reckon, start, type Reason, type Reckoned } from '../reckoned'

declare module '../said' {
  interface Codes {
    'wet.fullyWet': None
    'wet.squeezed': None
    'wet.shaken': None
    'wet.towelled': { count: number }
    'wet.wrung': { count: number }
  }
}

const SHAKE = 'Dickerson, Mills and Hu, J. R. Soc. Interface 2012: shaking throws off about 70 %'

/** What squeezing, shaking and towels leave. */
export const AFTER_BATH = constants({
  squeeze: house(0.7, 'share left', [0.5, 0.9]),
  squeezeSmooth: house(0.9, 'share left', [0.8, 1]),
  shake: memory(0.385, 'share of the reachable part', SHAKE),
  towelTakes: house(0.5, 'share of what is reachable', [0.3, 0.7]),
  towelMost: house(300, 'g', [200, 500]),
  wringMost: house(120, 'g', [80, 200]),
  floor: house(0.1, 'share of what was reachable when towelling began', [0.05, 0.2]),
  deep: house(0.8, 'share left', [0.6, 1]),
  worthATowel: house(8, 'g', [4, 20]),
  mostTowels: house(5, 'towels', [3, 6]),
  mostWrings: house(12, 'wrings', [6, 20]),
})

/** Which of the steps between rinse and dryer are done. */
export interface AfterBathSteps {
  squeeze: boolean
  shake: boolean
  towels: number
  chamois: boolean
}

/** Grams of water in the coat as one step leaves it, and the share of a fully wet coat that is. */
export interface WaterLeft {
  after: 'bath' | 'squeeze' | 'shake' | 'towels'
  grams: number
  share: number
}

/** Grams a towel takes out of `reachable`, never below the floor of what was `first` reachable to it. */
function towelTake(reachable: number, first: number, chamois: boolean): number {
  const { towelTakes, towelMost, wringMost, floor } = AFTER_BATH
  const most = chamois ? wringMost.value : towelMost.value
  return Math.max(0, Math.min(reachable * towelTakes.value, most, reachable - floor.value * first))
}

/** The reachable part, g, after squeeze and shake. */
function loosened(
  coat: Coat,
  first: number,
  steps: Pick<AfterBathSteps, 'squeeze' | 'shake'>,
): { squeezed: number; shaken: number } {
  const slick = coat.coat === 'smooth' || coat.coat === 'hairless'
  const squeezed = first * (steps.squeeze ? (slick ? AFTER_BATH.squeezeSmooth.value : AFTER_BATH.squeeze.value) : 1)
  return { squeezed, shaken: steps.shake ? Math.min(squeezed, AFTER_BATH.shake.value * first) : squeezed }
}

/**
 * Water left in the coat from bath to dryer, g, step by step. The reachable part is squeezed, shaken
 * (at most 0.385 of it is left after both) and towelled, each towel taking half up to 300 g (120 g a
 * wring of a chamois) down to a tenth; towels press a fifth out of the deep part, once. `surface` m².
 */
export function waterAfterBath(coat: Coat, surface: number, steps: AfterBathSteps): WaterLeft[] {
  const full = coatHold(coat) * surface
  const first = full * reachableShare(coat)
  const { squeezed, shaken } = loosened(coat, first, steps)
  let reachable = shaken
  for (let i = 0; i < steps.towels; i++) reachable -= towelTake(reachable, shaken, steps.chamois)
  const deep = full - first
  const left = (after: WaterLeft['after'], grams: number): WaterLeft => ({ after, grams, share: grams / full })
  return [
    left('bath', full),
    left('squeeze', squeezed + deep),
    left('shake', shaken + deep),
    left('towels', reachable + deep * (steps.towels > 0 ? AFTER_BATH.deep.value : 1)),
  ]
}

/** How many towels are worth their minute on this coat: until the next one would take under 8 g. At least one. */
export function towelsWorthwhile(coat: Coat, surface: number, chamois: boolean): number {
  const first = coatHold(coat) * surface * reachableShare(coat)
  const { shaken } = loosened(coat, first, { squeeze: true, shake: true })
  let reachable = shaken
  let count = 0
  while (count < (chamois ? AFTER_BATH.mostWrings : AFTER_BATH.mostTowels).value) {
    const take = towelTake(reachable, shaken, chamois)
    if (count > 0 && take < AFTER_BATH.worthATowel.value) break
    reachable -= take
    count++
  }
  return count
}

/** Grams left when the dryer starts, with what each step took as its reasons. */
export function waterForDryer(stages: readonly WaterLeft[], towels: number, chamois: boolean): Reckoned {
  const [bath, ...rest] = stages
  return reckon(
    'g',
    start('wet.fullyWet', {}, bath!.grams),
    ...rest.map((stage, i): Reason => {
      const by = stage.grams - stages[i]!.grams
      if (stage.after === 'towels') return add(chamois ? 'wet.wrung' : 'wet.towelled', { count: towels }, by)
      return add(stage.after === 'squeeze' ? 'wet.squeezed' : 'wet.shaken', {}, by)
    }),
  )
}
