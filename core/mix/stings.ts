import type { Product } from './schema'

/** Alcohols of fat and wax: they soften, and don't sting. */
const SOFT_ALCOHOLS = /\b(cetyl|cetearyl|stearyl|behenyl|lanolin|lauryl|myristyl|oleyl)[- ]alcohols?\b/gi
/** What stings in a sore ear, as labels name it. Common practice, no source. */
const STINGING = /\b(vinegar|acetic acid|isopropanol|isopropyl|ethanol|alcohol)\b/i

/**
 * What of a product stings on sore or freshly plucked skin: vinegar or alcohol, by what it is said to contain or by its
 * name; undefined where neither tells of any.
 */
export function stingingIn({ contains, name }: Pick<Product, 'contains' | 'name'>): string | undefined {
  for (const said of [...contains, name]) {
    const found = STINGING.exec(said.replaceAll(SOFT_ALCOHOLS, ''))
    if (found) return found[0].toLowerCase()
  }
  return undefined
}
