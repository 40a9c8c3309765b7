/** Wall-clock parts: a date and minutes since midnight. */
export interface Wall {
  date: string
  minute: number
}

const formats = new Map<string, Intl.DateTimeFormat>()

function formatFor(zone: string): Intl.DateTimeFormat {
  let format = formats.get(zone)
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', {
      timeZone: zone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    })
    formats.set(zone, format)
  }
  return format
}

/** Whether this machine knows a time zone by name ("Europe/Paris"). */
export function isZone(name: string): boolean {
  try {
    formatFor(name)
    return true
  } catch {
    return false
  }
}

/** The time zone of the house: its own when set and known, else this machine's. */
export function zoneOf(name: string): string {
  return name !== '' && isZone(name) ? name : Intl.DateTimeFormat().resolvedOptions().timeZone
}

/** What clocks in a zone show at an instant. */
export function wallAt(instant: Date, zone: string): Wall {
  const parts = Object.fromEntries(
    formatFor(zone)
      .formatToParts(instant)
      .map((p) => [p.type, p.value]),
  )
  return { date: `${parts.year}-${parts.month}-${parts.day}`, minute: 60 * Number(parts.hour) + Number(parts.minute) }
}

/** The day of a moment (ms) in a zone: "2026-11-28". */
export const dayIn =
  (zone: string) =>
  (at: number): string =>
    wallAt(new Date(at), zone).date

const HOUR_MS = 3_600_000
const utcOf = ({ date, minute }: Wall) => Date.parse(`${date}T00:00:00Z`) + minute * 60_000

/**
 * The instant at which clocks in a zone show a time. A time that is skipped in spring is read as if clocks
 * had not yet been put forward; of a time that comes twice in autumn the first is meant.
 */
export function instantOf(wall: Wall, zone: string): Date {
  const wanted = utcOf(wall)
  const offsetAt = (instant: number) => utcOf(wallAt(new Date(instant), zone)) - instant
  const before = offsetAt(wanted - 24 * HOUR_MS)
  const after = offsetAt(wanted + 24 * HOUR_MS)
  const found = [before, after].map((offset) => wanted - offset).find((i) => offsetAt(i) === wanted - i)
  return new Date(found ?? wanted - before)
}
