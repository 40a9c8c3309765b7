<script setup lang="ts">
import UiDate from '../../ui/UiDate.vue'
import UiButton from '../../ui/UiButton.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import { useRouter } from 'vue-router'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { useAsk } from '../../api/queries'
import CalendarImport from './CalendarImport.vue'
import StandingDogs from './StandingDogs.vue'
import { useSay } from '../../say'

const say = useSay()

const router = useRouter()
const { answer: found, problem, again } = useAsk('GET /days', {})
const today = deviceToday()
const open = (date: string) => date && router.push(`/days/${date}`)
</script>

<template>
  <div class="head">
    <h1>Days</h1>
    <RouterLink class="button" :to="`/days/${today}`">Today</RouterLink>
    <div class="jump">
      <label for="jump">Plan a day</label>
      <UiDate id="jump" model-value="" @update:model-value="open" />
    </div>
  </div>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton kind="link" @click="again">Try again</UiButton>
  </ProblemNote>
  <UiWaiting v-else-if="!found" label="Looking the days up" />
  <p v-else-if="found.length === 0" class="soft">No day has dogs yet. Plan one, or read your bookings in below.</p>
  <ul v-else class="days">
    <li v-for="d in found" :key="d.date" :class="{ past: d.date < today }">
      <RouterLink :to="`/days/${d.date}`">
        <span class="display date-of">{{ say.date(d.date) }}</span>
        <span
          >{{ d.dogs.length }} {{ d.dogs.length === 1 ? 'dog' : 'dogs' }}:
          {{ say.list(d.dogs.map((g) => g.name)) }}</span
        >
        <span class="soft">{{ d.date < today ? 'past' : d.arranged ? 'arranged' : 'not arranged yet' }}</span>
      </RouterLink>
    </li>
  </ul>
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
.days {
  margin-top: 12px;
}
.days li {
  border-top: 1.5px solid var(--rule);
}
.days a {
  display: grid;
  grid-template-columns: 290px 1fr auto;
  gap: 4px 18px;
  align-items: baseline;
  padding: 11px 4px;
  color: var(--ink);
  text-decoration: none;
}
.date-of {
  color: var(--rim);
  font-size: 17px;
}
.past .date-of {
  color: var(--ink2);
}
@media (max-width: 760px) {
  .days a {
    grid-template-columns: 1fr;
  }
}
</style>
