import { nextTick, onMounted, onUpdated } from 'vue'

/**
 * Makes the library's combobox say the truth to a screen reader: whether it is open, which list it controls, and that
 * list's name. `id`: of its input; `name`: of the field, where no label stands beside it, and of its list.
 */
export function useCombobox(id: string, name: { field?: () => string | undefined; list?: () => string }) {
  let open = false

  function mend() {
    const input = document.getElementById(id)
    if (!input) return
    input.setAttribute('aria-expanded', String(open))
    input.removeAttribute('aria-owns')
    const field = name.field?.()
    if (field) input.setAttribute('aria-label', field)
    const list = document.getElementById(`${id}_list`)
    if (!open || !list) {
      input.removeAttribute('aria-controls')
      input.removeAttribute('aria-activedescendant')
      return
    }
    input.setAttribute('aria-controls', list.id)
    list.setAttribute('aria-label', name.list?.() ?? 'Choices')
    list.nextElementSibling?.setAttribute('aria-hidden', 'true')
  }

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
