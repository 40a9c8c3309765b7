import type { Dog, Zone } from '../dog'

/** A place where soap stays. */
export type SoapPlaceName = 'folds' | 'behindEars' | 'armpits' | 'groin' | 'betweenHindLegs' | 'underTail'
/** A place where soap stays, and the zone of the body it is on. */
export interface SoapPlace {
  zone: Zone
  place: SoapPlaceName | Zone
}

/** Where soap stays longest, from the head down (common practice, no source). */
const PLACES: readonly SoapPlace[] = [
  { zone: 'ears', place: 'behindEars' },
  { zone: 'forelegs', place: 'armpits' },
  { zone: 'belly', place: 'groin' },
  { zone: 'hindlegs', place: 'betweenHindLegs' },
  { zone: 'tail', place: 'underTail' },
]

/** The soap-holding places of a dog in the order of the rinse; folds come first where it has them. */
export function soapPlaces({ folds }: Pick<Dog, 'folds'>): SoapPlace[] {
  return [...(folds ? [{ zone: 'head', place: 'folds' } as const] : []), ...PLACES]
}

/** What one pass of the last rinse goes over: all of the dog first, the soap-holding places, the last with the fingers. */
export function passOver(pass: number, passes: number): 'all' | 'fingers' | 'places' {
  if (pass === 1) return 'all'
  return pass >= passes ? 'fingers' : 'places'
}
