<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { addDays } from '@core/visit'
import { SPREAD, type Home, type Seat } from '@core/washday'
import { asProblem, type ApiProblem } from '../api/client'
import { weeksFacts } from '../api/weeks'
import { useSay } from '../say'
import UiButton from '../ui/UiButton.vue'
import { askWeeks } from '../workers/dayWorker'
import type { WeeksAnswers } from '../workers/jobs'
import { useJob } from '../workers/useJob'
import ProblemNote from './ProblemNote.vue'

const { date, seats, nameOf } = defineProps<{
  /** The day that they can't come on. */
  date: string
  seats: readonly Seat[]
  nameOf: (dogId: string) => string
}>()
const emit = defineEmits<{ move: [seats: Seat[], date: string] }>()
const say = useSay()

const homes = shallowRef<Home[]>([])
const problem = ref<ApiProblem>()
const { busy: looking, stop, run } = useJob<WeeksAnswers['homes']>()
/** Tries the next days for them, several dogs at once arranged together. */
async function look() {
  homes.value = []
  problem.value = undefined
  const ids = seats.map((s) => s.dogId)
  try {
    await run(async (wanted) => {
      const weeks = await weeksFacts(addDays(date, 1), addDays(date, SPREAD.ahead.value), ids)
      return askWeeks<'homes'>({ kind: 'homes', weeks, date, seats: [...seats] }, (home) => {
        if (wanted()) homes.value = [...homes.value, home]
      })
    })
  } catch (error) {
    problem.value = asProblem(error)
  }
}
watch(() => JSON.stringify([date, seats.map((s) => s.id)]), look, { immediate: true })

const seatOf = ({ dogId }: Home) => seats.filter((s) => s.dogId === dogId)
</script>

<template>
  <div class="other-days" aria-live="polite">
    <ProblemNote v-if="problem" :problem="problem"
      ><UiButton kind="link" @click="look">Try again</UiButton></ProblemNote
    >
    <ul v-if="homes.length > 0">
      <li v-for="home in homes" :key="home.dogId">
        <template v-if="home.date">
          <span>
            <strong>{{ nameOf(home.dogId) }}</strong>: {{ say.date(home.date, 'weekday') }}
            {{ say.date(home.date, 'day') }} {{ home.why && say.said(home.why) }}
          </span>
          <UiButton @click="emit('move', seatOf(home), home.date)"
            >Move it<span class="hidden"> there: {{ nameOf(home.dogId) }}</span></UiButton
          >
        </template>
        <span v-else
          ><strong>{{ nameOf(home.dogId) }}</strong
          >: no day of the next four weeks takes it<template v-if="home.why"> ({{ say.said(home.why) }})</template
          >.</span
        >
      </li>
    </ul>
    <p v-if="looking" class="soft" role="status">
      Trying the next days <UiButton kind="link" @click="stop">Stop</UiButton>
    </p>
  </div>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  justify-content: space-between;
  padding: 4px 0;
}
</style>
