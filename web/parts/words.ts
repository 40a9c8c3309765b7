import type { StoredDog } from '../../contract'
import { coatWords, type Dog } from '../../core/dog'
import { HANDWORK } from '../../core/groomer'
import { list, say } from '../../core/units'

/** Today's date on this device, "2026-11-24". */
export function deviceToday(): string {
  const now = new Date()
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`
}

/** A date as people say it: "Saturday 28 November 2026". */
export function longDate(day: string): string {
  return new Date(`${day}T12:00:00`)
    .toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' })
    .replace(',', '')
}

/** Breed, weight and coat in one line. */
export function dogLine(dog: Dog): string {
  return [dog.breed, `${say(dog.weightKg)} kg`, coatWords(dog.coat)].filter(Boolean).join(', ')
}

/** What the record expects that a groomer should know at a glance, worst first. */
export function dogFlags({ record }: StoredDog): { state: 'stop' | 'watch'; text: string }[] {
  const { known } = record
  const ears = (['left', 'right'] as const).flatMap((side) => {
    const { signs } = side === 'left' ? known.leftEar : known.rightEar
    return signs.length > 0
      ? [{ state: 'stop' as const, text: `${side === 'left' ? 'Left' : 'Right'} ear: ${signs[0]}` }]
      : []
  })
  const care = [
    known.fleas && 'fleas',
    known.skin.length > 0 && `${list(known.skin)} skin`,
    record.stage === 'puppy' && 'puppy',
    record.shortNose && 'short nose',
    record.weightKg > HANDWORK.heavy.value && 'heavy lift',
  ].filter((t): t is string => !!t)
  return [...ears, ...care.slice(0, 2).map((text) => ({ state: 'watch' as const, text }))]
}

/** A number as typed, with comma or point; NaN when it isn't one. */
export function typedNumber(text: string): number {
  const plain = text.trim().replace(',', '.')
  return plain === '' ? NaN : Number(plain)
}
