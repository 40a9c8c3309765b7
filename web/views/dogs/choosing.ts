import type { DogDue, StoredDog } from '@contract'
import type { CoatType } from '@core/dog'
import { isDue } from '@core/visit'
import { dogFlags, type Say } from '@words'

/** In which order dogs are listed. */
export type DogOrder = 'name' | 'due' | 'owner' | 'lightest' | 'heaviest'

/** Which dogs are listed, and in which order. */
export interface DogChoice {
  order: DogOrder
  coat: CoatType | 'any'
  /** Only those that something is known of which asks for care. */
  care: boolean
  /** Only those that should come within a week and are on no day yet. */
  due: boolean
}

/** When each dog is due, by its id, seen from a day. */
export interface Dues {
  of: ReadonlyMap<string, DogDue>
  today: string
}

const names = new Intl.Collator('en', { numeric: true, sensitivity: 'base' })
/** After every date and every name. */
const LAST = '\uffff'

const ORDERS: Record<DogOrder, (a: StoredDog, b: StoredDog, dues: Dues) => number> = {
  name: (a, b) => names.compare(a.record.name, b.record.name),
  due: (a, b, { of }) => {
    const at = ({ id }: StoredDog) => (of.get(id)?.booked ? LAST : (of.get(id)?.due ?? LAST))
    return at(a) < at(b) ? -1 : at(a) > at(b) ? 1 : 0
  },
  owner: (a, b) => names.compare(a.record.owner || LAST, b.record.owner || LAST),
  lightest: (a, b) => a.record.weightKg - b.record.weightKg,
  heaviest: (a, b) => b.record.weightKg - a.record.weightKg,
}

/** The dogs that are asked for, in order; dogs alike in it by name, with numbers in names as numbers. */
export function chosenDogs(
  dogs: readonly StoredDog[],
  { order, coat, care, due }: DogChoice,
  say: Say,
  dues: Dues,
): StoredDog[] {
  return dogs
    .filter(({ record }) => coat === 'any' || record.coat === coat)
    .filter(({ record }) => !care || dogFlags(record, say).length > 0)
    .filter(({ id }) => !due || (dues.of.has(id) && isDue(dues.of.get(id)!, dues.today)))
    .sort((a, b) => ORDERS[order](a, b, dues) || ORDERS.name(a, b, dues))
}

/** The coats that some dog has, each once. */
export const coatsOf = (dogs: readonly StoredDog[]): CoatType[] => [...new Set(dogs.map((d) => d.record.coat))].sort()
