import { breedNamed } from './breeds'
import { Dog } from './schema'
import { LOOKED_UP, looksOf } from './looks'

const dog = (more: object) => Dog.parse({ name: 'Ash', weightKg: 20, coat: 'smooth', ...more })

test('every breed whose looks are known is one of the breeds', () => {
  expect(LOOKED_UP.filter((name) => breedNamed(name)?.name !== name)).toEqual([])
})

test('a dog looks as its record says, else as its breed, else as most dogs', () => {
  expect(looksOf(dog({}))).toEqual({ build: 'usual', tail: 'raised', muzzle: 'middle', shade: 'cream' })
  expect(looksOf(dog({ breed: 'newfoundland' }))).toMatchObject({ build: 'giant', tail: 'hanging', shade: 'black' })
  expect(looksOf(dog({ breed: 'Newfoundland', shade: 'brown', tail: 'raised' }))).toMatchObject({
    tail: 'raised',
    shade: 'brown',
  })
  expect(looksOf(dog({ breed: 'Whippet', shortNose: true }))).toMatchObject({ muzzle: 'short', build: 'leggy' })
  expect(looksOf(dog({ breed: 'Whippet', build: 'low', white: true }))).toMatchObject({ build: 'low', shade: 'white' })
})
