import type { Filled } from '@core/mix'
import { SPOONS } from '@core/units'
import type { Bottle, Mix } from '@core/visit'
import {
  aCoat,
  coatWords,
  KIND_NAMES,
  METHOD_NAMES,
  skinWords,
  TOOL_NAMES,
  zonesListed,
  zonesText,
  SKIN_NAMES,
} from './names'
import { listed, type Say } from './say'
import type { Words } from './types'

const FORMS = 'Write it as 1:10, 10 to 1, 1+10, 1 in 11, 8 %, 30 mL/L, 1 oz per gallon or ready to use.'

const KIND_NOT: Record<string, string> = {
  degreasing: 'dries a skin that isn’t greasy',
  whitening: 'for stained zones only: it stays on long',
  medicated: 'only on a vet’s word',
  soothing: 'nothing to soothe today',
  moisturising: 'the skin isn’t dry today',
  cleaning: 'does less than this skin asks for',
  texturing: 'for the body of a coat that should stand',
  'tear-free': 'for the face',
  flea: 'no fleas today',
}

/** "You: because", or "Your own choice" where no reason was given. */
const yours = (reason: string, without: string) => (reason === '' ? without : `You: ${reason}`)

/** Parts of water to one part of product, spelled so that no one can turn it round. */
export function ratioWords(water: number, say: Say, form: Mix['product']['form'] = 'concentrate'): string {
  if (form === 'bar') return 'the bar itself'
  if (water === 0) return 'as it comes, no water'
  return `1 part product + ${say.number(water)} parts water (${say.number(1 + water)} parts)`
}

export const MIXING: Words<'label' | 'volume' | 'choose' | 'conditioner' | 'not' | 'ratio' | 'contact' | 'own'> = {
  'label.read.stroke': ({ mL }, say) => `one stroke is ${say.volume(mL, 2)}`,
  'label.read.added': 'product added to that much water',
  'label.read.oneIn': ({ parts }, say) => `read as one part in ${say.number(parts)}`,
  'label.read.weaker': 'the larger number is taken for the water: the weaker mix',
  'label.read.byVolume': 'by volume of the mix',
  'label.read.cap': ({ mL }, say) => `a capful taken for ${say.volume(mL)}: measure yours`,
  'label.read.drops': 'twenty drops to the millilitre',
  'label.no.range': ({ strong, weak }, say) =>
    `The label gives a range. Which end: 1:${say.number(strong)}, the stronger, or 1:${say.number(weak)}, the weaker?`,
  'label.no.tooWeak': ({ water }, say) =>
    `That would be ${say.number(water, 0)} parts of water to one, more than any label asks. Write 1:10 or 30 mL/L.`,
  'label.no.unit': ({ unit }) => `"${unit}" is not a volume known here. Write mL, L, oz, cup, quart or gallon.`,
  'label.no.pump': 'Count the pump into a measuring spoon first: how many mL is one stroke?',
  'label.no.zero': 'A ratio needs two numbers above zero, for example 1:10.',
  'label.no.lessThanOne': 'One part in less than one cannot be. Write 1 in 11, or 1:10.',
  'label.no.percent': 'A strength lies above 0 and up to 100 %.',
  'label.no.thousands': ({ number }) => `"${number}" could be a thousand or a decimal. Write it without the point.`,
  'label.no.form': ({ text }) => `"${text}" can’t be read. ${FORMS}`,
  'volume.coat': ({ m2, perM2, coat }, say) => `${say.area(m2)} of dog, ${say.spread(perM2)} for ${coatWords(coat)}`,
  'volume.length': ({ lengthCm }, say) => `${say.length(lengthCm)} long`,
  'volume.density': ({ density }) => `${density} coat`,
  'volume.loose': 'shed undercoat is still in it',
  'volume.soil': ({ soil }) => (soil === 'light' ? 'hardly dirty' : 'filthy'),
  'volume.atMost': ({ times }) => (times === 2 ? 'never more than twice the usual' : `never over ${times} × the usual`),
  'volume.method': ({ method }) => METHOD_NAMES[method],
  'volume.neat': ({ m2, perM2 }, say) => `${say.area(m2)} by hand, ${say.spread(perM2)}`,
  'volume.neatLong': 'long coat',
  'volume.bar': ({ m2, perM2 }, say) => `${say.area(m2)} with the bar, ${perM2} g a square metre`,
  'volume.onlyZones': ({ zones }) => `only ${zonesText(zones)}`,
  'choose.vetTreated': 'under a vet’s treatment',
  'choose.skin': ({ skin }) => skinWords(skin),
  'choose.fleas': 'fleas were found',
  'choose.puppy': 'puppy skin: the mildest',
  'choose.everyday': 'nothing special: the everyday shampoo',
  'choose.cleansFirst': 'takes the dirt off first',
  'choose.mildThird': 'mild, on the body only: a degreaser leaves hair harsh',
  'choose.tearFree': 'tear-free on the face',
  'choose.stained': 'stained white hair',
  'choose.blend': ({ product }) => `stained white hair, half and half with ${product}`,
  'choose.texture': 'keeps texture on the body; the furnishings stay soft',
  'choose.brought': 'the owner brought it',
  'choose.you': ({ reason }) => yours(reason, 'your own choice'),
  'choose.youAt': ({ reason, zones }) => `${yours(reason, 'your own choice')}, on ${zonesText(zones)}`,
  'choose.placeOnly': ({ skin, zones }) => `${skinWords(skin)} there only: ${zonesListed(zones)}`,
  'choose.around': ({ skin, zones }) => `${skinWords(skin)} on ${zonesListed(zones)}: around it, a hand’s width clear`,
  'conditioner.you': 'you left it out',
  'conditioner.puppy': 'puppy: few steps',
  'conditioner.short': 'a short visit: few steps',
  'conditioner.softens': ({ coat }) => `${aCoat(coat)} loses by softening`,
  'conditioner.onlyMask': 'only a mask on the shelf: that is for long coats',
  'conditioner.mask': ({ dry }) => (dry ? 'dry and long: the mask' : 'a long coat, and the mask is what the shelf has'),
  'conditioner.noneOnShelf': 'no conditioner on the shelf',
  'conditioner.stains': ({ zones }) => `keeps moisture out of the stained ${zonesListed(zones)}`,
  'conditioner.furnishings': 'furnishings only: they comb out easier, the body keeps its lie',
  'conditioner.shedding': 'helps loose undercoat out',
  'conditioner.combsEasier': ({ coat }) => `${coat} coat combs out easier`,
  'not.contains': ({ allergen }) => `contains ${allergen}: this dog reacts to it`,
  'not.expired': ({ date }, say) => `past its date, ${say.date(date, 'short')}`,
  'not.tooYoung': ({ weeks, dogWeeks }) =>
    dogWeeks === null
      ? `label: not under ${weeks} weeks, and this puppy's age isn't known`
      : `label: not under ${weeks} weeks, this dog is ${dogWeeks}`,
  'not.fleaAge': 'label: no age is written down, and this is a puppy',
  'not.skinOnLabel': ({ skin }) => `label: only for ${skin.map(skinWords).join(', ')}`,
  'not.coatOnLabel': ({ coats }) => `label: only for ${coats.map((c) => coatWords(c)).join(', ')}`,
  'not.noInstruction': 'medicated, and no written instruction is recorded',
  'not.anotherFirst': 'would do; another came first',
  'not.whiteOnly': 'for white or pale hair',
  'not.fleaNotHere': ({ tender }) =>
    tender ? 'fleas, but this skin bears no pesticide: ask the vet for another way' : 'in the wash after this one',
  'not.staysTender': ({ skin }) => `it stays on, and the skin is ${SKIN_NAMES[skin]}`,
  'not.staysVet': 'it stays on: not before a vet has looked',
  'not.kind': ({ kind }) => KIND_NOT[kind] ?? 'not a shampoo',
  'not.juvantChose': ({ why }, say) => `Juvant’s choice: ${say.said(why)}`,
  'ratio.bar': ({ product }) => `${product}: a bar`,
  'ratio.neat': ({ product }) => `${product}: neat, in the hand`,
  'ratio.label': ({ product, label }) => `${product}: label says ${label}`,
  'ratio.labelFor': ({ product, label, for: what }) =>
    `${product}: ${label} ${what === 'froth' ? 'in the froth bowl' : 'on a filthy coat'}`,
  'ratio.cautious': 'no ratio on the label: a cautious one',
  'contact.usual': ({ kind }) => `usual for a ${KIND_NAMES[kind]} product`,
  'contact.label': ({ product }) => `${product}: label`,
  'contact.puppy': 'puppy: a short visit',
  'contact.fromLastZone': 'counted from the last zone lathered',
  'contact.firstWash': 'first wash: rinsed at once',
  'contact.nothing': 'nothing to wait for',
  'contact.sideBySide': (f, say) =>
    `side by side with ${say.list(f.with.map((w) => `${w.product} ${say.number(w.minutes)} min`))}`,
  'own.outside': ({ target, least, most, unit }, say) => {
    const at = (value: number) => say.amount({ value, unit }, unit === 'm' ? 2 : 1)
    return `Give ${OWN[target] ?? 'it'} from ${at(least)} to ${at(most)}.`
  },
}

const OWN: Record<string, string> = {
  ratio: 'the ratio',
  volume: 'the mix for a wash',
  water: 'the bath’s temperature',
  rinse: 'the last rinse',
  passes: 'the passes',
  firstContact: 'how long the first shampoo stays on',
  contact: 'how long the last shampoo stays on',
  conditioner: 'how long the conditioner stays on',
  drying: 'the drying',
  distance: 'the distance',
  towels: 'the number of towels',
  earMl: 'the cleaner for an ear',
  step: 'the minutes of a step',
}

/** "2 tablespoons and 1 teaspoon". */
function spoons(teaspoons: number, say: Say): string {
  const each = SPOONS.tablespoon.value / SPOONS.teaspoon.value
  const [big, small] = [Math.floor(teaspoons / each), teaspoons % each]
  return listed([
    ...(big > 0 ? [say.count(big, 'tablespoon')] : []),
    ...(small > 0 ? [say.count(small, 'teaspoon')] : []),
  ])
}

/** An amount of product as it is measured: "45 mL (6 pump strokes)", "3 mL by syringe". */
export function measuredWords({ measured, productMl }: Filled, say: Say): string {
  if (!measured.ok) return `${say.volume(productMl, 1)}, as exactly as you can`
  const { tool, steps, product } = measured
  if (tool === 'pump') return `${say.volume(product, 1)} (${say.count(steps, 'pump stroke')})`
  if (tool === 'spoon') return spoons(steps, say)
  // syringes and jugs are marked in millilitres everywhere
  const beside = say.units.volume === 'us' ? ` (${say.number(product, 0)} mL)` : ''
  return `${say.volume(product)}${beside} by ${TOOL_NAMES[tool]}`
}

/** What an amount of product is called in a mix of one product or two. */
const productWords = (amount: string, { product, blend }: Pick<Bottle, 'product' | 'blend'>) =>
  blend ? `${amount} of each: ${product.name} and ${blend.product.name}` : `${amount} of ${product.name}`

/** How to make what goes into one vessel, in one sentence. */
export function filledWords(
  filled: Filled,
  { how, waterC, ...what }: Pick<Bottle, 'how' | 'waterC' | 'product' | 'blend'>,
  say: Say,
): string {
  const warm = `water at ${say.temperature(waterC, 0)}`
  const part = what.blend
    ? { ...filled, productMl: filled.productMl / 2, measured: { ...filled.measured, ok: false } }
    : filled
  const product = productWords(measuredWords(part, say), what)
  if (how === 'proportioner')
    return `${productWords(say.volume(filled.productMl), what)} in the proportioner, set to 1 : ${say.number(filled.waterMl / filled.productMl, 0)}.`
  if (filled.mL === 0) {
    const bowl = how === 'froth' ? 'Froth bowl' : 'Jug, when a bottle is free'
    const whip = how === 'froth' ? '; whip to foam, fresh for this dog' : ''
    return `${bowl}: ${say.volume(filled.waterMl)} of ${warm}, then ${product}${whip}.`
  }
  const vessel = how === 'spray' ? 'spray bottle' : 'bottle'
  return `${say.volume(filled.mL)} ${vessel}: ${warm} to the ${say.volume(filled.waterMl)} line, then ${product}.`
}

/** How a bottle of a visit is made, vessel by vessel. */
export function bottleWords(bottle: Bottle, say: Say): string[] {
  if (bottle.kept) return [bottle.kept]
  if (bottle.how === 'bar') return ['The bar itself, stroked on wet hair.']
  if (bottle.how === 'neat') return ['Neat, a little at a time in the hand, warmed between the palms.']
  return bottle.filled.map((f) => filledWords(f, bottle, say))
}
