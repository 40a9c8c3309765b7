import { z } from 'zod'

/** What a backup's file is called. */
export const BackupName = z.string().regex(/^juvant-\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2}Z\.jsonl\.gz$/)

/** A backup: its file, when it was made, and its size. */
export const BackupFile = z.object({ name: BackupName, at: z.string(), bytes: z.number() })
export type BackupFile = z.infer<typeof BackupFile>

/** Where and how well what is kept is kept twice: the newest backup first. */
export const BackupState = z.object({
  folder: z.string(),
  files: z.array(BackupFile),
  /** Up to when changes after the newest backup are written down beside it; null: nothing is. */
  journalAt: z.string().nullable(),
  /** Why the last try failed, until one succeeds. */
  problem: z.string().nullable(),
  making: z.boolean(),
  /** What is kept lies in a database server, whose backups are its own. */
  byServer: z.boolean(),
  /** Records that can’t be read, and so aren’t in their lists. */
  unreadable: z.array(z.object({ table: z.string(), id: z.string(), name: z.string(), why: z.string() })),
  /** When a restore was last practised; null: never. */
  practisedAt: z.string().nullable(),
})
export type BackupState = z.infer<typeof BackupState>

/** The folder that backups are kept in. */
export const BackupFolder = z.object({
  folder: z.string().trim().min(1, 'Give the folder.').max(1000, 'Keep the path to 1000 characters.'),
})

/** A backup that came back: into which folder, when it was made, up to when its journal reaches, how many rows of each table. */
export const RestoredBackup = z.object({
  into: z.string(),
  at: z.string(),
  until: z.string(),
  counts: z.record(z.string(), z.number()),
})
export type RestoredBackup = z.infer<typeof RestoredBackup>

/** A restore that was practised: of which backup, up to when, how many rows of each table; `apart`: tables that hold another number than is kept. */
export const Practised = RestoredBackup.omit({ into: true }).extend({
  apart: z.array(z.string()),
  practisedAt: z.string().nullable(),
})
export type Practised = z.infer<typeof Practised>
