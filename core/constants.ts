/**
 * Where a constant comes from.
 * - `published`: a published source, or an exact definition.
 * - `memory`: published, but the value is quoted from memory.
 * - `practice`: common practice, no source.
 * - `house`: an estimate chosen for Juvant; it carries a range and is re-fitted from the user's own log.
 */
export type ConstantKind = 'published' | 'memory' | 'practice' | 'house'

/** A number with its unit, kind and source; `range` is where it may sensibly move. */
export interface Constant {
  value: number
  unit: string
  kind: ConstantKind
  source: string
  range?: readonly [number, number]
}

/** A table of constants by name. The identity, with the type checked and the names kept. */
export function constants<T extends Record<string, Constant>>(table: T): T {
  return table
}

const PRACTICE = 'common practice, no source'
const HOUSE = 'estimate chosen for Juvant'

/** A constant of common practice. */
export function practice(value: number, unit: string, range?: readonly [number, number]): Constant {
  return { value, unit, kind: 'practice', source: PRACTICE, range }
}

/** An estimate chosen for Juvant, with the range in which it may be re-fitted. */
export function house(value: number, unit: string, range: readonly [number, number]): Constant {
  return { value, unit, kind: 'house', source: HOUSE, range }
}

/** A published constant, quoted from memory. */
export function memory(value: number, unit: string, source: string): Constant {
  return { value, unit, kind: 'memory', source }
}

/** An exact definition or a value checked against its publication. */
export function published(value: number, unit: string, source: string): Constant {
  return { value, unit, kind: 'published', source }
}

/** A table by row and column (a number per coat, say), with one unit, kind and source for each column. */
export interface ConstantGrid<R extends string, C extends string> {
  columns: Record<C, { unit: string; kind: ConstantKind; source: string }>
  rows: Record<R, Record<C, number>>
}

/** Lists a grid as single constants named `row.column`, for the page of sources. */
export function gridConstants<R extends string, C extends string>(grid: ConstantGrid<R, C>): Record<string, Constant> {
  const listed: Record<string, Constant> = {}
  for (const row of Object.keys(grid.rows) as R[]) {
    for (const column of Object.keys(grid.columns) as C[]) {
      listed[`${row}.${column}`] = { value: grid.rows[row][column], ...grid.columns[column] }
    }
  }
  return listed
}
