import { nextTick, onMounted, onUpdated } from 'vue'

/**
 * Makes the library's combobox say the truth to a screen reader: whether it is open, which list it controls, and that
 * list's name. `id`: of its input; `name`: what the list is called, by default what the field is.
 */
export function useCombobox(id: string, name: () => string | undefined) {
  let open = false

  function mend() {
    const input = document.getElementById(id)
    if (!input) return
    input.setAttribute('aria-expanded', String(open))
    input.removeAttribute('aria-owns')
    const list = document.getElementById(`${id}_list`)
    if (!open || !list) {
      input.removeAttribute('aria-controls')
      input.removeAttribute('aria-activedescendant')
      return
    }
    input.setAttribute('aria-controls', list.id)
    list.setAttribute('aria-label', name() ?? labelOf(input) ?? 'Choices')
    list.nextElementSibling?.setAttribute('aria-hidden', 'true')
  }
  const labelOf = (input: HTMLElement) => document.querySelector(`label[for="${input.id}"]`)?.textContent?.trim()

  onMounted(mend)
  onUpdated(mend)
  return {
    /** To be told when the list opens or shuts. */
    opened(now: boolean) {
      open = now
      mend()
      nextTick(mend).catch(() => undefined)
    },
  }
}
