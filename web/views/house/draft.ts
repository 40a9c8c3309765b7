import { sameData } from '@core/same'
import type { House } from '@core/house'

/** Messages for the fields of a house, by path. */
export type HouseErrors = Readonly<Record<string, string>>

/** What two windows made of one house: every part that this one changed goes over the other's, the rest is theirs. */
export function mergeHouses(base: House, mine: House, theirs: House): House {
  const keys = Object.keys(mine) as (keyof House)[]
  const changed = keys.filter((k) => !sameData(mine[k], base[k]))
  return { ...theirs, ...Object.fromEntries(changed.map((k) => [k, mine[k]])) }
}
