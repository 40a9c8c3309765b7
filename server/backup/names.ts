const NAME = /^juvant-(\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2})Z\.jsonl\.gz$/
/** What a backup is called that was made then. */
export const nameOf = (at: Date) => `juvant-${at.toISOString().slice(0, 19).replace(/:/g, '-')}Z.jsonl.gz`

/** When a backup was made, by its name; undefined for other files. */
export function madeAt(name: string): Date | undefined {
  const [, at] = NAME.exec(name) ?? []
  return at === undefined ? undefined : new Date(`${at.slice(0, 10)}T${at.slice(11).replace(/-/g, ':')}Z`)
}

/** The file of changes after a backup, beside it. */
export const journalOf = (backup: string) => backup.replace(/\.jsonl\.gz$/, '.journal.jsonl')
