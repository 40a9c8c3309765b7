import { BodyView, Build, CoatType, Dog, EarCarriage, Muzzle, Shade, Tail, ZONES } from '@core/dog'
import { drawBody } from './body'
import { coatStrokes } from './coat'
import { pairOf } from './colours'
import { seedOf } from './random'
import { drawDog } from './figure'
import { drawView } from './views'

const area = { width: 56, height: 50, seed: 7 }

test.each(CoatType.options)('a %s coat is drawn alike every time, and unlike for another dog or coat', (coat) => {
  const drawn = coatStrokes(coat, area)
  expect(drawn.every((s) => s.d.startsWith('M') && !/NaN|undefined/.test(s.d))).toBe(true)
  expect(coatStrokes(coat, area)).toEqual(drawn)
  if (coat !== 'hairless') expect(coatStrokes(coat, { ...area, seed: 8 })).not.toEqual(drawn)
  for (const other of CoatType.options.filter((c) => c !== coat)) expect(coatStrokes(other, area)).not.toEqual(drawn)
})

test('every build with every ear and muzzle has every zone inside the picture', () => {
  for (const build of Build.options) {
    for (const earCarriage of EarCarriage.options) {
      for (const [i, muzzle] of Muzzle.options.entries()) {
        const body = drawBody({ build, earCarriage, muzzle, tail: Tail.options[i]! })
        expect(body.zones.map((z) => z.zone).sort()).toEqual([...ZONES].sort())
        for (const { spot, paths } of body.zones) {
          expect(spot[0] > 0 && spot[0] < 400 && spot[1] > 0 && spot[1] < 270).toBe(true)
          expect(paths.join('')).not.toMatch(/NaN|undefined/)
        }
      }
    }
  }
})

test('builds differ, and a puppy from a grown dog', () => {
  const facts = { earCarriage: 'drop' as const, muzzle: 'middle' as const, tail: 'raised' as const }
  const drawn = Build.options.map((build) => JSON.stringify(drawBody({ build, ...facts })))
  expect(new Set(drawn).size).toBe(Build.options.length)
  expect(drawBody({ build: 'usual', ...facts, puppy: true })).not.toEqual(drawBody({ build: 'usual', ...facts }))
})

test('a dog keeps its colours; seeds come from its id', () => {
  expect(pairOf({ colour: 3 })).toEqual({ stroke: 'var(--dog-3)', tint: 'var(--dog-3-tint)' })
  expect(pairOf({ colour: null })).toEqual(pairOf({ colour: 0 }))
  expect(seedOf('a')).not.toBe(seedOf('b'))
})

test('every side of every build has zones to pin on, inside the picture; the right side is the left mirrored', () => {
  for (const build of Build.options) {
    for (const view of BodyView.options) {
      const side = drawView(view, { build, earCarriage: 'drop', muzzle: 'middle', tail: 'curled' })
      expect(side.zones.length).toBeGreaterThan(4)
      for (const { spot, paths } of side.zones) {
        expect([build, view, spot[0] > 0 && spot[0] < 400 && spot[1] > 0 && spot[1] < 270]).toEqual([build, view, true])
        expect(paths.join('')).not.toMatch(/NaN|undefined/)
      }
      expect(side.mirrored).toBe(view === 'right')
    }
  }
})

const dog = (more: object = {}) => Dog.parse({ name: 'Ash', weightKg: 20, coat: 'smooth', ...more })
const text = (more: object) => JSON.stringify(drawDog('left', dog(more)))

test('the figure is this dog: everything that the record says of its looks is seen, and the same record draws the same', () => {
  expect(text({})).toBe(text({}))
  const looks: object[] = [
    {},
    ...CoatType.options.filter((c) => c !== 'smooth').map((coat) => ({ coat })),
    ...Shade.options.filter((s) => s !== 'cream').map((shade) => ({ shade })),
    ...Tail.options.filter((t) => t !== 'raised').map((tail) => ({ tail })),
    { muzzle: 'short' },
    { muzzle: 'long' },
    { folds: true },
    { build: 'low' },
    { earCarriage: 'drop' },
    { stage: 'puppy' },
    { coat: 'drop', coatLengthCm: 3 },
    { coat: 'long double', density: 'dense' },
    { breed: 'Newfoundland', coat: 'long double' },
  ]
  expect(new Set(looks.map(text)).size).toBe(looks.length)
})

test('hair stands out and hangs as long as it is, where it is long', () => {
  const of = (more: object) => drawDog('left', dog(more))
  expect(Math.max(...Object.values(of({}).puff))).toBe(0)
  const thick = of({ coat: 'long double' })
  expect(thick.puff.back).toBeGreaterThan(of({ coat: 'short double' }).puff.back)
  const clipped = of({ coat: 'long double', zoneLengthsCm: { back: 1 } })
  expect(clipped.puff.back).toBeLessThan(thick.puff.back / 2)
  expect(clipped.puff.tail).toBe(thick.puff.tail)
  expect(of({ coat: 'drop', coatLengthCm: 1 }).fringes.length).toBeLessThan(of({ coat: 'drop' }).fringes.length)
  for (const figure of CoatType.options.map((coat) => of({ coat, folds: true })))
    expect(JSON.stringify(figure)).not.toMatch(/NaN|undefined/)
})
