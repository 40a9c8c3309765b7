import { constants, practice } from '../constants'
import type { ProductKind, ShelvedProduct } from '../mix'
import { note, reckon, set, start, withOwn, type Reason, type Reckoned } from '../reckoned'

declare module '../said' {
  interface Codes {
    'contact.usual': { kind: ProductKind }
    'contact.label': { product: string }
    'contact.puppy': None
    'contact.fromLastZone': None
  }
}

/** How long a product stays on before it is rinsed, when its label doesn't say. */
export const CONTACT = constants({
  ordinary: practice(4, 'min', [3, 5]),
  soothing: practice(5, 'min', [3, 5]),
  conditioner: practice(5, 'min', [3, 7]),
  mask: practice(10, 'min', [5, 20]),
  whitening: practice(10, 'min', [8, 10]),
  medicated: practice(10, 'min', [10, 15]),
  puppy: practice(3, 'min', [2, 4]),
})

function usualContact(kind: ProductKind): number {
  if (kind === 'mask') return CONTACT.mask.value
  if (kind === 'whitening' || kind === 'medicated' || kind === 'soothing' || kind === 'conditioner')
    return CONTACT[kind].value
  return CONTACT.ordinary.value
}

/**
 * Minutes a product stays on, counted from the last zone lathered: the label's, else the usual ones
 * of its kind; a puppy's stay short unless the label rules or the product is a medicated one. `own` replaces it by
 * the user's.
 */
export function contactMinutes(product: ShelvedProduct, puppy: boolean, own?: Reason): Reckoned {
  const { contactMinutes: label, name, kind } = product
  const usual = usualContact(kind)
  const short = label === null && puppy && kind !== 'medicated' && usual > CONTACT.puppy.value
  return withOwn(
    reckon(
      'min',
      start('contact.usual', { kind }, usual),
      label !== null && set('contact.label', { product: name }, label),
      short && set('contact.puppy', {}, CONTACT.puppy.value),
      note('contact.fromLastZone', {}),
    ),
    own,
  )
}
