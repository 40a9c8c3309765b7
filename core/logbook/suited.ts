import type { Suited } from '../visit'
import type { Brief } from './brief'

const troubles = (skin: readonly string[]) => skin.filter((s) => s !== 'healthy')

/**
 * Product memory of some visits (of one dog, or of all): after each use on troubled skin, was there less, as
 * much or more of it the next time. A dog that scratched for days after a visit, as its owner said, counts as worse for
 * what was on it. Counts, not a trial: season, food and chance changed too. `scratched`: visits by dog and date.
 */
export function suitedOf(
  briefs: readonly Pick<Brief, 'dogId' | 'date' | 'used' | 'skin'>[],
  scratched: ReadonlySet<string> = new Set(),
): Suited[] {
  const sorted = [...briefs].sort((a, b) => a.date.localeCompare(b.date))
  const last = new Map<string, (typeof sorted)[number]>()
  const found = new Map<string, Suited>()
  const count = (name: string, how: 'better' | 'same' | 'worse') => {
    const product = found.get(name) ?? { product: name, times: 0, better: 0, same: 0, worse: 0 }
    product.times++
    product[how]++
    found.set(name, product)
  }
  for (const brief of sorted) {
    if (scratched.has(`${brief.dogId} ${brief.date}`))
      for (const name of new Set(brief.used.map((u) => u.name))) count(name, 'worse')
    const before = last.get(brief.dogId)
    last.set(brief.dogId, brief)
    if (!before || troubles(before.skin).length === 0) continue
    const [had, has] = [troubles(before.skin).length, troubles(brief.skin).length]
    const how = has < had ? 'better' : has > had ? 'worse' : 'same'
    for (const name of new Set(before.used.map((u) => u.name))) count(name, how)
  }
  return [...found.values()].sort((a, b) => b.better / b.times - a.better / a.times || b.times - a.times)
}
