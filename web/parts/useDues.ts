import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { DogDue } from '@contract'
import { useAsk } from '../api/queries'

/** When each dog was here, is due and comes next, by its id, seen from a day; undefined until it is known. */
export function useDues(on: MaybeRefOrGetter<string>) {
  const { answer } = useAsk('GET /dues', () => ({ query: { on: toValue(on) } }))
  return computed<ReadonlyMap<string, DogDue> | undefined>(
    () => answer.value && new Map(answer.value.map((d) => [d.dogId, d])),
  )
}
