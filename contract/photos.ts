import { z } from 'zod'

/** What a photograph shows: the dog before or after, a finding, or something else. */
export const PhotoShows = z.enum(['before', 'after', 'finding', 'other'])
export type PhotoShows = z.infer<typeof PhotoShows>

/** The longest side that a photograph is scaled to before it is sent, pixels, and the largest that is taken. */
export const PHOTO_SIDE = 1600
export const MOST_SIDE = 4000
/** The largest photograph that is taken, bytes. */
export const MOST_PHOTO_BYTES = 3_000_000

const about = {
  dogId: z.uuid(),
  visitId: z.uuid().nullable().default(null),
  /** The finding it shows; one pinned at the tub has its tap's id. */
  findingId: z.uuid().nullable().default(null),
  shows: PhotoShows,
  takenAt: z.iso.datetime({ offset: true, error: 'Give the moment as ISO 8601.' }),
  note: z.string().trim().max(120, 'Keep it to 120 characters.').default(''),
}

/** A photograph to keep: a JPEG in base64. Under an id it is kept once, however often it is sent. */
export const NewPhoto = z.object({
  id: z.uuid().optional(),
  ...about,
  content: z
    .base64({ error: 'Send the picture in base64.' })
    .min(1, 'There is no picture in it.')
    .max(Math.ceil((MOST_PHOTO_BYTES * 4) / 3) + 4, 'The picture is larger than 3 MB.'),
})
export type NewPhoto = z.infer<typeof NewPhoto>

/** A photograph as lists have it, without the picture itself. */
export const Photo = z.object({
  id: z.uuid(),
  ...about,
  takenAt: z.string(),
  width: z.number().int(),
  height: z.number().int(),
})
export type Photo = z.infer<typeof Photo>

/** Of which dog or visit photographs are asked for. */
export const PhotoQuery = z.object({ dog: z.uuid().optional(), visit: z.uuid().optional() })
