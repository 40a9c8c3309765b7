import type { Db } from '../../db/db'
import { changesOf } from '../../usecases/changes'
import type { Handlers } from '../register'

/** How often a quiet stream gives a sign of life, ms: less than what proxies and devices wait for. */
const SIGN_MS = 20_000

/** Changes as they happen. */
export const changeHandlers = (db: Db) =>
  ({
    'GET /changes': async () => {
      const follow = await changesOf(db)
      return (send, end) => {
        send()
        // whoever follows comes again by itself, and looks at everything anew
        const stop = follow(send, end)
        const timer = setInterval(() => send(), SIGN_MS)
        return () => {
          clearInterval(timer)
          stop()
        }
      }
    },
  }) satisfies Partial<Handlers>
