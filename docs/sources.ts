import { CONSTANT_TABLES } from '@core/sources'
import { REFERENCES, type Reference } from '../checks/references'
import type { ConstantKind } from '@core/constants'

const KINDS: Record<ConstantKind, string> = {
  published: 'published',
  memory: 'published, value from memory',
  practice: 'common practice, no source',
  house: 'estimate chosen for Juvant',
}

const number = (value: number) => String(Number(value.toPrecision(6)))
const row = (cells: readonly string[]) => `| ${cells.join(' | ')} |`
const table = (head: readonly string[], rows: readonly (readonly string[])[]) =>
  [row(head), row(head.map(() => '---')), ...rows.map(row)].join('\n')

function constantSection(subject: string): string {
  const rows = Object.entries(CONSTANT_TABLES[subject]!).map(([name, c]) => [
    name,
    number(c.value),
    c.unit,
    c.range ? `${number(c.range[0])} to ${number(c.range[1])}` : '',
    KINDS[c.kind],
    c.kind === 'published' || c.kind === 'memory' ? c.source : '',
  ])
  return `### ${subject}\n\n${table(['constant', 'value', 'unit', 'range', 'kind', 'source'], rows)}`
}

function referenceSection({ what, kind, source, columns, values }: Reference): string {
  return `### ${what}\n\n${KINDS[kind]}: ${source}.\n\n${table(
    columns,
    values.map((v) => v.map((cell) => String(cell).replace(/\n/g, '; '))),
  )}`
}

/** The page that lists every constant and every outside value, made from the tables that the program uses. */
export function sourcesPage(): string {
  return (
    [
      '# Where the numbers come from',
      'Made by `npm run docs` from the tables in `core/` and `checks/references.ts`; edit those, not this page.',
      '## Constants',
      ...Object.keys(CONSTANT_TABLES).map(constantSection),
      '## Checks against the outside',
      'Beside these, moist air is checked against the package psychrolib 1.1.1, and rinsing against its closed forms.',
      ...Object.values(REFERENCES).map(referenceSection),
      '',
    ]
      .join('\n\n')
      .trimEnd() + '\n'
  )
}
