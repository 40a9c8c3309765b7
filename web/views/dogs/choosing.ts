import type { StoredDog } from '@contract'
import type { CoatType } from '@core/dog'
import { dogFlags, type Say } from '@words'

/** In which order dogs are listed. */
export type DogOrder = 'name' | 'lightest' | 'heaviest'

/** Which dogs are listed, and in which order. */
export interface DogChoice {
  order: DogOrder
  coat: CoatType | 'any'
  /** Only those that something is known of which asks for care. */
  care: boolean
}

const names = new Intl.Collator('en', { numeric: true, sensitivity: 'base' })
const ORDERS: Record<DogOrder, (a: StoredDog, b: StoredDog) => number> = {
  name: (a, b) => names.compare(a.record.name, b.record.name),
  lightest: (a, b) => a.record.weightKg - b.record.weightKg,
  heaviest: (a, b) => b.record.weightKg - a.record.weightKg,
}

/** The dogs that are asked for, in order; dogs alike in it by name, with numbers in names as numbers. */
export function chosenDogs(dogs: readonly StoredDog[], { order, coat, care }: DogChoice, say: Say): StoredDog[] {
  return dogs
    .filter(({ record }) => coat === 'any' || record.coat === coat)
    .filter(({ record }) => !care || dogFlags(record, say).length > 0)
    .sort((a, b) => ORDERS[order](a, b) || ORDERS.name(a, b))
}

/** The coats that some dog has, each once. */
export const coatsOf = (dogs: readonly StoredDog[]): CoatType[] => [...new Set(dogs.map((d) => d.record.coat))].sort()
