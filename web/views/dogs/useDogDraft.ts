import { reactive, ref, toRaw } from 'vue'
import { fieldErrors } from '../../../contract'
import { Dog, usualWeight, type Breed, type Zone } from '../../../core/dog'
import { say } from '../../../core/units'
import { typedNumber } from '../../parts/words'

/** A dog as it is typed: numbers still text, so that nothing typed is lost, whatever it is. */
export type DogDraft = Omit<Dog, 'weightKg' | 'coatLengthCm' | 'zoneLengthsCm' | 'coat'> & {
  zoneLengths: Partial<Record<Zone, string>>
  coat?: Dog['coat']
  weight: string
  length: string
}

/** An empty draft, or a record opened for changing. */
export function draftOf(dog?: Dog): DogDraft {
  const blank = Dog.parse({ name: 'x', weightKg: 1, coat: 'smooth' })
  const { weightKg, coatLengthCm, zoneLengthsCm, ...rest } = structuredClone(toRaw(dog ?? { ...blank, name: '' }))
  return {
    ...rest,
    coat: dog?.coat,
    weight: dog ? say(weightKg, 2) : '',
    length: coatLengthCm ? say(coatLengthCm, 1) : '',
    zoneLengths: Object.fromEntries(Object.entries(zoneLengthsCm).map(([zone, cm]) => [zone, say(cm, 1)])),
  }
}

/** The form of one dog: what is typed, the refused fields, breed lookup, and the record when all is well. */
export function useDogDraft(initial: DogDraft) {
  const draft = reactive<DogDraft>(initial)
  const errors = ref<Record<string, string>>({})

  /** Takes over what a breed's name tells; a weight the user typed stays. */
  function takeBreed(breed: Breed, weightTyped: boolean) {
    const { coat, earCarriage, earHair, shortNose, thinSkin, folds } = breed
    Object.assign(draft, { breed: breed.name, coat, earCarriage, earHair, shortNose, thinSkin, folds })
    if (!weightTyped) draft.weight = say(usualWeight(breed))
  }

  /** The record, or undefined with `errors` filled. */
  function check(): Dog | undefined {
    const { weight, length, zoneLengths, ...rest } = toRaw(draft)
    const parsed = Dog.safeParse({
      ...rest,
      weightKg: typedNumber(weight),
      coatLengthCm: length.trim() === '' ? null : typedNumber(length),
      zoneLengthsCm: Object.fromEntries(
        Object.entries(zoneLengths)
          .filter(([, text]) => text.trim() !== '')
          .map(([zone, text]) => [zone, typedNumber(text)]),
      ),
      born: rest.born || null,
    })
    errors.value = parsed.success
      ? {}
      : Object.fromEntries(
          fieldErrors(parsed.error).map((e) => [e.field, e.field === 'coat' ? 'Choose the coat type.' : e.message]),
        )
    return parsed.success ? parsed.data : undefined
  }

  return { draft, errors, takeBreed, check }
}
