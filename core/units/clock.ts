const TIME = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(?:(a|p)\.?\s?m\.?)?$/i
const NOON = 12

/**
 * A minute of the day from a time as people type it: "14:05", "2:05 pm", "9", "9am", "1405". Undefined when it is no
 * time. Without am or pm it is by the clock of 24 hours.
 */
export function readClock(text: string): number | undefined {
  const found = TIME.exec(text.trim())
  if (!found) return undefined
  const [, first, second = '0', half] = found
  const [hour, minute] = [Number(first), Number(second)]
  if (minute > 59 || hour > (half ? NOON : 23) || (half && hour === 0)) return undefined
  if (!half) return 60 * hour + minute
  return 60 * ((hour % NOON) + (half.toLowerCase() === 'p' ? NOON : 0)) + minute
}
