import { constants, house } from '../constants'
import { readAmount, type Units } from '../units'
import { centsTyped } from '../price'
import { breedNamed, findBreedsOrBlends, usualWeight, type Breed } from './breeds'
import { plainName } from './breedNames'
import { CoatType } from './coats'
import { Dog } from './schema'

/** What a column of a list of clients can be of: of each the words that people put over it, without capitals or signs. */
const HEADINGS = {
  name: /^(name|(pet|dog|puppy|animal|patient)s?( s)?( name)?|call name|fur ?baby)$/,
  breed: /^(breed|breed or mix|breed mix|type|kind|race|breed type)$/,
  weight: /^(weight|wt|size|mass)( in)?( (lbs?|pounds?|kgs?|kilos?|kilograms?))?$/,
  coat: /^(coat|coat type|hair|fur)$/,
  sex: /^(sex|gender)$/,
  born: /^(born|birth ?day|birth ?date|date of birth|d o b|dob)$/,
  owner:
    /^(owner|client|customer|human|guardian|parent|family|contact|pet parent|people)s?( s)?( (full )?name)?$|^full name$/,
  firstName: /^((owner|client|customer)s?( s)? )?(first|given)( name)?$/,
  lastName: /^((owner|client|customer)s?( s)? )?(last|family|sur) ?name$|^(last|surname)$/,
  phone:
    /^((owner|client|customer|home|work|mobile|cell|primary|main)s?( s)? )?(phone|mobile|cell|tel|telephone|number|cellphone|handy)( (number|no|nr))?( \d)?$|^(mobile|cell)$/,
  mail: /^((owner|client|customer)s?( s)? )?e ?mail( address)?$/,
  secondContact: /emergency|second(ary)? (contact|phone)|alternat|other (contact|phone)|backup/,
  vet: /^(vet|vets|veterinarian|veterinary|vet clinic|vet name|clinic)$/,
  vetContact: /^(vet|vets|veterinarian|clinic) (phone|tel|telephone|number|contact)$/,
  vaccinatedUntil: /rabies|vaccin|shots?( until| due| exp.*)?$/,
  allergies: /allerg/,
  mayBite: /^(bites?|biter|aggressive|muzzle|bite risk)$/,
  price: /^(usual |agreed )?(price|fee|rate|charge|cost)$/,
  notes: /note|comment|remark|alert|special|behaviou?r|temperament|medical|health|instruction/,
} as const satisfies Record<string, RegExp>

/** What a column is: a field of a client, words that go to the notes, or nothing that is taken. */
export type ClientField = keyof typeof HEADINGS | 'words' | 'out'
export const CLIENT_FIELDS = [...(Object.keys(HEADINGS) as (keyof typeof HEADINGS)[]), 'words', 'out'] as const

/** Fields that several columns may fill together. */
const SHARED: readonly ClientField[] = ['phone', 'notes', 'words', 'out', 'firstName', 'lastName']
/** A heading for comparing: small letters and digits, one space between words. */
const plainHeading = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()
const SAYS_DOG = /\b(pet|dog|puppy|animal|patient)/

/**
 * What each column of a list seems to be, by its heading; capitals and signs don't matter, and each field is one column's.
 * Where a column says that it is the dog's, a plain "Name" beside it is the owner's.
 */
export function guessFields(headings: readonly string[]): ClientField[] {
  const plain = headings.map(plainHeading)
  const dogsOwn = plain.some((h) => HEADINGS.name.test(h) && SAYS_DOG.test(h))
  const taken = new Set<ClientField>()
  return plain.map((heading): ClientField => {
    const options = CLIENT_FIELDS.filter((f) => f !== 'words' && f !== 'out' && HEADINGS[f].test(heading))
    const found = heading === 'name' && dogsOwn ? 'owner' : options.find((f) => SHARED.includes(f) || !taken.has(f))
    if (!found || (taken.has(found) && !SHARED.includes(found))) return 'out'
    taken.add(found)
    return found
  })
}

/** What is in doubt of a row, so that a person says it: the name, a weight, the coat. */
export type ClientDoubt = 'name' | 'weight' | 'coat'

/** A row of a list as it is taken: the dog where nothing is in doubt, what was made of its breed, and what was left in the notes. */
export interface ReadClient {
  dog?: Dog
  /** What it is called, to tell rows apart. */
  name: string
  doubts: ClientDoubt[]
  /** The breed that was taken for what stands there, where that is called otherwise. */
  takenFor?: string
}

/** What a person says of a row in place of what stands there, as it is typed. */
export type ClientMended = Partial<Record<'name' | 'breed' | 'weight' | 'coat', string>>

const NOTHING = /^(no|none|n\/?a|nil|-+|false|0)$/i
const YES = /^(yes|y|true|1|x|ja|oui|s[ií])$/i
const BITES = /\b(bites|biter|nips|nippy|snaps|(may|will|can|might) (bite|nip|snap))\b/i
const BITES_NOT = /\b(doesn.?t|does not|never|won.?t|not?)\s+(bite|nip|snap)/i

/** A date as people write it: ISO, or day and month in the order of the house; undefined where it can't be read, or isn't a day. */
function dateOf(text: string, units: Units): string | undefined {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})/.exec(text)
  const other = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})$/.exec(text)
  const american = units.weight === 'lb'
  const parts = iso
    ? [iso[1], iso[2], iso[3]]
    : other && (american ? [other[3], other[1], other[2]] : [other[3], other[2], other[1]])
  if (!parts) return undefined
  const date = `${parts[0]}-${parts[1]!.padStart(2, '0')}-${parts[2]!.padStart(2, '0')}`
  const at = new Date(`${date}T00:00:00Z`)
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(date) ? date : undefined
}

/** Words that name no breed: what coat such a dog has, somebody must say. */
const ANY_BREED = /^(mutt|mongrel|mix(ed)?( breed)?|cross(breed)?|unknown|\?+)$/i
/** How far off a breed's usual weights a dog may be that is told from others by its weight. */
export const LISTED_BREEDS = constants({
  light: house(0.7, 'of the lightest usual weight', [0.5, 0.9]),
  heavy: house(1.4, 'times the heaviest usual weight', [1.1, 2]),
})
/** How many breeds that words may mean are looked at. */
const LOOKED_AT = 4

/** The breed that words mean: by name, or of the nearest that are known the first that weighs about so much; without "mix" and "cross" where there is none with them. */
function breedOf(text: string, kg: number | undefined): Breed | undefined {
  if (text.trim() === '' || ANY_BREED.test(text.trim())) return undefined
  const pure = text.replace(/\b(mix(ed)?|x|cross(bred)?|approx\w*)\b/gi, ' ').trim()
  const named = breedNamed(text) ?? breedNamed(pure)
  if (named) return named
  const meant = findBreedsOrBlends(text, LOOKED_AT)
  const all = meant.length > 0 ? meant : findBreedsOrBlends(pure, LOOKED_AT)
  const fits = ({ lightest, heaviest }: Breed) =>
    kg === undefined || (kg >= LISTED_BREEDS.light.value * lightest && kg <= LISTED_BREEDS.heavy.value * heaviest)
  return all.find(fits) ?? all[0]
}

/** The unit that a heading gives: "Weight (lbs)". */
const unitIn = (heading: string): 'lb' | 'kg' | undefined =>
  /\b(lbs?|pounds?)\b/i.test(heading) ? 'lb' : /\b(kgs?|kilo\w*)\b/i.test(heading) ? 'kg' : undefined

const SEXES: readonly (readonly [Dog['sex'], RegExp])[] = [
  ['female', /^(f|female|fs|girl|bitch|spayed|w|fem.*)/i],
  ['male', /^(m|male|mn|boy|dog|neutered|mal.*)/i],
]

/**
 * A row of a list of clients as a dog: breed fills coat, ears and weight where those aren't said; weights by the unit that
 * stands with them, over them, or by the house's. What can't be read as what its column is goes to the notes, never lost.
 */
export function readClient(
  row: readonly string[],
  columns: readonly { heading: string; field: ClientField }[],
  units: Units,
  currency: string,
  mended: ClientMended = {},
): ReadClient {
  const cells = columns.map((c, i) => ({ ...c, text: (row[i] ?? '').trim() })).filter((c) => c.text !== '')
  const of = (field: ClientField) => cells.filter((c) => c.field === field).map((c) => c.text)
  const first = (field: ClientField) => of(field)[0] ?? ''
  const notes: string[] = []
  const toNotes = (heading: string, text: string) => notes.push(`${heading}: ${text}`)

  const name = (mended.name ?? first('name')).trim().slice(0, 80)
  const breedText = (mended.breed ?? first('breed')).slice(0, 80)
  const weighed = cells.find((c) => c.field === 'weight')
  const weightText = mended.weight ?? weighed?.text ?? ''
  const unit = mended.weight === undefined && weighed ? unitIn(weighed.heading) : undefined
  const read = readAmount(weightText, 'weight', unit ? { ...units, weight: unit } : units)
  const breed = breedOf(breedText, read.ok ? read.value : undefined)
  const weightKg = weightText === '' ? breed && usualWeight(breed) : read.ok ? read.value : undefined
  const coatText = (mended.coat ?? first('coat')).toLowerCase()
  const coat = CoatType.options.find((c) => c === coatText) ?? breed?.coat
  if (coatText !== '' && !CoatType.options.some((c) => c === coatText)) toNotes('Coat', coatText)

  const born = first('born') === '' ? null : dateOf(first('born'), units)
  if (born === undefined) toNotes('Born', first('born'))
  const vaccinated = first('vaccinatedUntil') === '' ? null : dateOf(first('vaccinatedUntil'), units)
  if (vaccinated === undefined) toNotes('Vaccination', first('vaccinatedUntil'))
  const cents = centsTyped(first('price').replace(/[^\d.,-]/g, ''))
  if (Number.isNaN(cents)) toNotes('Price', first('price'))

  const written = [...of('notes').filter((text) => !NOTHING.test(text))]
  const allergies = first('allergies')
    .split(/[,;/]/)
    .map((text) => text.trim())
    .filter((text) => text !== '' && !NOTHING.test(text))
  for (const long of allergies.filter((text) => text.length > 40)) toNotes('Allergy', long)
  for (const c of cells.filter((c) => c.field === 'words')) toNotes(c.heading.trim(), c.text)
  const bites = YES.test(first('mayBite'))
  if (first('mayBite') !== '' && !bites && !NOTHING.test(first('mayBite'))) toNotes('Bites', first('mayBite'))
  const told = [...written, first('mayBite')].join(' ')
  const owner = first('owner') || [...of('firstName'), ...of('lastName')].join(' ')

  const record = Dog.safeParse({
    name,
    breed: breed && plainName(breed.name) === plainName(breedText) ? breed.name : breedText,
    ...(breed && {
      earCarriage: breed.earCarriage,
      earHair: breed.earHair,
      shortNose: breed.shortNose,
      thinSkin: breed.thinSkin,
      folds: breed.folds,
      undercoat: breed.undercoat,
    }),
    coat,
    weightKg,
    sex: SEXES.find(([, words]) => words.test(first('sex')))?.[0] ?? 'unknown',
    born: born ?? null,
    owner: owner.slice(0, 120),
    ownerContact: [...of('phone'), ...of('mail')].join(', ').slice(0, 200),
    secondContact: first('secondContact').slice(0, 200),
    vet: first('vet').slice(0, 120),
    vetContact: first('vetContact').slice(0, 200),
    vaccinatedUntil: vaccinated ?? null,
    allergies: allergies.filter((text) => text.length <= 40).slice(0, 20),
    mayBite: bites || (BITES.test(told) && !BITES_NOT.test(told)),
    price: cents === null || Number.isNaN(cents) ? null : { cents, currency },
    notes: [...written, ...notes].join('\n').slice(0, 4000),
  })
  const refused = new Set(record.success ? [] : record.error.issues.map((i) => i.path[0]))
  const doubts: ClientDoubt[] = [
    ...(refused.has('name') ? (['name'] as const) : []),
    ...(refused.has('coat') ? (['coat'] as const) : []),
    ...(refused.has('weightKg') ? (['weight'] as const) : []),
  ]
  const takenFor = breed && plainName(breed.name) !== plainName(breedText) ? breed.name : undefined
  return {
    name,
    doubts: record.success || doubts.length > 0 ? doubts : ['name'],
    ...(record.success && { dog: record.data }),
    ...(takenFor && { takenFor }),
  }
}

/** The same dogs, those of one name told apart by their owners: "Bella (Smith)". */
export function namedApart(dogs: readonly Dog[]): Dog[] {
  const count = new Map<string, number>()
  for (const { name } of dogs) count.set(name.toLowerCase(), (count.get(name.toLowerCase()) ?? 0) + 1)
  return dogs.map((dog) => {
    const last = dog.owner.split(/\s+/).at(-1) ?? ''
    if ((count.get(dog.name.toLowerCase()) ?? 0) < 2 || last === '') return dog
    return { ...dog, name: `${dog.name} (${last})`.slice(0, 80) }
  })
}
