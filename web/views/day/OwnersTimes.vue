<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { AdvisedTimes, DayFacts, DayState, OwnerTimes } from '@core/washday'
import { insteadWords, unreadyWords } from '@words'
import { asProblem, type ApiProblem } from '../../api/client'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiChoice from '../../ui/UiChoice.vue'
import { askDay } from '../../workers/dayWorker'
import type { DayAnswers } from '../../workers/jobs'
import { useJob } from '../../workers/useJob'
import TimesList from './TimesList.vue'

const { facts, state } = defineProps<{ facts: DayFacts; state: DayState }>()
const emit = defineEmits<{ take: [advice: AdvisedTimes]; close: [] }>()
const say = useSay()

const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id)?.dog.name ?? id
const choices = computed(() => facts.day.seats.map((s) => ({ value: s.id, text: nameOf(s.id) })))
/** Dogs whose owners can come at other times: all that no calendar has booked, until somebody says. */
const free = ref<string[]>(facts.day.seats.filter((s) => s.event === null).map((s) => s.id))
const advice = shallowRef<AdvisedTimes | null>()
const problem = ref<ApiProblem>()
const { busy: looking, stop, run } = useJob<DayAnswers['times']>()

async function look() {
  problem.value = undefined
  advice.value = undefined
  try {
    advice.value = await run(() => askDay<'times'>(facts, { kind: 'times', seatIds: [...free.value] }))
  } catch (error) {
    problem.value = asProblem(error)
  }
}
watch(
  () => facts,
  () => {
    advice.value = undefined
    // the day has become another while times were looked for
    if (looking.value) void look()
  },
)
/** Until now, and how long it waits in one go. */
function noteOf({ seatId }: Pick<OwnerTimes, 'seatId'>): string {
  const before = facts.day.seats.find((s) => s.id === seatId)
  const waits = advice.value?.times.find((t) => t.seatId === seatId)?.waits ?? 0
  return before ? insteadWords(before, waits, say) : ''
}
</script>

<template>
  <section class="basin" aria-labelledby="owners-times">
    <div class="head">
      <h2 id="owners-times">Times for the owners</h2>
      <UiButton kind="link" @click="emit('close')">Close</UiButton>
    </div>
    <UiChoice v-model="free" many label="Who can come at other times" :options="choices" />
    <div class="choices">
      <UiButton :disabled="free.length === 0" @click="look">Find times</UiButton>
      <p v-if="looking" role="status" class="soft">
        Arranging the day around them <UiButton kind="link" @click="stop">Stop</UiButton>
      </p>
    </div>
    <ProblemNote v-if="problem" :problem="problem"
      ><UiButton kind="link" @click="look">Try again</UiButton></ProblemNote
    >
    <p v-if="advice === null" role="status">The day can’t be arranged, or has begun: times are chosen before that.</p>
    <template v-else-if="advice">
      <TimesList :date="facts.day.date" :times="advice.times" :name-of="(t) => nameOf(t.seatId)" :note-of="noteOf" />
      <p v-for="u in advice.unready" :key="u.seatId">
        <span class="display">{{ nameOf(u.seatId) }}</span> {{ unreadyWords(u, say) }}
      </p>
      <p role="status">
        You finish at {{ say.clock(advice.ends) }}.
        <template v-if="advice.long.length > 0">
          Waits long even so:
          {{ say.list(advice.long.map((l) => `${nameOf(l.seatId)}, ${say.minutes(l.waits)}`)) }}.
        </template>
        <template v-else>Nobody waits for long.</template>
      </p>
      <UiButton v-if="advice.times.length + advice.unready.length > 0" kind="primary" @click="emit('take', advice)"
        >Take these times</UiButton
      >
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  justify-content: space-between;
}
.display {
  overflow-wrap: anywhere;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  margin: 8px 0;
}
</style>
