import type { StoredProduct } from '@contract'
import { inUse, ProductKind, type Product } from '@core/mix'

/** The products of one kind that are in use, what comes first first. */
export interface KindGroup {
  kind: ProductKind
  products: StoredProduct[]
}

/** The shelf by kind, in the order of the kinds; kinds without a product are left out. */
export function byKind(shelf: readonly StoredProduct[]): KindGroup[] {
  const ranked = inUse(shelf.map((stored) => ({ stored, ...stored.record }))).map((p) => p.stored)
  return ProductKind.options
    .map((kind) => ({ kind, products: ranked.filter((p) => p.record.kind === kind) }))
    .filter((group) => group.products.length > 0)
}

/** The record that comes before all others of its kind. */
export function putFirst(product: Product, shelf: readonly StoredProduct[]): Product {
  const others = shelf.map((p) => p.record).filter((p) => p.kind === product.kind && !p.retired)
  return { ...product, rank: Math.min(...others.map((p) => p.rank), product.rank) - 1 }
}
