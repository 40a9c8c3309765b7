import { anySkin, firstSkin, FURNISHINGS, hasUndercoat, isLong, SORE, TENDER, ZONES } from '../dog'
import type { CoatType, Skin, SkinMap, Zone } from '../dog'
import type { Reason } from '../reckoned'
import type { Rules } from '../rules'
import { said, type Code, type Said } from '../said'
import { SHAMPOOS, type ProductKind, type ShelvedProduct } from './schema'

declare module '../said' {
  interface Codes {
    'choose.vetTreated': None
    'choose.skin': { skin: Skin }
    'choose.puppy': None
    'choose.fleas': None
    'choose.everyday': None
    'choose.cleansFirst': None
    'choose.mildThird': None
    'choose.tearFree': None
    'choose.stained': None
    'choose.blend': { product: string }
    'choose.texture': None
    'choose.you': { reason: string }
    'choose.youAt': { reason: string; zones: Zone[] }
    'choose.placeOnly': { skin: Skin; zones: Zone[] }
    'choose.around': { skin: Skin; zones: Zone[] }
    'conditioner.puppy': None
    'conditioner.short': None
    'conditioner.softens': { coat: CoatType }
    'conditioner.noneOnShelf': None
    'conditioner.onlyMask': None
    'conditioner.mask': { dry: boolean }
    'conditioner.stains': { zones: Zone[] }
    'conditioner.furnishings': None
    'conditioner.shedding': None
    'conditioner.you': None
    'conditioner.combsEasier': { coat: CoatType }
    'not.contains': { allergen: string }
    'not.tooYoung': { weeks: number; dogWeeks: number | null }
    'not.noInstruction': None
    'not.fleaAge': None
    'not.skinOnLabel': { skin: Skin[] }
    'not.coatOnLabel': { coats: CoatType[] }
    'not.expired': { date: string }
    'not.anotherFirst': None
    'not.whiteOnly': None
    'not.kind': { kind: ProductKind }
    'not.fleaNotHere': { tender: boolean }
    'not.juvantChose': { why: Said }
    'not.staysTender': { skin: Skin }
    'not.staysVet': None
  }
}

/** Why a product stays on the shelf. */
export type WhyNot = Said<Extract<Code, `not.${string}`>>
/** Why a product was taken. */
export type WhyChosen = Said<Extract<Code, `choose.${string}` | `conditioner.${string}` | 'rule.says'>>
/** Another product on the shelf, and why not that one. */
export interface OtherProduct {
  name: string
  why: WhyNot
}

/** The facts that choose products. `ageWeeks` is undefined when the age isn't known. `face`: the head is washed today. */
export interface ChoiceFacts {
  skin: SkinMap
  coat: CoatType
  undercoat: boolean | null
  stained: readonly Zone[]
  white: boolean
  puppy: boolean
  ageWeeks?: number
  /** The day of the visit. */
  date: string
  shedding: boolean
  fleas?: boolean
  allergies: readonly string[]
  face: boolean
}

/** A product taken for some zones, why, and why each other shampoo stayed on the shelf. */
export interface Choice {
  product: ShelvedProduct
  zones: Zone[]
  why: WhyChosen
  others: OtherProduct[]
  /** Mixed half and half with this one, in one bottle. */
  blend?: ShelvedProduct
  /** The user's own ratio for it here, in place of what holds elsewhere. */
  ratio?: Reason
}

/** The skin that asks for the mildest, if any. */
export const tenderSkin = (skin: readonly Skin[]): Skin | undefined => firstSkin(skin, TENDER)

/** Skin, or an age, that wants neither whitening nor texture. */
export const isDelicate = (skin: readonly Skin[], puppy: boolean): boolean =>
  tenderSkin(skin) !== undefined || skin.includes('vet-treated') || puppy

/** Why a product must not go on this dog, by its label or the dog's allergies, or undefined when it may. */
export function labelForbids(
  product: ShelvedProduct,
  facts: Pick<ChoiceFacts, 'ageWeeks' | 'puppy' | 'allergies' | 'date'> & Partial<Pick<ChoiceFacts, 'coat' | 'skin'>>,
): WhyNot | undefined {
  const { youngestWeeks: weeks } = product
  const allergen = facts.allergies.find((a) => product.contains.some((c) => c.toLowerCase() === a.toLowerCase()))
  if (allergen) return said('not.contains', { allergen })
  if (weeks !== null) {
    if (facts.ageWeeks !== undefined && facts.ageWeeks < weeks)
      return said('not.tooYoung', { weeks, dogWeeks: facts.ageWeeks })
    if (facts.ageWeeks === undefined && facts.puppy) return said('not.tooYoung', { weeks, dogWeeks: null })
  }
  if (product.expires !== null && product.expires < facts.date) return said('not.expired', { date: product.expires })
  // a pesticide goes on no puppy whose label doesn't say from which age
  if (product.kind === 'flea' && facts.puppy && weeks === null) return said('not.fleaAge')
  const { forSkin, forCoats } = product
  if (facts.coat !== undefined && forCoats.length > 0 && !forCoats.includes(facts.coat))
    return said('not.coatOnLabel', { coats: forCoats })
  if (facts.skin !== undefined && forSkin.length > 0 && !anySkin(facts.skin).some((s) => forSkin.includes(s)))
    return said('not.skinOnLabel', { skin: forSkin })
  if (product.kind === 'medicated' && product.instruction.trim() === '') return said('not.noInstruction')
  return undefined
}

/** The kinds of shampoo wanted in the treating wash on some skin, best first, with the reason for the best. */
export function wantedKinds(
  skin: readonly Skin[],
  puppy: boolean,
  fleas = false,
): { kinds: ProductKind[]; why: WhyChosen } {
  if (skin.includes('vet-treated'))
    return { kinds: ['medicated', 'soothing', 'cleaning'], why: said('choose.vetTreated') }
  const tender = tenderSkin(skin)
  if (tender === 'dry')
    return { kinds: ['moisturising', 'soothing', 'cleaning'], why: said('choose.skin', { skin: tender }) }
  if (tender) return { kinds: ['soothing', 'cleaning'], why: said('choose.skin', { skin: tender }) }
  if (puppy) return { kinds: ['soothing', 'tear-free', 'cleaning'], why: said('choose.puppy') }
  if (fleas) return { kinds: ['flea', 'cleaning', 'soothing'], why: said('choose.fleas') }
  if (skin.includes('greasy'))
    return { kinds: ['degreasing', 'cleaning'], why: said('choose.skin', { skin: 'greasy' }) }
  return { kinds: ['cleaning', 'soothing', 'tear-free'], why: said('choose.everyday') }
}

function whyNot(product: ShelvedProduct, facts: ChoiceFacts, wanted: readonly ProductKind[]): WhyNot {
  const forbidden = labelForbids(product, facts)
  if (forbidden) return forbidden
  if (wanted.includes(product.kind)) return said('not.anotherFirst')
  if (product.kind === 'whitening' && !facts.white) return said('not.whiteOnly')
  if (product.kind === 'flea' && facts.fleas)
    return said('not.fleaNotHere', { tender: facts.puppy || tenderSkin(facts.skin.whole) !== undefined })
  return said('not.kind', { kind: product.kind })
}

/** The first product of the first kind that may go on this dog. */
export function pick(
  shelf: readonly ShelvedProduct[],
  facts: ChoiceFacts,
  kinds: readonly ProductKind[],
  why: WhyChosen,
): Choice | undefined {
  const allowed = shelf.filter((p) => !labelForbids(p, facts))
  const kind = kinds.find((k) => allowed.some((p) => p.kind === k))
  const product = allowed.find((p) => p.kind === kind)
  if (!product) return undefined
  const others = shelf
    .filter((p) => p.id !== product.id && SHAMPOOS.includes(p.kind))
    .map((p) => ({ name: p.name, why: whyNot(p, facts, kinds) }))
  return { product, others, why, zones: [...ZONES] }
}

/** The shampoo of the first, cleaning wash for the whole dog: everyday, or the mildest on tender or puppy skin. */
export function chooseCleaning(shelf: readonly ShelvedProduct[], facts: ChoiceFacts): Choice | undefined {
  const { whole } = facts.skin
  const mild = facts.puppy || tenderSkin(whole) !== undefined
  const kinds: ProductKind[] = mild
    ? ['soothing', 'moisturising', 'cleaning']
    : ['cleaning', 'soothing', 'moisturising']
  return pick(shelf, facts, kinds, mild ? wantedKinds(whole, facts.puppy).why : said('choose.cleansFirst'))
}

/** The shampoo of the second wash for the whole dog, chosen by what its skin is like all over. */
export function chooseTreating(shelf: readonly ShelvedProduct[], facts: ChoiceFacts): Choice | undefined {
  const { kinds, why } = wantedKinds(facts.skin.whole, facts.puppy, facts.fleas)
  return pick(shelf, facts, kinds, why)
}

/** The mild shampoo of a third wash on the body, after a degreaser: what is mixed already where it is mild enough. */
export function chooseMild(
  shelf: readonly ShelvedProduct[],
  facts: ChoiceFacts,
  inUseAlready?: ShelvedProduct,
): Choice | undefined {
  const kinds: ProductKind[] = ['soothing', 'moisturising', 'cleaning']
  const mixed = inUseAlready && kinds.includes(inUseAlready.kind) ? [inUseAlready] : shelf
  return pick(mixed, facts, kinds, said('choose.mildThird')) ?? pick(shelf, facts, kinds, said('choose.mildThird'))
}

/** The first product of a kind that may go on this dog. */
export const only = (shelf: readonly ShelvedProduct[], facts: ChoiceFacts, kind: ProductKind) =>
  shelf.find((p) => p.kind === kind && !labelForbids(p, facts))

/** Skin that is sore in places: washed around with a margin. */
export const soreIn = (skin: readonly Skin[]): Skin | undefined => firstSkin(skin, SORE)

/** The conditioner on the shelf, when coat and rule ask for one, on which zones, with the reason either way. */
export function chooseConditioner(
  shelf: readonly ShelvedProduct[],
  facts: ChoiceFacts,
  rule: Rules['conditioner'],
  short = false,
): { product?: ShelvedProduct; zones: Zone[]; why: WhyChosen } {
  const none = (why: WhyChosen) => ({ zones: [], why })
  if (facts.puppy) return none(said('conditioner.puppy'))
  if (rule === 'never') return none(said('rule.says', { rule: 'conditioner', choice: 'never' }))
  if (short && rule !== 'always' && !isLong(facts.coat)) return none(said('conditioner.short'))
  const shedding = hasUndercoat(facts) && facts.shedding
  const byCoat = isLong(facts.coat) || facts.coat === 'feathered' || shedding
  const stains: Zone[] = facts.stained.filter((z) => z === 'head' || z === 'tail' || z === 'hindlegs')
  if (rule === 'coat' && !byCoat && stains.length === 0) return none(said('conditioner.softens', { coat: facts.coat }))
  const long = isLong(facts.coat)
  const mask = long ? only(shelf, facts, 'mask') : undefined
  const dry = facts.skin.whole.includes('dry')
  const usual = only(shelf, facts, 'conditioner')
  const product = (dry ? mask : undefined) ?? usual ?? mask
  if (!product)
    return none(said(!long && only(shelf, facts, 'mask') ? 'conditioner.onlyMask' : 'conditioner.noneOnShelf'))
  const sound = (z: Zone) => soreIn(facts.skin.zones[z]) === undefined
  const reachable = (zones: readonly Zone[]) =>
    zones.filter((z) => sound(z) && (z !== 'head' || (facts.face && facts.stained.includes('head'))))
  const on = (zones: readonly Zone[], why: WhyChosen) => {
    const left = reachable(zones)
    return left.length > 0 ? { product, zones: left, why } : none(said('conditioner.short'))
  }
  if (rule === 'coat' && !byCoat) return on(stains, said('conditioner.stains', { zones: stains }))
  if (rule === 'coat' && facts.coat === 'feathered')
    return on([...new Set([...FURNISHINGS, ...stains])], said('conditioner.furnishings'))
  const why: WhyChosen =
    rule === 'always' && !byCoat
      ? said('rule.says', { rule: 'conditioner', choice: 'always' })
      : product.kind === 'mask'
        ? said('conditioner.mask', { dry })
        : shedding
          ? said('conditioner.shedding')
          : said('conditioner.combsEasier', { coat: facts.coat })
  return on(ZONES, why)
}
