import type { Code, Said } from '../said'

declare module '../said' {
  interface Codes {
    /** Notices that were kept before they had codes. */
    'stop.kept': { title: string; next: string }
    'caution.kept': { title: string; next: string }
  }
}

/** What a notice is about: the whole visit, the bath, one ear, the skin, a product, or a thing in the room. */
export type NoticeScope =
  'visit' | 'bath' | 'left ear' | 'right ear' | 'skin' | 'product' | 'water' | 'drying' | 'groomer'

/** What a notice can say: a stop, or a caution. */
export type NoticeCode = Extract<Code, `stop.${string}` | `caution.${string}`>

/** A stop or caution: what is so; `words/` has that and what to do next. `id` tells notices of one plan apart. */
export type Notice = Said<NoticeCode> & { id: string; level: 'stop' | 'caution'; scope: NoticeScope }

/** A notice from its code; a `key` where one code may be said of several things. */
export function notice(scope: NoticeScope, what: Said<NoticeCode>, key = ''): Notice {
  const level = what.code.startsWith('stop.') ? 'stop' : 'caution'
  return { ...what, id: key === '' ? what.code : `${what.code} ${key}`, level, scope }
}
