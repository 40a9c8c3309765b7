import { z } from 'zod'
import type { CoatType, Skin, Stage } from '../dog'
import type { Dryer } from './dryer'

/** How a coat is dried. */
export const Technique = z.enum(['velocity, then brush', 'warm brush', 'fan', 'fan, then brush', 'air'])
export type Technique = z.infer<typeof Technique>

/** The facts that choose dryers. `crateFits`: the dog fits a crate in front of a fan. */
export interface TechniqueFacts {
  coat: CoatType
  stage: Stage
  dryerShy: boolean
  crateShy: boolean
  crateFits: boolean
  skin: readonly Skin[]
  /** The user's own choice, taken when the house has what it needs. */
  wanted?: Technique
}

/** The chosen technique with its dryers, why, and why not the others. */
export interface TechniqueChoice {
  technique: Technique
  velocity?: Dryer
  warm?: Dryer
  fan?: Dryer
  why: string
  others: { name: Technique; why: string }[]
  /** What speaks against the user's own choice. */
  against?: string
}

const sore = (skin: readonly Skin[]) => skin.find((s) => s === 'inflamed' || s === 'broken')

/** Why a velocity dryer stays off this dog, or undefined. */
function notVelocity(facts: TechniqueFacts, dryer: Dryer | undefined): string | undefined {
  if (!dryer) return 'none in the house'
  if (facts.stage === 'puppy') return 'too loud and strong for a puppy'
  if (facts.dryerShy) return 'this dog can’t bear it'
  const hurt = sore(facts.skin)
  if (hurt) return `fast air on ${hurt} skin`
  const byCoat: Partial<Record<CoatType, string>> = {
    smooth: 'more than a smooth coat needs',
    hairless: 'fast air can injure thin skin',
    drop: 'whips long hair into knots',
    corded: 'cords dry from inside, slowly',
  }
  return byCoat[facts.coat]
}

/** Why a fan on a crate won't do for this dog, or undefined. */
function notFan(facts: TechniqueFacts, fan: Dryer | undefined): string | undefined {
  if (!fan) return 'none in the house'
  if (!facts.crateFits) return 'does not fit the crate'
  if (facts.crateShy) return 'this dog can’t bear the crate'
  if (facts.coat === 'curly') return 'a curly coat left to itself stays crimped'
  if (facts.coat === 'drop') return 'a drop coat would mat'
  if (facts.stage === 'puppy') return 'a puppy is not left damp in moving air'
  return undefined
}

/**
 * Dryers by coat, age and what the dog bears: velocity then warm brush on double, wire, curly and
 * feathered coats; warm brush alone on smooth, hairless and drop coats, puppies and sore skin; a fan on
 * corded coats and on dogs that can't bear a dryer and fit the crate (finished by a short warm brush on long
 * double and feathered coats); room air when dryer and crate are both too much. Falls back to what the house has.
 */
function reckonTechnique(dryers: readonly Dryer[], facts: TechniqueFacts): TechniqueChoice {
  const velocity = dryers.find((d) => d.kind === 'velocity')
  const warm = dryers.find((d) => d.kind === 'stand') ?? dryers.find((d) => d.kind === 'hand')
  const fan = dryers.find((d) => d.kind === 'fan')
  const noVelocity = notVelocity(facts, velocity)
  const noFan = notFan(facts, fan)

  const wantsFan = facts.coat === 'corded' || facts.dryerShy
  const brushWith = warm ?? (noVelocity ? undefined : velocity)
  const others = (taken: Technique) => {
    const all: { name: Technique; why: string }[] = [
      { name: 'velocity, then brush', why: noVelocity ?? 'would do; another suits better' },
      {
        name: 'warm brush',
        why: brushWith
          ? facts.dryerShy
            ? 'only if it bears the lowest setting'
            : 'slower on its own'
          : 'no warm dryer in the house',
      },
      { name: 'fan', why: noFan ?? 'takes far longer' },
      { name: 'air', why: 'the slowest: only when nothing else can be borne' },
    ]
    return all.filter((o) => o.name !== taken)
  }
  if (wantsFan && !noFan) {
    if (facts.coat === 'corded')
      return { technique: 'fan', fan, why: 'cords dry slowly in moving air', others: others('fan') }
    const finish = facts.dryerShy && brushWith && (facts.coat === 'long double' || facts.coat === 'feathered')
    if (finish) {
      const why = 'the bearable way: fan first, then a short warm brush so that the coat does not mat'
      return { technique: 'fan, then brush', fan, warm: brushWith, why, others: others('fan, then brush') }
    }
    return { technique: 'fan', fan, why: 'the bearable way: unheated, in front of the crate', others: others('fan') }
  }
  if (facts.dryerShy && facts.crateShy) {
    const why = 'bears neither dryer nor crate: towels, then warm room air, brushed through at intervals'
    return { technique: 'air', why, others: others('air') }
  }
  if (!noVelocity && velocity) {
    const why = 'fast air drives the water out first, then brush and warm air'
    return {
      technique: 'velocity, then brush',
      velocity,
      warm: warm ?? velocity,
      why,
      others: others('velocity, then brush'),
    }
  }
  if (brushWith) {
    const why = facts.dryerShy
      ? 'lowest setting, from the rear, hood over the ears, towel round the shoulders'
      : noVelocity
        ? `no fast air: ${noVelocity}`
        : 'warm air and brush'
    return { technique: 'warm brush', warm: brushWith, why, others: others('warm brush') }
  }
  if (fan && noFan !== 'this dog can’t bear the crate') {
    return {
      technique: 'fan',
      fan,
      why: noFan ? `nothing better in the house (${noFan})` : 'all the house has',
      others: others('fan'),
    }
  }
  if (velocity)
    return {
      technique: 'warm brush',
      warm: velocity,
      why: 'all the house has: lowest force, far away',
      others: others('warm brush'),
    }
  return { technique: 'air', why: 'nothing in the house that this dog can bear', others: others('air') }
}

/**
 * The technique for a dog: the user's own when the house has its dryers, with what speaks against it,
 * else the reckoned one.
 */
export function chooseTechnique(dryers: readonly Dryer[], facts: TechniqueFacts): TechniqueChoice {
  const reckoned = reckonTechnique(dryers, facts)
  const { wanted } = facts
  if (!wanted || wanted === reckoned.technique) return reckoned
  const velocity = wanted === 'velocity, then brush' ? dryers.find((d) => d.kind === 'velocity') : undefined
  const fan = wanted.startsWith('fan') ? dryers.find((d) => d.kind === 'fan') : undefined
  const brushed = wanted !== 'fan' && wanted !== 'air'
  const warm = brushed
    ? (dryers.find((d) => d.kind === 'stand') ?? dryers.find((d) => d.kind === 'hand') ?? velocity)
    : undefined
  const missing =
    (wanted === 'velocity, then brush' && !velocity) || (wanted.startsWith('fan') && !fan) || (brushed && !warm)
  if (missing) return { ...reckoned, against: `the house has no dryer for “${wanted}”` }
  const against =
    wanted === 'velocity, then brush' ? notVelocity(facts, velocity) : fan ? notFan(facts, fan) : undefined
  const others = [
    ...reckoned.others.filter((o) => o.name !== wanted),
    { name: reckoned.technique, why: `Juvant’s choice: ${reckoned.why}` },
  ]
  return { technique: wanted, velocity, warm, fan, why: 'You: your own choice for today', others, against }
}
