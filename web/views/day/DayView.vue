<script setup lang="ts">
import { useEventListener, useNow } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { addDays } from '../../../core/visit'
import { list, minutesText, say } from '../../../core/units'
import {
  clockText,
  emptyDay,
  mixingList,
  rhythmWords,
  type DayFinding,
  type Progress,
  type Seat,
  type TriedWay,
  type WashDay,
} from '../../../core/washday'
import { asProblem, type ApiProblem } from '../../api'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday, longDate } from '../../parts/words'
import { useDays } from '../../stores/days'
import { useRoom } from '../../stores/room'
import { useVisits } from '../../stores/visits'
import AddDogs from './AddDogs.vue'
import DayClock from './DayClock.vue'
import DaySettings from './DaySettings.vue'
import DayTable from './DayTable.vue'
import FindingBasin from './FindingBasin.vue'
import PrepareList from './PrepareList.vue'
import RunningLate from './RunningLate.vue'
import SeatPanel from './SeatPanel.vue'
import SlipList from './SlipList.vue'
import { useDay } from './useDay'

const { date, show = 'clock' } = defineProps<{ date: string; show?: string }>()
const router = useRouter()
const room = useRoom()
const days = useDays()
const visits = useVisits()
const book = useDay(() => date)
const { day, facts, state, problem, saveProblem, newer, colours, odds, ways, arranging, clash, due } = book

const selected = ref<string>()
const panel = ref<'add' | 'late' | 'settings' | undefined>(show === 'late' ? 'late' : undefined)
const moving = ref(false)
const refused = ref<string>()
const pointed = ref<DayFinding>()
const copied = ref<string>()
const copyProblem = ref<ApiProblem>()

const side = useTemplateRef('side')
watch(selected, async (now) => {
  if (!now) return
  await nextTick()
  side.value?.querySelector('.seat')?.scrollIntoView({ block: 'nearest', behavior: 'smooth' })
})

watch(
  () => date,
  () => {
    selected.value = undefined
    panel.value = undefined
    refused.value = undefined
    copied.value = undefined
  },
)

const clock = useNow({ interval: 30_000 })
const isToday = computed(() => date === deviceToday())
const wall = computed(() => 60 * clock.value.getHours() + clock.value.getMinutes())
/** Where the day stands: what was said of it, else the clock on the wall while the day goes on. */
const now = computed(() => {
  if (!day.value || !state.value?.run) return undefined
  if (isToday.value && wall.value > day.value.hours.from && wall.value < state.value.run.dayEnd + 60)
    return Math.max(wall.value, day.value.progress?.now ?? 0)
  return day.value.progress?.now
})

const summary = computed(() => {
  const s = state.value
  if (!s || !day.value) return undefined
  const dogs = `${s.seats.length} ${s.seats.length === 1 ? 'dog' : 'dogs'}`
  const towels = s.seats.reduce((sum, p) => sum + (p.plan.go ? p.plan.towels.value : 0), 0)
  return s.run
    ? { dogs, hands: minutesText(s.run.handMinutes), end: clockText(s.run.dayEnd), hot: say(s.run.hotUsed, 0), towels }
    : { dogs, hands: '', end: '', hot: '', towels }
})
const mixes = computed(() => {
  if (!facts.value || !state.value) return ''
  const all = mixingList(facts.value, state.value.seats)
  return list(
    all.map(
      (m) =>
        `${say(
          m.vessels.reduce((sum, v) => sum + v.productMl, 0),
          0,
        )} mL ${m.product} to ${say(m.neededMl + m.leftoverMl, 0)} mL`,
    ),
  )
})
const endChance = computed(() => {
  const end = odds.value?.end
  if (!end || !day.value) return undefined
  return { by: clockText(end.ready[2] + day.value.hours.from), share: Math.round(100 * end.onTime) }
})
const calm = computed(() => {
  const end = endChance.value
  return end ? `9 in 10 days like this you are done by ${end.by}.` : 'Water, circuit, ears, crates and pick-ups.'
})
const optimum = computed(() => {
  const p = book.proof.value
  if (!p) return undefined
  if (p.proven) return 'No arrangement of this day is better.'
  const gap = (100 * (p.objective - p.lowerBound)) / p.objective
  return gap < 60 ? `At most ${say(gap, 0)} % from the best there can be.` : undefined
})

function hold(seatId: string, part: string, at: number) {
  const held = book.heldTo(seatId, part, at)
  if (!held) {
    refused.value = `It can’t begin at ${clockText(Math.max(0, at))}: ${whyNot(seatId, at)}`
    return
  }
  refused.value = undefined
  book.change(held.day)
}
function whyNot(seatId: string, at: number): string {
  const seat = day.value!.seats.find((s) => s.id === seatId)!
  if (at < seat.arrive) return `the dog comes at ${clockText(seat.arrive)}.`
  if (day.value!.progress && at < day.value!.progress.now) return 'that is over.'
  if (day.value!.seats.some((s) => s.id !== seatId && Object.keys(s.pins).length > 0))
    return 'another pin stands in the way. Let it go first.'
  return 'what comes before it needs that time, or a pause, a helper or a last place in the tub stands in the way.'
}
function drag(seatId: string, part: string, at: number) {
  moving.value = true
  const held = book.heldTo(seatId, part, at)
  refused.value = held ? undefined : `It can’t begin at ${clockText(Math.max(0, at))}: ${whyNot(seatId, at)}`
  if (held) book.show(held)
}
function drop() {
  moving.value = false
  const held = book.preview.value
  book.show(undefined)
  if (held) book.change(held.day)
}
function letGo(seatId: string) {
  book.change({ ...day.value!, seats: day.value!.seats.map((s) => (s.id === seatId ? { ...s, pins: {} } : s)) })
}
const changeSeat = (seat: Seat) =>
  book.change({ ...day.value!, seats: day.value!.seats.map((s) => (s.id === seat.id ? seat : s)) })
function remove(seatId: string) {
  selected.value = undefined
  book.change({ ...day.value!, seats: day.value!.seats.filter((s) => s.id !== seatId) })
}
function take(way: TriedWay) {
  book.change(way.day)
}
function replan(progress: Progress) {
  panel.value = undefined
  book.change({ ...day.value!, progress })
  void book.arrange()
}
function addDue() {
  for (const { record } of due.value) book.addDog(record.dogId, { arrive: record.arrive, pickup: record.pickup })
}
function addOne(dogId: string) {
  refused.value = book.addDog(dogId)
  panel.value = undefined
}
function setDay(changed: WashDay, said: (why: string | undefined) => void) {
  said(book.change(changed))
}

async function copyTo(target: string) {
  copyProblem.value = undefined
  if (!day.value || !room.house || !/^\d{4}-\d{2}-\d{2}$/.test(target) || target === date) return
  try {
    const there = await days.get(target)
    const base =
      there.version > 0
        ? there.record
        : { ...emptyDay(target, room.house), helper: day.value.helper, hours: day.value.hours }
    const known = new Set(base.seats.map((s) => s.dogId))
    const more = day.value.seats.filter((s) => !known.has(s.dogId)).map((s) => ({ ...s, pins: {}, event: null }))
    await days.keep(there.version, { ...base, seats: [...base.seats, ...more] })
    copied.value = target
  } catch (error) {
    copyProblem.value = asProblem(error)
  }
}

function arrangeNow() {
  refused.value = undefined
  void book.arrange()
}
const dropPlan = () => book.change({ ...day.value!, progress: null })
const scheduleGone = computed(
  () => state.value && state.value.seats.length > 0 && !state.value.schedule && !arranging.value,
)
const rest = computed(() => book.allDogs.value.filter((d) => !day.value?.seats.some((s) => s.dogId === d.id)))
const visitOf = (seatId: string) => {
  const dogId = day.value?.seats.find((s) => s.id === seatId)?.dogId
  return book.stored.value?.kept.find((k) => k.dogId === dogId)?.visitId
}
/** Opens the visit at the tub; its recipe is kept first when it isn't yet. */
async function toTheTub(seatId: string) {
  const kept = visitOf(seatId)
  if (kept) {
    await router.push(`/tub/${kept}`)
    return
  }
  const plan = state.value?.seats.find((s) => s.seat.id === seatId)
  if (!plan) return
  copyProblem.value = undefined
  try {
    const { id } = await visits.add(plan.seat.dogId, plan.today)
    await router.push(`/tub/${id}`)
  } catch (error) {
    copyProblem.value = asProblem(error)
  }
}
const goTo = (target: string) => router.push(`/days/${target}`)
const showing = (what: string) => ({ path: `/days/${date}`, query: what === 'clock' ? {} : { show: what } })
const views = [
  { key: 'clock', text: 'Clock' },
  { key: 'prepare', text: 'Mix and lay out' },
  { key: 'table', text: 'As a table' },
]

useEventListener('keydown', (event: KeyboardEvent) => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey) return
  if (event.target instanceof HTMLInputElement && event.target.type !== 'checkbox' && event.target.type !== 'radio')
    return
  const key = event.key.toLowerCase()
  if (key === 'z' && !event.shiftKey) book.undo()
  else if (key === 'y' || (key === 'z' && event.shiftKey)) book.redo()
  else return
  event.preventDefault()
})
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem">
    <button type="button" class="link" @click="book.open">Try again</button>
  </ProblemNote>
  <div v-else-if="!day || !state || !facts || !room.house" class="loading" aria-busy="true">
    <h1>{{ longDate(date) }}</h1>
    <div v-for="n in 5" :key="n" class="empty-rail" />
    <p class="soft" role="status">Working out the day</p>
  </div>
  <article v-else class="day">
    <header>
      <div class="title">
        <h1>{{ longDate(date) }}</h1>
        <nav aria-label="Other days" class="steps">
          <RouterLink class="link" :to="`/days/${addDays(date, -1)}`">Day before</RouterLink>
          <RouterLink class="link" :to="`/days/${addDays(date, 1)}`">Day after</RouterLink>
          <label class="hidden" for="go-to">Go to a date</label>
          <input
            id="go-to"
            class="date"
            type="date"
            :value="date"
            @change="goTo(($event.target as HTMLInputElement).value)"
          />
        </nav>
      </div>
      <p v-if="summary && state.seats.length > 0" class="summary" data-testid="summary">
        <strong>{{ summary.dogs }}</strong><template v-if="summary.end"
          >, <strong>{{ summary.hands }}</strong> of hands, swept and done by
          <strong data-testid="day-end">{{ summary.end }}</strong><template
            v-if="endChance && endChance.by !== summary.end"
          >
            (9 in 10 days by {{ endChance.by }})</template
          >. <strong>{{ summary.hot }} L</strong> hot water,
          <strong>{{ summary.towels + day.extraTowels }} towels</strong>.</template
        >
        <template v-if="mixes"><br />Mix before you start: {{ mixes }}.</template>
      </p>
      <div v-if="state.seats.length > 0" class="bar">
        <button v-if="!arranging" type="button" class="button" @click="arrangeNow">
          {{ day.plan ? 'Arrange again' : 'Arrange the day' }}
        </button>
        <div v-else class="arranging" role="status">
          <progress :value="arranging.share" max="1" aria-label="Arranging the day" />
          <span>Arranging</span>
          <button type="button" class="link" @click="book.stopArranging(true)">Take the best so far</button>
          <button type="button" class="link" @click="book.stopArranging(false)">Cancel</button>
        </div>
        <button type="button" class="link" :disabled="!book.canUndo.value" @click="book.undo">Undo</button>
        <button type="button" class="link" :disabled="!book.canRedo.value" @click="book.redo">Redo</button>
        <button
          type="button"
          class="link"
          :aria-expanded="panel === 'add'"
          @click="panel = panel === 'add' ? undefined : 'add'"
        >
          Add a dog
        </button>
        <button
          type="button"
          class="link"
          :aria-expanded="panel === 'late'"
          @click="panel = panel === 'late' ? undefined : 'late'"
        >
          Running late
        </button>
        <button
          type="button"
          class="link"
          :aria-expanded="panel === 'settings'"
          @click="panel = panel === 'settings' ? undefined : 'settings'"
        >
          Hours, helper, water
        </button>
        <nav class="views" aria-label="Show the day as">
          <RouterLink
            v-for="v in views"
            :key="v.key"
            :to="showing(v.key)"
            :aria-current="show === v.key ? 'page' : undefined"
            :class="{ on: show === v.key }"
            >{{ v.text }}</RouterLink
          >
        </nav>
      </div>
    </header>

    <ProblemNote v-if="saveProblem" :problem="saveProblem">
      <template v-if="newer">
        <button type="button" class="link" @click="book.keepMine">Keep mine</button>
        <button type="button" class="link" @click="book.takeTheirs">Take the other</button>
      </template>
      <p v-else>What you did is kept on this device, and sent by itself when the server can be reached.</p>
    </ProblemNote>
    <ProblemNote v-if="book.problemOfWork.value" :problem="book.problemOfWork.value" />
    <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
    <div v-if="day.progress" class="due basin">
      <p>
        The day stands at <strong>{{ clockText(day.progress.now) }}</strong>: what is done stays where it was.
      </p>
      <button type="button" class="link" @click="dropPlan">Forget that, plan the whole day</button>
    </div>

    <DaySettings v-if="panel === 'settings'" :day="day" :house="room.house" @change="setDay" />

    <section v-if="state.seats.length === 0" class="none">
      <h2>No dogs on this day</h2>
      <p>Add one and the water, the minutes and the order are worked out for you.</p>
      <AddDogs first :dogs="rest" :fits="book.fits.value" @add="addOne" @ask="book.tryDogs" />
    </section>

    <template v-else>
      <PrepareList
        v-if="show === 'prepare'"
        :facts="facts"
        :state="state"
        @tick="book.change({ ...day!, ticks: $event })"
      />
      <DayTable v-else-if="show === 'table'" :facts="facts" :state="state" />
      <div v-else class="board">
        <div class="left">
          <div v-if="clash" class="clash" role="alert" data-testid="clash">
            <h2>This day can’t be arranged</h2>
            <p v-if="clash.length > 0">
              It works without any one of these, the first helps most: {{ list(clash, 'or') }}.
            </p>
            <p v-else>More than two things stand in the way. Leave dogs out, or let pins go.</p>
          </div>
          <p v-else-if="scheduleGone" class="soft">
            Not arranged: the pins or times leave no room. Let a pin go, or arrange the day.
          </p>
          <DayClock
            :day="day"
            :state="state"
            :house="room.house"
            :colours="colours"
            :selected="selected"
            :now="now"
            :finding="pointed"
            :moving="moving || arranging !== undefined"
            @select="selected = selected === $event ? undefined : $event"
            @hold="hold"
            @drag="drag"
            @drop="drop"
            @let-go="letGo"
          />
        </div>
        <div ref="side" class="side">
          <AddDogs
            v-if="panel === 'add'"
            :dogs="rest"
            :fits="book.fits.value"
            @add="addOne"
            @ask="book.tryDogs"
            @close="panel = undefined"
          />
          <RunningLate
            v-else-if="panel === 'late' && state.schedule"
            :facts="facts"
            :state="state"
            :clock="isToday ? wall : day.hours.from + 120"
            @replan="replan"
            @close="panel = undefined"
          />
          <SeatPanel
            v-if="selected && state.seats.some((s) => s.seat.id === selected)"
            :key="selected"
            :day="day"
            :state="state"
            :seat-id="selected"
            :odds="odds"
            :visit-id="visitOf(selected)"
            @close="selected = undefined"
            @change="changeSeat"
            @hold="hold"
            @remove="remove(selected!)"
            @tub="toTheTub(selected!)"
          />
          <FindingBasin
            v-if="state.run"
            :findings="state.findings"
            :ways="ways"
            :calm="calm"
            @look="book.lookForWays"
            @take="take"
            @show="pointed = $event"
          />
          <div v-if="due.length > 0" class="due basin">
            <p>
              Comes regularly and is due:
              <template v-for="(s, i) in due" :key="s.id"
                >{{ i > 0 ? '; ' : '' }}<strong>{{ book.byId.value.get(s.record.dogId)?.record.name }}</strong
                >, {{ rhythmWords(s.record) }}</template
              >.
            </p>
            <button type="button" class="button quiet" @click="addDue">
              Put {{ due.length === 1 ? 'it' : 'them' }} on the day
            </button>
          </div>
          <SlipList
            :day="day"
            :state="state"
            :colours="colours"
            :odds="odds"
            :selected="selected"
            @select="selected = selected === $event ? undefined : $event"
          />
        </div>
      </div>
      <footer class="foot">
        <label for="copy-to">Copy these dogs to</label>
        <input id="copy-to" class="date" type="date" @change="copyTo(($event.target as HTMLInputElement).value)" />
        <p v-if="copied" role="status">
          Copied. <RouterLink class="link" :to="`/days/${copied}`">Open {{ longDate(copied) }}</RouterLink>
        </p>
        <p v-if="copyProblem" class="field-error" role="alert">{{ copyProblem.detail }}</p>
        <a class="link" :href="`/api/days/${date}/sheet.pdf`" target="_blank">Day sheet, PDF</a>
        <a class="link" :href="`/api/days/${date}/plan.ics`">Calendar file</a>
        <p v-if="optimum && !arranging" class="soft small">{{ optimum }}</p>
        <RouterLink class="link" to="/days">All days, standing dogs, calendar files</RouterLink>
      </footer>
    </template>
  </article>
</template>

<style scoped>
.title {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
  align-items: center;
  justify-content: space-between;
}
h1 {
  font-size: 26px;
}
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
}
.steps .date,
.foot .date {
  width: 160px;
}
.summary {
  color: var(--ink2);
  font-size: 16px;
}
.summary strong {
  color: var(--ink);
}
.bar,
.arranging,
.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
  margin-top: 6px;
}
.bar .link:disabled {
  color: var(--ink2);
  text-decoration: none;
  cursor: default;
}
progress {
  width: 130px;
  height: 14px;
  accent-color: var(--rim);
}
.views {
  display: flex;
  gap: 2px 16px;
  align-items: center;
  margin-left: auto;
}
.views a:not(.link) {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 4px;
  border-bottom: 3px solid transparent;
  color: var(--ink2);
  font-weight: 600;
  text-decoration: none;
}
.views a.on {
  border-bottom-color: var(--rim);
  color: var(--ink);
}
.board {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 288px;
  gap: 18px;
  align-items: start;
}
.left {
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
.clash {
  margin-bottom: 10px;
  padding: 11px 14px 13px;
  border-top: 3px solid var(--stop);
  border-radius: 0 0 20px 20px;
  background: var(--stop-tint);
}
.clash h2 {
  color: var(--stop);
}
.none {
  max-width: 620px;
  margin-top: 10px;
}
.none .add {
  margin-top: 12px;
}
.foot {
  margin-top: 18px;
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
  .side {
    order: -1;
  }
}
</style>
