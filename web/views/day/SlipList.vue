<script setup lang="ts">
import UiTap from '../../ui/UiTap.vue'
import { computed } from 'vue'
import { type DayOdds, type DayState, type SeatPlan, type WashDay } from '@core/washday'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import StateMark from '../../parts/StateMark.vue'
import { useSay } from '../../say'
import { FLAGS_BESIDE_A_NAME, redFlagsOf } from '@core/dog'
import { capital, noticeTitle, RED_FLAG_NAMES, SERVICE_NAMES } from '@words'

const say = useSay()

const { day, state, colours, odds, selected } = defineProps<{
  day: WashDay
  state: DayState
  colours: Record<string, number>
  odds: DayOdds | null
  selected?: string
}>()
const emit = defineEmits<{ select: [seatId: string] }>()

interface Flag {
  state: 'ok' | 'watch' | 'stop'
  text: string
}

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
  return undefined
}
const chance = (seatId: string) => {
  const own = odds?.dogs[seatId]
  if (!own) return undefined
  const share = Math.round(100 * own.onTime)
  return share >= 100 ? 'over 99 %' : share <= 0 ? 'under 1 %' : `${share} %`
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
    line: capital(SERVICE_NAMES[s.today.service]),
    red: redFlagsOf(s.dog, s.today).slice(0, FLAGS_BESIDE_A_NAME),
  }))
})
</script>

<template>
  <ul class="slips" aria-label="Dogs of the day">
    <li v-for="s in slips" :key="s.seat.id" :class="{ on: selected === s.seat.id }">
      <UiTap :aria-pressed="selected === s.seat.id" @click="emit('select', s.seat.id)">
        <CoatSwatch :dog="s.dog" :dog-id="s.seat.dogId" :colour="colours[s.seat.id]" :width="46" :height="50" />
        <span class="words">
          <span class="first">
            <span class="name display">{{ s.dog.name }}</span>
            <span class="kg">{{ say.weight(s.kg) }}</span>
            <span v-for="r in s.red" :key="r" class="red">{{ RED_FLAG_NAMES[r] }}</span>
            <span v-if="s.flag" class="flag"><StateMark :state="s.flag.state" :size="18" />{{ s.flag.text }}</span>
          </span>
          <span class="soft"
            >{{ s.line }}, {{ say.minutes(s.plan.minutes.value)
            }}<template v-if="s.dog.owner">. {{ s.dog.owner }}</template></span
          >
          <span v-if="s.run" class="times">
            {{ say.clock(s.run.arrive) }} to {{ say.clock(s.run.ready) }}, by {{ say.clock(s.run.pickup) }}
          </span>
          <span v-if="s.run && chance(s.seat.id)" class="soft">on time: {{ chance(s.seat.id) }}</span>
        </span>
      </UiTap>
    </li>
  </ul>
</template>

<style scoped>
.slips li {
  border-top: 1.5px solid var(--rule);
}
.slips button {
  display: grid;
  grid-template-columns: 46px 1fr;
  gap: 11px;
  width: 100%;
  padding: 8px 4px 8px 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.on button {
  background: var(--rim-tint);
}
.words {
  display: flex;
  flex-direction: column;
  min-width: 0;
  font-size: 13.5px;
  line-height: 1.35;
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
.kg {
  font-weight: 600;
}
.flag {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  margin-left: auto;
  font-weight: 600;
}
.red {
  padding: 0 7px;
  border: 1.5px solid var(--stop);
  border-radius: 3px 3px 9px 9px;
  color: var(--stop);
  font-size: 12.5px;
  font-weight: 600;
}
.times {
  font-weight: 600;
}
</style>
