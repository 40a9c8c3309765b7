import { constants, house } from '../constants'
import type { CoatType } from './coats'
import { plainName as plain } from './breedNames'
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
  /** Sheds an undercoat though its coat's name doesn't say so; null: as the coat does. */
  undercoat: boolean | null
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
  undercoat: facts.includes('under') || null,
}))

/** The middle of the usual range, kg: a first guess until the scale has spoken. */
export function usualWeight({ lightest, heaviest }: Breed): number {
  return Math.round(((lightest + heaviest) / 2) * 10) / 10
}

/** How far off its breed's usual weights a dog may be before somebody asks whether the weight is right. */
export const ODD_WEIGHT = constants({
  light: house(0.5, 'of the lightest usual weight; never asked of a puppy', [0.3, 0.8]),
  heavy: house(1.7, 'times the heaviest usual weight', [1.3, 2.5]),
})
/** Whether a weight (kg) hardly goes with a breed: a slip of the scale, the unit or the hand. */
export const isOddWeight = ({ lightest, heaviest }: Breed, kg: number, puppy = false): boolean =>
  (!puppy && kg < ODD_WEIGHT.light.value * lightest) || kg > ODD_WEIGHT.heavy.value * heaviest

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

/** What people call breeds among themselves, without capitals or signs. Common practice, no source. */
const NICKNAMES: Readonly<Record<string, readonly string[]>> = {
  shitzu: ['Shih Tzu'],
  'shit tzu': ['Shih Tzu'],
  'shih tsu': ['Shih Tzu'],
  yorkie: ['Yorkshire Terrier'],
  westie: ['West Highland White Terrier'],
  scottie: ['Scottish Terrier'],
  staffie: ['Staffordshire Bull Terrier', 'American Staffordshire Terrier'],
  staffy: ['Staffordshire Bull Terrier', 'American Staffordshire Terrier'],
  gsd: ['German Shepherd, short coat', 'German Shepherd, long coat'],
  alsatian: ['German Shepherd, short coat', 'German Shepherd, long coat'],
  frenchie: ['Bulldog, French'],
  'french bulldog': ['Bulldog, French'],
  'english bulldog': ['Bulldog, English'],
  cavalier: ['Cavalier King Charles Spaniel'],
  jrt: ['Jack Russell Terrier, smooth', 'Jack Russell Terrier, rough'],
  lab: ['Labrador Retriever'],
  collie: ['Collie, rough', 'Collie, smooth'],
  poodle: ['Poodle, miniature', 'Poodle, toy', 'Poodle, medium', 'Poodle, standard', 'Poodle mix'],
  'std poodle': ['Poodle, standard'],
  pyrenees: ['Pyrenean Mountain Dog'],
  'great pyrenees': ['Pyrenean Mountain Dog'],
  pitbull: ['American Staffordshire Terrier'],
  'pit bull': ['American Staffordshire Terrier'],
  sausage: ['Dachshund, smooth', 'Dachshund, long-haired', 'Dachshund, wire-haired'],
  'sausage dog': ['Dachshund, smooth', 'Dachshund, long-haired', 'Dachshund, wire-haired'],
  doxie: ['Dachshund, smooth', 'Dachshund, long-haired', 'Dachshund, wire-haired'],
  rottie: ['Rottweiler'],
  dobie: ['Dobermann'],
  aussie: ['Australian Shepherd'],
  bernese: ['Bernese Mountain Dog'],
  berner: ['Bernese Mountain Dog'],
  newfie: ['Newfoundland'],
  sheltie: ['Shetland Sheepdog'],
  husky: ['Siberian Husky'],
  golden: ['Golden Retriever'],
  goldie: ['Golden Retriever'],
  springer: ['English Springer Spaniel', 'Welsh Springer Spaniel'],
  cocker: ['Cocker Spaniel, English', 'American Cocker Spaniel'],
  malti: ['Maltese'],
  chi: ['Chihuahua, smooth coat', 'Chihuahua, long coat'],
  pyr: ['Pyrenean Mountain Dog'],
  wheaten: ['Soft-Coated Wheaten Terrier'],
  wolfhound: ['Irish Wolfhound'],
  mutt: ['Terrier mix', 'Shepherd mix', 'Spaniel mix', 'Labrador mix', 'Poodle mix', 'Collie mix'],
  mongrel: ['Terrier mix', 'Shepherd mix', 'Spaniel mix', 'Labrador mix', 'Poodle mix', 'Collie mix'],
  mix: ['Terrier mix', 'Shepherd mix', 'Spaniel mix', 'Labrador mix', 'Poodle mix', 'Collie mix'],
  crossbreed: ['Terrier mix', 'Shepherd mix', 'Spaniel mix', 'Labrador mix', 'Poodle mix', 'Collie mix'],
}
/** Ways to say that one half isn't known: "lab x", "terrier cross". */
const HALF = /\s+(?:x|×|cross(?:breed)?|mix(?:ed)?)\s*$/i

/**
 * Breeds that a typed text may mean, best first, at most `limit`; forgiving of word order, missing
 * endings and a letter or two typed wrong, and knowing what people call them. Empty text finds nothing.
 */
export function findBreeds(text: string, limit = 8): Breed[] {
  const known = NICKNAMES[plain(text).replace(/\s+/g, ' ')]
  if (known) return known.slice(0, limit).map((name) => breedNamed(name)!)
  const half = HALF.test(text) ? `${text.replace(HALF, '')} mix` : text
  const typed = plain(half).split(' ').filter(Boolean)
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

/** The words of a name, whatever their order: "Miniature Poodle" is "Poodle, miniature". */
const wordsOf = (name: string) => plain(name).split(' ').filter(Boolean).sort().join(' ')
const BY_WORDS = new Map(BREEDS.map((breed) => [wordsOf(breed.name), breed]))

/** The breed of exactly these words, whatever their order and capitals; or the blend of two named so. */
export function breedNamed(name: string): Breed | undefined {
  const named = (text: string) => BY_WORDS.get(wordsOf(text))
  const [first, second, ...more] = name.split(CROSS)
  if (!first || !second || more.length > 0) return named(name)
  const [a, b] = [named(first), named(second)]
  return a && b && blendBreeds(a, b)
}

const HAIRINESS: readonly CoatType[] = [
  'hairless',
  'smooth',
  'short double',
  'wire',
  'feathered',
  'long double',
  'drop',
  'curly',
  'corded',
]
const CARRIAGE: readonly EarCarriage[] = ['erect', 'semi', 'drop']

/**
 * What a mix of two breeds may be like: the weights in the middle, the coat of the hairier parent, ears
 * between the two, a trait of build only when both have it, ear hair when either has. A guess to begin with.
 */
export function blendBreeds(a: Breed, b: Breed): Breed {
  const middle = (x: number, y: number) => Math.round(((x + y) / 2) * 10) / 10
  const ears = Math.round((CARRIAGE.indexOf(a.earCarriage) + CARRIAGE.indexOf(b.earCarriage)) / 2)
  return {
    name: `${a.name} × ${b.name}`,
    lightest: middle(a.lightest, b.lightest),
    heaviest: middle(a.heaviest, b.heaviest),
    coat: HAIRINESS.indexOf(a.coat) >= HAIRINESS.indexOf(b.coat) ? a.coat : b.coat,
    earCarriage: CARRIAGE[ears]!,
    earHair: a.earHair || b.earHair,
    shortNose: a.shortNose && b.shortNose,
    thinSkin: a.thinSkin && b.thinSkin,
    folds: a.folds && b.folds,
    undercoat: a.undercoat || b.undercoat || null,
  }
}

const CROSS = /\s+(?:x|×|cross|mix(?:ed)? with|and)\s+/i

/** Breeds, or blends of two, that a typed text may mean: "Pug x Beagle" offers the blend. */
export function findBreedsOrBlends(text: string, limit = 8): Breed[] {
  const [first, second, ...more] = text.split(CROSS)
  if (!first || !second || more.length > 0) return findBreeds(text, limit)
  const mothers = findBreeds(first, 2)
  const fathers = findBreeds(second, 3)
  return mothers.flatMap((a) => fathers.filter((b) => b.name !== a.name).map((b) => blendBreeds(a, b))).slice(0, limit)
}
