/** Today's date on this device, "2026-11-24". */
export function deviceToday(): string {
  const now = new Date()
  return `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(now.getDate()).padStart(2, '0')}`
}

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
