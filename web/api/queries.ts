import { hashKey, isServer, QueryClient, useQuery, type Query } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { Answer, Call, Change, Reading } from '@contract'
import { changeBy, isAbout } from '@contract/rows'
import { ask, asProblem, onWritten, type Given } from './client'
import { isLive, onChange, onReconnected } from './live'

/** How long an answer that nothing shows is kept, ms. */
const UNUSED_MS = 30 * 60_000

/**
 * Everything read from the server, kept once for all that ask the same. While changes are told of as they
 * happen, what is kept is right until then; without that it is asked again by every view.
 */
export const kept = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: () => (isLive.value ? Infinity : 0),
      gcTime: isServer ? Infinity : UNUSED_MS,
      retry: false,
      networkMode: 'always',
      refetchOnWindowFocus: false,
      refetchOnReconnect: false,
    },
  },
})

/** Asks everything anew: what is kept on the server is another room now. */
export const forgetAll = () => kept.resetQueries()

/** How often an answer was overtaken on its way, by its question. */
const overtaken = new Map<string, number>()

/** Keeps what was read in step with what the server tells, and with what this window writes. */
export function keepInStep(): void {
  const makeOld = (change: Change | 'all', refetchType: 'active' | 'none') => {
    const predicate = ({ queryKey: [address, call] }: Pick<Query, 'queryKey'>) =>
      change === 'all' || isAbout(change, address as Reading, (call ?? {}) as object)
    // an answer on its way may be older than the change, and would be kept as if it weren't
    for (const { queryHash } of kept.getQueryCache().findAll({ predicate, fetchStatus: 'fetching' }))
      overtaken.set(queryHash, (overtaken.get(queryHash) ?? 0) + 1)
    void kept.invalidateQueries({ refetchType, predicate })
  }
  onChange((change) => makeOld(change, 'active'))
  // the server tells of it too, when it can: what is in sight is asked once
  onWritten(({ address, params }) => {
    const change = changeBy(address, params)
    if (change) makeOld(change, isLive.value ? 'none' : 'active')
  })
  onReconnected(() => void kept.invalidateQueries())
}

/** How often a question is asked again because changes overtook its answer. */
const MOST_AGAIN = 3

function questionOf<A extends Reading>(address: A, call: Call<A> | undefined) {
  const queryKey = [address, call ?? {}]
  const hash = hashKey(queryKey)
  return {
    queryKey,
    queryFn: async () => {
      for (let again = 0; ; again++) {
        const before = overtaken.get(hash)
        const answer = await ask(address, ...([call] as unknown as Given<A>))
        if (overtaken.get(hash) === before || again === MOST_AGAIN) return answer
      }
    },
  }
}

/** Answers an endpoint once, from what is kept where that is still right; throws an ApiProblem. */
export const askKept = <A extends Reading>(address: A, ...[call]: Given<A>): Promise<Answer<A>> =>
  kept.fetchQuery(questionOf(address, call))

/**
 * What an endpoint answers, kept up to date: `answer` (undefined until the first), `problem` of the last try,
 * `loading` while nothing can be shown yet, `again` to ask anew. Asked when the call changes; an undefined call
 * isn't asked. Until the new answer is there the last one stays.
 */
export function useAsk<A extends Reading>(address: A, call: MaybeRefOrGetter<Call<A> | undefined>) {
  const query = useQuery(
    computed(() => ({
      ...questionOf(address, toValue(call)),
      enabled: toValue(call) !== undefined,
      placeholderData: (last: Answer<A> | undefined) => last,
      shallow: true,
    })) as never,
    kept,
  )
  return {
    answer: computed(() => query.data.value as Answer<A> | undefined),
    problem: computed(() => (query.error.value ? asProblem(query.error.value) : undefined)),
    loading: computed(() => query.isFetching.value && query.data.value === undefined),
    again: () => void query.refetch(),
  }
}
