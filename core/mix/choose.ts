import { isDouble, isLong, ZONES, type CoatType, type Skin, type Zone } from '../dog'
import { list } from '../units'
import type { ProductKind, ShelvedProduct } from './schema'

/** The facts that choose products. `ageWeeks` is undefined when the age isn't known. `face`: the head is washed today. */
export interface ChoiceFacts {
  skin: readonly Skin[]
  coat: CoatType
  stained: readonly Zone[]
  white: boolean
  puppy: boolean
  ageWeeks?: number
  shedding: boolean
  allergies: readonly string[]
  face: boolean
}

/** A product taken for some zones, why, and why each other shampoo stayed on the shelf. */
export interface Choice {
  product: ShelvedProduct
  zones: Zone[]
  why: string
  others: { name: string; why: string }[]
  /** Share of the usual volume: a blend puts half of each on the same zones. */
  share: number
}

const SHAMPOOS: readonly ProductKind[] = [
  'cleaning',
  'degreasing',
  'whitening',
  'soothing',
  'medicated',
  'texturing',
  'tear-free',
]
const TENDER: readonly Skin[] = ['itchy', 'sensitive', 'flea-bitten', 'inflamed', 'broken', 'dry']

/** The furnishings: where texture is not wanted, and a feathered coat is conditioned. */
export const FURNISHINGS: readonly Zone[] = ['ears', 'belly', 'forelegs', 'hindlegs', 'tail']
const BODY: readonly Zone[] = ['neck', 'back']

/** The skin that asks for the mildest, if any. */
export function tenderSkin(skin: readonly Skin[]): Skin | undefined {
  return TENDER.find((s) => skin.includes(s))
}

/** Why a product must not go on this dog, by its label or the dog's allergies, or undefined when it may. */
export function labelForbids(
  product: ShelvedProduct,
  facts: Pick<ChoiceFacts, 'ageWeeks' | 'puppy' | 'allergies'>,
): string | undefined {
  const { youngestWeeks } = product
  const reacts = facts.allergies.find((a) => product.contains.some((c) => c.toLowerCase() === a.toLowerCase()))
  if (reacts) return `contains ${reacts}: this dog reacts to it`
  if (youngestWeeks !== null) {
    if (facts.ageWeeks !== undefined && facts.ageWeeks < youngestWeeks) {
      return `label: not under ${youngestWeeks} weeks, this dog is ${facts.ageWeeks}`
    }
    if (facts.ageWeeks === undefined && facts.puppy) {
      return `label: not under ${youngestWeeks} weeks, and this puppy's age isn't known`
    }
  }
  if (product.kind === 'medicated' && product.instruction.trim() === '') {
    return 'medicated, and no written instruction is recorded'
  }
  return undefined
}

/** The kinds of shampoo wanted for the whole dog in the treating wash, best first, with the reason for the best. */
function wantedKinds(facts: ChoiceFacts): { kinds: ProductKind[]; why: string } {
  const { skin } = facts
  if (skin.includes('vet-treated'))
    return { kinds: ['medicated', 'soothing', 'cleaning'], why: 'under a vet’s treatment' }
  const tender = tenderSkin(skin)
  if (tender) return { kinds: ['soothing', 'cleaning'], why: `${tender} skin` }
  if (facts.puppy) return { kinds: ['soothing', 'tear-free', 'cleaning'], why: 'puppy skin: the mildest' }
  if (skin.includes('greasy')) return { kinds: ['degreasing', 'cleaning'], why: 'greasy skin' }
  return { kinds: ['cleaning', 'soothing', 'tear-free'], why: 'nothing special: the everyday shampoo' }
}

function whyNot(product: ShelvedProduct, facts: ChoiceFacts, wanted: readonly ProductKind[]): string {
  const forbidden = labelForbids(product, facts)
  if (forbidden) return forbidden
  if (wanted.includes(product.kind)) return 'would do; another came first'
  if (product.kind === 'whitening' && !facts.white) return 'for white or pale hair'
  const reasons: Partial<Record<ProductKind, string>> = {
    degreasing: 'dries a skin that isn’t greasy',
    whitening: 'for stained zones only: it stays on long',
    medicated: 'only on a vet’s word',
    soothing: 'nothing to soothe today',
    cleaning: 'does less than this skin asks for',
    texturing: 'for the body of a coat that should stand',
    'tear-free': 'for the face',
  }
  return reasons[product.kind] ?? 'not a shampoo'
}

function pick(
  shelf: readonly ShelvedProduct[],
  facts: ChoiceFacts,
  kinds: readonly ProductKind[],
  why: string,
): Choice | undefined {
  const allowed = shelf.filter((p) => !labelForbids(p, facts))
  const kind = kinds.find((k) => allowed.some((p) => p.kind === k))
  const product = allowed.find((p) => p.kind === kind)
  if (!product) return undefined
  const others = shelf
    .filter((p) => p.id !== product.id && SHAMPOOS.includes(p.kind))
    .map((p) => ({ name: p.name, why: whyNot(p, facts, kinds) }))
  return { product, others, why, zones: [...ZONES], share: 1 }
}

/** The shampoo of the first, cleaning wash for the whole dog: everyday, or the mildest on tender or puppy skin. */
export function chooseCleaning(shelf: readonly ShelvedProduct[], facts: ChoiceFacts): Choice | undefined {
  const mild = facts.puppy || tenderSkin(facts.skin) !== undefined
  const kinds: ProductKind[] = mild ? ['soothing', 'cleaning'] : ['cleaning', 'soothing']
  return pick(shelf, facts, kinds, mild ? wantedKinds(facts).why : 'takes the dirt off first')
}

/** The shampoo of the second wash for the whole dog, chosen by skin. */
export function chooseTreating(shelf: readonly ShelvedProduct[], facts: ChoiceFacts): Choice | undefined {
  const { kinds, why } = wantedKinds(facts)
  return pick(shelf, facts, kinds, why)
}

/** The mild shampoo of a third wash on the body, after a degreaser. */
export function chooseMild(shelf: readonly ShelvedProduct[], facts: ChoiceFacts): Choice | undefined {
  return pick(shelf, facts, ['soothing', 'cleaning'], 'mild, on the body only: a degreaser leaves hair harsh')
}

const only = (shelf: readonly ShelvedProduct[], facts: ChoiceFacts, kind: ProductKind) =>
  shelf.find((p) => p.kind === kind && !labelForbids(p, facts))

/**
 * The whole-dog choice with the zones that another product suits better taken out of it: tear-free on
 * the face, texture on the body of wire and feathered coats, whitening on stained zones by school.
 * Tender, treated or puppy skin gets one mild product everywhere but on the face.
 */
export function chooseByZone(
  shelf: readonly ShelvedProduct[],
  facts: ChoiceFacts,
  whole: Choice,
  school: 'zones' | 'both' | 'blend',
  treating: boolean,
): Choice[] {
  const choices: Choice[] = []
  const left = new Set<Zone>(facts.face ? ZONES : ZONES.filter((z) => z !== 'head'))
  const take = (product: ShelvedProduct | undefined, zones: readonly Zone[], why: string, share = 1) => {
    const free = zones.filter((z) => left.has(z))
    if (!product || free.length === 0) return
    choices.push({ product, zones: free, why, others: [], share })
  }
  const drop = (zones: readonly Zone[]) => zones.forEach((z) => left.delete(z))

  const tearFree = only(shelf, facts, 'tear-free')
  if (facts.face && tearFree && tearFree.id !== whole.product.id) {
    take(tearFree, ['head'], 'tear-free on the face')
    drop(['head'])
  }
  const delicate = tenderSkin(facts.skin) !== undefined || facts.skin.includes('vet-treated') || facts.puppy
  const whitening = only(shelf, facts, 'whitening')
  const stained = facts.white ? facts.stained.filter((z) => z !== 'head' && left.has(z)) : []
  if (!delicate && whitening && stained.length > 0 && (treating || school === 'both')) {
    const blend = school === 'blend' ? (only(shelf, facts, 'soothing') ?? only(shelf, facts, 'cleaning')) : undefined
    take(whitening, stained, 'stained white hair', blend ? 0.5 : 1)
    take(blend, stained, `blended with ${whitening.name}, half and half`, 0.5)
    drop(stained)
  }
  const texturing = only(shelf, facts, 'texturing')
  if (
    treating &&
    !delicate &&
    texturing &&
    !facts.skin.includes('greasy') &&
    (facts.coat === 'wire' || facts.coat === 'feathered')
  ) {
    take(texturing, BODY, 'keeps texture on the body; the furnishings stay soft')
    drop(BODY)
  }
  const rest = ZONES.filter((z) => left.has(z))
  return rest.length > 0 ? [{ ...whole, zones: rest }, ...choices] : choices
}

/** The conditioner on the shelf, when coat and school ask for one, on which zones, with the reason either way. */
export function chooseConditioner(
  shelf: readonly ShelvedProduct[],
  facts: ChoiceFacts,
  school: 'coat' | 'always' | 'never',
): { product?: ShelvedProduct; zones: Zone[]; why: string } {
  const none = (why: string) => ({ zones: [], why })
  if (facts.puppy) return none('puppy: few steps')
  if (school === 'never') return none('school: never unless asked')
  const shedding = isDouble(facts.coat) && facts.shedding
  const byCoat = isLong(facts.coat) || facts.coat === 'feathered' || shedding
  const stains: Zone[] = facts.stained.filter((z) => z === 'head' || z === 'tail' || z === 'hindlegs')
  if (school === 'coat' && !byCoat && stains.length === 0) return none(`a ${facts.coat} coat loses by softening`)
  const product = only(shelf, facts, 'conditioner')
  if (!product) return none('no conditioner on the shelf')
  const reachable = (zones: readonly Zone[]) =>
    zones.filter((z) => z !== 'head' || (facts.face && facts.stained.includes('head')))
  if (school === 'coat' && !byCoat)
    return { product, zones: reachable(stains), why: `keeps moisture out of the stained ${list(stains)}` }
  if (school === 'coat' && facts.coat === 'feathered') {
    const zones = [...new Set([...FURNISHINGS, ...stains])]
    return { product, zones: reachable(zones), why: 'furnishings only: they comb out easier, the body keeps its lie' }
  }
  const why =
    school === 'always' && !byCoat
      ? 'school: always'
      : shedding
        ? 'helps loose undercoat out'
        : `${facts.coat} coat combs out easier`
  return { product, zones: reachable(ZONES), why }
}
