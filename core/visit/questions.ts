import { constants, practice } from '../constants'
import { anySkin, breedNamed, skinMap, stageOn, worstMats, type Dog } from '../dog'
import { said, type Code, type Said } from '../said'
import type { Today } from './schema'

declare module '../said' {
  interface Codes {
    'ask.puppyWeight': { kg: number }
    'ask.breedWeight': { kg: number; breed: string; lightest: number; heaviest: number }
    'ask.weightChange': { kg: number; recordKg: number }
    'ask.hairlessMats': None
    'ask.hairlessShedding': None
    'ask.smoothMats': None
    'ask.smoothLong': { lengthCm: number }
    'ask.itchyNothing': None
    'ask.fleasNoBites': None
    'ask.dryGreasy': None
    'ask.grownPuppy': None
    'ask.oneEar': None
    'ask.woundWhere': None
  }
}

/** Something in the record or today that does not fit together: asked in place, never refused. */
export type Question = Said<Extract<Code, `ask.${string}`>> & {
  field: 'weight' | 'mats' | 'skin' | 'fleas' | 'age' | 'coat' | 'ears'
}

/** From where on something in a record is asked about. */
export const QUESTIONS = constants({
  beyondBreed: practice(1.35, 'times the usual range', [1.2, 1.6]),
  weightChange: practice(0.15, 'share of the recorded weight', [0.1, 0.25]),
  heavyPuppy: practice(40, 'kg', [30, 50]),
  longSmooth: practice(6, 'cm', [4, 10]),
})

function weightQuestions(dog: Dog, today: Today): Question[] {
  const kg = today.weightKg ?? dog.weightKg
  const breed = breedNamed(dog.breed)
  const puppy = stageOn(dog, today.date) === 'puppy'
  const questions: Question[] = []
  if (puppy && kg > QUESTIONS.heavyPuppy.value) questions.push({ ...said('ask.puppyWeight', { kg }), field: 'weight' })
  if (
    breed &&
    (kg > breed.heaviest * QUESTIONS.beyondBreed.value || (!puppy && kg < breed.lightest / QUESTIONS.beyondBreed.value))
  ) {
    const { name, lightest, heaviest } = breed
    questions.push({ ...said('ask.breedWeight', { kg, breed: name, lightest, heaviest }), field: 'weight' })
  }
  if (today.weightKg !== null && Math.abs(today.weightKg / dog.weightKg - 1) > QUESTIONS.weightChange.value)
    questions.push({
      ...said('ask.weightChange', { kg: today.weightKg, recordKg: dog.weightKg }),
      field: 'weight',
    })
  return questions
}

/** Contradictions between record and today, each with what to look at again. */
export function questionsAbout(dog: Dog, today: Today): Question[] {
  const map = skinMap(today)
  const skin = anySkin(map)
  const questions = weightQuestions(dog, today)
  const ask = (when: boolean, question: Question) => {
    if (when) questions.push(question)
  }
  const { coat } = dog
  const nothingSeen = !today.fleas && today.wounds === 'none' && !skin.some((s) => s !== 'itchy')
  const placed = today.skinAt.some((p) => p.skin.includes('broken'))
  const lengthCm = dog.coatLengthCm ?? 0
  ask(coat === 'hairless' && worstMats(today.mats) > 0, { ...said('ask.hairlessMats'), field: 'mats' })
  ask(coat === 'hairless' && today.shedding, { ...said('ask.hairlessShedding'), field: 'coat' })
  ask(coat === 'smooth' && worstMats(today.mats) > 1, { ...said('ask.smoothMats'), field: 'mats' })
  ask(coat === 'smooth' && lengthCm > QUESTIONS.longSmooth.value, {
    ...said('ask.smoothLong', { lengthCm }),
    field: 'coat',
  })
  ask(today.wounds === 'small' && !placed, { ...said('ask.woundWhere'), field: 'skin' })
  ask(skin.includes('itchy') && nothingSeen, { ...said('ask.itchyNothing'), field: 'skin' })
  ask(today.fleas && !skin.includes('flea-bitten'), { ...said('ask.fleasNoBites'), field: 'fleas' })
  ask(skin.includes('dry') && skin.includes('greasy'), { ...said('ask.dryGreasy'), field: 'skin' })
  ask(dog.stage === 'puppy' && dog.born !== null && stageOn(dog, today.date) !== 'puppy', {
    ...said('ask.grownPuppy'),
    field: 'age',
  })
  ask(today.leftEar.signs.length > 0 !== today.rightEar.signs.length > 0, { ...said('ask.oneEar'), field: 'ears' })
  return questions
}
