import { constants, house as estimate } from '../constants'
import { OBJECTIVE, WISHED, WISH_POINTS, type DayWishes, type Wished } from '../day'
import type { House, WishWeight } from '../house'

/** How many times the usual points a wish has. */
export const WISH_TIMES = constants({
  some: estimate(0.5, 'of the usual', [0.2, 0.8]),
  much: estimate(3, 'times the usual', [2, 5]),
})

const TIMES: Record<WishWeight, number> = { off: 0, some: WISH_TIMES.some.value, usual: 1, much: WISH_TIMES.much.value }

/** What always counts, by its points in every day's objective; a house can only ask for more of it. */
const ALWAYS: Partial<Record<Wished, number>> = { end: OBJECTIVE.dayEnd.value, stays: OBJECTIVE.stays.value }

/** Points that a minute of a wish has where it counts as usual, in all. */
export const usualPoints = (wish: Wished): number => ALWAYS[wish] ?? WISH_POINTS[wish as keyof typeof WISH_POINTS].value

/** Points for each minute of a house's wishes, beyond what always counts. */
export function wishesOf({ wishes }: Pick<House, 'wishes'>): DayWishes {
  return Object.fromEntries(
    WISHED.map((wish) => {
      const points = Math.round(TIMES[wishes[wish] ?? 'usual'] * usualPoints(wish))
      return [wish, wish in ALWAYS ? Math.max(0, points - usualPoints(wish)) : points]
    }),
  )
}
