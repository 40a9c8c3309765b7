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
