import { v4 as uuid } from 'uuid'
import type { Photo, PhotoShows } from '@contract'
import { timeNow } from '../device/clock'
import { device } from '../device/device'
import { addSender, leaveToOutbox } from '../device/outbox'
import { ask, asProblem, ApiProblem } from './client'

const WAITS = 'juvant.photo.'
/** The longest side that a photograph is scaled to, pixels, and how good it is kept. */
const SIDE = 1600
const QUALITY = 0.82

/** What a photograph belongs to. */
export interface PhotoOf {
  dogId: string
  visitId?: string
  findingId?: string
  shows: PhotoShows
}

async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer())
  let text = ''
  for (let i = 0; i < bytes.length; i += 0x8000) text += String.fromCharCode(...bytes.subarray(i, i + 0x8000))
  return btoa(text)
}

/**
 * A picture as it is kept: upright, its longest side at most 1600 pixels, a JPEG without what the camera wrote beside it.
 * Throws an ApiProblem with what to do when the browser can't read it.
 */
export async function scaled(file: Blob): Promise<string> {
  const unreadable = () => {
    const heic = /hei[cf]/i.test(file.type) || (file instanceof File && /\.hei[cf]$/i.test(file.name))
    return new ApiProblem(
      0,
      'This picture can’t be read here',
      heic
        ? 'It is a HEIC picture, which this browser doesn’t know. Take it with the button here, or set the phone’s camera to JPEG (“most compatible”).'
        : 'It may be damaged, or of a kind that this browser doesn’t know. Choose a JPEG or PNG, or take it anew.',
    )
  }
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw unreadable()
  })
  const scale = Math.min(1, SIDE / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(picture.width * scale))
  canvas.height = Math.max(1, Math.round(picture.height * scale))
  const drawing = canvas.getContext('2d')
  if (!drawing) throw unreadable()
  drawing.imageSmoothingQuality = 'high'
  drawing.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY))
  if (!blob) throw unreadable()
  return base64Of(blob)
}

interface Waits extends PhotoOf {
  takenAt: string
  content: string
}
async function sendPhoto(key: string): Promise<Photo | undefined> {
  const text = device.read(key)
  if (text === undefined) return undefined
  const photo = await ask('POST /photos', {
    body: { id: key.slice(WAITS.length), ...(JSON.parse(text) as Waits) } as never,
  })
  device.drop(key)
  return photo
}

/**
 * Keeps a picture: on this device at once, and on the server when it can be reached. Answers what the server kept;
 * undefined while it waits here. Throws an ApiProblem when the picture can't be read or the server doesn't take it.
 */
export async function keepPhoto(of: PhotoOf, file: Blob): Promise<Photo | undefined> {
  const content = await scaled(file)
  const key = WAITS + uuid()
  const waits: Waits = { ...of, takenAt: new Date(timeNow()).toISOString(), content }
  device.write(key, JSON.stringify(waits))
  try {
    return await sendPhoto(key)
  } catch (error) {
    const problem = asProblem(error)
    // a full disk is told of: what waits here is sent when there is room
    if (problem.status === 507) throw problem
    if (problem.status === 0 || problem.status >= 500) {
      leaveToOutbox(key)
      return undefined
    }
    device.drop(key)
    throw problem
  }
}

/** Deletes a photograph; what comes back brings it back for as long as it is asked for. */
export async function dropPhoto({ id, width: _w, height: _h, ...about }: Photo): Promise<() => Promise<unknown>> {
  const answer = await fetch(pictureAddress(id))
  const content = await base64Of(await answer.blob())
  await ask('DELETE /photos/{id}', { params: { id } })
  return () => ask('POST /photos', { body: { id, ...about, content } })
}

/** Where the picture of a photograph is. */
export const pictureAddress = (id: string): string => `/api/photos/${id}/picture.jpg`

addSender({ prefix: WAITS, of: 'photos', count: () => 1, send: async (key) => void (await sendPhoto(key)) })
