import { receiveMessageOnPort, type MessagePort } from 'node:worker_threads'
import type { Peer, Told } from '@core/day'

/** Searches with another search, in another thread, at the other end of a port. `hears`: all that it tells, or its bounds alone. */
export function withPeer<T>(port: MessagePort, hears: 'all' | 'bounds', search: (peer: Peer) => T): T {
  try {
    return search({
      tell: (told) => port.postMessage(told),
      told() {
        let all: Told | undefined
        for (let next = receiveMessageOnPort(port); next; next = receiveMessageOnPort(port)) {
          const { schedules, bound } = next.message as Told
          all = { schedules: [...(all?.schedules ?? []), ...schedules], bound: Math.max(all?.bound ?? bound, bound) }
        }
        return all && hears === 'bounds' ? { schedules: [], bound: all.bound } : all
      },
    })
  } finally {
    port.close()
  }
}
