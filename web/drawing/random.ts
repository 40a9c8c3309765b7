/** A repeatable stream of numbers from 0 to 1, so that a dog's coat is drawn alike every time. */
export { chance as seeded } from '@core/chance'

/** A whole number made from a text (FNV-1a), for seeds and colours that stay with a dog for life. */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5
  for (const letter of text) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193)
  return hash >>> 0
}
