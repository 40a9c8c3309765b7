import { createEventHook, useDocumentVisibility, useEventListener, type EventHookOn } from '@vueuse/core'
import { readonly, ref, watch } from 'vue'
import type { Change } from '@contract'
import { firstAnswerAt, urlOf } from './client'

/** How long a stream that was refused is left alone, ms. */
const AGAIN_MS = 3000

const connected = ref(false)
const changes = createEventHook<Change>()
const reconnections = createEventHook<void>()

/** Whether the server tells of changes as they happen. */
export const isLive = readonly(connected)
/** Called with every change of what is kept, whichever device or window made it. */
export const onChange: EventHookOn<Change> = changes.on
/** Called when something may have changed untold: the stream is back after it was cut, or was late to begin. */
export const onReconnected: EventHookOn<void> = reconnections.on

/**
 * Follows the server's stream of changes while this window can be seen; a hidden one needs no connection, and
 * catches up when it is shown again.
 */
export function followServer(): void {
  let source: EventSource | undefined
  /** How often a stream began. */
  let begun = 0
  const close = () => {
    source?.close()
    source = undefined
    connected.value = false
  }
  const open = () => {
    close()
    const mine = (source = new EventSource(urlOf('GET /changes')))
    mine.onopen = () => {
      connected.value = true
      if (begun++ > 0) void reconnections.trigger()
    }
    mine.addEventListener('since', ({ data }: MessageEvent<string>) => {
      // what was answered before the first stream began, and changed since
      const first = begun > 1 ? undefined : firstAnswerAt()
      if (first !== undefined && first <= Number(data)) void reconnections.trigger()
    })
    mine.onmessage = ({ data }) => void changes.trigger(JSON.parse(data as string) as Change)
    mine.onerror = () => {
      connected.value = false
      // a stream that broke comes back by itself, one that was refused doesn't
      if (mine.readyState === EventSource.CLOSED) setTimeout(() => source === mine && open(), AGAIN_MS)
    }
  }
  watch(useDocumentVisibility(), (state) => (state === 'visible' ? open() : close()), { immediate: true })
  useEventListener(window, 'online', open)
}
