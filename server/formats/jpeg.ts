/** A JPEG as it is kept: its pixels' size, and its bytes without what cameras write beside the picture. */
export interface Jpeg {
  width: number
  height: number
  bytes: Buffer
}

const START = 0xd8
const SCAN = 0xda
/** Frames that say how large the picture is: all but tables and restarts among C0 to CF. */
const isFrame = (marker: number) => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)
/** What says where, when and by whom it was taken, and words: application data but the header and colours, comments. */
const isAside = (marker: number) => marker === 0xfe || (marker > 0xe0 && marker <= 0xef && marker !== 0xe2)

/**
 * Reads a JPEG's size and leaves out what was written beside it (place, time, device, comments); the picture is as it
 * was. Undefined when it isn't a JPEG or is cut off. Markers by ITU-T T.81, table B.1 (values from memory).
 */
export function readJpeg(bytes: Buffer): Jpeg | undefined {
  if (bytes.length < 4 || bytes[0] !== 0xff || bytes[1] !== START) return undefined
  const kept: Buffer[] = [bytes.subarray(0, 2)]
  let size: { width: number; height: number } | undefined
  for (let at = 2; at + 4 <= bytes.length;) {
    if (bytes[at] !== 0xff) return undefined
    const marker = bytes[at + 1]!
    if (marker === 0xff) {
      at++
      continue
    }
    const length = bytes.readUInt16BE(at + 2)
    if (length < 2 || at + 2 + length > bytes.length) return undefined
    if (isFrame(marker) && length >= 8) size = { height: bytes.readUInt16BE(at + 5), width: bytes.readUInt16BE(at + 7) }
    if (marker === SCAN) {
      // what follows is the picture itself, up to the end of the image
      if (!size || size.width === 0 || size.height === 0) return undefined
      if (bytes.lastIndexOf(Buffer.from([0xff, 0xd9])) < at) return undefined
      return { ...size, bytes: Buffer.concat([...kept, bytes.subarray(at)]) }
    }
    if (!isAside(marker)) kept.push(bytes.subarray(at, at + 2 + length))
    at += 2 + length
  }
  return undefined
}
