import { computed, ref, watch } from 'vue'
import { device } from '../device/device'

/** Edits of a record from the version that they were begun on. */
export interface Edits<T> {
  version: number
  base: T
  draft: T
}

/** A plain copy. */
export const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

const NOT_A_NUMBER = 'NaN'
// a field that can't be read yet is NaN, which JSON doesn't know
const write = (value: unknown) => JSON.stringify(value, (_, v) => (Number.isNaN(v) ? { [NOT_A_NUMBER]: true } : v))
const read = (text: string) => JSON.parse(text, (_, v) => (v && v[NOT_A_NUMBER] === true ? NaN : v)) as unknown

/**
 * Edits that aren't saved yet, kept on this device from the first change until they are saved or given up: leaving
 * the view or reloading loses nothing. `key`: of the record, with whatever else the draft depends on; `draft`: as it is
 * edited. Call `begin` with what is stored whenever the draft is set to it.
 */
export function useEdits<T extends object>(key: () => string, draft: () => T | undefined) {
  const begun = ref<{ version: number; base: string }>()
  const unsaved = computed(
    () => begun.value !== undefined && draft() !== undefined && write(draft()) !== begun.value.base,
  )

  watch(
    () => [begun.value?.base, draft() && write(draft())],
    () => {
      if (!begun.value || !draft()) return
      if (!unsaved.value) device.drop(key())
      else {
        const { version, base } = begun.value
        device.write(key(), `{"version":${version},"base":${base},"draft":${write(draft())}}`)
      }
    },
  )

  return {
    /** Whether something differs from what is stored. */
    unsaved,
    /** What was edited before and never saved; undefined where nothing was, or it can't be read any more. */
    before(): Edits<T> | undefined {
      try {
        return read(device.read(key()) ?? '') as Edits<T>
      } catch {
        return undefined
      }
    },
    begin(version: number, base: T) {
      begun.value = { version, base: write(base) }
    },
    /** Once they are saved or given up. */
    forget: () => device.drop(key()),
  }
}
