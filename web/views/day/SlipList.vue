<script setup lang="ts">
import UiTap from '../../ui/UiTap.vue'
import { computed } from 'vue'
import { redFlagsOf } from '@core/dog'
import { type DayOdds, type DayState, type SeatPlan, type WashDay } from '@core/washday'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import RedFlags from '../../parts/RedFlags.vue'
import { usePrices } from '../../parts/usePrices'
import StateMark from '../../parts/StateMark.vue'
import { useSay } from '../../say'
import { capital, noticeTitle, SERVICE_NAMES } from '@words'

const say = useSay()

const { day, state, colours, odds, selected } = defineProps<{
  day: WashDay
  state: DayState
  colours: Record<string, number>
  odds: DayOdds | null
  selected?: string
}>()
const emit = defineEmits<{ select: [seatId: string] }>()
/** What opens under the row of the dog that is chosen. */
defineSlots<{ panel: () => unknown }>()

interface Flag {
  state: 'ok' | 'watch' | 'stop'
  text: string
}
/** A dog that is ready on time less often than this is told with its chance. */
const SURE = 0.95

function flagOf({ seat, plan }: SeatPlan): Flag | undefined {
  const [stop] = plan.stops
  if (stop) return { state: 'stop', text: noticeTitle(stop, say) }
  const run = state.run?.seats.find((s) => s.id === seat.id)
  if (run && run.late > 0) return { state: 'stop', text: `${say.minutes(run.late)} late` }
  const progress = day.progress
  if (progress && run) {
    const own = Object.entries(progress.tasks).filter(([id]) => id.startsWith(`${seat.id}.`))
    if (run.ready <= progress.now) return { state: 'ok', text: `ready ${say.clock(run.ready)}` }
    if (own.some(([, t]) => t.end === null)) return { state: 'ok', text: 'under way' }
  }
  const chance = odds?.dogs[seat.id]?.onTime
  if (chance !== undefined && chance < SURE)
    return { state: 'watch', text: `on time: ${Math.max(1, Math.round(100 * chance))} %` }
  return undefined
}
const prices = usePrices(
  () => day.date,
  () => day.seats,
)
const priceOf = ({ seat, dog, today, plan }: SeatPlan) => {
  const price = prices.price({ dogId: seat.dogId, dog, today, plan, agreed: seat.price })
  return price ? [say.money(price)] : []
}
const slips = computed(() => {
  const runs = new Map(state.run?.seats.map((s) => [s.id, s]))
  const order = [...state.seats].sort((a, b) => (runs.get(a.seat.id)?.ready ?? 0) - (runs.get(b.seat.id)?.ready ?? 0))
  const now = day.progress?.now
  const home = (s: SeatPlan) => now !== undefined && (runs.get(s.seat.id)?.ready ?? Infinity) <= now
  return [...order.filter((s) => !home(s)), ...order.filter(home)].map((s) => ({
    ...s,
    run: runs.get(s.seat.id),
    flag: flagOf(s),
    line: [capital(SERVICE_NAMES[s.today.service]), ...priceOf(s)].join(', '),
  }))
})
</script>

<template>
  <ul class="slips" aria-label="Dogs of the day">
    <li v-for="s in slips" :key="s.seat.id" :class="{ on: selected === s.seat.id }">
      <UiTap :aria-pressed="selected === s.seat.id" @click="emit('select', s.seat.id)">
        <CoatSwatch :dog="s.dog" :dog-id="s.seat.dogId" :colour="colours[s.seat.id]" :width="40" :height="48" />
        <span class="words">
          <span class="first">
            <span class="name display">{{ s.dog.name }}</span>
            <RedFlags :flags="redFlagsOf(s.dog, s.today)" />
          </span>
          <span class="line">{{ s.line }}, {{ say.minutes(s.plan.minutes.value) }}</span>
          <span v-if="s.dog.owner" class="soft">{{ s.dog.owner }}</span>
          <span v-if="s.seat.note" class="soft">{{ s.seat.note }}</span>
          <span v-if="s.flag" class="flag" :class="s.flag.state"
            ><StateMark :state="s.flag.state" :size="18" />{{ s.flag.text }}</span
          >
        </span>
        <span class="times">
          <strong
            ><span class="hidden">comes at </span><span class="in" aria-hidden="true" />{{
              say.clock(s.seat.arrive)
            }}</strong
          >
          <template v-if="s.run">
            <span
              ><span class="hidden">ready at </span><span class="out" aria-hidden="true" />{{
                say.clock(s.run.ready)
              }}</span
            >
            <span class="soft">by {{ say.clock(s.run.pickup) }}</span>
          </template>
        </span>
      </UiTap>
      <slot v-if="selected === s.seat.id" name="panel" />
    </li>
  </ul>
</template>

<style scoped>
.slips li {
  border-top: 1.5px solid var(--rule);
}
.slips li > button {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr) auto;
  gap: 11px;
  align-items: start;
  width: 100%;
  padding: 8px 4px 8px 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.on > button {
  background: var(--rim-tint);
}
.words,
.times {
  display: flex;
  flex-direction: column;
  min-width: 0;
  font-size: 14px;
  line-height: 1.35;
}
.times {
  align-items: flex-end;
  white-space: nowrap;
}
.times strong {
  font-size: 16px;
}
/* the marks of the clock's door: a dog comes in, a dog goes out */
.in,
.out {
  display: inline-block;
  margin-right: 6px;
}
.in {
  width: 7px;
  height: 7px;
  border-radius: 50%;
  background: currentcolor;
  vertical-align: 2px;
}
.out {
  border: 4.5px solid transparent;
  border-top: 7px solid currentcolor;
  border-bottom: 0;
  vertical-align: 1px;
}
.first {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
.name {
  overflow-wrap: anywhere;
  font-size: 17px;
  line-height: 1.25;
}
.flag {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  font-weight: 600;
}
.flag.stop {
  color: var(--stop);
}
</style>
