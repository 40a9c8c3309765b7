import { z } from 'zod'

/** What a notice is about: the whole visit, the bath, one ear, the skin, a product, or a thing in the room. */
export const NoticeScope = z.enum([
  'visit',
  'bath',
  'left ear',
  'right ear',
  'skin',
  'product',
  'water',
  'drying',
  'groomer',
])
export type NoticeScope = z.infer<typeof NoticeScope>

/** A stop or caution in plain words: what is so, and what to do next. */
export const Notice = z.object({
  id: z.string(),
  level: z.enum(['stop', 'caution']),
  scope: NoticeScope,
  title: z.string(),
  next: z.string(),
})
export type Notice = z.infer<typeof Notice>
