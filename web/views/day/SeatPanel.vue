<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { computed, ref } from 'vue'
import { cutsAll, redFlagsOf, Service } from '@core/dog'
import { canClip } from '@core/visit'
import { taskOf, partsOf, type DayOdds, type DayState, type Progress, type Seat, type WashDay } from '@core/washday'
import UiChoice from '../../ui/UiChoice.vue'
import UiTime from '../../ui/UiTime.vue'
import OwedLine from '../../parts/OwedLine.vue'
import { usePrices } from '../../parts/usePrices'
import AgreedFields from '../../parts/AgreedFields.vue'
import ClipLength from '../../parts/ClipLength.vue'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import OtherDays from '../../parts/OtherDays.vue'
import ReachLine from '../../parts/ReachLine.vue'
import PickDay from '../../parts/PickDay.vue'
import StateMark from '../../parts/StateMark.vue'
import { PART_NAMES, RED_FLAG_NAMES, SERVICE_NAMES, capital, noticeTitle, taskWords, timesMessage } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { day, state, seatId, odds, notThere, visitId, progress } = defineProps<{
  day: WashDay
  state: DayState
  seatId: string
  odds: DayOdds | null
  /** Why the part that was last held can't be there. */
  notThere?: string
  /** The recipe kept for this dog on this day. */
  visitId?: string
  /** What of the day was begun, as far as that is known: by task. */
  progress?: Progress['tasks']
}>()
const emit = defineEmits<{
  close: []
  change: [seat: Seat]
  /** What its kept recipe is to be for. */
  comesFor: [what: Partial<Pick<Seat, 'service' | 'clipCm'>>]
  hold: [seatId: string, part: string, at: number]
  remove: []
  tub: []
  /** The dog is to come on another day. */
  move: [date: string]
}>()

const plan = computed(() => state.seats.find((s) => s.seat.id === seatId))
const prices = usePrices(
  () => day.date,
  () => day.seats,
)
/** The price where nothing is typed for this visit. */
const usualPrice = computed(() => {
  if (!plan.value) return null
  const { seat, dog, today, plan: visit } = plan.value
  return prices.price({ dogId: seat.dogId, dog, today, plan: visit })
})
const red = computed(() => (plan.value ? redFlagsOf(plan.value.dog, plan.value.today) : []))
/** The owner and whom to reach else. */
const reaches = computed(() => {
  const { owner = '', ownerContact = '', secondContact = '' } = plan.value?.dog ?? {}
  const all = [
    { who: owner, text: ownerContact },
    { who: 'Else', text: secondContact },
  ]
  return all.filter((r, i) => r.text !== '' || (i === 0 && r.who !== ''))
})
/** What it comes for isn't changed any more once it is in hand. */
const begun = computed(() => Object.keys(progress ?? {}).some((task) => task.startsWith(`${seatId}.`)))
/** With a recipe kept for the day it is the recipe's, which the tub goes by. */
function comesFor(change: Partial<Pick<Seat, 'service' | 'clipCm'>>) {
  if (visitId) emit('comesFor', change)
  else set(change)
}
const services = computed(() =>
  Service.options
    .filter((s) => !cutsAll(s) || canClip(plan.value?.dog.coat ?? 'smooth') || plan.value?.today.service === s)
    .map((value) => ({ value, text: capital(SERVICE_NAMES[value]) })),
)
const run = computed(() => state.run?.seats.find((s) => s.id === seatId))
const wrong = ref<string>()
/** Whether another day is being looked for. */
const elsewhere = ref(false)
/** Whether its owner is written to. */
const writes = ref(false)

const parts = computed(() => {
  const { schedule } = state
  if (!plan.value || !schedule) return []
  const minutes = new Map(state.problem.dogs.find((d) => d.id === seatId)?.tasks.map((t) => [t.id, t.dur]))
  return partsOf(plan.value.plan, plan.value.liftApart).map(({ part, key }) => ({
    key,
    words: PART_NAMES[part],
    at: schedule.tasks[`${seatId}.${key}`]! + day.hours.from,
    minutes: minutes.get(`${seatId}.${key}`) ?? 0,
    held: key in (plan.value?.seat.pins ?? {}),
  }))
})
const bath = computed(
  () => parts.value.find((p) => p.key === 'lift') ?? parts.value.find((p) => p.key === 'bath') ?? parts.value[0],
)
const chance = computed(() => odds?.dogs[seatId])
const culprit = computed(() => {
  const id = chance.value?.culprit
  const task = id ? taskOf(id, state.seats) : undefined
  return task && taskWords(task)
})

function set(change: Partial<Seat>) {
  const seat = plan.value?.seat
  if (!seat) return
  const next = { ...seat, ...change }
  wrong.value = next.pickup <= next.arrive ? 'The pick-up must come after the arrival.' : undefined
  if (!wrong.value) emit('change', next)
}
function letGo(key: string) {
  const pins = { ...plan.value!.seat.pins }
  delete pins[key]
  set({ pins })
}
</script>

<template>
  <section v-if="plan" class="seat basin" :aria-label="plan.dog.name">
    <div class="head">
      <h2 class="display">{{ plan.dog.name }}</h2>
      <UiButton kind="link" @click="emit('close')">Close</UiButton>
    </div>
    <p v-for="stop in plan.plan.stops" :key="stop.id" class="stop-line">
      <StateMark state="stop" :size="22" /> <strong>Stop.</strong> {{ noticeTitle(stop, say) }}
    </p>
    <p v-if="red.length > 0" class="red-line">{{ capital(red.map((r) => RED_FLAG_NAMES[r]).join(', ')) }}</p>
    <ReachLine v-for="r in reaches" :key="r.text" class="told" :who="r.who" :contact="r.text" />
    <div class="links">
      <UiButton kind="link" @click="emit('tub')">At the tub</UiButton>
      <RouterLink
        class="link"
        :to="visitId ? `/recipes/${visitId}` : `/dogs/${plan.seat.dogId}/recipe?date=${day.date}`"
        >Recipe</RouterLink
      >
      <RouterLink
        class="link"
        :to="visitId ? `/recipes/${visitId}/check-in` : `/dogs/${plan.seat.dogId}/check-in?date=${day.date}`"
        >Check-in</RouterLink
      >
      <UiButton kind="link" :aria-expanded="writes" @click="writes = !writes">Message</UiButton>
      <UiButton kind="link" :aria-expanded="elsewhere" @click="elsewhere = !elsewhere">Another day</UiButton>
      <UiButton kind="link" @click="emit('remove')">Take off the day</UiButton>
    </div>
    <OwnerMessage
      v-if="writes"
      :message="timesMessage({ visits: [{ name: plan.dog.name, ...plan.seat }], date: day.date }, say)"
      :dog-id="plan.seat.dogId"
      :label="`Message to the owner of ${plan.dog.name}`"
      @close="writes = false"
    />
    <template v-if="elsewhere">
      <OtherDays
        :date="day.date"
        :seats="[plan.seat]"
        :name-of="() => plan!.dog.name"
        @move="(_seats, date) => emit('move', date)"
      />
      <PickDay label="Move to another day" :not="[day.date]" @pick="emit('move', $event)" />
    </template>
    <p v-if="begun" class="told">Comes for {{ SERVICE_NAMES[plan.today.service] }}.</p>
    <UiChoice
      v-else
      class="comes-for"
      label="Comes for"
      :model-value="plan.today.service"
      :options="services"
      @update:model-value="comesFor({ service: $event as Service })"
    />
    <div class="fields">
      <ClipLength
        v-if="!begun && cutsAll(plan.today.service)"
        :cm="plan.today.clipCm"
        @put="comesFor({ clipCm: $event })"
      />
      <UiTime label="Comes at" :model-value="plan.seat.arrive" @update:model-value="set({ arrive: $event })" />
      <UiTime
        label="Picked up by"
        :model-value="plan.seat.pickup"
        :error="wrong"
        @update:model-value="set({ pickup: $event })"
      />
    </div>
    <div class="fields">
      <AgreedFields :seat="plan.seat" :usual="usualPrice" @put="set" />
      <OwedLine :dog-id="plan.seat.dogId" />
    </div>
    <template v-if="bath">
      <div class="moves">
        <UiTime
          :label="`${capital(bath.words)} begins`"
          :model-value="bath.at"
          :error="notThere"
          @update:model-value="emit('hold', seatId, bath.key, $event)"
        />
        <UiButton @click="emit('hold', seatId, bath.key, bath.at - 5)"> 5 min earlier </UiButton>
        <UiButton @click="emit('hold', seatId, bath.key, bath.at + 5)"> 5 min later </UiButton>
      </div>
    </template>
    <ul class="parts">
      <li v-for="p in parts" :key="p.key">
        <span class="at">{{ say.clock(p.at) }}</span>
        <span>{{ capital(p.words) }}, {{ say.minutes(p.minutes) }}</span>
        <UiButton v-if="p.held" kind="link" @click="letGo(p.key)">
          Let go<span class="hidden">: {{ p.words }}</span>
        </UiButton>
      </li>
    </ul>
    <p v-if="run" class="told">
      Ready at <strong>{{ say.clock(run.ready) }}</strong>. In the house {{ say.minutes(run.ready - run.arrive) }}:
      {{ say.minutes(run.waiting) }} waiting, {{ say.minutes(run.crate) }} in a crate or at rest.
      <template v-if="run.air"
        >Dried in air of {{ say.number(run.air.humidity, 0) }} % and
        {{ say.temperature(run.air.celsius, 0) }}.</template
      >
    </p>
    <p v-if="chance" class="told">
      9 in 10 days it is ready by {{ say.clock(Math.max(chance.ready[2] + day.hours.from, run?.ready ?? 0)) }}.
      <template v-if="culprit">When late, most often through: {{ culprit }}.</template>
    </p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}
h2 {
  overflow-wrap: anywhere;
  font-size: 22px;
}
.fields,
.moves {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: flex-end;
  margin-top: 8px;
}
.moves .button {
  padding: 0 12px;
}
.comes-for {
  margin-top: 10px;
}
.parts {
  margin-top: 10px;
  font-size: 14.5px;
}
.parts li {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 30px;
  border-top: 1.5px solid var(--rule2);
}
.parts .at {
  flex: none;
  min-width: 66px;
  font-weight: 700;
}
.parts .link {
  margin-left: auto;
}
.told {
  margin-top: 8px;
  font-size: 14.5px;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
  margin-top: 4px;
}
.red-line {
  margin-top: 6px;
  color: var(--stop);
  font-weight: 600;
}
.stop-line {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 6px;
  color: var(--stop);
}
.stop-line svg {
  flex: none;
}
</style>
