import { anySkin, firstSkin, isLong, SORE, surfaceShare, TENDER, worstMats, ZONES, type Zone } from '../dog'
import { labelForbids, type OtherProduct, type ProductKind } from '../mix'
import { reckon, start } from '../reckoned'
import { said } from '../said'
import { APPLIED, SPREAD, type Finishing } from './applied'
import type { AppliedProduct } from './courseTypes'
import type { Gathered } from './gather'
import { step } from './stepFacts'
import type { Step } from './types'

declare module '../said' {
  interface Codes {
    'finish.putOn': None
  }
}

const ENDS: readonly Zone[] = ['ears', 'belly', 'forelegs', 'hindlegs', 'tail']

/**
 * Leave-in or detangler in a towelled coat that tangles, oil on the ends of a long one, scent where the house's rule has it.
 * None on a puppy, in a visit that is kept short or by rule; no oil and no scent on tender skin or before a vet looks. Common
 * practice, no source.
 */
export function finishingOf(g: Gathered, vetFirst: boolean): Finishing {
  const { dog, today, coat, rules, puppy, short, ageWeeks, surface } = g
  const none = { put: [], not: [] }
  if (rules.finishing === 'no' || puppy || short !== undefined || g.products.length === 0) return none
  const skin = anySkin(g.skin)
  const tender = firstSkin(
    skin,
    TENDER.filter((s) => s !== 'dry'),
  )
  const sore = firstSkin(g.skin.whole, SORE)
  const tangles = isLong(coat.coat) || coat.coat === 'feathered' || worstMats(today.mats) > 0
  const long = (isLong(coat.coat) || coat.coat === 'feathered') && (coat.lengthCm ?? Infinity) >= APPLIED.oilFrom.value
  const wanted: [ProductKind, boolean, readonly Zone[]][] = [
    ['leave-in', tangles && sore === undefined, []],
    ['finishing oil', long && !today.skin.includes('greasy'), ENDS],
    ['scent', rules.finishing === 'scent', []],
  ]
  const not: OtherProduct[] = []
  const put = wanted.flatMap(([kind, wants, zones]): Finishing['put'] => {
    const product = wants ? g.products.find((p) => p.kind === kind) : undefined
    // a step of the groomer's own puts it on already
    if (!product || today.added.some((a) => a.productId === product.id)) return []
    const forbidden = labelForbids(product, {
      puppy,
      ageWeeks,
      allergies: dog.allergies,
      date: today.date,
      coat: dog.coat,
      skin: g.skin,
    })
    const harms = kind === 'leave-in' ? undefined : tender
    const why =
      forbidden ??
      (harms !== undefined
        ? said('not.staysTender', { skin: harms })
        : kind !== 'leave-in' && vetFirst
          ? said('not.staysVet')
          : undefined)
    if (why) {
      not.push({ name: product.name, why })
      return []
    }
    const share = zones.length > 0 ? surfaceShare(zones) : 1
    return [{ kind, product, zones: [...zones], mL: SPREAD[kind]! * surface * share }]
  })
  return { put, not }
}

const idOf = (kind: ProductKind) => kind.replace(' ', '-')

const stepFor = ({ kind, product, zones, mL }: Finishing['put'][number]): Step =>
  step({
    id: idOf(kind),
    kind: kind === 'leave-in' ? 'leaveIn' : 'finish',
    ...(kind === 'scent' ? { role: 'scent' as const } : {}),
    place: 'table',
    zones: zones.length > 0 ? zones : [...ZONES].filter((z) => z !== 'head'),
    minutes: reckon(
      'min',
      start('finish.putOn', {}, kind === 'leave-in' ? APPLIED.leaveInMinutes.value : APPLIED.endMinutes.value),
    ),
    detail: [said('step.putOn', { product: product.name, mL, zones })],
  })

/** The steps that put on what stays: in the towelled coat, and at the end. */
export const finishSteps = ({ put }: Finishing, when: 'towelled' | 'end'): Step[] =>
  put.filter((p) => (p.kind === 'leave-in') === (when === 'towelled')).map(stepFor)

/** What those steps use up. */
export const finishUses = ({ put }: Finishing): AppliedProduct[] =>
  put.map(({ kind, product, mL }) => ({ step: idOf(kind), id: product.id, name: product.name, mL }))
