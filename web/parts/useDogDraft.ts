import { reactive, ref, toRaw, watch } from 'vue'
import { fieldErrors } from '@contract'
import { Dog, usualWeight, type Breed, type Zone } from '@core/dog'
import { amountAgain, shownAmount, type Quantity, type Units } from '@core/units'
import type { Say } from '@words'

/** A dog as it is typed: numbers still text, so that nothing typed is lost, whatever it is. */
export type DogDraft = Omit<Dog, 'weightKg' | 'coatLengthCm' | 'zoneLengthsCm' | 'coat'> & {
  zoneLengths: Partial<Record<Zone, string>>
  coat?: Dog['coat']
  weight: string
  length: string
}

/** Decimals of a weight or a length in the form. */
const DIGITS = 2
const shownLength = (cm: number, units: Units) => String(shownAmount(cm, 'length', units, DIGITS))

/** An empty draft, or a record opened for changing. */
export function draftOf(units: Units, dog?: Dog): DogDraft {
  const blank = Dog.parse({ name: 'x', weightKg: 1, coat: 'smooth' })
  const { weightKg, coatLengthCm, zoneLengthsCm, ...rest } = structuredClone(toRaw(dog ?? { ...blank, name: '' }))
  return {
    ...rest,
    coat: dog?.coat,
    weight: dog ? String(shownAmount(weightKg, 'weight', units, DIGITS)) : '',
    length: coatLengthCm ? shownLength(coatLengthCm, units) : '',
    zoneLengths: Object.fromEntries(Object.entries(zoneLengthsCm).map(([zone, cm]) => [zone, shownLength(cm, units)])),
  }
}

/** A record as a form has it, not checked. `was`: the record it was opened from, whose amounts stay as they are unless they are typed anew. */
export function typedDog(draft: DogDraft, units: Units, was?: Dog) {
  const read = (text: string, quantity: Quantity, before?: number | null) =>
    amountAgain(text, quantity, units, before, DIGITS)
  const { weight, length, zoneLengths, ...rest } = toRaw(draft)
  return {
    ...rest,
    weightKg: read(weight, 'weight', was?.weightKg),
    coatLengthCm: length.trim() === '' ? null : read(length, 'length', was?.coatLengthCm),
    zoneLengthsCm: Object.fromEntries(
      Object.entries(zoneLengths)
        .filter(([, text]) => text.trim() !== '')
        .map(([zone, text]) => [zone, read(text, 'length', was?.zoneLengthsCm[zone as Zone])]),
    ),
    born: rest.born || null,
  }
}

/** The form of one dog: what is typed, the refused fields, breed lookup, and the record when all is well. */
export function useDogDraft(initial: DogDraft, say: Say) {
  const draft = reactive<DogDraft>(initial)
  const errors = ref<Record<string, string>>({})

  const toldBy = ({ coat, earCarriage, earHair, shortNose, thinSkin, folds, undercoat }: Breed) =>
    ({ coat, earCarriage, earHair, shortNose, thinSkin, folds, undercoat }) satisfies Partial<DogDraft>

  /** Takes over what a breed's name tells; a weight the user typed stays. */
  function takeBreed(breed: Breed, weightTyped: boolean) {
    Object.assign(draft, { breed: breed.name, ...toldBy(breed) })
    if (!weightTyped) draft.weight = String(shownAmount(usualWeight(breed), 'weight', say.units, 1))
  }

  /** Takes back what a breed told that isn't the dog's after all; what was changed since stays, and a weight the user typed. */
  function dropBreed(breed: Breed, weightTyped: boolean) {
    const told = toldBy(breed)
    const blank = draftOf(say.units)
    for (const key of Object.keys(told) as (keyof typeof told)[])
      if (draft[key] === told[key]) Object.assign(draft, { [key]: blank[key] })
    if (!weightTyped) draft.weight = ''
  }

  /** The record, or undefined with `errors` filled. */
  function check(): Dog | undefined {
    const parsed = Dog.safeParse(typedDog(draft, say.units))
    errors.value = parsed.success
      ? {}
      : Object.fromEntries(
          fieldErrors(parsed.error, say).map((e) => [
            e.field,
            e.field === 'coat' ? 'Choose the coat type.' : e.message,
          ]),
        )
    return parsed.success ? parsed.data : undefined
  }

  // once something was refused, a correction is seen at once
  watch(draft, () => Object.keys(errors.value).length > 0 && check(), { deep: true })

  return { draft, errors, takeBreed, dropBreed, check }
}
