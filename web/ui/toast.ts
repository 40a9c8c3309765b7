import { notification } from 'ant-design-vue'
import { h, shallowRef } from 'vue'
import UiButton from './UiButton.vue'

type Notify = ReturnType<typeof notification.useNotification>[0]
const notify = shallowRef<Notify>()

/** For the frame of the app alone: makes the place where toasts stand, to be put in its template. */
export function makeToasts() {
  const [api, holder] = notification.useNotification({ placement: 'bottomLeft', maxCount: 3 })
  notify.value = api
  return holder
}

/** How long what can be undone stays, and what is only said, s. */
const SECONDS = { undo: 12, said: 4 }

/** Short words near the hand on what was just done, with a way back where there is one. */
export function useToast() {
  return {
    said: (message: string) => notify.value?.open({ message, duration: SECONDS.said }),
    /** `undo` is done once at most, and shuts the toast. */
    undone(message: string, undo: () => unknown) {
      const key = `undo ${message}`
      notify.value?.open({
        key,
        message,
        duration: SECONDS.undo,
        btn: () =>
          h(
            UiButton,
            {
              onClick: () => {
                notify.value?.destroy(key)
                undo()
              },
            },
            () => 'Undo',
          ),
      })
    },
  }
}
