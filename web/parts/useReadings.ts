import { computed, onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import { watchInstrument, type InstrumentKind, type Reading, type Watched } from '@core/instruments'

/** What the room is doing while readings are wanted. */
export interface RoomScene {
  target?: number
  watts?: number
  level?: number
}

/** How many readings of each instrument are kept. */
const KEPT = 60

/**
 * Readings of the house's instruments as they come (server-sent events), each told as live, quiet or stuck.
 * The stream begins anew when the scene changes; the browser takes it up again by itself after a cut.
 */
export function useReadings(
  kinds: () => readonly InstrumentKind[],
  scene: () => RoomScene | undefined,
  now: Ref<Date>,
) {
  const readings = shallowRef<Partial<Record<InstrumentKind, Reading[]>>>({})
  const since = shallowRef(Date.now())
  let source: EventSource | undefined

  const address = computed(() => {
    const wanted = scene()
    if (!wanted || kinds().length === 0) return undefined
    const query = new URLSearchParams(
      Object.entries(wanted).flatMap(([k, v]) => (v === undefined ? [] : [[k, String(Math.round(v * 10) / 10)]])),
    )
    return `/api/instruments/readings?${query.toString()}`
  })

  function close() {
    source?.close()
    source = undefined
  }
  watch(
    address,
    (url) => {
      close()
      readings.value = {}
      since.value = Date.now()
      if (!url) return
      source = new EventSource(url)
      source.addEventListener('message', ({ data }: MessageEvent<string>) => {
        const came = JSON.parse(data) as Reading[]
        const then = { ...readings.value }
        for (const r of came) then[r.kind] = [...(then[r.kind] ?? []), { ...r, at: Date.now() }].slice(-KEPT)
        readings.value = then
      })
    },
    { immediate: true },
  )
  onScopeDispose(close)

  /** How an instrument stands; undefined when the house has none of its kind, or nothing is measured now. */
  function of(kind: InstrumentKind): Watched | undefined {
    if (!address.value || !kinds().includes(kind)) return undefined
    return watchInstrument(readings.value[kind] ?? [], now.value.getTime(), since.value)
  }
  return { of, readings }
}
export type Readings = ReturnType<typeof useReadings>
