import { readHanded, type HandedAnswers } from '@core/owner'
import { ApiProblem } from './client'

const UNREAD =
  'It isn’t an answer from a card. Take the file that the card kept, a photograph of its code, or paste its letters.'

/** The letters in a picture of a card's code; undefined when none is found. */
async function lettersIn(file: Blob): Promise<string | undefined> {
  const picture = await createImageBitmap(file).catch(() => undefined)
  if (!picture) return undefined
  const { default: read } = await import('jsqr')
  // large photographs are read best a little smaller, small ones as they are
  for (const side of [1400, 800, 2400]) {
    const scale = Math.min(1, side / Math.max(picture.width, picture.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(picture.width * scale)
    canvas.height = Math.round(picture.height * scale)
    const drawing = canvas.getContext('2d', { willReadFrequently: true })
    if (!drawing) return undefined
    drawing.drawImage(picture, 0, 0, canvas.width, canvas.height)
    const { data } = drawing.getImageData(0, 0, canvas.width, canvas.height)
    const found = read(data, canvas.width, canvas.height)
    if (found) return found.data
  }
  return undefined
}

/** The answers in letters, a file or a photograph of a code; throws an ApiProblem that says what can be taken. */
export async function handedIn(what: string | File): Promise<HandedAnswers> {
  const text =
    typeof what === 'string'
      ? what
      : what.type.startsWith('image/')
        ? await lettersIn(what)
        : what.size < 100_000
          ? await what.text()
          : undefined
  const handed = text === undefined ? undefined : readHanded(text)
  if (!handed) throw new ApiProblem(0, 'Not an answer', UNREAD)
  return handed
}
