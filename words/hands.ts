import type { LiftAdvice } from '@core/groomer'
import { stepTitle, zonesListed } from './names'
import type { Words } from './types'

const WORK = {
  brush: 'brush out',
  rubber: 'rubber brush',
  blowOut: 'blow the loose coat out',
  lather: 'lather to the skin',
  condition: 'on and combed through',
  comb: 'comb to the skin',
  cloth: 'a cloth over the coat',
  deShed: 'undercoat out',
  clip: 'cut all over',
} as const

export const HANDS: Words<
  'hands' | 'short' | 'noise' | 'towels' | 'plug' | 'lift' | 'topknot' | 'shake' | 'stand' | 'minutes'
> = {
  'hands.pace': ({ mood }) => `${mood}: done slower, with breaks`,
  'hands.over': ({ work, m2, rate }, say) => `${WORK[work]}: ${say.area(m2)} at ${say.rate(rate)}`,
  'hands.coat': ({ coat, lengthCm, density }, say) => {
    const long = lengthCm === null ? '' : ` of ${say.length(lengthCm)}`
    return `${density === 'usual' ? '' : `${density} `}${coat} coat${long}`
  },
  'hands.mats': ({ zones, score }) => `${score > 1 ? 'many mats' : 'a few mats'} on ${zonesListed(zones)}`,
  'hands.wholeDog': 'hands over the whole dog',
  'hands.weight': ({ kg }, say) => say.weight(kg),
  'hands.nails': 'four feet',
  'hands.tips': 'four feet, the tips only',
  'hands.loose': 'shed undercoat is still in it',
  'hands.filthy': 'filthy: worked in longer',
  'hands.feetShy': 'shy of having feet held',
  'hands.face': 'the face',
  'hands.folds': 'folds wiped and dried',
  'hands.lift': 'in and out, mat and restraint checked',
  'hands.heavy': 'heavy dog: steps or two people',
  'hands.squeeze': 'squeeze from the top down',
  'hands.cords': ({ m2, rate }, say) => `cord by cord: ${say.area(m2)} at ${say.rate(rate)}`,
  'hands.towels': ({ count }, say) => say.count(count, 'towel'),
  'hands.wrings': ({ count }) => `chamois, wrung ${count === 1 ? 'once' : `${count} times`}`,
  'hands.setUp': 'dryer, brush and dry towels to hand',
  'hands.cleanTub': 'hair out, tub disinfected',
  'hands.afterFleas': 'after fleas: everything',
  'short.lessOf': ({ most }, say) => `as much as a visit of ${say.number(most, 0)} min has room for`,
  'hands.handOver': 'findings, home care, next date',
  'hands.puppyBrush': 'a soft brush for a moment',
  'hands.atLeast': ({ minutes }, say) => (minutes === 1 ? 'at least a minute' : `at least ${say.number(minutes)} min`),
  'noise.none': 'no dryer',
  'noise.dryer': ({ dryer, level, minutes }, say) =>
    `${dryer}: ${say.number(level, 0)} dBA for ${say.number(minutes, 0)} min`,
  'towels.coat': 'for the coat',
  'towels.chamois': 'a chamois does them all',
  'towels.table': 'dry ones on the table',
  'plug.each': ({ plugs }, say) => say.count(plugs, 'plug'),
  'lift.way': ({ way }) => (way === 'in' ? 'in' : 'out'),
  'hands.tidy': 'face, feet, belly, under the tail',
  'hands.tidyCoat': ({ m2 }, say) => `${say.area(m2)} of coat`,
  'hands.teeth': 'brushed',
  'hands.glands': 'emptied',
  'hands.clipLength': ({ cm }, say) => `${say.length(cm)} left`,
  'hands.roughly': 'roughly, before the bath',
  'hands.afterRough': 'finished: the bulk is off',
  'hands.felt': 'felt: slowly, close to the skin',
  'hands.clipFinish': 'face, feet and outline',
  'topknot.tied': 'tied slightly damp',
  'shake.short': 'right after the rinse',
  'shake.rest': 'throws off more than the first towel takes, and rests the dog',
  'stand.faceMeanwhile': 'the face is done meanwhile',
  'stand.combedMeanwhile': 'combed through meanwhile',
  'minutes.step': (step) => stepTitle(step),
}

/** What to do about a lift. */
export const LIFT_ADVICE: Record<LiftAdvice, string> = {
  ramp: 'Up the ramp, a hand under the chest; no lift.',
  alone: 'Close to the body, knees bent, feet turning instead of the back.',
  two: 'The two of you, on one word.',
  tooMuchForOne: 'Too much for one: ramp or steps, or wash on the floor. A live, shifting load is worse than a box.',
  tooMuchForTwo: 'Too much even for two: ramp or steps, or wash on the floor. A live load is worse than a box.',
}
