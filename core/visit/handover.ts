import { isLong, type Dog } from '../dog'
import { LADDER } from '../handling'
import { capital, list } from '../units'
import type { Today } from './schema'
import type { Plan } from './types'
import { zonesText } from './washes'
import type { Mix } from './washTypes'

/** What the owner is told when the dog goes home: what was used, how to care for it, and when to come again. */
export interface HandOver {
  used: string[]
  homeCare: string[]
  /** What the owner can practise with the dog before it comes again, for everything it can't bear yet. */
  practise: string[]
  ask: string
}

/** Every product on the dog, pass by pass, then the conditioner. */
export function mixesOf({ mix }: Plan): Mix[] {
  return [...mix.passes.flatMap((p) => p.mixes), ...(mix.conditioner ? [mix.conditioner] : [])]
}

/** What was used on the dog, product by product, as it was mixed. */
export function usedOn(plan: Plan): string[] {
  if (!plan.go) return ['Nothing: no bath today.']
  const lines = mixesOf(plan).map((m) => `${m.product.name}, ${m.spelled}, on ${zonesText(m.zones)}`)
  const ears = [plan.ears.left, plan.ears.right].map((e) => e.product).filter((p): p is string => !!p)
  const ear = ears.length > 0 ? [`${list([...new Set(ears)])} in the ears`] : []
  return [...new Set(lines), ...ear]
}

/** The words for the owner. */
export function handOver(dog: Dog, today: Today, plan: Plan): HandOver {
  const { skin } = today
  const homeCare = [
    isLong(dog.coat) || dog.coat === 'feathered'
      ? 'Dry and brush after rain: damp hair knots too.'
      : 'Towel dry after rain.',
    isLong(dog.coat) && 'Brush to the skin two or three times a week, line by line.',
    dog.coat === 'corded' && 'Part the cords by hand; keep them dry and aired.',
    dog.earCarriage === 'drop' && 'Lift the ears and dry under the flap after water.',
    (skin.includes('itchy') || skin.includes('dry')) &&
      'If it scratches in two days, tell me: soap, product or something else.',
    today.fleas && 'Treat the dog and the home on one day, with what your vet or the label says for its age.',
    dog.folds && 'Wipe and dry the folds every day.',
    dog.coat === 'hairless' && 'Sun and cold: shade, a coat, plain skin care.',
  ].filter((line): line is string => !!line)
  return {
    used: usedOn(plan),
    homeCare,
    practise: plan.ladder
      .filter((l) => l.rung < LADDER.rungs.value)
      .map((l) => `${capital(l.stressor)}: ${l.homework}`),
    ask: `In two days: does ${dog.name} scratch, shake the ears, or smell damp? The next visit is planned better for it.`,
  }
}
