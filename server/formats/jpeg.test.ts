import { jpegOf } from '../fixtures/jpeg'
import { readJpeg } from './jpeg'

test('a JPEG keeps its picture and its size, and loses what the camera wrote beside it', () => {
  const read = readJpeg(jpegOf({ width: 1600, height: 1200, beside: '51.5 north' }))!
  expect([read.width, read.height]).toEqual([1600, 1200])
  const text = read.bytes.toString('latin1')
  expect(text).not.toContain('51.5')
  expect(text).toContain('JFIF')
  expect(text).toContain('pixels')
  // what was left out once is not there to be left out again
  expect(readJpeg(read.bytes)!.bytes.equals(read.bytes)).toBe(true)
})

/** A segment of a JPEG with text in it. */
const segment = (marker: number, text: string) => {
  const content = Buffer.from(text, 'latin1')
  const length = Buffer.alloc(2)
  length.writeUInt16BE(content.length + 2)
  return Buffer.concat([Buffer.from([0xff, marker]), length, content])
}
const PLACE = 'place: 51.5 north'
const whole = jpegOf({ beside: '' })
const [scanAt, end] = [whole.indexOf(Buffer.from([0xff, 0xda])), whole.length - 2]
const put = (at: number, ...what: Buffer[]) => Buffer.concat([whole.subarray(0, at), ...what, whole.subarray(at)])

test.each([
  ['behind its end, as in a picture that moves', Buffer.concat([whole, jpegOf({ beside: PLACE })])],
  [
    'between two scans',
    put(end, segment(0xe1, `Exif\0\0${PLACE}`), segment(0xda, '\x01\x01\0\0\x3f\0'), Buffer.from('more')),
  ],
  ['among several pictures', put(scanAt, segment(0xe2, `MPF\0${PLACE}`))],
  ['in a small picture of itself', put(scanAt, segment(0xe0, `JFXX\0${PLACE}`))],
  ['in the header', put(2, segment(0xe0, `JFIF\0\x01\x02\0\0\x48\0\x48\x09\x09${PLACE}`))],
  ['where markers are drawn out', put(scanAt, Buffer.from([0xff, 0xff]), segment(0xed, PLACE))],
  ['in a segment that only others know', put(scanAt, segment(0xf3, PLACE))],
])('what is told of a place %s is left out too', (_, bytes) => {
  expect(bytes.toString('latin1')).toContain(PLACE)
  const read = readJpeg(bytes)!
  expect(read.bytes.toString('latin1')).not.toContain(PLACE)
  expect([read.width, read.height]).toEqual([40, 30])
  expect(read.bytes.toString('latin1')).toContain('pixels')
  expect(readJpeg(read.bytes)!.bytes.equals(read.bytes)).toBe(true)
})

test('by what its colours are shown stays', () => {
  const adobe = segment(0xee, 'Adobe\0\x64\0\0\0\0\x01')
  const profile = segment(0xe2, 'ICC_PROFILE\0\x01\x01and so on')
  const read = readJpeg(put(scanAt, adobe, profile))!
  expect(read.bytes.includes(adobe)).toBe(true)
  expect(read.bytes.includes(profile)).toBe(true)
})

test.each([
  ['nothing', Buffer.alloc(0)],
  ['text', Buffer.from('GIF89a is not a JPEG')],
  ['a phone’s other format', Buffer.from('\0\0\0\x18ftypheic\0\0\0\0mif1heic', 'latin1')],
  ['one that is cut off', jpegOf().subarray(0, 60)],
  ['one without its end', jpegOf().subarray(0, jpegOf().length - 2)],
  ['one without a size', jpegOf({ width: 0 })],
])('%s is no picture', (_, bytes) => {
  expect(readJpeg(bytes)).toBeUndefined()
})
