import type { z } from 'zod'
import type { CalendarFile, CalendarImport, CalendarPreview, CalendarResult } from '@contract'
import type { CoatType } from '@core/dog'
import { canClip } from '@core/visit'
import { seatFor, WashDay } from '@core/washday'
import { findDay, keepDay } from '../db/days'
import type { Db, Queries } from '../db/db'
import { dogRecords, findDogs } from '../db/dogs'
import { theHouse } from '../db/house'
import { notFound, Refusal } from '../problems'
import type { ServerWork } from '../work/jobs'

const MOST_DOGS = 500
/** How long a calendar may take to be read, ms. */
const READ_MS = 5000

/** Puts the bookings of one date on its day; those of dogs that are on it already stay as they are, unless they are the same event at another time. */
async function putOnDay(db: Queries, date: string, rows: CalendarImport['bookings'], done: CalendarResult) {
  const { version, record } = await findDay(db, date)
  let { seats } = record
  const before = JSON.stringify(seats)
  for (const { dogId, arrive, pickup, event, service, note } of rows) {
    const same = seats.find((s) => s.dogId === dogId)
    if (!same) {
      seats = [...seats, seatFor(dogId, record, { arrive, pickup, event, service, note })]
      done.added++
    } else if (same.arrive === arrive && same.pickup === pickup) done.already++
    else if (same.event === event) {
      seats = seats.map((s) => (s === same ? { ...s, arrive, pickup } : s))
      done.changed++
    } else done.already++
  }
  if (JSON.stringify(seats) === before) return
  const checked = WashDay.safeParse({ ...record, seats })
  if (!checked.success)
    throw new Refusal(
      422,
      'The day is full',
      `${date}: ${checked.error.issues[0]?.message ?? 'it can’t be kept'} Nothing was imported.`,
    )
  await keepDay(db, version, checked.data)
  done.days.push(date)
}

/** The bookings of a calendar file, with the dogs they seem to mean; nothing is kept. */
export async function previewBookings(
  db: Db,
  work: ServerWork,
  file: z.output<typeof CalendarFile>,
): Promise<CalendarPreview> {
  const { text, from, to, zone } = file
  if (to < from) throw new Refusal(422, 'Some of it can’t be taken', 'The last date comes before the first.')
  const dogs = await findDogs(db, { text: '', limit: MOST_DOGS })
  const { record } = await theHouse(db)
  const house = { ...record, timeZone: record.timeZone || zone }
  const read = await work.do(
    'bookings',
    { text, setting: { dogs, house, from, to } },
    { deadlineMs: READ_MS, tooMuch: 'Choose fewer weeks, or a smaller calendar.' },
  )
  if (read.ok) return read.read
  throw new Refusal(422, 'The calendar can’t be read', `${read.why} Choose a file that ends in .ics.`)
}

/** Puts bookings on their days in one go, or not at all. */
export async function takeBookings(db: Db, bookings: CalendarImport['bookings']): Promise<CalendarResult> {
  const dates = [...new Set(bookings.map((b) => b.date))].sort()
  const done: CalendarResult = { added: 0, changed: 0, already: 0, days: [] }
  await db.transaction(async (tx) => {
    const coats = new Map<string, CoatType>()
    for (const dogId of new Set(bookings.map((b) => b.dogId))) {
      const dog = await dogRecords.find(tx, dogId)
      if (!dog) throw notFound('dog')
      coats.set(dogId, dog.record.coat)
    }
    // "a full groom" is said of every coat; one that isn't clipped is tidied
    const fitting = bookings.map((b) =>
      b.service === 'fullClip' && !canClip(coats.get(b.dogId)!) ? { ...b, service: 'bathAndTidy' as const } : b,
    )
    for (const date of dates)
      await putOnDay(
        tx,
        date,
        fitting.filter((b) => b.date === date),
        done,
      )
  })
  return done
}
