import { useEventListener } from '@vueuse/core'

/** What keys ask for at the tub. */
interface Asked {
  forward(): void
  back(): void
  pause(): void
  happened(): void
  note(): void
  help(): void
  close(): void
}

/** What a key on a keyboard, a foot pedal or a presenter asks for; undefined for a key that means nothing here. */
function askedBy(key: string, asked: Asked): (() => void) | undefined {
  if ([' ', 'Enter', 'PageDown', 'ArrowRight'].includes(key)) return asked.forward
  if (['PageUp', 'ArrowLeft', 'Backspace'].includes(key)) return asked.back
  if (/^[1-9]$/.test(key))
    return () =>
      document
        .querySelectorAll<HTMLElement>('.tub .choices .big, .tub .chips .pair > .big:first-child')
        [Number(key) - 1]?.click()
  return {
    Escape: asked.close,
    p: asked.pause,
    h: asked.happened,
    n: asked.note,
    '?': asked.help,
  }[key]
}

/** The tub by keys: forward and back, the choices by their digits, and what is asked for by letters. Typing is left alone. */
export function useTubKeys(asked: Asked) {
  useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return
    if (event.target instanceof HTMLButtonElement && (event.key === ' ' || event.key === 'Enter')) return
    const ask = askedBy(event.key, asked)
    if (!ask) return
    ask()
    event.preventDefault()
  })
}
