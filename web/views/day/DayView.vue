<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { useTimeNow } from '../../device/clock'
import { refThrottled, useEventListener } from '@vueuse/core'
import { computed, defineAsyncComponent, nextTick, ref, useTemplateRef, watch } from 'vue'
import {
  asPlanned,
  bookedOf,
  gapOf,
  ownerTimes,
  progressAt,
  seatFor,
  taskOf,
  withAdvice,
  withOwnerTimes,
  withToPlace,
  type AdvisedTimes,
  type JoinTime,
  wonBy,
  type DayFinding,
  type Progress,
  type TriedWay,
  type WashDay,
} from '@core/washday'
import { asProblem } from '../../api/client'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday, isTyping } from '../../parts/words'
import { useRoom } from '../../stores/room'
import DayClock from './DayClock.vue'
import DayFoot from './DayFoot.vue'
import DayHead from './DayHead.vue'
import DayNotices from './DayNotices.vue'
import DayOrder from './DayOrder.vue'
import FindingBasin from './FindingBasin.vue'
import OwnerTimesBasin from './OwnerTimesBasin.vue'
import FollowUps from './FollowUps.vue'
import StockShort from './StockShort.vue'
import SlipList from './SlipList.vue'
import ToBePlaced from '../../parts/ToBePlaced.vue'
import type { DayPanel } from './panels'
import { useDay } from './useDay'
import { useElsewhere } from './useElsewhere'
import { useMoves } from './useMoves'
import { betterWords, gapWords, rhythmWords, taskWords } from '@words'
import { useSay } from '../../say'

const say = useSay()
/** Its table loads when it is shown. */
const DayTable = defineAsyncComponent(() => import('./DayTable.vue'))
const AddDogs = defineAsyncComponent(() => import('./AddDogs.vue'))
const OwnersList = defineAsyncComponent(() => import('./OwnersList.vue'))
const OwnersTimes = defineAsyncComponent(() => import('./OwnersTimes.vue'))
const DayTrades = defineAsyncComponent(() => import('./DayTrades.vue'))
const DaySettings = defineAsyncComponent(() => import('./DaySettings.vue'))
const RunningLate = defineAsyncComponent(() => import('./RunningLate.vue'))
const SeatPanel = defineAsyncComponent(() => import('./SeatPanel.vue'))
const WhoIsWhere = defineAsyncComponent(() => import('./WhoIsWhere.vue'))
const DayEvening = defineAsyncComponent(() => import('./DayEvening.vue'))
const PrepareList = defineAsyncComponent(() => import('./PrepareList.vue'))

const { date, show = 'clock' } = defineProps<{ date: string; show?: string }>()
const room = useRoom()
const book = useDay(() => date)
const {
  day,
  facts,
  state: live,
  problem,
  saveProblem,
  newer,
  colours,
  odds,
  ways,
  arranging,
  clash,
  relief,
  due,
  undoes,
  redoes,
} = book

const selected = ref<string>()
const panel = ref<DayPanel | undefined>(show === 'late' ? 'late' : undefined)
const pointed = ref<DayFinding>()
/** Whether what the day's order gives and takes is being looked at. */
const trades = ref(false)

const side = useTemplateRef('side')
watch(selected, async (now) => {
  if (!now) return
  await nextTick()
  side.value?.querySelector('.seat')?.scrollIntoView({ block: 'nearest', behavior: 'smooth' })
})
const article = useTemplateRef('article')
watch(panel, async (now) => {
  if (!now) return
  await nextTick()
  const place = now === 'settings' ? article.value : side.value
  const { top } = place?.getBoundingClientRect() ?? { top: 0 }
  // opened from the foot of the view: brought into sight
  if (top < 0) place?.scrollIntoView({ block: 'start', behavior: 'smooth' })
})

watch(
  () => date,
  () => {
    selected.value = undefined
    panel.value = undefined
    refused.value = undefined
    moves.refused.value = undefined
  },
)

const clock = useTimeNow(30_000)
const { isToday } = book
const wall = computed(() => 60 * clock.value.getHours() + clock.value.getMinutes())
/** Where the day stands: what was said of it, else the clock on the wall while the day goes on. */
const now = computed(() => {
  if (!day.value || !state.value?.run) return undefined
  if (isToday.value && wall.value > day.value.hours.from && wall.value < state.value.run.dayEnd + 60)
    return Math.max(wall.value, day.value.progress?.now ?? 0)
  return day.value.progress?.now
})

const likelyBy = computed(() => {
  const end = odds.value?.end
  if (!end || !day.value) return undefined
  return say.clock(Math.max(end.ready[2] + day.value.hours.from, state.value?.run?.dayEnd ?? 0))
})
/** A day that is late more often than this is told through what. */
const SELDOM = 0.01
const laterBy = computed(() => {
  const end = odds.value?.end
  if (!end?.culprit || !state.value || end.onTime > 1 - SELDOM) return undefined
  const task = taskOf(end.culprit, state.value.seats)
  return task && taskWords(task)
})
/** Seats whose times are to stay open, as somebody said. */
const leftOpen = ref<readonly string[]>([])
const timesForOwners = computed(() => {
  if (!day.value || !state.value || arranging.value || moving.value) return []
  const from = day.value.hours.from
  const likely = Object.entries(odds.value?.dogs ?? {}).map(([id, chance]) => [id, chance.ready[2] + from])
  return ownerTimes(day.value, state.value, Object.fromEntries(likely)).filter(
    (t) => !leftOpen.value.includes(t.seatId),
  )
})
const known = computed(() => book.proving.proof.value?.known)
const { looking } = book.proving
const gap = computed(() => known.value && gapWords(gapOf(known.value), say))
const better = computed(() => {
  if (!known.value?.better) return undefined
  return betterWords(wonBy(known.value.better, known.value), say)
})

const { problem: tubProblem, moveAway, moveOne, toTheTub, visitOf, comesFor } = useElsewhere(book, live)
/** Why what was last asked of the day isn't done. */
const refused = ref<string>()
const moves = useMoves(book)
const { moving, refused: notThere, hold, drag, drop, letGo, letLostGo, changeSeat } = moves
/** How often all but the clock's ribbons follows a moving hand, ms. */
const FOLLOWS_MS = 250
const followed = refThrottled(live, FOLLOWS_MS)
const state = computed(() => (moving.value ? followed.value : live.value))
/** Pins that can’t hold any more; what is being moved shows for itself. */
const lost = computed(() => (moving.value ? [] : (state.value?.lost ?? [])))
function remove(seatId: string) {
  selected.value = undefined
  moves.remove(seatId)
}
function take(way: TriedWay) {
  book.takeWay(way.day)
}
function takeTimes(advice: AdvisedTimes) {
  panel.value = undefined
  book.change(withAdvice(day.value!, advice))
}
function replan(progress: Progress) {
  panel.value = undefined
  book.change({ ...day.value!, progress })
  void book.arrange()
}
function addDue() {
  for (const { record } of due.value) book.joining.addDog(record.dogId, bookedOf(record))
}
/** A past day that is meant all the same. */
const meantPast = ref<string>()
const asksPast = computed(() => date < deviceToday() && meantPast.value !== date)
const { joining } = book
const rest = computed(() => book.allDogs.value.filter((d) => !day.value?.seats.some((s) => s.dogId === d.id)))
async function addOne(dogId: string, at: JoinTime | 'best' | 'any') {
  panel.value = undefined
  try {
    refused.value =
      at === 'best' ? await joining.addWhenBest(dogId) : at === 'any' ? joining.addDog(dogId) : joining.addAt(dogId, at)
  } catch (error) {
    refused.value = asProblem(error).detail
  }
}
/** A dog that the day doesn't take is to be placed. */
function later(dogId: string) {
  book.change(withToPlace(day.value!, [seatFor(dogId, day.value!)], 'doesNotFit'))
}
/** What the list of dogs that may join goes by, on an empty day as on any other. */
const joins = computed(() => ({
  date,
  dogs: rest.value,
  fits: joining.fits.value,
  times: joining.times.value,
  onAdd: addOne,
  onAsk: joining.tryDogs,
  onLook: joining.lookForTimes,
  onEntered: book.know,
  onLater: later,
}))
async function rehome(seatIds: readonly string[], target: string) {
  for (const id of seatIds) await moveOne(id, target)
}
function moveSelected(target: string) {
  const seatId = selected.value!
  selected.value = undefined
  void moveOne(seatId, target)
}
function setDay(changed: WashDay, said: (why: string | undefined) => void) {
  said(book.change(changed))
}

function arrangeNow() {
  refused.value = moves.refused.value = undefined
  void book.arrange()
}
/** Something should have begun by now, and nothing is known of it. */
const begunByPlan = computed(() => {
  if (book.follows.value !== 'clock' || !facts.value || !state.value) return false
  const { schedule } = asPlanned(facts.value, state.value)
  const opens = facts.value.day.hours.from
  return Object.values(schedule?.tasks ?? {}).some((start) => start + opens < wall.value)
})
/** What by the plan is over by now is over, and what is under way is. */
function wentAsPlanned() {
  const { problem: whole, schedule } = asPlanned(facts.value!, state.value!)
  if (schedule) book.change({ ...day.value!, progress: progressAt(facts.value!.day, whole, schedule, wall.value) })
}
const dropPlan = () => book.change({ ...day.value!, progress: null })
useEventListener('keydown', (event: KeyboardEvent) => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey) return
  if (isTyping(event.target)) return
  const key = event.key.toLowerCase()
  if (key === 'z' && !event.shiftKey) book.undo()
  else if (key === 'y' || (key === 'z' && event.shiftKey)) book.redo()
  else return
  event.preventDefault()
})
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton kind="link" @click="book.open">Try again</UiButton>
  </ProblemNote>
  <div v-else-if="!day || !state || !facts || !room.house" class="loading" aria-busy="true">
    <h1>{{ say.date(date) }}</h1>
    <div v-for="n in 5" :key="n" class="empty-rail" />
    <p class="soft" role="status">Working out the day</p>
  </div>
  <article v-else ref="article" class="day">
    <DayHead
      :date="date"
      :facts="facts"
      :state="state"
      :show="show"
      :over="date <= deviceToday()"
      :likely-by="likelyBy"
      :later-by="laterBy"
      :arranged="day.plan !== null"
      :arranging="arranging"
      @arrange="arrangeNow"
      @stop="book.stopArranging"
      @add="panel = panel === 'add' ? undefined : 'add'"
    />

    <ProblemNote v-if="saveProblem" :problem="saveProblem">
      <template v-if="newer">
        <UiButton kind="link" @click="book.keepMine">Keep mine</UiButton>
        <UiButton kind="link" @click="book.takeTheirs">Take the other</UiButton>
      </template>
      <p v-else>What you did is saved on this device. It is sent when the server can be reached.</p>
    </ProblemNote>
    <ProblemNote v-if="book.problemOfWork.value" :problem="book.problemOfWork.value" />
    <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
    <p v-if="book.follows.value === 'tub'" class="follows" data-testid="follows">
      Follows the tub: what is done stays where it was. What is left begins no earlier than
      {{ say.clock(facts.day.progress?.now ?? wall) }}.
    </p>
    <div v-else-if="day.progress" class="due basin">
      <p>
        The day stands at <strong>{{ say.clock(facts.day.progress?.now ?? day.progress.now) }}</strong>: what is done
        stays where it was.
      </p>
      <UiButton kind="link" @click="dropPlan">Forget that, plan the whole day</UiButton>
    </div>
    <div v-else-if="begunByPlan" class="due basin" data-testid="not-begun">
      <p>
        It is <strong>{{ say.clock(wall) }}</strong> and nothing was begun yet: all of it is planned from now on.
      </p>
      <UiButton @click="wentAsPlanned">It goes as planned</UiButton>
    </div>

    <DaySettings v-if="panel === 'settings'" :day="day" :house="room.house" @change="setDay" />

    <section v-if="state.seats.length === 0" class="none">
      <h2>No dogs on this day</h2>
      <template v-if="asksPast">
        <p>It is past. What was done on it can be put down all the same.</p>
        <UiButton kind="link" @click="meantPast = date">Add a dog to it</UiButton>
      </template>
      <template v-else>
        <p>Add one: water, minutes and order are worked out for you.</p>
        <AddDogs first v-bind="joins" />
      </template>
      <ToBePlaced />
    </section>

    <template v-else>
      <StockShort :date="date" :state="state" />
      <DayNotices
        v-if="show === 'clock'"
        :day="day"
        :state="state"
        :clash="clash"
        :relief="relief"
        :lost="lost"
        :settled="!arranging"
        @let-go="letLostGo(lost)"
        @leave="book.leaveOut($event, 'doesNotFit')"
        @move="moveAway"
        @rehome="rehome"
        @take="take"
        @stop="book.endRelief"
      />
      <PrepareList
        v-if="show === 'prepare'"
        :facts="facts"
        :state="state"
        @tick="book.change({ ...day!, ticks: $event })"
      />
      <DayEvening v-else-if="show === 'evening'" :facts="facts" @tick="book.change({ ...day!, ticks: $event })" />
      <DayTable v-else-if="show === 'table'" :facts="facts" :state="state" />
      <template v-else>
        <FindingBasin
          v-if="state.run && state.findings.length > 0"
          :findings="state.findings"
          :ways="ways"
          @look="book.lookForWays"
          @take="take"
          @show="pointed = $event"
        />
        <div class="board">
          <div ref="side" class="side">
            <div v-if="panel === 'add' && asksPast" class="due basin" role="alert">
              <p>This day is past. Add a dog to it all the same?</p>
              <UiButton @click="meantPast = date">Yes, add one</UiButton>
              <UiButton kind="link" @click="panel = undefined">No</UiButton>
            </div>
            <AddDogs v-else-if="panel === 'add'" v-bind="joins" @close="panel = undefined" />
            <RunningLate
              v-else-if="panel === 'late' && isToday && state.schedule"
              :facts="facts"
              :state="state"
              :clock="wall"
              :follows="book.follows.value === 'tub'"
              @replan="replan"
              @close="panel = undefined"
            />
            <OwnersList
              v-if="panel === 'messages'"
              :day="day"
              :state="state"
              @tick="book.change({ ...day!, ticks: $event })"
              @times="panel = 'times'"
              @close="panel = undefined"
            />
            <OwnersTimes
              v-if="panel === 'times' && !arranging && !moving"
              :facts="facts"
              :state="state"
              @take="takeTimes"
              @close="panel = undefined"
            />
            <WhoIsWhere
              v-if="book.tubDay.value"
              :day="facts.day"
              :tub="book.tubDay.value"
              :state="state"
              :odds="odds"
              :house="room.house"
              :now="clock"
              @late="panel = 'late'"
              @tick="book.change({ ...day!, ticks: $event })"
            />
            <SlipList
              :day="facts.day"
              :state="state"
              :colours="colours"
              :odds="odds"
              :selected="selected"
              @select="selected = selected === $event ? undefined : $event"
            >
              <template #panel>
                <SeatPanel
                  :key="selected"
                  :day="day"
                  :state="state"
                  :seat-id="selected!"
                  :odds="odds"
                  :not-there="notThere"
                  :visit-id="visitOf(selected!)"
                  :progress="facts.day.progress?.tasks"
                  @close="selected = undefined"
                  @change="changeSeat"
                  @comes-for="comesFor(selected!, $event)"
                  @hold="hold"
                  @remove="remove(selected!)"
                  @tub="toTheTub(selected!)"
                  @move="moveSelected"
                />
              </template>
            </SlipList>
            <ToBePlaced />
            <div v-if="due.length > 0" class="due basin">
              <p>
                Comes regularly and is due:
                <template v-for="(s, i) in due" :key="s.id"
                  >{{ i > 0 ? '; ' : '' }}<strong>{{ book.byId.value.get(s.record.dogId)?.record.name }}</strong
                  >, {{ rhythmWords(s.record, say) }}</template
                >.
              </p>
              <UiButton @click="addDue"> Put {{ due.length === 1 ? 'it' : 'them' }} on the day </UiButton>
            </div>
            <OwnerTimesBasin
              v-if="timesForOwners.length > 0 && panel !== 'times'"
              :date="date"
              :times="timesForOwners"
              :name-of="(id) => book.byId.value.get(id)?.record.name ?? ''"
              @take="book.change(withOwnerTimes(day!, timesForOwners))"
              @leave="leftOpen = [...leftOpen, ...timesForOwners.map((t) => t.seatId)]"
            />
            <FollowUps v-if="isToday" :on="date" />
          </div>
          <div class="course">
            <DayClock
              :day="day"
              :state="live ?? state"
              :run="state.run"
              :house="room.house"
              :colours="colours"
              :selected="selected"
              :now="now"
              :finding="pointed"
              :moving="moving || arranging !== undefined"
              :refused="notThere"
              @select="selected = selected === $event ? undefined : $event"
              @hold="hold"
              @drag="drag"
              @drop="drop"
              @let-go="letGo"
            />
            <DayOrder
              :arranging="arranging !== undefined || day.plan === null"
              :undoes="undoes"
              :redoes="redoes"
              :judged="!arranging && state.schedule !== undefined"
              :gap="gap"
              :better="better"
              :looking="looking"
              :trades="trades"
              @arrange="arrangeNow"
              @undo="book.undo"
              @redo="book.redo"
              @look="book.proving.look()"
              @stop="book.proving.stop"
              @take="book.takeBetter"
              @trades="trades = !trades"
            />
            <DayTrades
              v-if="trades && !arranging && !moving && state.schedule"
              :facts="facts"
              :state="state"
              @take="book.change({ ...day!, plan: $event })"
              @close="trades = false"
            />
          </div>
        </div>
      </template>
      <p v-if="tubProblem" class="field-error" role="alert">{{ tubProblem.detail }}</p>
      <DayFoot v-model:panel="panel" :date="date" :day="day" :today="isToday" :carrying="book.carrying" />
    </template>
  </article>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: 304px minmax(0, 1fr);
  gap: 18px;
  align-items: start;
  margin-top: 8px;
}
.course {
  min-width: 0;
}
.side {
  display: grid;
  gap: 12px;
}
.due {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  margin-top: 8px;
  padding: 8px 16px 10px;
}
.refused {
  margin-top: 8px;
  color: var(--stop);
  font-weight: 600;
}
.follows {
  margin: 6px 0;
  font-weight: 600;
}
.none {
  max-width: 620px;
  margin-top: 10px;
}
.none .add {
  margin-top: 12px;
}
.empty-rail {
  height: 56px;
  margin-top: 10px;
  border-top: 2px solid var(--rim);
  background: var(--enamel);
}
@media (max-width: 900px) {
  .board {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
