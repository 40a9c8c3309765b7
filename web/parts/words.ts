import { timeNow } from '../device/clock'

/** A moment by this device's clock: its date, "2026-11-24", and the minute of the day. */
export function localMoment(iso: string): { date: string; minute: number } {
  const at = new Date(iso)
  const [month, day] = [at.getMonth() + 1, at.getDate()].map((n) => String(n).padStart(2, '0'))
  return { date: `${at.getFullYear()}-${month}-${day}`, minute: at.getHours() * 60 + at.getMinutes() }
}

/** Today's date where this device is, by the clock that all devices go by, "2026-11-24". */
export const deviceToday = (): string => localMoment(new Date(timeNow()).toISOString()).date

/** A number as typed, with comma or point; NaN when it isn't one. */
export function typedNumber(text: string): number {
  const plain = text.trim().replace(',', '.')
  return plain === '' ? NaN : Number(plain)
}

/** Whether what is pressed there goes into a field. */
export const isTyping = (at: EventTarget | null): boolean =>
  at instanceof HTMLTextAreaElement ||
  (at instanceof HTMLInputElement && at.type !== 'checkbox' && at.type !== 'radio') ||
  (at instanceof HTMLElement && at.isContentEditable)

/** A place in a record in plain words: "known.skinAt" is "known, skin at". */
export const pathWords = (path: string): string =>
  path
    .split('.')
    .map((part) => part.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`))
    .join(', ')

const LONGEST = 60
/** A value of a record in a few signs; "nothing" where there is none. */
export function valueWords(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  const plain = (v: unknown) => (typeof v === 'object' && v !== null ? JSON.stringify(v) : String(v))
  const text = Array.isArray(value) ? (value.length === 0 ? 'none' : value.map(plain).join(', ')) : plain(value)
  return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text
}
