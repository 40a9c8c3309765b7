import { isDouble, isLong, type CoatType, type Skin } from '../dog'
import type { ProductKind, ShelvedProduct } from './schema'

/** The facts that choose a product. `ageWeeks` is undefined when the age isn't known. */
export interface ChoiceFacts {
  skin: readonly Skin[]
  coat: CoatType
  stained: boolean
  puppy: boolean
  ageWeeks?: number
  shedding: boolean
  vetProductIds?: readonly string[]
}

/** A product taken for a wash, why, and why each other shampoo stayed on the shelf. */
export interface Choice {
  product: ShelvedProduct
  why: string
  others: { name: string; why: string }[]
}

const SHAMPOOS: readonly ProductKind[] = ['cleaning', 'degreasing', 'whitening', 'soothing', 'medicated']
const TENDER: readonly Skin[] = ['itchy', 'sensitive', 'flea-bitten', 'inflamed', 'dry']

/** Why a product must not go on this dog by its label, or undefined when it may. */
export function labelForbids(product: ShelvedProduct, facts: ChoiceFacts): string | undefined {
  const { youngestWeeks } = product
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

/** The kinds of shampoo wanted for the treating wash, best first, with the reason for the best. */
function wantedKinds(facts: ChoiceFacts): { kinds: ProductKind[]; why: string } {
  const { skin } = facts
  if (skin.includes('vet-treated'))
    return { kinds: ['medicated', 'soothing', 'cleaning'], why: 'under a vet’s treatment' }
  const tender = TENDER.find((s) => skin.includes(s))
  if (tender) return { kinds: ['soothing', 'cleaning'], why: `${tender} skin` }
  if (facts.puppy) return { kinds: ['soothing', 'cleaning'], why: 'puppy skin: the mildest' }
  if (skin.includes('greasy')) return { kinds: ['degreasing', 'cleaning'], why: 'greasy skin' }
  if (facts.stained) return { kinds: ['whitening', 'cleaning'], why: 'stained white coat' }
  return { kinds: ['cleaning', 'soothing'], why: 'nothing special: the everyday shampoo' }
}

function whyNot(product: ShelvedProduct, facts: ChoiceFacts, wanted: readonly ProductKind[]): string {
  const forbidden = labelForbids(product, facts)
  if (forbidden) return forbidden
  if (wanted.includes(product.kind)) return 'would do; another came first'
  const reasons: Partial<Record<ProductKind, string>> = {
    degreasing: 'dries a skin that isn’t greasy',
    whitening: 'longer on the skin than this dog needs today',
    medicated: 'only on a vet’s word',
    soothing: 'nothing to soothe today',
    cleaning: 'does less than this skin asks for',
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
  return { product, others, why }
}

/** The shampoo of the first, cleaning wash: everyday, or the mildest on tender or puppy skin. */
export function chooseCleaning(shelf: readonly ShelvedProduct[], facts: ChoiceFacts): Choice | undefined {
  const mild = facts.puppy || TENDER.some((s) => facts.skin.includes(s))
  const kinds: ProductKind[] = mild ? ['soothing', 'cleaning'] : ['cleaning', 'soothing']
  return pick(shelf, facts, kinds, mild ? wantedKinds(facts).why : 'takes the dirt off first')
}

/** The shampoo of the second wash, chosen by skin, then by stain. */
export function chooseTreating(shelf: readonly ShelvedProduct[], facts: ChoiceFacts): Choice | undefined {
  const { kinds, why } = wantedKinds(facts)
  return pick(shelf, facts, kinds, why)
}

/** The conditioner on the shelf, when coat and school ask for one, with the reason either way. */
export function chooseConditioner(
  shelf: readonly ShelvedProduct[],
  facts: ChoiceFacts,
  school: 'coat' | 'always' | 'never',
): { product?: ShelvedProduct; why: string } {
  if (school === 'never') return { why: 'school: never unless asked' }
  const shedding = isDouble(facts.coat) && facts.shedding
  const byCoat = isLong(facts.coat) || facts.coat === 'feathered' || shedding
  if (school === 'coat' && !byCoat) return { why: `a ${facts.coat} coat loses by softening` }
  const product = shelf.find((p) => p.kind === 'conditioner' && !labelForbids(p, facts))
  if (!product) return { why: 'no conditioner on the shelf' }
  if (school === 'always' && !byCoat) return { product, why: 'school: always' }
  return { product, why: shedding ? 'helps loose undercoat out' : `${facts.coat} coat combs out easier` }
}
