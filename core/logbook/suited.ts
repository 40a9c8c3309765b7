import type { Suited } from '../visit'
import type { Brief } from './brief'

const troubles = (skin: readonly string[]) => skin.filter((s) => s !== 'healthy')

/**
 * Product memory of some visits (of one dog, or of all): after each use on troubled skin, was there less, as
 * much or more of it the next time. Counts, not a trial: season, food and chance changed too.
 */
export function suitedOf(briefs: readonly Pick<Brief, 'dogId' | 'date' | 'used' | 'skin'>[]): Suited[] {
  const sorted = [...briefs].sort((a, b) => a.date.localeCompare(b.date))
  const last = new Map<string, (typeof sorted)[number]>()
  const found = new Map<string, Suited>()
  for (const brief of sorted) {
    const before = last.get(brief.dogId)
    last.set(brief.dogId, brief)
    if (!before || troubles(before.skin).length === 0) continue
    const [had, has] = [troubles(before.skin).length, troubles(brief.skin).length]
    for (const name of new Set(before.used.map((u) => u.name))) {
      const product = found.get(name) ?? { product: name, times: 0, better: 0, same: 0, worse: 0 }
      product.times++
      if (has < had) product.better++
      else if (has > had) product.worse++
      else product.same++
      found.set(name, product)
    }
  }
  return [...found.values()].sort((a, b) => b.better / b.times - a.better / a.times || b.times - a.times)
}
