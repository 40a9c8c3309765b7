import type { CoatType } from '@core/dog'
import type { Technique } from '@core/drying'
import type { House } from '@core/house'
import { DEMO } from '../demo/scenario'
import type { REFERENCES } from './references'

/** A dog of the yardstick, and how it is that day. */
export type Case = [dog: object, today?: object]
const puppy = (coat: CoatType, weightKg: number): Case => [{ coat, weightKg, stage: 'puppy', firstBath: true }]
/** In full coat. */
export const SHIH_TZU = { coat: 'drop', weightKg: 6, coatLengthCm: 15, shortNose: true, earCarriage: 'drop' }
/** In full coat. */
export const POODLE = { coat: 'curly', weightKg: 25, coatLengthCm: 8, earCarriage: 'drop' }

/** The dogs whose hands minutes practice knows, by their names there. */
export const HAND_CASES: Record<(typeof REFERENCES.handMinutes.values)[number][0], Case> = {
  'Whippet, 13 kg': [{ coat: 'smooth', weightKg: 13, thinSkin: true }],
  'French Bulldog, 12 kg': [{ coat: 'smooth', weightKg: 12, shortNose: true, folds: true }],
  'Boxer, 28 kg': [{ coat: 'smooth', weightKg: 28 }],
  'Beagle, 12 kg': [{ coat: 'short double', weightKg: 12, earCarriage: 'drop' }],
  'Labrador, 31 kg': [{ coat: 'short double', weightKg: 31, earCarriage: 'drop' }],
  'Cairn Terrier, 7 kg, 5 cm': [{ coat: 'wire', weightKg: 7, coatLengthCm: 5 }],
  'Papillon, 4 kg': [{ coat: 'feathered', weightKg: 4 }],
  'Irish Setter, 28 kg': [{ coat: 'feathered', weightKg: 28, earCarriage: 'drop' }],
  'Golden Retriever, 30 kg': [{ coat: 'feathered', weightKg: 30, earCarriage: 'drop', undercoat: true }],
  'Keeshond, 18 kg, shedding': [{ coat: 'long double', weightKg: 18 }, { shedding: true }],
  'Samoyed, 22 kg, shedding': [{ coat: 'long double', weightKg: 22 }, { shedding: true }],
  'Newfoundland, 58 kg, dense': [{ coat: 'long double', weightKg: 58, density: 'dense', earCarriage: 'drop' }],
  'Yorkshire Terrier, 3.2 kg, long, greasy': [{ coat: 'drop', weightKg: 3.2, coatLengthCm: 15 }, { skin: ['greasy'] }],
  'Shih Tzu, 6 kg, long': [SHIH_TZU],
  'Bichon, 6 kg, 4 cm': [{ coat: 'curly', weightKg: 6, coatLengthCm: 4, earCarriage: 'drop' }],
  'Standard Poodle, 25 kg, 8 cm': [POODLE],
  'Puli, 13 kg, corded': [{ coat: 'corded', weightKg: 13, coatLengthCm: 20, earCarriage: 'drop' }],
  'puppy, 2 kg, wire': puppy('wire', 2),
  'puppy, 5 kg, curly': puppy('curly', 5),
  'puppy, 8 kg, long double': puppy('long double', 8),
}

const [force, stand, , fan] = DEMO.house.dryers as [House['dryers'][0], House['dryers'][0], unknown, House['dryers'][0]]
/** Ways of drying that practice tells apart, each with its dryers alone, in the order of its bands. */
export const DRYING_WAYS: [Technique, House['dryers']][] = [
  ['velocity, then brush', [force, stand]],
  ['warm brush', [stand]],
  ['velocity', [force]],
  ['fan', [fan]],
]
/** The dogs whose drying minutes practice knows, by their names there. */
export const DRYING_CASES: Record<(typeof REFERENCES.dryingWays.values)[number][0], object> = {
  'Standard Poodle, 25 kg, 5 cm': { coat: 'curly', weightKg: 25, coatLengthCm: 5 },
  'Standard Poodle, 25 kg, 2 cm': { coat: 'curly', weightKg: 25, coatLengthCm: 2 },
  'Golden Retriever, 30 kg': { coat: 'feathered', undercoat: true, weightKg: 30 },
  'Irish Setter, 28 kg': { coat: 'feathered', weightKg: 28 },
  'Malamute, 40 kg, dense, shedding': { coat: 'long double', density: 'dense', weightKg: 40 },
  'Labrador, 31 kg': { coat: 'short double', weightKg: 31 },
  'Shih Tzu, 6 kg, long': { coat: 'drop', weightKg: 6, coatLengthCm: 15, shortNose: true },
  'Whippet, 13 kg': { coat: 'smooth', weightKg: 13 },
}
