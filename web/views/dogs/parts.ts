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

const PEOPLE = ['owner', 'ownerContact', 'vet', 'vetContact', 'consent', 'notes']

/** The part of the record in which a field stands, by the field's name. */
export function partOf(field: string): RecordPart {
  const name = field.split(/[.[]/)[0]!
  if (PEOPLE.includes(name)) return 'people'
  if (name === 'rules') return 'rules'
  if (name === 'clearances') return 'body'
  if (['mood', 'fears', 'allergies'].includes(name)) return 'manner'
  return 'dog'
}
