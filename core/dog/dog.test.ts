import fc from 'fast-check'
import {
  RED_FLAGS,
  redFlagsOf,
  telOf,
  BREEDS,
  blendBreeds,
  findBreedsOrBlends,
  findingStory,
  Finding,
  breedNamed,
  coatHold,
  coatOf,
  CoatType,
  Dog,
  findBreeds,
  lengthFactor,
  stageOn,
  usualWeight,
  ageInWeeks,
} from '.'

describe('breeds', () => {
  test('about 150 or more, each a plain fact that a record can take', () => {
    expect(BREEDS.length).toBeGreaterThanOrEqual(150)
    expect(new Set(BREEDS.map((b) => b.name)).size).toBe(BREEDS.length)
    for (const b of BREEDS) {
      expect([b.name, b.lightest < b.heaviest]).toEqual([b.name, true])
      expect(() => Dog.parse({ ...b, weightKg: usualWeight(b) })).not.toThrow()
    }
  })

  test.each([
    ['newf', 'Newfoundland'],
    ['Tibetan terr', 'Tibetan Terrier'],
    ['terrier tibetan', 'Tibetan Terrier'],
    ['samoied', 'Samoyed'],
    ['Whipet', 'Whippet'],
    ['lagoto', 'Lagotto'],
    ['poodel standard', 'Poodle, standard'],
    ['KEESHOND', 'Keeshond'],
    ['rotweiler', 'Rottweiler'],
  ])('"%s" finds %s', (typed, name) => {
    expect(findBreeds(typed).map((b) => b.name)).toContain(name)
  })

  test('an exact name comes first; nonsense and nothing find nothing', () => {
    expect(findBreeds('pug')[0]!.name).toBe('Pug')
    expect(findBreeds('xqzvw')).toEqual([])
    expect(findBreeds('  ')).toEqual([])
    expect(breedNamed('newfoundland')!.coat).toBe('long double')
    expect(breedNamed('newf')).toBeUndefined()
    expect(breedNamed('Miniature Poodle')!.name).toBe('Poodle, miniature')
    expect(breedNamed('Miniature')).toBeUndefined()
  })

  test('every breed is found by its own name', () => {
    for (const b of BREEDS) expect(findBreeds(b.name).map((f) => f.name)).toContain(b.name)
  })

  test('one letter dropped from a long name still finds it', () => {
    fc.assert(
      fc.property(fc.constantFrom(...BREEDS.filter((b) => /^[A-Za-z]{7,}$/.test(b.name))), fc.nat(), (b, at) => {
        const i = 1 + (at % (b.name.length - 1))
        expect(findBreeds(b.name.slice(0, i) + b.name.slice(i + 1), 12).map((f) => f.name)).toContain(b.name)
      }),
    )
  })
})

describe('a record', () => {
  const parse = (more: object) => Dog.safeParse({ name: 'Fig', weightKg: 8, coat: 'smooth', ...more })

  test.each<[string, object, string]>([
    ['an empty name', { name: '  ' }, 'Give the dog a name.'],
    ['a name of 10 000 letters', { name: 'x'.repeat(10_000) }, 'Keep the name to 80 characters.'],
    ['0 kg', { weightKg: 0 }, 'range.outside'],
    ['900 kg', { weightKg: 900 }, 'range.outside'],
    ['a date that is none', { born: '2026-02-31' }, 'Give a date as year-month-day, for example 2026-11-24.'],
  ])('%s is refused in words', (_what, more, message) => {
    expect(parse(more).error?.issues[0]?.message).toBe(message)
  })

  test('emoji, accents and 60 letters are a name', () => {
    expect(parse({ name: 'Žužu 🐾'.padEnd(60, 'é') }).success).toBe(true)
  })
})

test('age: a puppy until 26 weeks, a senior from 10 years, 8 when large', () => {
  const stage = (born: string | null, weightKg = 10) => stageOn({ born, stage: 'adult', weightKg }, '2026-11-24')
  expect(ageInWeeks('2026-09-08', '2026-11-24')).toBe(11)
  expect(stage('2026-09-08')).toBe('puppy')
  expect(stage('2026-05-01')).toBe('adult')
  expect(stage('2016-10-01')).toBe('senior')
  expect(stage('2018-06-01')).toBe('adult')
  expect(stage('2018-06-01', 40)).toBe('senior')
  expect(stage(null)).toBe('adult')
})

test('length stretches a coat by its square root, within limits', () => {
  expect(lengthFactor({ coat: 'curly', density: 'usual', lengthCm: 8 })).toBeCloseTo(Math.SQRT2, 9)
  expect(lengthFactor({ coat: 'curly', density: 'usual', lengthCm: 60 })).toBe(1.6)
  expect(lengthFactor({ coat: 'drop', density: 'usual', lengthCm: 1 })).toBe(0.5)
  expect(lengthFactor({ coat: 'hairless', density: 'usual', lengthCm: 5 })).toBe(1)
  for (const coat of CoatType.options) {
    expect(coatHold({ coat, density: 'dense' })).toBeCloseTo(1.5 * coatHold({ coat, density: 'thin' }), 9)
  }
})

describe('a mix blends two', () => {
  test('weights in the middle, the hairier coat, a trait only when both have it', () => {
    const [pug, beagle] = [breedNamed('Pug')!, breedNamed('Beagle')!]
    expect(blendBreeds(pug, beagle)).toMatchObject({
      name: 'Pug × Beagle',
      lightest: 7.5,
      heaviest: 11.5,
      coat: 'short double',
      shortNose: false,
      folds: false,
    })
    const puggle = blendBreeds(breedNamed('Labrador Retriever')!, breedNamed('Poodle, standard')!)
    expect(puggle).toMatchObject({ coat: 'curly', earHair: true, earCarriage: 'drop' })
  })

  test.each(['Pug x Beagle', 'pug cross beagel', 'Pug and Beagle', 'PUG × beagle'])(
    '"%s" finds the blend, and its name is known again',
    (typed) => {
      const [first] = findBreedsOrBlends(typed)
      expect(first!.name).toBe('Pug × Beagle')
      expect(breedNamed(first!.name)).toEqual(first)
    },
  )

  test('a plain name is no blend', () => {
    expect(findBreedsOrBlends('pug')[0]!.name).toBe('Pug')
  })
})

describe('findings followed over visits', () => {
  const finding = (kind: Finding['kind'], ...seen: [string, number | null, boolean?][]) =>
    Finding.parse({
      kind,
      view: 'left',
      zone: 'back',
      x: 0.4,
      y: 0.4,
      seen: seen.map(([date, sizeMm, gone]) => ({ date, sizeMm, gone })),
    })

  test('a lump that grew is told to the vet, with both sizes', () => {
    expect(findingStory(finding('lump', ['2026-11-24', 11], ['2026-05-03', 8]))).toEqual({
      kind: 'lump',
      side: 'left',
      zone: 'back',
      first: { date: '2026-05-03', mm: 8 },
      size: { date: '2026-11-24', mm: 11 },
      last: '2026-11-24',
      grew: true,
      vet: true,
      gone: false,
    })
  })

  test('a mole that stays is only noted; one that grows is told', () => {
    expect(findingStory(finding('mole', ['2026-05-03', 9], ['2026-11-24', 9]))).toMatchObject({
      vet: false,
      grew: false,
    })
    expect(findingStory(finding('mole', ['2026-05-03', 9], ['2026-11-24', 12])).vet).toBe(true)
  })

  test('a tick taken out is gone', () => {
    expect(findingStory(finding('tick', ['2026-05-03', 3], ['2026-05-03', null, true]))).toMatchObject({
      gone: true,
      vet: false,
    })
  })

  test('a size of 0 or 900 mm is refused in words', () => {
    for (const sizeMm of [0, 900]) {
      const parsed = Finding.safeParse({
        kind: 'lump',
        view: 'left',
        zone: 'back',
        x: 0,
        y: 0,
        seen: [{ date: '2026-11-24', sizeMm }],
      })
      expect(parsed.error?.issues[0]?.message).toContain('from 1 to 500 mm')
    }
  })
})

test('a coat kept short in places counts by its mean length over the body', () => {
  const dog = Dog.parse({ name: 'x', weightKg: 8, coat: 'curly', coatLengthCm: 4 })
  expect(coatOf(dog).lengthCm).toBe(4)
  expect(coatOf({ ...dog, zoneLengthsCm: { back: 1 } }).lengthCm).toBeCloseTo(4 - 3 * 0.28, 9)
  expect(coatOf({ ...dog, coatLengthCm: null, zoneLengthsCm: { back: 1 } }).lengthCm).toBeCloseTo(4 - 3 * 0.28, 9)
  expect(coatOf({ ...dog, coatLengthCm: null }).lengthCm).toBeUndefined()
  expect(coatOf({ ...dog, coat: 'hairless', coatLengthCm: null, zoneLengthsCm: { head: 5 } }).lengthCm).toBeUndefined()
})

test.each([
  ['shitzu', 'Shih Tzu'],
  ['Yorkie', 'Yorkshire Terrier'],
  ['GSD', 'German Shepherd, short coat'],
  ['lab x', 'Labrador mix'],
  ['terrier cross', 'Terrier mix'],
  ['mutt', 'Terrier mix'],
  ['French bulldog', 'Bulldog, French'],
])('people say %s and mean a %s', (said, name) => {
  expect(findBreeds(said)[0]!.name).toBe(name)
})

test('every name that people use means a breed of the table', () => {
  for (const said of [
    'staffie',
    'jrt',
    'sausage dog',
    'springer',
    'cocker',
    'chi',
    'wheaten',
    'pyr',
    'aussie',
    'husky',
  ])
    expect(findBreeds(said).map((b) => b?.name)).not.toContain(undefined)
})

describe('red flags', () => {
  const dog = (more: object = {}) => Dog.parse({ name: 'Rex', weightKg: 30, coat: 'short double', ...more })
  test('the worst first, by the record and by the day', () => {
    expect(redFlagsOf(dog())).toEqual([])
    const many = dog({ shortNose: true, mayBite: true, heart: true, deaf: true, allergies: ['oat'], rescue: true })
    expect(redFlagsOf(many)).toEqual(['bites', 'heart', 'allergy', 'deaf', 'shortNose', 'firstVisit'])
    expect(redFlagsOf(dog(), { mats: { back: 3 }, fleas: true, biteRisk: true })).toEqual(['bites', 'felted', 'fleas'])
  })
  test('every flag is reached by some fact', () => {
    const facts: Record<(typeof RED_FLAGS)[number], object> = {
      bites: { mayBite: true },
      vetFirst: { known: { leftEar: { signs: ['discharge'] } } },
      heart: { heart: true },
      fits: { seizures: true },
      windpipe: { windpipe: true },
      felted: { known: { mats: { tail: 3 } } },
      allergy: { allergies: ['aloe'] },
      pregnant: { pregnant: true },
      joints: { joints: true },
      blind: { blind: true },
      deaf: { deaf: true },
      vaccination: { vaccinatedUntil: '2026-11-30' },
      shortNose: { shortNose: true },
      firstVisit: { firstBath: true },
      fleas: { known: { fleas: true } },
    }
    for (const flag of RED_FLAGS) {
      const one = dog(facts[flag])
      expect(redFlagsOf(one, { ...one.known, date: '2026-12-01' })).toEqual([flag])
    }
    // it holds for the whole of its last day, and what isn't known isn't held against anybody
    const held = dog({ vaccinatedUntil: '2026-12-01' })
    expect(redFlagsOf(held, { ...held.known, date: '2026-12-01' })).toEqual([])
    expect(redFlagsOf(dog(), { ...held.known, date: '2026-12-01' })).toEqual([])
  })
})

test.each([
  ['Ida Moreau, +44 7700 900123', '+447700900123'],
  ['(555) 010-0199 after six', '5550100199'],
  ['ida@example.org', undefined],
  ['', undefined],
])('%j is called by %s', (contact, tel) => {
  expect(telOf(contact)).toBe(tel)
})
