import type { Dog, Zone } from '../dog'

/** A place where soap stays, in words, and the zone of the body it is on. */
export interface SoapPlace {
  zone: Zone
  words: string
}

/** Where soap stays longest, from the head down (common practice, no source). */
const PLACES: readonly SoapPlace[] = [
  { zone: 'ears', words: 'behind the ears' },
  { zone: 'forelegs', words: 'the armpits' },
  { zone: 'belly', words: 'belly and groin' },
  { zone: 'hindlegs', words: 'between the hind legs' },
  { zone: 'tail', words: 'under the tail' },
]

/** The soap-holding places of a dog in the order of the rinse; folds come first where it has them. */
export function soapPlaces({ folds }: Pick<Dog, 'folds'>): SoapPlace[] {
  return [...(folds ? [{ zone: 'head', words: 'the folds' } as const] : []), ...PLACES]
}

/** What one pass of the last rinse goes over: all of the dog first, the soap-holding places, the last with the fingers. */
export function passWords(pass: number, passes: number): string {
  if (pass === 1) return 'from the top down, all over'
  if (pass >= passes) return 'fingers through the coat, all over'
  return 'the places that hold soap'
}
