import type { ClientDoubt, ClientField } from '@core/dog'
import type { Say } from './say'

/** What a column of a list of clients is. */
export const CLIENT_FIELD_NAMES: Record<ClientField, string> = {
  name: 'the dog’s name',
  breed: 'breed',
  weight: 'weight',
  coat: 'coat',
  sex: 'sex',
  born: 'born',
  owner: 'owner',
  firstName: 'owner’s first name',
  lastName: 'owner’s last name',
  phone: 'telephone',
  mail: 'mail',
  secondContact: 'whom to reach else',
  vet: 'vet',
  vetContact: 'vet’s number',
  vaccinatedUntil: 'vaccinated until',
  allergies: 'allergies',
  mayBite: 'may bite',
  price: 'price',
  notes: 'notes',
  words: 'into the notes',
  out: 'leave it out',
}

/** What a row of a list lacks. */
export const CLIENT_DOUBTS: Record<ClientDoubt, string> = {
  name: 'a name',
  weight: 'a weight',
  coat: 'a coat',
}

/** How a list stands: "14 dogs are complete, 2 need a word, 1 is here already". */
export function listWords(of: { complete: number; doubts: number; there: number; out: number }, say: Say): string {
  const { complete, doubts, there, out } = of
  const parts = [
    `${say.count(complete, 'dog')} ${complete === 1 ? 'is' : 'are'} complete`,
    ...(doubts > 0 ? [`${doubts} ${doubts === 1 ? 'needs' : 'need'} a word`] : []),
    ...(there > 0 ? [`${there} ${there === 1 ? 'is' : 'are'} here already`] : []),
    ...(out > 0 ? [`${out} left out`] : []),
  ]
  return `${parts.join(', ')}.`
}

const MOST_GUESSED = 8
/** Which breeds were taken for what people wrote. */
export function guessedWords(guessed: readonly { name: string; breed: string }[]): string {
  const more = guessed.length > MOST_GUESSED ? [`${guessed.length - MOST_GUESSED} more`] : []
  const named = guessed.slice(0, MOST_GUESSED).map(({ name, breed }) => `${name} is a ${breed}`)
  return `Taken for the nearest that is known: ${[...named, ...more].join('; ')}. Records can be changed later.`
}
