import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { DogDue } from '@contract'
import { useAsk } from '../api/queries'

/** When each dog was here, is due and comes next, by its id, seen from a day; undefined until it is known, or without a day. */
export function useDues(on: MaybeRefOrGetter<string | undefined>) {
  const { answer } = useAsk('GET /dues', () => {
    const day = toValue(on)
    return day === undefined ? undefined : { query: { on: day } }
  })
  return computed<ReadonlyMap<string, DogDue> | undefined>(
    () => answer.value && new Map(answer.value.map((d) => [d.dogId, d])),
  )
}
