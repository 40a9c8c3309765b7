import { useAsk } from '../../api/queries'

/** Which visits the logbook is about, as the address says. */
export interface LogFilter {
  dogId?: string
  from?: string
  to?: string
  product?: string
  /** How many visits are listed, where it isn't the usual few. */
  most?: number
  /** Whether its charts are wanted too. */
  figures: 'yes' | 'no'
}

/** The logbook for a filter, and what the whole log taught. */
export function useLogbook(filter: () => LogFilter) {
  const {
    answer: log,
    problem,
    loading,
    again,
  } = useAsk('GET /logbook', () => ({
    query: Object.fromEntries(Object.entries(filter()).filter(([, value]) => value)),
  }))
  const { answer: taught } = useAsk('GET /logbook/taught', {})
  return { log, taught, problem, loading, open: again }
}
