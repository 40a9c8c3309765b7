import type { CoatType } from './coats'
import { BREED_TABLE } from './breedTable'
import type { EarCarriage } from './schema'

/** What a breed's name tells before the dog is seen. Weights in kg, of grown dogs. */
export interface Breed {
  name: string
  lightest: number
  heaviest: number
  coat: CoatType
  earCarriage: EarCarriage
  earHair: boolean
  shortNose: boolean
  thinSkin: boolean
  folds: boolean
}

/** All breeds and mixes known here, by name. */
export const BREEDS: readonly Breed[] = BREED_TABLE.map(([name, lightest, heaviest, coat, earCarriage, facts]) => ({
  name,
  lightest,
  heaviest,
  coat,
  earCarriage,
  earHair: facts.includes('hair'),
  shortNose: facts.includes('short'),
  thinSkin: facts.includes('thin'),
  folds: facts.includes('folds'),
}))

/** The middle of the usual range, kg: a first guess until the scale has spoken. */
export function usualWeight({ lightest, heaviest }: Breed): number {
  return Math.round(((lightest + heaviest) / 2) * 10) / 10
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z ]/g, '')
    .trim()

const BREED_WORDS = BREEDS.map((breed) => plain(breed.name).split(' '))

/** Letters to change, add, drop or swap to turn one word into the other (optimal string alignment). */
function editDistance(a: string, b: string): number {
  const rows: number[][] = [Array.from({ length: b.length + 1 }, (_, j) => j)]
  for (let i = 1; i <= a.length; i++) {
    const row = [i]
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1
      row[j] = Math.min(rows[i - 1]![j]! + 1, row[j - 1]! + 1, rows[i - 1]![j - 1]! + same)
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) {
        row[j] = Math.min(row[j]!, rows[i - 2]![j - 2]! + 1)
      }
    }
    rows.push(row)
  }
  return rows[a.length]![b.length]!
}

/** 0 for a perfect match, growing with the distance; undefined when the word is not there. */
function wordScore(typed: string, words: readonly string[]): number | undefined {
  if (words.includes(typed)) return 0
  if (words.some((w) => w.startsWith(typed))) return 1
  if (typed.length < 4) return undefined
  const slack = typed.length > 6 ? 2 : 1
  const nearest = Math.min(
    ...words.map((w) => Math.min(editDistance(typed, w), editDistance(typed, w.slice(0, typed.length)))),
  )
  return nearest <= slack ? 1 + nearest : undefined
}

/**
 * Breeds that a typed text may mean, best first, at most `limit`; forgiving of word order, missing
 * endings and a letter or two typed wrong. Empty text finds nothing.
 */
export function findBreeds(text: string, limit = 8): Breed[] {
  const typed = plain(text).split(' ').filter(Boolean)
  if (typed.length === 0) return []
  const found: { breed: Breed; score: number }[] = []
  for (const [i, breed] of BREEDS.entries()) {
    const words = BREED_WORDS[i]!
    const scores = typed.map((t) => wordScore(t, words))
    if (scores.some((s) => s === undefined)) continue
    const score = scores.reduce<number>((a, s) => a + s!, 0) + words.length * 0.01
    found.push({ breed, score })
  }
  return found
    .sort((a, b) => a.score - b.score || a.breed.name.localeCompare(b.breed.name))
    .slice(0, limit)
    .map((f) => f.breed)
}

/** The breed of exactly this name, whatever its capitals. */
export function breedNamed(name: string): Breed | undefined {
  const wanted = plain(name)
  return BREEDS.find((breed) => plain(breed.name) === wanted)
}
