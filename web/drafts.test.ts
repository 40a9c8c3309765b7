import { Dog } from '@core/dog'
import { ask, type ApiProblem, asProblem } from './api/client'
import { METRIC, US_CUSTOMARY } from '@core/units'
import { dogFlags, dogLine, METRIC_SAY, sayIn } from '@words'
import { typedNumber } from './parts/words'
import { draftOf, typedDog, useDogDraft } from './parts/useDogDraft'
import { breedNamed } from '@core/dog'

const dog = (more: object = {}) => Dog.parse({ name: 'Fig', breed: 'Pug', weightKg: 8.25, coat: 'smooth', ...more })

describe('a dog as it is typed', () => {
  test('opened and checked without a change, it is the same record', () => {
    const record = dog({
      coatLengthCm: 1.5,
      zoneLengthsCm: { back: 0.5 },
      fears: ['dryer'],
      allergies: ['oat'],
      rules: { waterWarmth: 'neutral' },
      known: { mats: { belly: 1 } },
    })
    expect(useDogDraft(draftOf(METRIC, record), METRIC_SAY).check()).toEqual(record)
  })

  test('opened in other units and saved, nothing is rounded; what is typed anew counts', () => {
    const record = dog({ weightKg: 1.98447, coatLengthCm: 1.3, zoneLengthsCm: { back: 0.7 } })
    const us = sayIn(US_CUSTOMARY)
    const { draft } = useDogDraft(draftOf(US_CUSTOMARY, record), us)
    const typed = () => Dog.parse(typedDog(draft, US_CUSTOMARY, record))
    expect(draft.weight).toBe('4.38')
    expect(typed()).toEqual(record)
    draft.weight = '4 lb 8 oz'
    expect(typed().weightKg).toBeCloseTo(2.0412, 3)
    expect(typed().coatLengthCm).toBe(1.3)
  })

  test('commas are points, empty lengths are none', () => {
    const { draft, check } = useDogDraft(draftOf(METRIC, dog()), METRIC_SAY)
    Object.assign(draft, { weight: '7,5', length: '', zoneLengths: { back: ' ' } })
    expect(check()).toMatchObject({ weightKg: 7.5, coatLengthCm: null, zoneLengthsCm: {} })
  })

  test('what can’t be is told by field, what was typed stays, and mending it clears the word', () => {
    const { draft, check, errors } = useDogDraft(draftOf(METRIC), METRIC_SAY)
    Object.assign(draft, { name: '', weight: 'ten', length: '-3', zoneLengths: { back: 'x' } })
    expect(check()).toBeUndefined()
    expect(Object.keys(errors.value).sort()).toEqual(['coat', 'coatLengthCm', 'name', 'weightKg', 'zoneLengthsCm.back'])
    expect(errors.value.coat).toBe('Choose the coat type.')
    expect(draft.weight).toBe('ten')
    Object.assign(draft, { name: 'Fig', weight: '8', length: '', zoneLengths: {}, coat: 'smooth' })
    expect(check()).toBeDefined()
    expect(errors.value).toEqual({})
  })

  test('a breed fills what it knows; a weight typed before stays', () => {
    const { draft, takeBreed } = useDogDraft(draftOf(METRIC), METRIC_SAY)
    takeBreed(breedNamed('Pug')!, false)
    expect(draft).toMatchObject({ breed: 'Pug', coat: 'smooth', shortNose: true, folds: true, weight: '7.5' })
    draft.weight = '9.1'
    takeBreed(breedNamed('Newfoundland')!, true)
    expect(draft).toMatchObject({ coat: 'long double', shortNose: false, weight: '9.1' })
  })

  test('what a breed told goes with it, and the coat is asked for; what was changed since stays', () => {
    const { draft, takeBreed, dropBreed, check, errors } = useDogDraft(draftOf(METRIC), METRIC_SAY)
    takeBreed(breedNamed('Pug')!, false)
    Object.assign(draft, { name: 'Fig', breed: 'a stray', folds: false, earCarriage: 'erect' })
    dropBreed(breedNamed('Pug')!, false)
    expect(draft).toMatchObject({ coat: undefined, shortNose: false, folds: false, earCarriage: 'erect', weight: '' })
    expect(check()).toBeUndefined()
    expect(errors.value.coat).toBe('Choose the coat type.')
  })
})

describe('words', () => {
  test('a dog in a line, a day in full', () => {
    expect(dogLine(dog(), METRIC_SAY)).toBe('Pug, 8.3 kg, smooth coat')
    expect(dogLine(dog(), sayIn(US_CUSTOMARY))).toBe('Pug, 18 lb, smooth coat')
    expect(dogLine(dog({ breed: '', coat: 'hairless' }), METRIC_SAY)).toBe('8.3 kg, hairless skin')
    expect(METRIC_SAY.date('2026-11-28')).toBe('Saturday 28 November 2026')
  })

  test('a stop is never pushed out by cautions', () => {
    const flags = dogFlags(
      dog({
        shortNose: true,
        weightKg: 40,
        stage: 'puppy',
        known: { fleas: true, skin: ['itchy'], rightEar: { signs: ['swelling'] } },
      }),
      METRIC_SAY,
    )
    expect(flags[0]).toEqual({ state: 'stop', text: 'Right ear: swelling' })
    expect(flags).toHaveLength(2)
    const bites = dogFlags(dog({ shortNose: true, mayBite: true, heart: true }), METRIC_SAY)
    expect(bites.map((f) => f.text)).toEqual(['may bite', 'heart'])
    expect(dogFlags(dog(), METRIC_SAY)).toEqual([])
  })

  test.each([
    ['7,5', 7.5],
    [' 8 ', 8],
    ['', NaN],
    ['ten', NaN],
    ['1e2', 100],
    ['8kg', NaN],
  ])('"%s" typed is %d', (text, number) => {
    expect(typedNumber(text)).toEqual(number)
  })
})

describe('the server’s answers', () => {
  const real = globalThis.fetch
  afterEach(() => {
    globalThis.fetch = real
  })
  const answer = (status: number, body: unknown, type = 'application/json') => {
    globalThis.fetch = () =>
      Promise.resolve(
        new Response(status === 204 ? null : typeof body === 'string' ? body : JSON.stringify(body), {
          status,
          headers: { 'content-type': type },
        }),
      )
  }

  test('come as they are, an empty one as nothing', async () => {
    answer(200, { a: 1 })
    expect(await ask('GET /house')).toEqual({ a: 1 })
    answer(204, '')
    expect(await ask('DELETE /dogs/{id}', { params: { id: 'a' } })).toBeUndefined()
  })

  test('a refusal keeps its words and fields', async () => {
    answer(422, {
      type: 'about:blank',
      title: 'No',
      status: 422,
      detail: 'kg: too much',
      errors: [{ field: 'kg', message: 'too much' }],
    })
    const problem = await ask('POST /dogs', { body: { name: 'Fig', weightKg: 8, coat: 'smooth' } }).catch(
      (e: unknown) => e as ApiProblem,
    )
    expect(problem).toMatchObject({ status: 422, title: 'No', detail: 'kg: too much' })
    expect((problem as ApiProblem).of('kg')).toBe('too much')
    expect((problem as ApiProblem).of('name')).toBeUndefined()
  })

  test('a page of another kind, or no answer at all, is told without losing anything', async () => {
    answer(502, '<html>bad gateway</html>', 'text/html')
    await expect(ask('GET /house')).rejects.toMatchObject({
      status: 502,
      detail: expect.stringContaining('still here'),
    })
    globalThis.fetch = () => Promise.reject(new TypeError('failed'))
    await expect(ask('GET /house')).rejects.toMatchObject({ status: 0, title: 'No connection' })
    expect(asProblem(new Error('odd'))).toMatchObject({ status: 0, detail: 'odd' })
  })
})
