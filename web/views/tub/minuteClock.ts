/** Minutes as a clock shows them, "4:07"; without a sign. */
export function minuteClock(minutes: number): string {
  const seconds = Math.max(0, Math.round(Math.abs(minutes) * 60))
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
