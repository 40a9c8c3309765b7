import { z } from 'zod'
import { Day, Dog } from '@core/dog'
import { METRIC, Units } from '@core/units'

/** What can come and go as CSV. */
export const TableName = z.enum(['products', 'dogs'])
export type TableName = z.infer<typeof TableName>

/** What goes as CSV: visits and their steps are told from taps, and don't come that way. */
export const WrittenTable = z.enum([...TableName.options, 'visits', 'steps', 'payments', 'accounts'])

/** Of which days the lines of payments and accounts are, both included; all of them where it isn't said. */
export const WrittenQuery = z.object({ from: Day.optional(), to: Day.optional() })
export type WrittenQuery = z.output<typeof WrittenQuery>
export type WrittenTable = z.infer<typeof WrittenTable>

const MOST_TEXT = 6_000_000

/** A CSV file to look at or to take. */
export const CsvFile = z.object({
  text: z
    .string()
    .min(1, 'The file is empty. Its first line names the columns.')
    .max(MOST_TEXT, 'The file is larger than 6 MB. Split it.'),
})

/** The same, and whether rows whose name is there already change what is there; otherwise they are passed over. */
export const CsvImport = CsvFile.extend({ over: z.boolean().default(false) })

/** What a row would do: add one, change the one of that name, or nothing since it is there word for word. */
export const CsvRow = z.object({
  line: z.number().int(),
  name: z.string(),
  does: z.enum(['adds', 'changes', 'nothing']),
})

/** A file as it was read: what its rows would do, what is wrong where (line and column), and columns that aren't known. */
export const CsvPreview = z.object({
  rows: z.array(CsvRow),
  errors: z.array(z.object({ line: z.number().int(), column: z.string(), message: z.string() })),
  unknown: z.array(z.string()),
})
export type CsvPreview = z.infer<typeof CsvPreview>

/** What came of it. */
export const CsvResult = z.object({ added: z.number().int(), changed: z.number().int(), same: z.number().int() })
export type CsvResult = z.infer<typeof CsvResult>

/** Dogs of a list of clients, taken all or none. */
export const DogList = z.object({
  dogs: z.array(Dog).min(1, 'There is no dog to take.').max(2000, 'Take at most 2000 dogs at once: split the list.'),
})
export type DogList = z.infer<typeof DogList>

/** How many labels are printed at once, and how long a line says for whom they are. */
export const LABELS = { most: 24, longest: 60 }

/** Which labels of a bottle, on which paper, from which place of the sheet on. `from`: where the program is reached, for the code. */
export const BottleLabelQuery = z.object({
  paper: z.enum(['a4x24', 'a4x14', 'letterx10', 'strip']).default('a4x24'),
  count: z.coerce.number().int().min(1).max(LABELS.most, `Print up to ${LABELS.most} labels at once.`).default(1),
  begin: z.coerce.number().int().min(1).max(LABELS.most).default(1),
  made: Day,
  dog: z.string().trim().max(LABELS.longest, `Keep it to ${LABELS.longest} characters.`).default(''),
  from: z.url({ protocol: /^https?$/, error: 'Give an address that begins with http.' }).optional(),
})
export type BottleLabelQuery = z.infer<typeof BottleLabelQuery>

/** Beginning with one's own in place of the demonstration: `clear` says that it is meant. */
export const BeginOwn = z.object({
  clear: z.literal(true, { error: 'Say that everything of the demonstration goes.' }),
  units: Units.default(METRIC),
})
/** Where a copy of what was there lies. */
export const Begun = z.object({ copy: z.string().nullable() })
