import { contactMinutes } from '../contact'
import { isLong, ZONE_NAMES, ZONE_SHARES, ZONES, type Coat, type Skin, type Soil, type Zone } from '../dog'
import type { House } from '../house'
import {
  barGrams,
  chooseByZone,
  chooseCleaning,
  chooseConditioner,
  chooseMild,
  chooseTreating,
  dilute,
  labelForbids,
  mixVolume,
  neatVolume,
  parseLabel,
  spellRatio,
  VOLUME,
  type Choice,
  type ChoiceFacts,
  type ShelvedProduct,
} from '../mix'
import { further, note, reckon, set, start, times, type Reason, type Reckoned } from '../reckoned'
import type { Lather } from '../rinse'
import type { Schools } from '../schools'
import { list, say } from '../units'
import { bottlesOf } from './bottles'
import type { OwnProduct, PassName } from './schema'
import type { Mix, WashPass, WashPlan } from './washTypes'

/** The facts that choose and mix. Surface m², bath °C. */
export interface WashFacts extends ChoiceFacts {
  wholeCoat: Coat
  surface: number
  soil: Soil
  skin: readonly Skin[]
  bathC: number
  schools: Schools
  ownProducts: readonly OwnProduct[]
  ownRatio?: Reason
  ownContact?: Reason
}

/** Share of the body's surface that some zones make, 0 to 1. */
export function surfaceShare(zones: readonly Zone[]): number {
  return zones.reduce((sum, zone) => sum + ZONE_SHARES.rows[zone].surface, 0)
}

/** Zones in words; "the whole dog" or "all but the head" where that is shorter. */
export function zonesText(zones: readonly Zone[]): string {
  if (zones.length === ZONES.length) return 'the whole dog'
  const missing = ZONES.filter((z) => !zones.includes(z))
  if (missing.length <= 2) return `all but the ${list(missing.map((z) => ZONE_NAMES[z]))}`
  return list(zones.map((z) => ZONE_NAMES[z]))
}

function labelRatio(product: ShelvedProduct): Reason {
  if (product.form !== 'concentrate')
    return start(`${product.name}: ${product.form === 'bar' ? 'a bar' : 'neat, in the hand'}`, 0)
  const label = parseLabel(product.ratio, { reading: product.reading, pumpMl: product.pumpMl })
  if (label.ok) return start(`${product.name}: label says ${product.ratio}`, label.water)
  return start('no ratio on the label: a cautious one', VOLUME.cautiousRatio.value)
}

function amount(choice: Choice, facts: WashFacts, house: House): Reckoned {
  const { form } = choice.product
  const whole =
    form === 'bar'
      ? barGrams(facts.surface)
      : form === 'neat'
        ? neatVolume(isLong(facts.coat), facts.surface)
        : mixVolume(facts.wholeCoat, facts.surface, facts.soil, house.method)
  const share = surfaceShare(choice.zones)
  return further(
    whole,
    times(`only ${zonesText(choice.zones)}`, share > 0.999 ? 1 : share),
    times('half and half', choice.share),
  )
}

/** A contact that is not waited for. */
const atOnce = (contact: Reckoned, fact: string) => further(contact, set(fact, 0))

function mixOf(
  choice: Choice,
  facts: WashFacts,
  house: House,
  own: { ratio?: Reason; contact?: Reason; chosen?: boolean } = {},
): Mix {
  const { product } = choice
  const label = labelRatio(product)
  const ownRatio = product.form === 'concentrate' ? own.ratio : undefined
  const ratio = reckon('parts water', label, ownRatio, ownRatio && note(`The label comes to ${say(label.effect)}`))
  const volume = amount(choice, facts, house)
  const { product: productMl, water: waterMl } = dilute(volume.value, ratio.value)
  const { id, name, kind, form, pH, contactMinutes: labelContact } = product
  return {
    product: { id, name, kind, form, pH, contactMinutes: labelContact },
    zones: choice.zones,
    why: choice.why,
    others: choice.others,
    labelRatio: label.effect,
    ratio,
    spelled: form === 'bar' ? 'the bar itself' : spellRatio(ratio.value),
    volume,
    productMl,
    waterMl,
    contact: contactMinutes(product, facts.puppy, own.contact),
    own: own.chosen ?? false,
  }
}

/** The wait of a pass: all its products side by side, so the longest counts. */
function passWait(mixes: readonly Mix[]): Reckoned {
  const byLength = [...mixes].sort((a, b) => b.contact.value - a.contact.value)
  const [longest, ...others] = byLength
  if (!longest) return reckon('min', start('nothing to wait for', 0))
  const shorter = others.filter((m) => m.contact.value > 0)
  return reckon(
    'min',
    ...longest.contact.because,
    shorter.length > 0 &&
      note(`side by side with ${list(shorter.map((m) => `${m.product.name} ${say(m.contact.value)} min`))}`),
  )
}

interface Chosen {
  name: PassName
  whole: Choice
  own: boolean
}

/** The user's product for a pass in place of the reckoned one, unless its label or an allergy forbids it. */
function withOwn(
  name: PassName,
  reckoned: Choice | undefined,
  shelf: readonly ShelvedProduct[],
  facts: WashFacts,
  refused: WashPlan['refused'],
): Chosen | undefined {
  const own = facts.ownProducts.find((o) => o.pass === name)
  const product = own && shelf.find((p) => p.id === own.productId)
  const forbidden = product && labelForbids(product, facts)
  if (product && forbidden) refused.push({ name: product.name, why: forbidden })
  if (!own || !product || forbidden) return reckoned && { name, whole: reckoned, own: false }
  const others = reckoned ? [{ name: reckoned.product.name, why: `Juvant’s choice: ${reckoned.why}` }] : []
  return { name, own: true, whole: { product, zones: [...ZONES], why: `You: ${own.reason}`, others, share: 1 } }
}

/** Passes in order: cleaning then treating; one on a puppy or by school; a mild third after a degreaser by school. */
function choosePasses(shelf: readonly ShelvedProduct[], facts: WashFacts, refused: WashPlan['refused']): Chosen[] {
  const treat = withOwn('treat', chooseTreating(shelf, facts), shelf, facts, refused)
  if (!treat) return []
  if (facts.puppy || facts.schools.S4 === 'one') return [treat]
  const clean = withOwn('clean', chooseCleaning(shelf, facts), shelf, facts, refused) ?? {
    ...treat,
    name: 'clean' as const,
  }
  const third = facts.schools.S4 === 'three' && treat.whole.product.kind === 'degreasing'
  const mild = third ? withOwn('mild', chooseMild(shelf, facts), shelf, facts, refused) : undefined
  return [clean, treat, ...(mild ? [mild] : [])]
}

/** The zones of a pass: the head is washed once, with the treating pass (by school with the first); a third wash is for the body. */
function zoned(chosen: Chosen, shelf: readonly ShelvedProduct[], facts: WashFacts, alone: boolean): Choice[] {
  const treating = chosen.name === 'treat'
  const face = facts.face && (alone || treating !== (facts.schools.S3 === 'face'))
  if (chosen.name === 'mild') return [{ ...chosen.whole, zones: ZONES.filter((z) => z !== 'head' && z !== 'ears') }]
  if (chosen.own) return [{ ...chosen.whole, zones: ZONES.filter((z) => z !== 'head' || face) }]
  return chooseByZone(shelf, { ...facts, face }, chosen.whole, facts.schools.S16, treating)
}

/**
 * Products by zone and pass with ratios, amounts and contact times. The user's own ratio and contact time
 * apply to the main product of the treating pass. The first of several washes isn't waited for, except
 * for whitening that goes on from the start: it lifts the dirt and is rinsed.
 */
export function planWashes(shelf: readonly ShelvedProduct[], facts: WashFacts, house: House): WashPlan {
  const refused: WashPlan['refused'] = []
  const chosen = choosePasses(shelf, facts, refused)
  const passes = chosen.map((pass): WashPass => {
    const treating = pass.name === 'treat'
    const mixes = zoned(pass, shelf, facts, chosen.length === 1).map((choice, i) => {
      const main = treating && i === 0
      const mix = mixOf(choice, facts, house, {
        ...(main ? { ratio: facts.ownRatio, contact: facts.ownContact } : {}),
        chosen: pass.own && i === 0,
      })
      const waits = treating || pass.name === 'mild' || mix.product.kind === 'whitening'
      return waits ? mix : { ...mix, contact: atOnce(mix.contact, 'first wash: rinsed at once') }
    })
    return { name: pass.name, mixes, wait: passWait(mixes) }
  })
  const bottles = bottlesOf(passes, shelf, facts.bathC, house, facts.schools.S14 === 'fresh')
  const soft = chooseConditioner(shelf, facts, facts.schools.S5)
  const own = facts.ownProducts.find((o) => o.pass === 'conditioner')
  const product = (own && shelf.find((p) => p.id === own.productId && !labelForbids(p, facts))) ?? soft.product
  if (!product) return { passes, bottles, conditionerWhy: soft.why, refused }
  const zones = soft.zones.length > 0 ? soft.zones : ZONES.filter((z) => z !== 'head')
  const why = own && product.id === own.productId ? `You: ${own.reason}` : soft.why
  const conditioner = mixOf({ product, zones, why, others: [], share: 1 }, facts, house)
  return { passes, bottles, conditioner, conditionerWhy: why, refused }
}

/** The main product of the treating pass: the one whose ratio and contact stand large. */
export function mainMix(plan: WashPlan): Mix | undefined {
  return plan.passes.find((p) => p.name === 'treat')?.mixes[0]
}

/** What each pass leaves in the coat, for the rinse. */
export function lathersOf(plan: WashPlan, surface: number): Lather[] {
  return plan.passes.map((pass) =>
    pass.mixes.map((m) => ({
      zones: m.zones,
      volume: m.volume.value,
      surface: surface * surfaceShare(m.zones),
      ratio: m.ratio.value,
      labelRatio: m.labelRatio,
    })),
  )
}
