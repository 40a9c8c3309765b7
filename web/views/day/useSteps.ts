import { computed, shallowRef, type Ref } from 'vue'
import { sameData } from '@core/same'
import { WashDay } from '@core/washday'
import { copyOf } from '../../parts/useEdits'

const MOST_UNDO = 100
/** How many steps back and forth survive a reload. */
const MOST_KEPT = 25

interface Kept {
  present: WashDay
  past: WashDay[]
  future: WashDay[]
}
const shelf = (date: string) => `juvant.undo.${date}`

/** What was kept of a day's steps in this window; nothing when the day is another one by now, or can't be read. */
function readSteps(day: WashDay): Kept | undefined {
  try {
    const { present, past, future } = JSON.parse(sessionStorage.getItem(shelf(day.date)) ?? '') as Kept
    if (!sameData(WashDay.parse(present), WashDay.parse(day))) return undefined
    return { present, past: past.map((d) => WashDay.parse(d)), future: future.map((d) => WashDay.parse(d)) }
  } catch {
    return undefined
  }
}

/** Steps back and forth through what was done to a day; they survive a reload as long as nobody else changed it. */
export function useSteps(day: Readonly<Ref<WashDay | undefined>>, put: (record: WashDay) => void) {
  const past = shallowRef<WashDay[]>([])
  const future = shallowRef<WashDay[]>([])

  function keep(present: WashDay) {
    const kept: Kept = { present, past: past.value.slice(-MOST_KEPT), future: future.value.slice(-MOST_KEPT) }
    try {
      sessionStorage.setItem(shelf(present.date), JSON.stringify(kept))
    } catch {
      // the window's storage is full: the steps last until it is reloaded
    }
  }
  function step(from: typeof past, to: typeof future) {
    const back = from.value.at(-1)
    if (!back || !day.value) return
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, copyOf(day.value)]
    put(back)
    keep(back)
  }
  return {
    /** A day is taken up: with the steps that led to it, where this window knows them. */
    begin(record: WashDay) {
      const kept = readSteps(record)
      past.value = kept?.past ?? []
      future.value = kept?.future ?? []
    },
    /** The day becomes another; what it was can be brought back. */
    go(record: WashDay) {
      if (day.value) past.value = [...past.value.slice(-MOST_UNDO), copyOf(day.value)]
      future.value = []
      put(record)
      keep(record)
    },
    undo: () => step(past, future),
    redo: () => step(future, past),
    /** How often the day was changed here. */
    count: computed(() => past.value.length),
    /** What undo and redo would bring back. */
    before: computed(() => past.value.at(-1)),
    after: computed(() => future.value.at(-1)),
  }
}
