import { useDebounceFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import type { StoredDog, StoredStanding } from '@contract'
import {
  dogOn,
  dueOn,
  holdPart,
  planSeats,
  standLoosely,
  stateHeld,
  WashDay,
  carried,
  placedAgain,
  withToPlace,
  whatChanged,
  type DayFacts,
  type DayFinding,
  type DayOdds,
  type DayState,
  type HeldDay,
  type HoldWish,
  type Relief,
  type Seat,
  type SeatPlan,
  type TriedWay,
  type WhyToPlace,
  type ClashSaid,
} from '@core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import { onChange, onReconnected } from '../../api/live'
import { deviceToday } from '../../parts/words'
import { days, putOn } from '../../api/days'
import { dogs } from '../../api/dogs'
import { useMemory } from '../../stores/memory'
import { useRoom } from '../../stores/room'
import { arrangeDayTwice, askDay, type Running } from '../../workers/dayWorker'
import type { DayAnswers } from '../../workers/jobs'
import { useFollowing, type Followed } from './useFollowing'
import { useJoining } from './useJoining'
import { useKeeping } from './useKeeping'
import { useProving } from './useProving'
import { useSteps } from './useSteps'

const KEPT_PLANS = 6
/** How long the search for a day may take, ms. */
const BUDGET_MS = 2500
/** How long is looked for what can be done about a day that can't be arranged, ms. */
const RELIEF_MS = 60_000

/**
 * One wash day: loads it with its dogs, reckons how it stands on every change, arranges it in a worker, keeps
 * it on the server a moment after each change (what isn't kept yet survives a reload), and can undo.
 */
export function useDay(date: () => string) {
  const memory = useMemory()
  const room = useRoom()

  const keeping = useKeeping()
  const following = useFollowing(date)
  const { stored, day, put } = keeping
  const allDogs = shallowRef<StoredDog[]>([])
  const standings = shallowRef<StoredStanding[]>([])
  const problem = ref<ApiProblem>()
  const steps = useSteps(day, put)
  const preview = shallowRef<{ day: WashDay; state: DayState }>()

  const byId = computed(() => new Map(allDogs.value.map((d) => [d.id, d])))

  /** Plans change with the dogs and what their seats ask, not with when they come: the last few are kept while a hand moves them. */
  const plans = new Map<string, SeatPlan[]>()
  const plansKey = ({ seats, plan, helper, protector }: WashDay) =>
    JSON.stringify([seats.map((s) => [s.id, s.technique, s.service, s.clipCm]), plan?.air, helper !== null, protector])
  /** What the kept plans go by; those of other dogs, bottles or another house are none. */
  let plannedBy: Partial<DayFacts> = {}
  const plannedWith = ({ dogs, shelf, house }: DayFacts) =>
    plannedBy.dogs === dogs && plannedBy.shelf === shelf && plannedBy.house === house
  function rememberPlans(of: DayFacts, seats: SeatPlan[]) {
    if (!plannedWith(of) || plans.size >= KEPT_PLANS) plans.clear()
    plannedBy = of
    plans.set(plansKey(of.day), seats)
  }
  function seatsOf(of: DayFacts): SeatPlan[] {
    const { seats } = of.day
    let planned = plannedWith(of) ? plans.get(plansKey(of.day)) : undefined
    if (!planned) {
      planned = planSeats(of)
      rememberPlans(of, planned)
    }
    const now = new Map(seats.map((s) => [s.id, s]))
    return planned.map((p) => ({ ...p, seat: now.get(p.seat.id)! }))
  }

  const dateOfDay = computed(() => day.value?.date)
  const recipesKept = computed(() => stored.value?.kept)
  /** The dogs as they come on this day: the same object while nothing about them changes. */
  const onDay = computed(() => {
    const come: DayFacts['dogs'] = {}
    for (const { id, record } of allDogs.value)
      come[id] = dogOn(record, dateOfDay.value!, recipesKept.value?.find((k) => k.dogId === id)?.today, memory.of(id))
    return come
  })
  const factsWith = (record: WashDay): { facts: DayFacts; by?: Followed['by'] } | undefined => {
    if (!room.house || !stored.value) return undefined
    const of = { day: record, dogs: onDay.value, shelf: room.shelf, house: room.house }
    const told = following.follow(record, seatsOf(of))
    if (!told) return { facts: of }
    // one that has come is there from then on, whenever it was to come
    const seats = record.seats.map((s) => (told.came[s.id] === undefined ? s : { ...s, arrive: told.came[s.id]! }))
    return { facts: { ...of, day: { ...record, seats, progress: told.progress } }, by: told.by }
  }
  const followed = computed(() => day.value && factsWith(day.value))
  const facts = computed(() => followed.value?.facts)

  const standing = computed<DayState | undefined>(() => facts.value && standLoosely(facts.value, seatsOf(facts.value)))
  const state = computed(() => preview.value?.state ?? standing.value)

  /** The dog of a seat as it is stored, with its colour made different from others of the day. */
  const colours = computed(() => {
    const taken = new Set<number>()
    const given: Record<string, number> = {}
    const ordered = [...(day.value?.seats ?? [])].sort((a, b) => a.arrive - b.arrive)
    for (const seat of ordered) {
      const own = byId.value.get(seat.dogId)?.record.colour ?? 0
      const free = [own, 0, 1, 2, 3, 4, 5, 6, 7].find((c) => !taken.has(c)) ?? own
      taken.add(free)
      given[seat.id] = free
    }
    return given
  })

  /** Which opening is the last one: an answer to an earlier one comes too late. */
  let turn = 0
  async function open() {
    const mine = ++turn
    const asked = date()
    problem.value = undefined
    preview.value = undefined
    stopArranging()
    plans.clear()
    if (day.value && day.value.date !== asked) await keeping.leave()
    else await keeping.flush()
    try {
      const [found, , list, standingDogs] = await Promise.all([
        days.get(asked),
        room.load(),
        dogs.all(),
        days.standings(),
      ])
      if (mine !== turn) return
      await memory.load(found.record.seats.map((s) => s.dogId))
      if (mine !== turn) return
      allDogs.value = list
      standings.value = standingDogs
      keeping.begin(found)
      if (day.value) steps.begin(day.value)
      if (day.value?.seats.length && !day.value.plan && found.record.date >= deviceToday()) void arrange()
    } catch (error) {
      if (mine === turn) problem.value = asProblem(error)
    }
  }

  /** Reads again what another window or device may have changed: the day unless it is being changed here, and what it is reckoned from. */
  let looks = 0
  async function lookAgain() {
    const mine = ++looks
    const before = JSON.stringify([stored.value?.kept, allDogs.value, room.house, room.shelf, memory.known])
    try {
      const [taken, , list, standingDogs] = await Promise.all([
        keeping.catchUp(),
        room.load(),
        dogs.all(),
        days.standings(),
      ])
      // what another one did isn't undone from here
      if (taken && day.value) steps.begin(day.value)
      // what was read for an earlier look may lack what was entered since
      if (mine !== looks) return
      await memory.load((day.value?.seats ?? []).map((s) => s.dogId))
      standings.value = standingDogs
      if (JSON.stringify(list) !== JSON.stringify(allDogs.value)) allDogs.value = list
    } catch {
      // what is shown stays; the next change or the connection's return asks again
    }
    const after = JSON.stringify([stored.value?.kept, allDogs.value, room.house, room.shelf, memory.known])
    if (before !== after) plans.clear()
  }
  const soonAgain = useDebounceFn(lookAgain, 100)
  onChange(({ what, date: on }) => {
    if (!stored.value || what === 'taps' || what === 'findings') return
    if (on === undefined || on === date()) void soonAgain()
  })
  onReconnected(() => void (stored.value && soonAgain()))

  /** Changes the day; what it was can be brought back. Undefined or the words of the first thing that is wrong. */
  function change(record: WashDay): string | undefined {
    const checked = WashDay.safeParse(placedAgain(record))
    if (!checked.success) return checked.error.issues[0]?.message
    steps.go(checked.data)
    return undefined
  }

  function undo() {
    stopArranging()
    steps.undo()
  }
  function redo() {
    stopArranging()
    steps.redo()
  }
  const nameOf = (dogId: string) => byId.value.get(dogId)?.record.name ?? 'a dog'
  /** What undo takes back, and redo does again; undefined where there is nothing. */
  const undoes = computed(() => steps.before.value && day.value && whatChanged(steps.before.value, day.value, nameOf))
  const redoes = computed(() => steps.after.value && day.value && whatChanged(day.value, steps.after.value, nameOf))

  const arranging = ref<{ share: number; objective?: number; bound?: number }>()
  const clash = ref<ClashSaid[]>()
  /** What can be done about a day that can't be arranged, as far as it is found. */
  const relief = shallowRef<Relief & { done: boolean }>()
  let relieving: Running<DayAnswers['relieve']> | undefined
  let running: Running<DayAnswers['arrange']> | undefined

  /** Searches a better order in the worker, shows the best so far, and keeps it. */
  async function arrange() {
    if (!facts.value || facts.value.day.seats.length === 0) return
    stopArranging()
    const began = facts.value
    const of = day.value
    const seed = 1 + steps.count.value
    arranging.value = { share: 0 }
    clash.value = undefined
    stopRelieving()
    const mine = (running = arrangeDayTwice(
      began,
      { kind: 'arrange', budgetMs: BUDGET_MS, seed },
      ({ share, best, stand }) => {
        if (running !== mine || day.value !== of) return
        arranging.value = { share, objective: best?.objective, bound: best?.lowerBound }
        if (stand) preview.value = stand
      },
    ))
    try {
      const outcome = await mine.answer
      if (running !== mine || !outcome || !of || day.value !== of) return
      preview.value = undefined
      if (outcome.ok) {
        const arranged = { ...of, plan: outcome.day.plan }
        if (outcome.seats) rememberPlans({ ...began, day: arranged }, outcome.seats)
        change(arranged)
        const { plan: _plan, ...worth } = outcome.day
        void proving.look(worth)
      } else {
        clash.value = outcome.clash
        void relieve(began)
      }
    } catch (error) {
      problemOfWork.value = asProblem(error)
    } finally {
      if (running === mine) {
        running = undefined
        arranging.value = undefined
        preview.value = undefined
      }
    }
  }

  function stopRelieving() {
    relieving?.cancel()
    relieving = undefined
    relief.value = undefined
  }
  /** Finds out what can be done about a day that can't be arranged. */
  async function relieve(now: DayFacts) {
    relief.value = { ways: [], done: false }
    const mine = (relieving = askDay<'relieve'>(now, { kind: 'relieve', budgetMs: RELIEF_MS }, (found) => {
      if (relieving === mine) relief.value = { ...found, done: false }
    }))
    const found = await mine.answer.catch(() => undefined)
    if (relieving === mine) relief.value = { ways: [], ...found, done: true }
  }
  /** Goes by what is found so far. */
  function endRelief() {
    relieving?.cancel()
    relieving = undefined
    if (relief.value) relief.value = { ...relief.value, done: true }
  }

  /** Stops the search; `keep` takes the best day it has shown. */
  function stopArranging(keep = false) {
    const best = preview.value
    running?.cancel()
    running = undefined
    arranging.value = undefined
    preview.value = undefined
    if (keep && best && day.value) change({ ...day.value, plan: best.day.plan })
  }

  const problemOfWork = ref<ApiProblem>()
  const proving = useProving(day, () => facts.value)
  /** Takes the better order that was found behind all else. */
  function takeBetter() {
    const known = proving.proof.value?.known
    if (!known?.better || !day.value) return
    const { plan, ...worth } = known.better
    change({ ...day.value, plan })
    void proving.look(worth)
  }

  const dayHeld = (held: HeldDay) => ({
    day: { ...day.value!, seats: held.seats, plan: held.plan },
    state: stateHeld(standing.value!, held),
  })

  /** How the day would stand with a part of a visit held to a minute of the clock; undefined when it can't be there. */
  function heldTo(wish: HoldWish): { day: WashDay; state: DayState } | undefined {
    const found = facts.value && standing.value && holdPart(facts.value, standing.value, wish)
    return found && dayHeld(found)
  }
  /** The same, reckoned in the worker: for a hand that is moving. */
  async function askHeld(wish: HoldWish) {
    if (!facts.value) return undefined
    const of = day.value
    const found = await askDay<'hold'>(facts.value, { kind: 'hold', wish }).answer
    return found && standing.value && day.value === of ? dayHeld(found) : undefined
  }
  const show = (held: { day: WashDay; state: DayState } | undefined) => (preview.value = held)

  const odds = shallowRef<DayOdds | null>(null)
  const ways = shallowRef<{ finding: DayFinding; tried: TriedWay[]; done: boolean }>()
  /** The trouble whose ways out are wanted: the one that is shown. */
  const wanted = shallowRef<DayFinding>()
  let chances: Running<DayAnswers['odds']> | undefined
  let hunt: Running<DayAnswers['ways']> | undefined

  async function reckonOdds(now: DayFacts) {
    const mine = (chances = askDay<'odds'>(now, { kind: 'odds' }))
    const got = await mine.answer.catch(() => null)
    if (chances === mine) odds.value = got ?? null
  }

  /** Looks for ways out of the trouble that is shown; they come as they are found. */
  async function findWays(now: DayFacts, finding: DayFinding) {
    hunt?.cancel()
    ways.value = { finding, tried: [], done: false }
    const mine = (hunt = askDay<'ways'>(now, { kind: 'ways', finding }, (tried) => {
      if (hunt === mine && ways.value) ways.value = { finding, tried: [...ways.value.tried, tried], done: false }
    }))
    const tried = await mine.answer.catch(() => undefined)
    if (hunt === mine && tried) ways.value = { finding, tried, done: true }
  }

  /** Asks for the chances and for ways out, once the day has come to rest. */
  const lookAround = useDebounceFn(() => {
    const now = facts.value
    if (!now || !standing.value?.schedule) {
      odds.value = null
      return
    }
    void reckonOdds(now)
    const finding = standing.value.findings.find((f) => f.id === wanted.value?.id) ?? standing.value.findings[0]
    if (finding) void findWays(now, finding)
  }, 250)

  /** Another trouble is looked at: ways out of it are wanted at once. */
  function lookForWays(finding: DayFinding) {
    wanted.value = finding
    if (ways.value?.finding.id === finding.id || !facts.value) return
    void findWays(facts.value, finding)
  }

  const due = computed(() => {
    const on = new Set(day.value?.seats.map((s) => s.dogId))
    return standings.value.filter(
      (s) => day.value && byId.value.has(s.record.dogId) && !on.has(s.record.dogId) && dueOn(s.record, day.value.date),
    )
  })

  /**
   * Takes dogs off this day and puts them on another, beside those that are there; answers who wasn't there yet, by
   * their ids. Throws an ApiProblem, and nothing is moved then.
   */
  async function moveTo(seatIds: readonly string[], target: string) {
    if (!day.value) return []
    const moved = await putOn(target, seatsOn(seatIds), day.value)
    without(seatIds)
    return moved
  }
  const seatsOn = (seatIds: readonly string[]) =>
    carrying((day.value?.seats ?? []).filter((s) => seatIds.includes(s.id)))
  /** Seats with what their dogs come for on this day, as another day takes them. */
  function carrying(seats: readonly Seat[]): Seat[] {
    const planned = new Map(state.value?.seats.map((s) => [s.seat.id, s.today]))
    return seats.map((s) => (planned.has(s.id) ? carried(s, planned.get(s.id)!) : s))
  }
  /** Takes dogs off this day and arranges the rest. */
  function without(seatIds: readonly string[]) {
    if (!day.value) return
    change({ ...day.value, seats: day.value.seats.filter((s) => !seatIds.includes(s.id)) })
    if (!standing.value?.schedule) void arrange()
  }
  /** The same with dogs that have no other day yet: they are to be placed. */
  function leaveOut(seatIds: readonly string[], why: WhyToPlace) {
    if (!day.value) return
    change(withToPlace(day.value, seatsOn(seatIds), why))
    if (!standing.value?.schedule) void arrange()
  }
  /** Takes a way out; who has no place in it is to be placed. */
  function takeWay(way: WashDay) {
    if (!day.value) return
    const stays = new Set(way.seats.map((s) => s.id))
    const gone = seatsOn(day.value.seats.flatMap((s) => (stays.has(s.id) ? [] : [s.id])))
    // how far the day is, the tub and the clock say anew
    change(withToPlace({ ...way, progress: day.value.progress }, gone, 'doesNotFit'))
  }
  /** A dog that was just entered is known here at once. */
  function know(dog: StoredDog) {
    if (!byId.value.has(dog.id)) allDogs.value = [...allDogs.value, dog]
  }

  const joining = useJoining({ day, facts, isToday: following.isToday, change, arrange })

  watch(date, open, { immediate: true })
  watch(standing, () => {
    chances?.cancel()
    hunt?.cancel()
    hunt = undefined
    ways.value = undefined
    void lookAround()
    joining.tryAgain()
    if (clash.value && standing.value?.schedule) {
      clash.value = undefined
      stopRelieving()
    }
  })

  return {
    stored,
    day,
    facts,
    /** By what today is followed; undefined on another day, and while nothing of it can be over. */
    follows: computed(() => followed.value?.by),
    isToday: following.isToday,
    tubDay: following.tubDay,
    state,
    standing,
    preview,
    problem,
    saveProblem: keeping.problem,
    newer: keeping.newer,
    colours,
    byId,
    allDogs,
    due,
    odds,
    ways,
    arranging,
    clash,
    relief,
    endRelief,
    proving,
    takeBetter,
    problemOfWork,
    undoes,
    redoes,
    open,
    change,
    undo,
    redo,
    arrange,
    stopArranging,
    heldTo,
    askHeld,
    show,
    lookForWays,
    joining,
    moveTo,
    carrying,
    leaveOut,
    takeWay,
    know,
    keepMine: keeping.keepMine,
    takeTheirs() {
      keeping.takeTheirs()
      if (day.value) steps.begin(day.value)
    },
  }
}
