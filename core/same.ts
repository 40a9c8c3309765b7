const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

const ordered = (_: string, value: unknown) =>
  isPlain(value) ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1))) : value

/**
 * Whether two pieces of plain data say the same: the order of an object's fields is of no meaning (a database gives
 * them back in its own), nor is a field that is missing or undefined; the order of a list is.
 */
export function sameData(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a, ordered) === JSON.stringify(b, ordered)
}

/** A place in which two records differ: its path, with dots between, and what stands there in each; undefined for nothing. */
export interface Difference {
  path: string
  was: unknown
  is: unknown
}

/** Where two records differ, place by place; lists are compared whole. */
export function differences(was: unknown, is: unknown, path = ''): Difference[] {
  if (sameData(was, is)) return []
  if (!isPlain(was) || !isPlain(is)) return [{ path, was, is }]
  const keys = [...new Set([...Object.keys(was), ...Object.keys(is)])]
  return keys.flatMap((key) => differences(was[key], is[key], path === '' ? key : `${path}.${key}`))
}

const partsOf = <T extends object>(record: T) => Object.keys(record) as (keyof T)[]

/** A record as another one left it, with every part over it that was changed here since `base`. */
export function mineOver<T extends object>(base: T, mine: T, theirs: T): T {
  const changed = partsOf(mine).filter((part) => !sameData(mine[part], base[part]))
  return { ...theirs, ...Object.fromEntries(changed.map((part) => [part, mine[part]])) }
}

/** What two made of one record, part by part; undefined where both changed the same part to different things. */
export function merged<T extends object>(base: T, mine: T, theirs: T): T | undefined {
  const clash = partsOf(mine).some(
    (part) =>
      !sameData(mine[part], base[part]) && !sameData(theirs[part], base[part]) && !sameData(mine[part], theirs[part]),
  )
  return clash ? undefined : mineOver(base, mine, theirs)
}
