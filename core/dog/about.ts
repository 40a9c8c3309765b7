import type { Dog } from './schema'

/** Whom a field of a dog's record tells of; `money`: what is agreed with its owner; `noted`: free words, which may be about anybody. */
export type About = 'dog' | 'owner' | 'vet' | 'money' | 'noted'

/** The part of a dog's record in which a field is edited. */
export type DogPart = 'dog' | 'manner' | 'body' | 'people' | 'rules'

interface FieldFacts {
  about: About
  part: DogPart
}
const about = (who: About, part: DogPart): FieldFacts => ({ about: who, part })

/**
 * Of each field of a dog's record whom it tells of, and where it is edited. What a device at the tub is told, what goes when an
 * owner's data is deleted for good, and which part a refusal opens follow from it; a field without it doesn't compile.
 */
export const DOG_FIELDS: { readonly [F in keyof Dog]-?: FieldFacts } = {
  name: about('dog', 'dog'),
  breed: about('dog', 'dog'),
  sex: about('dog', 'dog'),
  born: about('dog', 'dog'),
  stage: about('dog', 'dog'),
  weightKg: about('dog', 'dog'),
  coat: about('dog', 'dog'),
  coatLengthCm: about('dog', 'dog'),
  zoneLengthsCm: about('dog', 'dog'),
  density: about('dog', 'dog'),
  undercoat: about('dog', 'dog'),
  white: about('dog', 'dog'),
  build: about('dog', 'dog'),
  tail: about('dog', 'dog'),
  muzzle: about('dog', 'dog'),
  shade: about('dog', 'dog'),
  shortNose: about('dog', 'dog'),
  thinSkin: about('dog', 'dog'),
  folds: about('dog', 'dog'),
  earCarriage: about('dog', 'dog'),
  earHair: about('dog', 'dog'),
  outdoors: about('dog', 'dog'),
  mood: about('dog', 'manner'),
  fears: about('dog', 'manner'),
  mayBite: about('dog', 'manner'),
  muzzleConsent: about('dog', 'manner'),
  rescue: about('dog', 'manner'),
  firstBath: about('dog', 'manner'),
  plugsTolerated: about('dog', 'manner'),
  topknot: about('dog', 'dog'),
  earTrouble: about('dog', 'dog'),
  allergies: about('dog', 'manner'),
  pregnant: about('dog', 'manner'),
  seizures: about('dog', 'manner'),
  heart: about('dog', 'manner'),
  windpipe: about('dog', 'manner'),
  joints: about('dog', 'manner'),
  blind: about('dog', 'manner'),
  deaf: about('dog', 'manner'),
  known: about('dog', 'dog'),
  usual: about('dog', 'dog'),
  clearances: about('dog', 'body'),
  colour: about('dog', 'dog'),
  rules: about('dog', 'rules'),
  vaccinatedUntil: about('dog', 'manner'),
  learnFrom: about('dog', 'dog'),
  layOut: about('dog', 'people'),
  owner: about('owner', 'people'),
  ownerContact: about('owner', 'people'),
  secondContact: about('owner', 'people'),
  price: about('money', 'people'),
  vet: about('vet', 'people'),
  vetContact: about('vet', 'people'),
  consent: about('owner', 'people'),
  notes: about('noted', 'people'),
}

/** The fields that tell of some of these. */
export const fieldsAbout = (...who: About[]): (keyof Dog)[] =>
  (Object.keys(DOG_FIELDS) as (keyof Dog)[]).filter((field) => who.includes(DOG_FIELDS[field].about))
