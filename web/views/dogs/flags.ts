import { computed, type WritableComputedRef } from 'vue'

/** Several yes-or-no fields of an object as one list of the names that hold, for a row of choices. */
export function flagsOf<T extends object, K extends keyof T & string>(
  target: () => T,
  names: readonly K[],
): WritableComputedRef<K[]> {
  return computed({
    get: () => names.filter((name) => target()[name]),
    set: (on) => {
      for (const name of names) (target() as Record<K, boolean>)[name] = on.includes(name)
    },
  })
}

/** Values as the options of a row of choices, each its own word. */
export function plainOptions<T extends string>(values: readonly T[]): { value: T; text: string }[] {
  return values.map((value) => ({ value, text: value }))
}
