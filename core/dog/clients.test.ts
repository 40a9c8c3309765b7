import fc from 'fast-check'
import { METRIC, US_CUSTOMARY } from '../units'
import { guessFields, namedApart, readClient, Dog, type ClientMended } from '.'

const read = (head: string, line: string, units = US_CUSTOMARY, mended?: ClientMended) => {
  const headings = head.split(',')
  const columns = guessFields(headings).map((field, i) => ({ field, heading: headings[i]! }))
  return readClient(line.split('|'), columns, units, 'USD', mended)
}

describe('columns of a list are known by what people write over them', () => {
  test.each([
    ['Name,Breed,Weight (lbs),Owner,Phone,Notes', 'name breed weight owner phone notes'],
    ['PET NAME,Type,wt kg,Client Name,Mobile,E-mail,Comments', 'name breed weight owner phone mail notes'],
    ["Dog's name,Name,Cell,Vet,Vet phone,Rabies exp", 'name owner phone vet vetContact vaccinatedUntil'],
    ['First Name,Last Name,Dog,Home Phone,Mobile Phone', 'firstName lastName name phone phone'],
    ['dog,breed,size (lb),customer,number,DOB,sex,price', 'name breed weight owner phone born sex price'],
    ['Pet,Emergency contact,Allergies,Temperament,Last visit', 'name secondContact allergies notes out'],
    ['Name,Name', 'name out'],
  ])('%s', (head, fields) => expect(guessFields(head.split(',')).join(' ')).toBe(fields))

  test('whatever stands there, each field of one value is one column’s', () => {
    const twice: string[][] = []
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.string(), fc.constantFrom('Name', 'Dog', 'Breed', 'lb'))), (headings) => {
        const once = guessFields(headings).filter((f) => ['name', 'breed', 'weight', 'coat', 'owner'].includes(f))
        if (new Set(once).size < once.length) twice.push(headings)
      }),
    )
    expect(twice).toEqual([])
  })
})

describe('a row becomes a dog', () => {
  test('coat, ears and weight by the breed where they aren’t said; contact of all its numbers', () => {
    const { dog, doubts } = read('Pet Name,Breed,Client,Phone,Email', 'Rex|pug|Ida Moreau|555-010-2000|ida@example.org')
    expect(doubts).toEqual([])
    expect(dog).toMatchObject({
      name: 'Rex',
      breed: 'Pug',
      coat: 'smooth',
      shortNose: true,
      owner: 'Ida Moreau',
      ownerContact: '555-010-2000, ida@example.org',
    })
    expect(dog!.weightKg).toBeGreaterThan(5)
    expect(dog!.weightKg).toBeLessThan(11)
  })

  test.each([
    ['Weight', '44', US_CUSTOMARY, 19.96],
    ['Weight', '20', METRIC, 20],
    ['Weight (kg)', '20', US_CUSTOMARY, 20],
    ['Weight lbs', '44', METRIC, 19.96],
    ['Weight', '44 lbs', METRIC, 19.96],
    ['Weight (lb)', '20 kg', US_CUSTOMARY, 20],
  ])('%s “%s”', (heading, text, units, kg) => {
    expect(read(`Name,Breed,${heading}`, `Rex|Labrador Retriever|${text}`, units).dog!.weightKg).toBeCloseTo(kg, 1)
  })

  test('a breed in words of one’s own is taken for the nearest; the words stay', () => {
    const { dog, takenFor } = read('Dog,Breed', 'Rex|Lab mix')
    expect(takenFor).toBe('Labrador mix')
    expect(dog).toMatchObject({ breed: 'Lab mix', coat: 'short double' })
  })

  test.each([
    ['Poodle', '50', 'Poodle, standard'],
    ['poodle', '6', 'Poodle, toy'],
    ['Chihuahua x', '', 'Chihuahua, long coat'],
    ['Shih Tzu x', '12', 'Shih Tzu'],
    ['GSD', '70', 'German Shepherd, short coat'],
  ])('%s of %s lb is a %s', (breed, weight, name) => {
    expect(read('Dog,Breed,Weight', `Rex|${breed}|${weight}`).takenFor).toBe(name)
  })
  test('a mongrel says nothing of its coat: somebody must', () => {
    expect(read('Dog,Breed,Weight', 'Rex|mutt|30').doubts).toEqual(['coat'])
  })

  test('what is in doubt is named, and mended it is taken', () => {
    expect(read('Name,Breed,Weight', 'Rex|qqqq|12').doubts).toEqual(['coat'])
    expect(read('Name,Breed,Weight', 'Rex|Pug|heavy').doubts).toEqual(['weight'])
    expect(read('Name,Breed,Weight', '|Pug|15').doubts).toEqual(['name'])
    expect(read('Name,Breed,Weight', 'Rex|Pug|9000').doubts).toEqual(['weight'])
    const mended = read('Name,Breed,Weight', '|qqqq|heavy', METRIC, { name: 'Rex', coat: 'wire', weight: '9' })
    expect(mended.dog).toMatchObject({ name: 'Rex', coat: 'wire', weightKg: 9, breed: 'qqqq' })
  })

  test('dates by the house’s order; what isn’t a date, a price or an allergy is kept in the notes', () => {
    const head = 'Name,Breed,DOB,Price,Allergies,Comments'
    expect(read(head, 'Rex|Pug|03/04/2020|$45.50|oat; none|gate').dog).toMatchObject({
      born: '2020-03-04',
      price: { cents: 4550, currency: 'USD' },
      allergies: ['oat'],
      notes: 'gate',
    })
    expect(read(head, 'Rex|Pug|03/04/2020|45|none|', METRIC).dog).toMatchObject({ born: '2020-04-03', allergies: [] })
    const odd = read(head, 'Rex|Pug|31/31/2020|about 40-50|none|gate').dog!
    expect(odd).toMatchObject({ born: null, price: null })
    expect(odd.notes).toContain('Born: 31/31/2020')
    expect(odd.notes).toContain('Price: about 40-50')
  })

  test.each([
    ['Bites!! two people', true],
    ['may nip at the dryer', true],
    ['never bites', false],
    ['does not bite', false],
    ['flea bitten in spring', false],
    ['', false],
  ])('teeth are flagged by the notes: “%s”', (notes, bites) => {
    expect(read('Name,Breed,Notes', `Rex|Pug|${notes}`).dog!.mayBite).toBe(bites)
  })

  test('whatever its cells say, a row is a dog or says what is in doubt', () => {
    const wrong: string[][] = []
    const head = ['Name', 'Breed', 'Weight', 'DOB', 'Notes', 'Price', 'Phone']
    const columns = guessFields(head).map((field, i) => ({ field, heading: head[i]! }))
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 120 }), { maxLength: 8 }), (row) => {
        const { dog, doubts } = readClient(row, columns, METRIC, 'EUR')
        if ((dog === undefined) !== doubts.length > 0 || (dog && !Dog.safeParse(dog).success)) wrong.push(row)
      }),
    )
    expect(wrong).toEqual([])
  })
})

test('two of one name are told apart by their owners', () => {
  const dog = (name: string, owner: string) => Dog.parse({ name, owner, weightKg: 9, coat: 'wire' })
  const names = namedApart([
    dog('Bella', 'Ann Vale'),
    dog('bella', 'Jo Reed'),
    dog('Moss', 'Jo Reed'),
    dog('Bella', ''),
  ])
  expect(names.map((d) => d.name)).toEqual(['Bella (Vale)', 'bella (Reed)', 'Moss', 'Bella'])
})
