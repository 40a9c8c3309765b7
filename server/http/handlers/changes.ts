import type { Db } from '../../db/db'
import { changesOf } from '../../usecases/changes'
import type { Handlers } from '../register'

/** How often a quiet stream gives a sign of life, ms: less than what proxies and devices wait for. */
const SIGN_MS = 20_000

/** Changes as they happen. */
export const changeHandlers = (db: Db) =>
  ({
    'GET /changes': async () => {
      const changes = await changesOf(db)
      return (send, end) => {
        // what was answered before that may be out of date
        send({ since: changes.lastTold() })
        // whoever follows comes again by itself, and looks at everything anew
        const stop = changes.follow(send, end)
        const timer = setInterval(() => send(), SIGN_MS)
        return () => {
          clearInterval(timer)
          stop()
        }
      }
    },
  }) satisfies Partial<Handlers>
