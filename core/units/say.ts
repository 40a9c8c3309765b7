/**
 * A number as people write it: `digits` decimals at most, no trailing zeros, a real minus sign.
 * `say(11.50, 1)` is "11.5"; `say(-4)` is "−4".
 */
export function say(value: number, digits = 1): string {
  const rounded = Number(value.toFixed(digits))
  return String(Math.abs(rounded) === 0 ? 0 : rounded).replace('-', '−')
}

/** Words joined as a sentence joins them: "a", "a and b", "a, b and c". */
export function list(words: readonly string[], last = 'and'): string {
  if (words.length < 2) return words.join('')
  return `${words.slice(0, -1).join(', ')} ${last} ${words[words.length - 1]}`
}

/** Minutes in words: "45 min", "1 h 5", "2 h". Rounded to whole minutes. */
export function minutesText(minutes: number): string {
  const whole = Math.round(minutes)
  if (whole < 60) return `${whole} min`
  const rest = whole % 60
  return rest === 0 ? `${Math.floor(whole / 60)} h` : `${Math.floor(whole / 60)} h ${rest}`
}

/** A text with its first letter as a capital. */
export function capital(text: string): string {
  return text === '' ? '' : text[0]!.toUpperCase() + text.slice(1)
}
