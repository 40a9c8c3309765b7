import { DOG_FIELDS } from '@core/dog'

/** The parts of a dog's record, in the order of their links. */
export const RECORD_PARTS = [
  { key: 'overview', text: 'Overview' },
  { key: 'dog', text: 'Dog and coat' },
  { key: 'manner', text: 'Manner' },
  { key: 'body', text: 'Body' },
  { key: 'people', text: 'People' },
  { key: 'rules', text: 'Rules' },
] as const
export type RecordPart = (typeof RECORD_PARTS)[number]['key']

/** The part of the record in which a field stands, by the field's name. */
export function partOf(field: string): RecordPart {
  const name = field.split(/[.[]/)[0]!
  return name in DOG_FIELDS ? DOG_FIELDS[name as keyof typeof DOG_FIELDS].part : 'dog'
}
