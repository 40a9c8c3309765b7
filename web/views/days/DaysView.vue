<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { addDays } from '@core/visit'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiDate from '../../ui/UiDate'
import UiWaiting from '../../ui/UiWaiting.vue'
import ToBePlaced from '../../parts/ToBePlaced.vue'
import SpanLinks from '../../parts/SpanLinks.vue'
import CalendarImport from './CalendarImport.vue'
import StandingDogs from './StandingDogs.vue'
import SpreadDogs from './SpreadDogs.vue'
import { useWeeks } from './useWeeks'
import WeeksAhead from './WeeksAhead.vue'

const { from, span = 'month' } = defineProps<{ from?: string; span?: 'week' | 'month' }>()
const say = useSay()
const router = useRouter()
const today = deviceToday()
const weeksShown = computed(() => (span === 'week' ? 1 : 5))

/** The first day of a date's week. */
function weekOf(date: string) {
  const weekday = new Date(`${date}T12:00:00Z`).getUTCDay()
  return addDays(date, -((weekday - say.weekBegins + 7) % 7))
}
const first = computed(() => weekOf(from && !Number.isNaN(Date.parse(from)) ? from : today))
const last = computed(() => addDays(first.value, 7 * weeksShown.value - 1))
const { answer: found, problem, again } = useAsk('GET /days', () => ({ query: { from: first.value, to: last.value } }))
const weeks = useWeeks(
  () => ({ from: first.value, to: last.value, today }),
  () => found.value,
)
const { loads, spread, spreading, putting } = weeks
const open = (date: string) => date && router.push(`/days/${date}`)
const query = computed(() => (span === 'week' ? { span } : {}))
const shifted = (by: number) => ({
  name: 'days',
  query: { ...query.value, from: addDays(first.value, 7 * by * weeksShown.value) },
})
/** The day that one goes back to: today where it is in sight. */
const day = computed(() => (today >= first.value && today <= last.value ? today : first.value))
</script>

<template>
  <div class="head">
    <h1>{{ span === 'week' ? 'The week' : 'Five weeks' }}</h1>
    <SpanLinks :date="day" :shown="span" />
    <div class="jump">
      <label for="jump">Plan a day</label>
      <UiDate id="jump" model-value="" @update:model-value="open" />
    </div>
  </div>
  <nav class="span" aria-label="Other weeks">
    <RouterLink class="link" :to="shifted(-1)">Earlier</RouterLink>
    <p aria-live="polite">{{ say.date(first, 'day') }} to {{ say.date(last, 'short') }}</p>
    <RouterLink class="link" :to="shifted(1)">Later</RouterLink>
    <RouterLink v-if="weekOf(today) !== first" class="link" :to="{ name: 'days', query }">This week</RouterLink>
  </nav>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton kind="link" @click="again">Try again</UiButton>
  </ProblemNote>
  <UiWaiting v-else-if="!found" label="Looking the days up" />
  <template v-else>
    <p v-if="found.length === 0" class="soft">
      No dogs in these weeks yet. Choose a day to plan it, or read your bookings in below.
    </p>
    <ProblemNote v-if="weeks.problem.value" :problem="weeks.problem.value" />
    <WeeksAhead :first="first" :weeks="weeksShown" :days="found" :today="today" :loads="loads" @move="weeks.move" />
    <ToBePlaced />
    <SpreadDogs
      v-if="last >= today"
      :spread="spread"
      :spreading="spreading"
      :putting="putting"
      @look="weeks.look"
      @stop="weeks.stop"
      @put="weeks.put"
    />
  </template>
  <StandingDogs />
  <CalendarImport @done="again" />
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: flex-end;
}
h1 {
  margin-right: auto;
}
.jump label {
  display: block;
  color: var(--ink2);
  font-size: 14px;
  font-weight: 600;
}
.jump .ui-date {
  width: 170px;
}
.span {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  margin: 6px 0;
}
.span p {
  font-weight: 600;
}
</style>
