import { computed, ref, shallowRef, watch } from 'vue'
import type { StoredDog, StoredVisit } from '@contract'
import { sameData } from '@core/same'
import { Dog } from '@core/dog'
import {
  comparePlans,
  ENGINE,
  planVisit,
  Today,
  todayFromRecord,
  wayOf,
  withChoice,
  withoutChoice,
  type Change,
  type OwnChoice,
  type Override,
  type OverrideTarget,
  type OwnMinutes,
  type Plan,
} from '@core/visit'
import { ApiProblem, asProblem } from '../../api/client'
import { onChange, onReconnected } from '../../api/live'
import { deviceToday } from '../../parts/words'
import { days } from '../../api/days'
import { dogs } from '../../api/dogs'
import { useMemory } from '../../stores/memory'
import { useRoom } from '../../stores/room'
import { checkInKey, newVisitId, readCheckIn, sendCheckIn, visits, type CheckInDraft } from '../../api/visits'
import { device } from '../../device/device'

/** What a recipe is opened from: a dog on a day, or a kept one. */
export interface RecipeSource {
  dogId?: string
  visitId?: string
  date?: string
}

function readDraft(key: string): Today | undefined {
  try {
    return Today.parse(JSON.parse(device.read(key) ?? ''))
  } catch {
    return undefined
  }
}

const CHANGED = new ApiProblem(
  409,
  'Changed meanwhile',
  'This check-in was changed elsewhere while yours was not kept yet. Both are still there: choose.',
)

/**
 * One recipe: loads what it needs, holds today's condition as a draft that survives a reload, reckons
 * on every change, says what changed against the record (or the kept plan), and keeps it. `ofTheDay`: a recipe kept
 * already for that dog and day is opened, and what changed is told against what stood there then, however often it
 * is kept meanwhile.
 */
export function useRecipe(source: () => RecipeSource, { ofTheDay = false } = {}) {
  const memory = useMemory()
  const room = useRoom()

  const stored = shallowRef<StoredDog>()
  const visit = shallowRef<StoredVisit>()
  const today = ref<Today>()
  const began = shallowRef<Today>()
  /** The plan that stood when the recipe was opened. */
  const opening = shallowRef<Plan>()
  const problem = ref<ApiProblem>()
  const saving = ref(false)
  const saveProblem = ref<ApiProblem>()
  const newer = shallowRef<StoredVisit>()
  const gone = ref(false)

  const draftKey = computed(() =>
    visit.value
      ? `juvant.kept.${visit.value.id}.${visit.value.version}`
      : `juvant.recipe.${stored.value?.id}.${began.value?.date}`,
  )

  /** The check-in of this dog and day on this device; the visit that it makes has an id from the start. */
  const ownKey = computed(() => checkInKey(stored.value?.id ?? '', began.value?.date ?? ''))
  const madeId = ref(newVisitId())

  function writeDraft(now: Today) {
    const { id = madeId.value, version = null } = visit.value ?? {}
    const draft: CheckInDraft = { dogId: stored.value!.id, visitId: id, version, today: now }
    if (ofTheDay) device.write(ownKey.value, JSON.stringify(draft))
    else device.write(draftKey.value, JSON.stringify(now))
  }
  function dropDraft(key = draftKey.value) {
    device.drop(key)
    if (ofTheDay) device.drop(ownKey.value)
  }
  /** What was found here and isn't kept yet. What another device kept meanwhile stands beside it until one is chosen. */
  function waitingCheckIn(): Today | undefined {
    const draft = ofTheDay ? readCheckIn(ownKey.value) : undefined
    if (!draft) return undefined
    if (!visit.value) madeId.value = draft.visitId
    else {
      const own = draft.visitId === visit.value.id && (draft.version ?? 1) === visit.value.version
      if (!own && !sameData(draft.today, began.value)) newer.value = visit.value
    }
    return draft.today
  }

  function begin(from: Today) {
    began.value = structuredClone(from)
    opening.value = kept.value ?? reckonFrom(from)
    today.value = waitingCheckIn() ?? readDraft(draftKey.value) ?? structuredClone(from)
    if (newer.value) saveProblem.value = CHANGED
  }

  /** The recipe kept for a dog on a day, the newest one. */
  async function keptFor(dogId: string, date: string): Promise<StoredVisit | undefined> {
    const day = await days.get(date)
    const found = day.kept.find((k) => k.dogId === dogId)
    return found && visits.get(found.visitId)
  }

  /** A dog's place on a day, for what it comes for; without it a recipe is opened all the same. */
  const seatOn = (date: string, dogId: string) =>
    days.get(date).then(
      ({ record }) => record.seats.find((s) => s.dogId === dogId),
      () => undefined,
    )
  /** A dog as its record expects it, with what it is booked for. */
  const booked = (expected: Today, seat: Awaited<ReturnType<typeof seatOn>>): Today => ({
    ...expected,
    service: seat?.service ?? expected.service,
    clipCm: seat?.clipCm ?? expected.clipCm,
  })

  /** The dog of a kept recipe as it is now; as it was then when its record is deleted, and nothing to change any more. */
  async function dogOf(kept: StoredVisit): Promise<StoredDog> {
    try {
      return await dogs.get(kept.dogId)
    } catch (error) {
      if (asProblem(error).status !== 404) throw error
      gone.value = true
      return { id: kept.dogId, version: 1, changedAt: kept.changedAt, record: Dog.parse(kept.inputs.dog) }
    }
  }

  /** Which opening is the last one: an answer to an earlier one comes too late. */
  let turn = 0
  async function open() {
    const mine = ++turn
    const { dogId, visitId, date } = source()
    problem.value = undefined
    saveProblem.value = undefined
    newer.value = undefined
    gone.value = false
    today.value = undefined
    // another dog or day may have been open here: what is made now is another visit
    madeId.value = newVisitId()
    try {
      const onDay = date ?? deviceToday()
      const kept = visitId ? await visits.get(visitId) : ofTheDay ? await keptFor(dogId!, onDay) : undefined
      const [dog, seat] = await Promise.all([
        kept ? dogOf(kept) : dogs.get(dogId!),
        kept || !date ? undefined : seatOn(date, dogId!),
        room.load(),
        memory.load([kept?.dogId ?? dogId!]),
      ])
      if (mine !== turn) return
      visit.value = kept
      stored.value = dog
      document.title = `${dog.record.name}, recipe · Juvant`
      begin(kept ? Today.parse(kept.inputs.today) : booked(todayFromRecord(dog.record, onDay), seat))
    } catch (error) {
      if (mine === turn) problem.value = asProblem(error)
    }
  }

  /** Reads again what another window or device may have changed; what is being changed here stays as it is. */
  async function lookAgain() {
    const dog = stored.value
    const of = visit.value
    if (!dog || gone.value) return
    try {
      const [now, there] = await Promise.all([
        dogs.get(dog.id),
        of ? visits.get(of.id) : ofTheDay && began.value ? keptFor(dog.id, began.value.date) : undefined,
        room.load(),
        memory.load([dog.id]),
      ])
      if (stored.value !== dog || visit.value !== of) return
      if (now.version > dog.version) stored.value = now
      if (!there || there.version <= (of?.version ?? 0) || saving.value) return
      if (ofTheDay ? unsent.value : edited.value) return
      visit.value = there
      const stands = Today.parse(there.inputs.today)
      if (ofTheDay) today.value = stands
      else begin(stands)
    } catch {
      // what is shown stays; saving tells what stands against it
    }
  }
  const ASKS = new Set(['dogs', 'visits', 'house', 'products', 'outcomes'])
  onChange(({ what, id, dog }) => {
    const mine = id === stored.value?.id || dog === stored.value?.id || id === undefined
    if (ASKS.has(what) && (mine || what === 'house' || what === 'products')) void lookAgain()
  })
  onReconnected(() => void lookAgain())

  const edited = computed(() => today.value !== undefined && !sameData(today.value, began.value))

  /** Whether what stands here differs from what the server has, or from what stood there when nothing is kept yet. */
  const unsent = computed(() => {
    if (!today.value) return false
    return ofTheDay && visit.value
      ? !sameData(today.value, Today.parse(visit.value.inputs.today))
      : !sameData(today.value, began.value)
  })

  watch(
    today,
    () => {
      if (!today.value) return
      if (unsent.value) writeDraft(today.value)
      else dropDraft()
    },
    { deep: true },
  )

  const reckonFrom = (condition: Today): Plan | undefined =>
    stored.value && room.house
      ? planVisit(stored.value.record, condition, room.shelf, room.house, memory.of(stored.value.id))
      : undefined

  const kept = computed(() => (visit.value?.engine === ENGINE ? visit.value.plan : undefined))
  const baseline = computed(() => (ofTheDay ? opening.value : (kept.value ?? (began.value && reckonFrom(began.value)))))
  const plan = computed(() => {
    if (kept.value && !edited.value && !ofTheDay) return kept.value
    return today.value && reckonFrom(today.value)
  })
  const changes = computed<Change[]>(() =>
    edited.value && baseline.value && plan.value ? comparePlans(baseline.value, plan.value) : [],
  )

  function put(part: Partial<Today>) {
    if (today.value) today.value = { ...today.value, ...part }
  }
  function setOverride(own: Override) {
    if (today.value) put({ overrides: [...today.value.overrides.filter((o) => o.target !== own.target), own] })
  }
  function putBack(target: OverrideTarget) {
    if (today.value) put({ overrides: today.value.overrides.filter((o) => o.target !== target) })
  }
  function setMinutes(own: OwnMinutes) {
    if (today.value) put({ minutes: [...today.value.minutes.filter((o) => o.step !== own.step), own] })
  }
  function minutesBack(step: string) {
    if (today.value) put({ minutes: today.value.minutes.filter((o) => o.step !== step) })
  }
  /** Does one thing the groomer's way, or puts it back as it is reckoned. */
  const take = (choice: OwnChoice) => today.value && put(withChoice(wayOf(today.value), choice))
  const dropChoice = (key: string) => today.value && put(withoutChoice(wayOf(today.value), key))
  function reset() {
    if (began.value) today.value = structuredClone(began.value)
  }

  /** Keeps the recipe; answers the kept visit, or undefined with `saveProblem` set and the draft untouched. */
  async function keep(version = visit.value?.version): Promise<StoredVisit | undefined> {
    if (!today.value || !stored.value) return undefined
    saving.value = true
    saveProblem.value = undefined
    try {
      const key = draftKey.value
      const kept =
        visit.value && version
          ? await visits.change(visit.value.id, version, stored.value.id, today.value)
          : await visits.add(stored.value.id, today.value)
      dropDraft(key)
      visit.value = kept
      newer.value = undefined
      began.value = structuredClone(Today.parse(kept.inputs.today))
      today.value = structuredClone(began.value)
      return kept
    } catch (error) {
      saveProblem.value = asProblem(error)
      if (saveProblem.value.status === 409) newer.value = (saveProblem.value.body as { current: StoredVisit }).current
      return undefined
    } finally {
      saving.value = false
    }
  }

  /**
   * Keeps what stands now and leaves everything as it is on the screen; throws an ApiProblem. What is tapped while
   * this is under way stays a draft of the version that comes back.
   */
  async function keepQuietly(version = visit.value?.version): Promise<void> {
    if (!today.value || !stored.value) return
    const now = JSON.parse(JSON.stringify(today.value)) as Today
    const key = draftKey.value
    try {
      const over = newer.value?.version === version ? newer.value : visit.value
      const id = over?.id ?? madeId.value
      visit.value = await sendCheckIn({ dogId: stored.value.id, visitId: id, version: version ?? null, today: now })
      newer.value = undefined
    } catch (error) {
      const refused = asProblem(error)
      if (refused.status === 409) newer.value = (refused.body as { current: StoredVisit }).current
      throw refused
    }
    dropDraft(key)
    if (!sameData(today.value, now)) writeDraft(today.value)
  }

  /** After a conflict: opens what the other one kept. */
  function takeNewer() {
    if (!newer.value) return
    dropDraft()
    visit.value = newer.value
    saveProblem.value = undefined
    const taken = Today.parse(newer.value.inputs.today)
    newer.value = undefined
    begin(taken)
  }

  return {
    stored,
    memory: computed(() => memory.of(stored.value?.id ?? '')),
    visit,
    today,
    plan,
    changes,
    edited,
    problem,
    saving,
    saveProblem,
    newer,
    gone,
    open,
    put,
    setOverride,
    putBack,
    setMinutes,
    minutesBack,
    take,
    dropChoice,
    /** What a recipe would come to with something else; nothing is changed. */
    reckonFrom,
    reset,
    keep,
    keepQuietly,
    takeNewer,
    /** The key of what is found here, in the outbox. */
    ownKey,
    unsent,
  }
}
