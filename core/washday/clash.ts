import type { Clash } from '../day'
import { said, type Code, type Said } from '../said'
import type { DayFacts } from './assemble'
import type { DayState } from './finding'

declare module '../said' {
  interface Codes {
    'clash.pause': { name: string }
    'clash.pin': { name: string; at: number | null }
    'clash.dog': { name: string }
    'clash.away': None
    'clash.midnight': None
    'clash.water': None
    'clash.waits': None
    'clash.resource': { resource: string }
  }
}

/** What stands in the way of a day. */
export type ClashSaid = Said<Extract<Code, `clash.${string}`>>

/** What stands in the way of a day for which there is no arrangement, as the house knows it. */
export function clashSaid({ day }: DayFacts, state: DayState, clash: Pick<Clash, 'kind' | 'id'>): ClashSaid {
  const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id.split('.')[0])?.dog.name ?? id
  switch (clash.kind) {
    case 'pause':
      return said('clash.pause', { name: day.pauses.find((p) => p.id === clash.id)?.name ?? clash.id })
    case 'pin': {
      const [seat, part] = clash.id.split('.')
      const at = day.seats.find((s) => s.id === seat)?.pins[part ?? '']
      return said('clash.pin', { name: nameOf(clash.id), at: at ?? null })
    }
    case 'dog':
      return said('clash.dog', { name: nameOf(clash.id) })
    case 'away':
      return said('clash.away')
    case 'horizon':
      return said('clash.midnight')
    case 'water':
      return said('clash.water')
    case 'waits':
      return said('clash.waits')
    case 'resource':
      return said('clash.resource', { resource: clash.id })
  }
}
