import { contactMinutes } from '../contact'
import { isLong, surfaceShare, ZONES, type Coat, type Soil, type Zone } from '../dog'
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
  VOLUME,
  wayOn,
  type Choice,
  type ChoiceFacts,
  type Method,
  type OtherProduct,
  type ShelvedProduct,
} from '../mix'
import { further, note, reckon, set, start, times, withOwn, type Reason, type Reckoned } from '../reckoned'
import type { Lather } from '../rinse'
import type { Rules } from '../rules'
import { said } from '../said'
import { bottlesOf } from './bottles'
import type { OwnProduct, PassName } from './schema'
import type { Mix, Used, WashPass, WashPlan } from './washTypes'

declare module '../said' {
  interface Codes {
    'choose.brought': None
    'ratio.bar': { product: string }
    'ratio.neat': { product: string }
    'ratio.label': { product: string; label: string }
    'ratio.labelFor': { product: string; label: string; for: 'froth' | 'filthy' }
    'ratio.cautious': None
    'volume.onlyZones': { zones: Zone[] }
    'contact.firstWash': None
    'contact.nothing': None
    'contact.sideBySide': { with: { product: string; minutes: number }[] }
  }
}

/** The user's own numbers for the washes. */
export interface OwnWash {
  ratio?: Reason
  volume?: Reason
  contact?: Reason
  firstContact?: Reason
  conditioner?: Reason
}

/** The facts that choose and mix. Surface m², bath °C. */
export interface WashFacts extends ChoiceFacts {
  wholeCoat: Coat
  surface: number
  soil: Soil
  bathC: number
  rules: Rules
  /** The shampoo that the owner brought: it washes in place of the shelf's. */
  brought?: ShelvedProduct
  /** The zones that get wet. */
  zones: readonly Zone[]
  /** One wash, few steps. */
  short: boolean
  /** Water and product stay off the ears: a vet should see one first. */
  earsOff: boolean
  ownProducts: readonly OwnProduct[]
  /** Washes that the groomer leaves out. */
  leftOut: { firstWash: boolean; conditioner: boolean; forShort?: boolean }
  own: OwnWash
}

/** The label's ratio for the way and the dirt, where it has one of its own for them. */
function ratioFor(product: ShelvedProduct, method: Method, soil: Soil): { text: string; for?: 'froth' | 'filthy' } {
  if (soil === 'filthy' && product.filthyRatio !== '') return { text: product.filthyRatio, for: 'filthy' }
  if (method === 'froth' && product.frothRatio !== '') return { text: product.frothRatio, for: 'froth' }
  return { text: product.ratio }
}

function labelRatio(product: ShelvedProduct, method: Method, soil: Soil): Reason {
  const { name, form } = product
  if (form !== 'concentrate') return start(form === 'bar' ? 'ratio.bar' : 'ratio.neat', { product: name }, 0)
  const own = ratioFor(product, method, soil)
  const label = parseLabel(own.text, { reading: product.reading, pumpMl: product.pumpMl })
  if (label.ok && own.for) return start('ratio.labelFor', { product: name, label: own.text, for: own.for }, label.water)
  if (label.ok) return start('ratio.label', { product: name, label: own.text }, label.water)
  return start('ratio.cautious', {}, VOLUME.cautiousRatio.value)
}

function amount(choice: Choice, facts: WashFacts, method: Method, own: Reason | undefined): Reckoned {
  const { form } = choice.product
  const whole =
    form === 'bar'
      ? barGrams(facts.surface)
      : form === 'neat'
        ? neatVolume(isLong(facts.coat), facts.surface)
        : withOwn(mixVolume(facts.wholeCoat, facts.surface, facts.soil, method), own)
  const share = surfaceShare(choice.zones)
  return further(whole, times('volume.onlyZones', { zones: choice.zones }, share > 0.999 ? 1 : share))
}

const usedOf = ({ id, name, kind, form, pH, contactMinutes }: ShelvedProduct): Used => ({
  id,
  name,
  kind,
  form,
  pH,
  contactMinutes,
})

function mixOf(
  choice: Choice,
  facts: WashFacts,
  house: House,
  own: { ratio?: Reason; volume?: Reason; contact?: Reason; chosen?: boolean } = {},
): Mix {
  const { product, blend } = choice
  const method = wayOn(product, house.method)
  const label = labelRatio(product, method, facts.soil)
  const ratio = withOwn(reckon('parts water', label), product.form === 'concentrate' ? own.ratio : undefined)
  const volume = amount(choice, facts, method, own.volume)
  const half = blend ? volume.value / 2 : volume.value
  const parts = dilute(half, ratio.value)
  const blendRatio = blend ? labelRatio(blend, method, facts.soil).effect : 0
  const second = dilute(blend ? half : 0, blendRatio)
  return {
    product: usedOf(product),
    zones: choice.zones,
    why: choice.why,
    others: choice.others,
    labelRatio: label.effect,
    ratio,
    volume,
    productMl: parts.product,
    waterMl: parts.water + second.water,
    ...(blend
      ? { blend: { product: usedOf(blend), productMl: second.product, ratio: blendRatio, labelRatio: blendRatio } }
      : {}),
    contact: contactMinutes(product, facts.puppy, own.contact),
    own: own.chosen ?? false,
  }
}

/** The wait of a pass: all its products side by side, so the longest counts. */
function passWait(mixes: readonly Mix[]): Reckoned {
  const byLength = [...mixes].sort((a, b) => b.contact.value - a.contact.value)
  const [longest, ...others] = byLength
  if (!longest) return reckon('min', start('contact.nothing', {}, 0))
  const shorter = others
    .filter((m) => m.contact.value > 0)
    .map((m) => ({ product: m.product.name, minutes: m.contact.value }))
  return reckon('min', ...longest.contact.because, shorter.length > 0 && note('contact.sideBySide', { with: shorter }))
}

interface Chosen {
  name: PassName
  whole: Choice
  own: boolean
}

/** A ratio that the user gave for one product in one place. */
const ratioOf = ({ ratio, reason }: OwnProduct): Pick<Choice, 'ratio'> =>
  ratio === null ? {} : { ratio: set('you.number', { reason }, ratio, 'you') }

/** The user's product for a pass in place of the reckoned one, unless its label or an allergy forbids it. */
function withOwnProduct(
  name: PassName,
  reckoned: Choice | undefined,
  shelf: readonly ShelvedProduct[],
  facts: WashFacts,
  refused: WashPlan['refused'],
): Chosen | undefined {
  const own = facts.ownProducts.find((o) => o.pass === name && o.zones.length === 0)
  const product = own && shelf.find((p) => p.id === own.productId)
  const forbidden = product && labelForbids(product, facts)
  if (product && forbidden) refused.push({ name: product.name, why: forbidden })
  if (!own || !product || forbidden) return reckoned && { name, whole: reckoned, own: false }
  const others: OtherProduct[] = reckoned
    ? [{ name: reckoned.product.name, why: said('not.juvantChose', { why: reckoned.why }) }]
    : []
  return {
    name,
    own: true,
    whole: { product, zones: [...ZONES], why: said('choose.you', { reason: own.reason }), others, ...ratioOf(own) },
  }
}

/** What is washed with by the reckoning, or what the owner brought. */
const orBrought = (reckoned: Choice | undefined, { brought }: WashFacts): Choice | undefined =>
  brought ? { product: brought, zones: [...ZONES], why: said('choose.brought'), others: [] } : reckoned

/** Passes in order: cleaning then treating; one on a short visit or by rule; a mild third after a degreaser by rule. */
function choosePasses(shelf: readonly ShelvedProduct[], facts: WashFacts, refused: WashPlan['refused']): Chosen[] {
  const treat = withOwnProduct('treat', orBrought(chooseTreating(shelf, facts), facts), shelf, facts, refused)
  if (!treat) return []
  if (facts.short || facts.leftOut.firstWash || facts.rules.washCount === 'one') return [treat]
  const clean = withOwnProduct('clean', orBrought(chooseCleaning(shelf, facts), facts), shelf, facts, refused) ?? {
    ...treat,
    name: 'clean' as const,
  }
  const third = facts.rules.washCount === 'three' && treat.whole.product.kind === 'degreasing'
  const mild = third
    ? withOwnProduct('mild', chooseMild(shelf, facts, clean.whole.product), shelf, facts, refused)
    : undefined
  return [clean, treat, ...(mild ? [mild] : [])]
}

/** The user's products on zones of their own, in place of what goes there; what isn't washed in the pass stays so. */
function withOwnZones(
  name: PassName,
  reckoned: readonly Choice[],
  shelf: readonly ShelvedProduct[],
  facts: WashFacts,
  refused: WashPlan['refused'],
): Choice[] {
  let choices = [...reckoned]
  for (const own of facts.ownProducts.filter((o) => o.pass === name && o.zones.length > 0)) {
    const product = shelf.find((p) => p.id === own.productId)
    if (!product) continue
    const why = labelForbids(product, facts)
    if (why) {
      refused.push({ name: product.name, why })
      continue
    }
    const washed = new Set(choices.flatMap((c) => c.zones))
    const zones = ZONES.filter((z) => own.zones.includes(z) && washed.has(z))
    if (zones.length === 0) continue
    const left = choices
      .map((c) => ({ ...c, zones: c.zones.filter((z) => !zones.includes(z)) }))
      .filter((c) => c.zones.length > 0)
    choices = [
      ...left,
      { product, zones, why: said('choose.youAt', { reason: own.reason, zones }), others: [], ...ratioOf(own) },
    ]
  }
  return choices
}

/** The zones of a pass: the head is washed once, with the treating pass (by rule with the first); a third wash is for the body. */
function zoned(
  chosen: Chosen,
  shelf: readonly ShelvedProduct[],
  facts: WashFacts,
  alone: boolean,
  refused: WashPlan['refused'],
): Choice[] {
  const treating = chosen.name === 'treat'
  const face = facts.face && (alone || treating !== (facts.rules.washingOrder === 'face'))
  const reckoned =
    chosen.name === 'mild'
      ? [{ ...chosen.whole, zones: ZONES.filter((z) => z !== 'head' && z !== 'ears') }]
      : chooseByZone(
          chosen.whole.product === facts.brought ? [facts.brought] : shelf,
          { ...facts, face },
          chosen.whole,
          facts.rules.whitening,
          treating,
        )
  return withOwnZones(chosen.name, reckoned, shelf, facts, refused)
    .map((c) => ({ ...c, zones: c.zones.filter((z) => facts.zones.includes(z) && !(facts.earsOff && z === 'ears')) }))
    .filter((c) => c.zones.length > 0)
}

/** The conditioner: the user's own, else the reckoned one, or why there is none. */
function planConditioner(
  shelf: readonly ShelvedProduct[],
  facts: WashFacts,
  house: House,
  refused: WashPlan['refused'],
): Pick<WashPlan, 'conditioner' | 'conditionerWhy'> {
  if (facts.leftOut.conditioner)
    return { conditionerWhy: said(facts.leftOut.forShort ? 'conditioner.short' : 'conditioner.you') }
  const soft = chooseConditioner(shelf, facts, facts.rules.conditioner, facts.short)
  const own = facts.ownProducts.find((o) => o.pass === 'conditioner')
  const wanted = own && shelf.find((p) => p.id === own.productId)
  const forbidden = wanted && labelForbids(wanted, facts)
  if (wanted && forbidden) refused.push({ name: wanted.name, why: forbidden })
  const chosen = wanted && !forbidden ? wanted : undefined
  const product = chosen ?? soft.product
  if (!product) return { conditionerWhy: soft.why }
  const usual = soft.zones.length > 0 ? soft.zones : ZONES.filter((z) => z !== 'head')
  const reached = chosen && own!.zones.length > 0 ? own!.zones : usual
  const zones = facts.earsOff ? reached.filter((z) => z !== 'ears') : reached
  const why = chosen ? said('choose.you', { reason: own!.reason }) : soft.why
  const ratio = chosen ? ratioOf(own!).ratio : undefined
  const conditioner = mixOf({ product, zones, why, others: [] }, facts, house, {
    ratio,
    contact: facts.own.conditioner,
    chosen: chosen !== undefined,
  })
  return { conditioner, conditionerWhy: why }
}

/**
 * Products by zone and pass with ratios, amounts and contact times. The user's own ratio goes for every wash with
 * the main product, the own volume for every wash, the own contact for the main product of the treating pass. The
 * first of several washes isn't waited for, except for whitening that goes on from the start: it lifts the dirt
 * and is rinsed; the user may let it stand.
 */
export function planWashes(shelf: readonly ShelvedProduct[], facts: WashFacts, house: House): WashPlan {
  const refused: WashPlan['refused'] = []
  const { own } = facts
  const chosen = choosePasses(shelf, facts, refused)
  const main = chosen.find((c) => c.name === 'treat')?.whole.product.id
  const passes = chosen.map((pass): WashPass => {
    const treating = pass.name === 'treat'
    const mixes = zoned(pass, shelf, facts, chosen.length === 1, refused).map((choice, i) => {
      const waits = treating || choice.product.kind === 'whitening'
      const first = pass.name === 'clean' && i === 0 ? own.firstContact : undefined
      const mix = mixOf(choice, facts, house, {
        ratio: choice.ratio ?? (choice.product.id === main ? own.ratio : undefined),
        volume: own.volume,
        contact: treating && i === 0 ? own.contact : first,
        chosen: pass.own && i === 0,
      })
      return waits || first ? mix : { ...mix, contact: further(mix.contact, set('contact.firstWash', {}, 0)) }
    })
    return { name: pass.name, mixes, wait: passWait(mixes) }
  })
  const { conditioner, conditionerWhy } = planConditioner(shelf, facts, house, refused)
  const bottles = bottlesOf(passes, conditioner, shelf, facts.bathC, house, facts.rules.mixing === 'fresh')
  return { passes, bottles, conditioner, conditionerWhy, refused }
}

/** The main product of the treating pass: the one whose ratio and contact stand large. */
export function mainMix(plan: WashPlan): Mix | undefined {
  return plan.passes.find((p) => p.name === 'treat')?.mixes[0]
}

/** What each pass leaves in the coat, for the rinse. */
export function lathersOf(plan: WashPlan, surface: number): Lather[] {
  return plan.passes.map((pass) =>
    pass.mixes.flatMap(({ zones, volume, ratio, labelRatio, blend }) => {
      const on = { zones, surface: surface * surfaceShare(zones) }
      if (!blend) return [{ ...on, volume: volume.value, ratio: ratio.value, labelRatio }]
      const half = volume.value / 2
      return [
        { ...on, volume: half, ratio: ratio.value, labelRatio },
        { ...on, volume: half, ratio: blend.ratio, labelRatio: blend.labelRatio },
      ]
    }),
  )
}
