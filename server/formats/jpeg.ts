/** A JPEG as it is kept: its pixels' size, and its bytes without what cameras write beside the picture. */
export interface Jpeg {
  width: number
  height: number
  bytes: Buffer
}

const START = 0xd8
const END = 0xd9
const SCAN = 0xda
/** Frames that say how large the picture is: all but tables and restarts among C0 to CF. */
const isFrame = (marker: number) => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)
/** Tables, frames, restart intervals: what a picture is decoded by. */
const isPicture = (marker: number) => marker >= 0xc0 && marker <= 0xdf
/** What stands between entropy-coded data: restarts, and a byte that isn't a marker. */
const isInScan = (marker: number) => marker === 0 || (marker >= 0xd0 && marker <= 0xd7)

/** Application data by which the picture is shown: how long each may be, and what it begins with. */
const SHOWN: Record<number, { begins: string; most?: number }> = {
  0xe0: { begins: 'JFIF\0', most: 16 },
  0xe2: { begins: 'ICC_PROFILE\0' },
  0xee: { begins: 'Adobe', most: 14 },
}

/** A segment as it is kept; undefined for one that tells where, when or by whom it was taken, words, and small pictures of it. */
function kept(marker: number, segment: Buffer): Buffer | undefined {
  if (isPicture(marker)) return segment
  const shown = SHOWN[marker]
  if (!shown || segment.toString('latin1', 4, 4 + shown.begins.length) !== shown.begins) return undefined
  if (shown.most === undefined || segment.length <= shown.most + 2) return segment
  const short = Buffer.from(segment.subarray(0, shown.most + 2))
  short.writeUInt16BE(shown.most, 2)
  // of a header with a small picture in it: none
  if (marker === 0xe0) short.fill(0, 16, 18)
  return short
}

/** Where the data of a scan ends: at the next marker. */
function endOfScan(bytes: Buffer, from: number): number {
  for (let at = bytes.indexOf(0xff, from); at >= 0 && at + 1 < bytes.length; at = bytes.indexOf(0xff, at + 1))
    if (bytes[at + 1] !== 0xff && !isInScan(bytes[at + 1]!)) return at
  return bytes.length
}

/**
 * Reads a JPEG's size and leaves out what was written beside it (place, time, device, comments, small pictures), before it,
 * between its scans and behind its end; the picture is as it was. Undefined when it isn't a JPEG or is cut off. Markers by
 * ITU-T T.81, table B.1, JFIF and Adobe's segment (values from memory).
 */
export function readJpeg(bytes: Buffer): Jpeg | undefined {
  if (bytes.length < 4 || bytes[0] !== 0xff || bytes[1] !== START) return undefined
  const all: Buffer[] = [bytes.subarray(0, 2)]
  let size: { width: number; height: number } | undefined
  let scans = 0
  for (let at = 2; at + 2 <= bytes.length;) {
    if (bytes[at] !== 0xff) return undefined
    const marker = bytes[at + 1]!
    if (marker === 0xff) {
      at++
      continue
    }
    if (marker === END) {
      if (!size || size.width === 0 || size.height === 0 || scans === 0) return undefined
      return { ...size, bytes: Buffer.concat([...all, bytes.subarray(at, at + 2)]) }
    }
    if (at + 4 > bytes.length) return undefined
    const length = bytes.readUInt16BE(at + 2)
    const ends = at + 2 + length
    if (length < 2 || ends > bytes.length) return undefined
    if (isFrame(marker) && length >= 8) size = { height: bytes.readUInt16BE(at + 5), width: bytes.readUInt16BE(at + 7) }
    const segment = kept(marker, bytes.subarray(at, ends))
    if (segment) all.push(segment)
    at = ends
    if (marker === SCAN) {
      scans++
      at = endOfScan(bytes, ends)
      all.push(bytes.subarray(ends, at))
    }
  }
  return undefined
}
