import { useDebounceFn, useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { fieldErrors } from '@contract'
import { merged, mineOver, sameData } from '@core/same'
import type { Say } from '@words'
import type { ZodType } from 'zod'
import { ApiProblem, asProblem } from '../api/client'
import { copyOf, useEdits } from './useEdits'

/** A record as it is stored, whatever else is told about it. */
interface Versioned<T> {
  version: number
  record: T
}
/** What of a form can be saved: nothing where no part can; the words of what is wrong by field. */
export interface Sound<T> {
  record?: T
  errors: Record<string, string>
}

/** The parts of a record that are as they should be, over what is stored; what is wrong in the others by field. */
export function soundOver<T extends object>(schema: ZodType<T>, typed: object, stored: T, say: Say): Sound<T> {
  const all = schema.safeParse(typed)
  if (all.success) return { record: all.data, errors: {} }
  const errors = Object.fromEntries(fieldErrors(all.error, say).map((e) => [e.field, e.message]))
  const wrong = new Set(all.error.issues.map((issue) => String(issue.path[0])))
  const asStored = Object.fromEntries(Object.entries(stored).filter(([part]) => wrong.has(part)))
  const rest = schema.safeParse({ ...typed, ...asStored })
  return rest.success ? { record: rest.data, errors } : { errors }
}

/** A record that is saved while it is typed: `D` as it stands in its form, `T` as it is stored. */
interface Autosaved<D extends object, T extends object, S extends Versioned<T>> {
  /** Under what the device keeps what isn’t saved yet. */
  key: () => string
  draft: () => D | undefined
  set: (draft: D) => void
  draftOf: (record: T) => D
  sound: (draft: D, stored: T) => Sound<T>
  save: (version: number, record: T) => Promise<S>
}

/** What a view says of a record that saves itself, and what it can do about it. */
export interface Keeping {
  problem: Readonly<Ref<ApiProblem | undefined>>
  /** The words of what is wrong, by field: that isn’t saved. */
  errors: Readonly<Ref<Record<string, string>>>
  /** What was typed last is saved. */
  saved: Readonly<Ref<boolean>>
  /** Something that is typed isn’t saved yet. */
  unsaved: Readonly<Ref<boolean>>
  /** What the last step here changed: names of parts; empty where there is none. */
  undoes: Readonly<Ref<readonly string[]>>
  /** What another one made of the same parts meanwhile: one has to be chosen. */
  theirs: Readonly<Ref<object | undefined>>
  undo: () => void
  /** After both changed the same: what was typed here goes over the other. */
  keepMine: () => void
  takeTheirs: () => void
}

const SAVE_AFTER_MS = 600
const RETRY_MS = 5000
const MOST_UNDO = 30
const BOTH = new ApiProblem(
  409,
  'Changed meanwhile',
  'The same was changed elsewhere while yours was not saved yet. Both are still there: choose.',
)

/**
 * Saves a record a moment after it was typed: kept on this device at once, sent again when the server could not be
 * reached. A part that is wrong stays as it is stored until it is mended; the others are saved. What another window
 * changed meanwhile is taken with what was changed here, part by part; where both changed the same, both stand until one
 * is chosen. What was saved here can be taken back, step by step.
 */
export function useAutosave<D extends object, T extends object, S extends Versioned<T>>(of: Autosaved<D, T, S>) {
  const stored = shallowRef<S>()
  const theirs = shallowRef<S>()
  const problem = ref<ApiProblem>()
  const errors = ref<Record<string, string>>({})
  const saved = ref(false)
  const past = shallowRef<{ before: T; after: T }[]>([])
  const edits = useEdits<D>(of.key, of.draft)
  let undoing = false

  function show(found: S) {
    stored.value = found
    theirs.value = problem.value = undefined
    errors.value = {}
    of.set(of.draftOf(found.record))
    edits.begin(found.version, copyOf(of.draft()!))
  }
  /** Takes a record up as the server has it, with what was typed on this device and never saved. */
  function begin(found: S) {
    const before = edits.before()
    past.value = []
    show(found)
    if (!before) return
    const now = of.draftOf(found.record)
    of.set(mineOver(before.base, before.draft, now))
    if (merged(before.base, before.draft, now)) return void flush()
    theirs.value = found
    problem.value = BOTH
  }

  /** Saves what differs from what is stored; answers whether it has to be asked once more. */
  async function sendOnce(): Promise<boolean> {
    const base = stored.value
    const now = of.draft()
    if (!base || !now || theirs.value) return false
    const { record, errors: wrong } = of.sound(now, base.record)
    errors.value = wrong
    const allWell = Object.keys(wrong).length === 0
    if (!record || sameData(record, base.record)) {
      if (allWell) edits.begin(base.version, copyOf(now))
      return false
    }
    const typed = copyOf(now)
    try {
      const kept = await of.save(base.version, record)
      if (stored.value !== base) return false
      if (!undoing) past.value = [...past.value, { before: base.record, after: kept.record }].slice(-MOST_UNDO)
      undoing = false
      stored.value = kept
      problem.value = undefined
      saved.value = allWell
      // what the server completed shows, but where it is being typed
      const completed = (draft: D) => mineOver(of.draftOf(record), draft, of.draftOf(kept.record))
      if (!sameData(kept.record, record)) of.set(completed(of.draft()!))
      edits.begin(kept.version, allWell ? completed(typed) : of.draftOf(kept.record))
      return false
    } catch (error) {
      const failed = asProblem(error)
      const current = failed.status === 409 ? (failed.body as { current?: S }).current : undefined
      const both = current && merged(base.record, record, current.record)
      if (!current || !both) {
        theirs.value = current
        problem.value = failed
        return false
      }
      of.set(mineOver(of.draftOf(base.record), of.draft()!, of.draftOf(current.record)))
      stored.value = current
      return true
    }
  }
  async function send() {
    while (await sendOnce());
  }
  /** One at a time: what is typed while one is on its way goes after it. */
  let line: Promise<void> = Promise.resolve()
  const flush = () => (line = line.then(send))
  const soon = useDebounceFn(flush, SAVE_AFTER_MS)
  watch(
    () => of.draft(),
    () => {
      if (!edits.unsaved.value) return
      saved.value = false
      void soon()
    },
    { deep: true },
  )
  const retry = () => {
    if (edits.unsaved.value && problem.value && problem.value.status !== 409 && problem.value.status !== 422)
      void flush()
  }
  useEventListener(window, 'online', retry)
  useIntervalFn(retry, RETRY_MS)
  onScopeDispose(() => void flush())

  return {
    stored,
    problem,
    theirs,
    errors,
    saved,
    unsaved: edits.unsaved,
    begin,
    show,
    flush,
    undoes: computed(() => {
      const last = past.value.at(-1)
      if (!last) return []
      const parts = Object.keys(last.after) as (keyof T & string)[]
      return parts.filter((part) => !sameData(last.before[part], last.after[part]))
    }),
    undo() {
      const last = past.value.at(-1)
      const now = of.draft()
      if (!last || !now) return
      past.value = past.value.slice(0, -1)
      undoing = true
      of.set(mineOver(of.draftOf(last.after), of.draftOf(last.before), now))
      void flush()
    },
    /** What another window or device saved shows here unless something waits to be saved. */
    catchUp(found: S) {
      if (!edits.unsaved.value && found.version > (stored.value?.version ?? 0)) show(found)
    },
    keepMine() {
      const [base, other, now] = [stored.value, theirs.value, of.draft()]
      if (!base || !other || !now) return
      const mine = mineOver(of.draftOf(base.record), now, of.draftOf(other.record))
      theirs.value = problem.value = undefined
      stored.value = other
      of.set(mine)
      void flush()
    },
    takeTheirs() {
      if (theirs.value) show(theirs.value)
    },
    /** What is typed and isn’t saved is given up. */
    giveUp() {
      edits.forget()
      if (stored.value) show(stored.value)
    },
  }
}
