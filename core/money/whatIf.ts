import type { Service } from '../dog'
import type { House } from '../house'
import type { Price } from '../price'
import { listPrice, type ListFacts } from './reckon'

/** A visit as its price by a list is reckoned anew. */
export interface ListedVisit extends ListFacts {
  visitId: string
  service: Service
  /** What was asked, and what is agreed for its dog whatever the list says. */
  asked: Price
  agreed: Price | null
}

/** Another list: so many percent more, with or without what is asked for mats. */
export interface OtherList {
  raise: number
  mats: boolean
}

/** What visits of a time would have asked: hundredths; those with a price of their own, or none on the list, stay as they were. */
export interface WhatIf {
  currency: string
  /** Visits whose price goes by the list; others with a price. */
  listed: number
  others: number
  /** What the listed ask by the list as it is, and by the other one. */
  now: number
  then: number
  /** The same by what they came for. */
  services: { service: Service; listed: number; now: number; then: number }[]
}

/** The list so many percent higher, or without mats. */
export function otherList(list: House['priceList'], { raise, mats }: OtherList): House['priceList'] {
  const by = (cents: number | null) => (cents === null ? null : Math.round(cents * (1 + raise / 100)))
  const services = Object.fromEntries(
    Object.entries(list.services).map(([service, row]) => [service, row.map(by)]),
  ) as typeof list.services
  const { fleas, helper, medicated, teeth, glands, outOfHours } = list
  const extras = { fleas, helper, medicated, teeth, glands, outOfHours }
  const raised = Object.fromEntries(Object.entries(extras).map(([key, cents]) => [key, by(cents)])) as typeof extras
  return { ...list, ...raised, services, matsTen: mats ? by(list.matsTen) : null }
}

/** Visits asked by another list, beside the same by the list as it is. */
export function whatIf(
  visits: readonly ListedVisit[],
  house: Pick<House, 'prices' | 'priceList'>,
  other: OtherList,
): WhatIf {
  const { currency } = house.prices
  const here = visits.filter((v) => v.asked.currency === currency)
  const then = otherList(house.priceList, other)
  const services = new Map<Service, WhatIf['services'][number]>()
  let others = 0
  for (const visit of here) {
    const [a, b] = [house.priceList, then].map((list) => (visit.agreed ? undefined : listPrice(visit, list)?.value))
    if (a === undefined || b === undefined) {
      others++
      continue
    }
    const of = services.get(visit.service) ?? { service: visit.service, listed: 0, now: 0, then: 0 }
    services.set(visit.service, { ...of, listed: of.listed + 1, now: of.now + a, then: of.then + b })
  }
  const all = [...services.values()].sort((a, b) => b.now - a.now)
  const sum = (of: 'listed' | 'now' | 'then') => all.reduce((total, s) => total + s[of], 0)
  return { currency, listed: sum('listed'), others, now: sum('now'), then: sum('then'), services: all }
}
