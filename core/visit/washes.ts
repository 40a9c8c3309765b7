import { contactMinutes } from '../contact'
import { coatWords, isLong, ZONE_SHARES, type Coat, type Skin, type Soil, type Zone } from '../dog'
import type { House } from '../house'
import {
  chooseCleaning,
  chooseConditioner,
  chooseTreating,
  conditionerVolume,
  dilute,
  labelForbids,
  measure,
  mixVolume,
  parseLabel,
  spellRatio,
  VOLUME,
  type Choice,
  type ChoiceFacts,
  type Measured,
  type ShelvedProduct,
} from '../mix'
import { further, note, reckon, set, start, times, type Reason, type Reckoned } from '../reckoned'
import { say } from '../units'
import { waterForMix } from '../water'

/** One mix for one pass over the dog: ratio in parts of water, volumes mL, temperatures °C, contact min. */
export interface Mix {
  product: { id: string; name: string; kind: ShelvedProduct['kind']; pH: number | null; contactMinutes: number | null }
  why: string
  others: { name: string; why: string }[]
  labelRatio: number
  labelText: string
  ratio: Reckoned
  spelled: string
  volume: Reckoned
  productMl: number
  waterMl: number
  contact: Reckoned
}

/** What is mixed in one go: all the passes that take the same product at the same ratio. Volumes mL, water °C. */
export interface Bottle {
  product: Mix['product']
  passes: number[]
  productMl: number
  waterMl: number
  waterC: number
  measured?: Measured
}

/** The washes of a visit, the bottles mixed for them, and the conditioner after them or why there is none. */
export interface WashPlan {
  washes: Mix[]
  bottles: Bottle[]
  conditioner?: Mix
  conditionerWhy: string
}

/** The facts that choose and mix. Surface m², bath °C. */
export interface WashFacts extends ChoiceFacts {
  wholeCoat: Coat
  surface: number
  soil: Soil
  skin: readonly Skin[]
  bathC: number
  ownRatio?: Reason
  ownContact?: Reason
}

/** The furnishings: where a feathered coat is conditioned. */
const FURNISHINGS: readonly Zone[] = ['ears', 'belly', 'forelegs', 'hindlegs', 'tail']
const FURNISHING_SHARE = FURNISHINGS.reduce((sum, zone) => sum + ZONE_SHARES.rows[zone].surface, 0)
const BODY_SHARE = 1 - ZONE_SHARES.rows.head.surface - ZONE_SHARES.rows.ears.surface

function labelRatio(product: ShelvedProduct): { water: number; reason: Reason } {
  const label = parseLabel(product.ratio, { reading: product.reading, pumpMl: product.pumpMl })
  if (label.ok)
    return { water: label.water, reason: start(`${product.name}: label says ${product.ratio}`, label.water) }
  return {
    water: VOLUME.cautiousRatio.value,
    reason: start('no ratio on the label: a cautious one', VOLUME.cautiousRatio.value),
  }
}

function mixOf(
  choice: Choice,
  volume: Reckoned,
  facts: WashFacts,
  own: { ratio?: Reason; contact?: Reason } = {},
): Mix {
  const { product } = choice
  const label = labelRatio(product)
  const ratio = reckon(
    'parts water',
    label.reason,
    own.ratio,
    own.ratio && note(`The label comes to ${say(label.water)}`),
  )
  const { product: productMl, water: waterMl } = dilute(volume.value, ratio.value)
  return {
    product: {
      id: product.id,
      name: product.name,
      kind: product.kind,
      pH: product.pH,
      contactMinutes: product.contactMinutes,
    },
    why: choice.why,
    others: choice.others,
    labelRatio: label.water,
    labelText: product.ratio,
    ratio,
    spelled: spellRatio(ratio.value),
    volume,
    productMl,
    waterMl,
    contact: contactMinutes(product, facts.puppy, own.contact),
  }
}

/** Passes of one product and ratio, mixed together; the pump or syringe is read for the whole. */
function bottlesOf(washes: readonly Mix[], shelf: readonly ShelvedProduct[], bathC: number, roomC: number): Bottle[] {
  const groups = new Map<string, { mix: Mix; passes: number[] }>()
  washes.forEach((mix, i) => {
    const key = `${mix.product.id} ${mix.ratio.value}`
    const group = groups.get(key) ?? { mix, passes: [] }
    group.passes.push(i + 1)
    groups.set(key, group)
  })
  return [...groups.values()].map(({ mix, passes }) => {
    const total = (of: 'productMl' | 'waterMl') => passes.reduce((sum, pass) => sum + washes[pass - 1]![of], 0)
    const [productMl, waterMl] = [total('productMl'), total('waterMl')]
    const pumpMl = shelf.find((p) => p.id === mix.product.id)?.pumpMl
    return {
      product: mix.product,
      passes,
      productMl,
      waterMl,
      waterC: waterMl > 0 ? waterForMix(bathC, productMl, waterMl, roomC) : bathC,
      measured: waterMl > 0 ? measure(productMl, waterMl, pumpMl) : undefined,
    }
  })
}

/** Shampoos in order: cleaning then treating; one on a puppy or by school; a mild third after a degreaser by school. */
function shampoos(shelf: readonly ShelvedProduct[], facts: WashFacts, house: House): Choice[] {
  const treating = chooseTreating(shelf, facts)
  if (!treating) return []
  if (facts.puppy || house.schools.S4 === 'one') return [treating]
  const cleaning = chooseCleaning(shelf, facts) ?? treating
  const third = house.schools.S4 === 'three' && treating.product.kind === 'degreasing'
  const mild = third
    ? shelf.find((p) => (p.kind === 'soothing' || p.kind === 'cleaning') && !labelForbids(p, facts))
    : undefined
  const after = mild
    ? [{ product: mild, why: 'mild, on the body only: a degreaser leaves hair harsh', others: [] }]
    : []
  return [cleaning, treating, ...after]
}

/**
 * Products, ratios, volumes and contact times of a visit. The user's own ratio and contact time apply
 * to the last shampoo. The first of several shampoos isn't waited for: it lifts the dirt and is rinsed.
 */
export function planWashes(shelf: readonly ShelvedProduct[], facts: WashFacts, house: House): WashPlan {
  const volume = mixVolume(facts.wholeCoat, facts.surface, facts.soil, house.method)
  const chosen = shampoos(shelf, facts, house)
  const washes = chosen.map((choice, i) => {
    const last = i === chosen.length - 1
    const third = i === 2
    const ofThis = third ? further(volume, times('body only, not the head', BODY_SHARE)) : volume
    const mix = mixOf(choice, ofThis, facts, last ? { ratio: facts.ownRatio, contact: facts.ownContact } : {})
    const rinsedAtOnce = i === 0 && chosen.length > 1
    return rinsedAtOnce ? { ...mix, contact: further(mix.contact, set('first wash: rinsed at once', 0)) } : mix
  })
  const bottles = bottlesOf(washes, shelf, facts.bathC, house.room.celsius)
  const conditioner = chooseConditioner(shelf, facts, facts.puppy ? 'never' : house.schools.S5)
  if (!conditioner.product) {
    return { washes, bottles, conditionerWhy: facts.puppy ? 'puppy: few steps' : conditioner.why }
  }
  const share = facts.coat === 'feathered' ? FURNISHING_SHARE : 1
  const neat = labelRatio(conditioner.product).water === 0 || conditioner.product.ratio === ''
  const amount = neat
    ? conditionerVolume(isLong(facts.coat), facts.surface * share)
    : further(volume, times(`furnishings only of a ${coatWords(facts.coat)}`, share))
  const choice: Choice = {
    product: neat ? { ...conditioner.product, ratio: 'ready to use' } : conditioner.product,
    why: conditioner.why,
    others: [],
  }
  return { washes, bottles, conditioner: mixOf(choice, amount, facts), conditionerWhy: conditioner.why }
}
