import type { notification } from 'ant-design-vue'
import { h } from 'vue'
import UiButton from './UiButton.vue'

type Notify = ReturnType<typeof notification.useNotification>[0]
type Toast = Parameters<Notify['open']>[0]
let notify: Notify | undefined
/** The newest toast of the time before there was a place for them. */
let early: Toast | undefined

/** From now on toasts stand in this place. */
export function toastsIn(place: Notify): void {
  notify = place
  if (early) place.open(early)
  early = undefined
}

/** How long what can be undone stays, and what is only said, s. */
const SECONDS = { undo: 12, said: 4 }
let told = 0

/** One toast at a time, the newest in the place of the one before: a toast opened while another leaves would be lost. */
function tell(message: string, duration: number, undo?: () => unknown) {
  const btn = undo && (() => h(UiButton, { onClick: undo }, () => 'Undo'))
  // `updateMark` begins the time anew
  const config = { key: 'toast', placement: 'bottomLeft' as const, message, duration, btn, updateMark: String(++told) }
  if (notify) notify.open(config)
  else early = config
}

/** Short words near the hand on what was just done, with a way back where there is one. */
export function useToast() {
  const said = (message: string) => tell(message, SECONDS.said)
  return {
    said,
    /** `undo` is done once at most, and answers what is to be said then. */
    undone(message: string, undo: () => Promise<string>) {
      let asked = false
      tell(message, SECONDS.undo, async () => {
        if (asked) return
        asked = true
        said(await undo())
      })
    },
  }
}
