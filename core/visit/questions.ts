import { constants, practice } from '../constants'
import { breedNamed, stageOn, worstMats, type Dog } from '../dog'
import { say } from '../units'
import type { Today } from './schema'

/** Something in the record or today that does not fit together: asked in place, never refused. */
export interface Question {
  id: string
  field: 'weight' | 'mats' | 'skin' | 'fleas' | 'age' | 'coat' | 'ears'
  text: string
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
  if (puppy && kg > QUESTIONS.heavyPuppy.value)
    questions.push({
      id: 'puppy-weight',
      field: 'weight',
      text: `A puppy of ${say(kg)} kg: is the weight right, or the age?`,
    })
  if (
    breed &&
    (kg > breed.heaviest * QUESTIONS.beyondBreed.value || (!puppy && kg < breed.lightest / QUESTIONS.beyondBreed.value))
  ) {
    questions.push({
      id: 'breed-weight',
      field: 'weight',
      text: `${say(kg)} kg for a ${breed.name}: usually ${say(breed.lightest)} to ${say(breed.heaviest)}. Is it right?`,
    })
  }
  if (today.weightKg !== null && Math.abs(today.weightKg / dog.weightKg - 1) > QUESTIONS.weightChange.value) {
    questions.push({
      id: 'weight-change',
      field: 'weight',
      text: `${say(today.weightKg)} kg today, ${say(dog.weightKg)} on the record: weigh again; if it is so, tell the owner.`,
    })
  }
  return questions
}

/** Contradictions between record and today, each with what to look at again. */
export function questionsAbout(dog: Dog, today: Today): Question[] {
  const { skin } = today
  const questions = weightQuestions(dog, today)
  const ask = (when: boolean, id: string, field: Question['field'], text: string) => {
    if (when) questions.push({ id, field, text })
  }
  const nothingSeen = !today.fleas && today.wounds === 'none' && !skin.some((s) => s !== 'itchy')
  ask(
    dog.coat === 'hairless' && worstMats(today.mats) > 0,
    'hairless-mats',
    'mats',
    'Mats on a hairless dog: is it the crest, or the wrong coat on the record?',
  )
  ask(
    dog.coat === 'hairless' && today.shedding,
    'hairless-shedding',
    'coat',
    'Shedding on a hairless dog: is the coat on the record right?',
  )
  ask(
    dog.coat === 'smooth' && worstMats(today.mats) > 1,
    'smooth-mats',
    'mats',
    'Many mats on a smooth coat: is the coat on the record right?',
  )
  ask(
    dog.coat === 'smooth' && (dog.coatLengthCm ?? 0) > QUESTIONS.longSmooth.value,
    'smooth-long',
    'coat',
    `A smooth coat of ${say(dog.coatLengthCm ?? 0)} cm: is the length right?`,
  )
  ask(
    skin.includes('itchy') && nothingSeen,
    'itchy-nothing',
    'skin',
    'Itchy, and nothing seen: part the hair again for fleas, redness, or soap left from last time.',
  )
  ask(
    today.fleas && !skin.includes('flea-bitten'),
    'fleas-no-bites',
    'fleas',
    'Fleas, and no bites: look at the tail root and the belly.',
  )
  ask(
    skin.includes('dry') && skin.includes('greasy'),
    'dry-greasy',
    'skin',
    'Dry and greasy at once: flakes on a greasy coat are a vet’s question.',
  )
  ask(
    dog.stage === 'puppy' && dog.born !== null && stageOn(dog, today.date) !== 'puppy',
    'grown-puppy',
    'age',
    'The record says puppy, the date of birth says grown: the date counts.',
  )
  ask(
    today.leftEar.signs.length > 0 !== today.rightEar.signs.length > 0,
    'one-ear',
    'ears',
    'One ear only: look again at the other, and into the first for a grass seed.',
  )
  return questions
}
