import { hashKey, isServer, QueryClient, useQuery, type Query } from '@tanstack/vue-query'
import { computed, toValue, type MaybeRefOrGetter } from 'vue'
import type { Address, Answer, Call, Change, ChangeOf } from '@contract'
import { ask, asProblem, onWritten, type Given } from './client'
import { isLive, onChange, onReconnected } from './live'

/** Endpoints that are read. */
export type Reading = Extract<Address, `GET ${string}`>

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

/** Which answers a change of some kind makes old. */
const MADE_OLD: Record<ChangeOf, readonly Reading[]> = {
  dogs: [
    'GET /bin',
    'GET /history',
    'GET /dogs',
    'GET /dogs/{id}',
    'GET /dues',
    'GET /days',
    'GET /weeks',
    'GET /days/{date}/tub',
    'GET /standings',
    'GET /visits',
    'GET /memory',
  ],
  products: ['GET /products', 'GET /history', 'GET /stock', 'GET /bin'],
  stock: ['GET /stock', 'GET /products/{id}/movements'],
  house: ['GET /house', 'GET /history', 'GET /memory', 'GET /logbook', 'GET /logbook/taught'],
  findings: ['GET /dogs/{id}/findings', 'GET /history', 'GET /bin'],
  photos: ['GET /photos'],
  answers: ['GET /dogs/{id}/answers', 'GET /followups', 'GET /memory'],
  standings: ['GET /standings', 'GET /history', 'GET /bin'],
  days: [
    'GET /bin',
    'GET /history',
    'GET /dues',
    'GET /days',
    'GET /weeks',
    'GET /days/{date}',
    'GET /days/{date}/tub',
  ],
  visits: [
    'GET /bin',
    'GET /dues',
    'GET /weeks',
    'GET /visits',
    'GET /visits/{id}',
    'GET /days/{date}',
    'GET /days/{date}/tub',
  ],
  taps: ['GET /visits/{id}/events', 'GET /days/{date}/tub'],
  outcomes: ['GET /dues', 'GET /logbook', 'GET /logbook/taught', 'GET /memory', 'GET /visits/{id}/outcome'],
}

/** Whether an answer is about the thing that changed, as far as its question says. */
function isAbout({ id, date, what, dog }: Change, address: Reading, call: { params?: Record<string, string> }) {
  const { params } = call
  if (params?.date !== undefined) return date === undefined || params.date === date
  if (params?.id === undefined) return true
  return address === 'GET /dogs/{id}/findings' || address === 'GET /dogs/{id}/answers'
    ? params.id === (what === 'dogs' ? id : dog)
    : params.id === id
}

/** What a write changes, before the server tells of it. */
function changeBy(address: Address, params: Record<string, string>): Change | undefined {
  const [, path] = address.split(' ') as [string, string]
  const parts = path.split('/').slice(1)
  const what =
    parts[2] === 'findings' || parts[2] === 'answers'
      ? parts[2]
      : parts[2] === 'events'
        ? 'taps'
        : parts[0] === 'calendar'
          ? 'days'
          : parts[0]
  if (what === undefined || !(what in MADE_OLD)) return undefined
  const { id, date } = params
  return { what: what as ChangeOf, id, date, dog: what === 'findings' || what === 'answers' ? id : undefined }
}

/** How often an answer was overtaken on its way, by its question. */
const overtaken = new Map<string, number>()

/** Keeps what was read in step with what the server tells, and with what this window writes. */
export function keepInStep(): void {
  const makeOld = (change: Change, refetchType: 'active' | 'none') => {
    const old = new Set<unknown>(MADE_OLD[change.what])
    const predicate = ({ queryKey: [address, call] }: Pick<Query, 'queryKey'>) =>
      old.has(address) && isAbout(change, address as Reading, (call ?? {}) as object)
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
