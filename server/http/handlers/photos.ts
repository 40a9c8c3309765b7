import { MOST_SIDE } from '@contract'
import type { Db } from '../../db/db'
import { dogRecords } from '../../db/dogs'
import { addPhoto, listPhotos, pictureOf, removePhoto } from '../../db/photos'
import { findVisit } from '../../db/visits'
import { readJpeg } from '../../formats/jpeg'
import { notFound, Refusal } from '../../problems'
import type { Handlers } from '../register'

/** Photographs: kept small, without what cameras write beside them, and never sent anywhere. */
export function photoHandlers(db: Db) {
  return {
    'GET /photos': ({ query }) => listPhotos(db, query),
    'POST /photos': async ({ body: { id, content, ...about } }) => {
      if (!(await dogRecords.find(db, about.dogId))) throw notFound('dog')
      if (about.visitId !== null && (await findVisit(db, about.visitId))?.dogId !== about.dogId)
        throw notFound('visit of this dog')
      const jpeg = readJpeg(Buffer.from(content, 'base64'))
      if (!jpeg)
        throw new Refusal(422, 'Not a picture', 'It isn’t a whole JPEG. Nothing was kept; take or choose another one.')
      const { width, height, bytes } = jpeg
      if (width > MOST_SIDE || height > MOST_SIDE)
        throw new Refusal(422, 'Too large', `Pictures of up to ${MOST_SIDE} pixels a side are taken. Scale it down.`)
      return addPhoto(db, { ...about, width, height }, bytes.toString('base64'), id)
    },
    'GET /photos/{id}/picture.jpg': async ({ params }) => {
      const content = await pictureOf(db, params.id)
      if (content === undefined) throw notFound('photograph')
      return { content: Buffer.from(content, 'base64'), name: `${params.id}.jpg`, open: 'inline' }
    },
    'DELETE /photos/{id}': async ({ params }) => {
      if (!(await removePhoto(db, params.id))) throw notFound('photograph')
    },
  } satisfies Partial<Handlers>
}
