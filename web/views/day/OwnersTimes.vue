<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { AdvisedTimes, DayFacts, DayState, OwnerTimes } from '@core/washday'
import { timesMessage } from '@words'
import { asProblem, type ApiProblem } from '../../api/client'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiChoice from '../../ui/UiChoice.vue'
import { askDay } from '../../workers/dayWorker'
import type { DayAnswers } from '../../workers/jobs'
import { useJob } from '../../workers/useJob'

const { facts, state } = defineProps<{ facts: DayFacts; state: DayState }>()
const emit = defineEmits<{ take: [advice: AdvisedTimes]; close: [] }>()
const say = useSay()

const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id)?.dog.name ?? id
const choices = computed(() => facts.day.seats.map((s) => ({ value: s.id, text: nameOf(s.id) })))
/** Dogs whose owners can come at other times: all that no calendar has booked, until somebody says. */
const free = ref<string[]>(facts.day.seats.filter((s) => s.event === null).map((s) => s.id))
const advice = shallowRef<AdvisedTimes | null>()
const problem = ref<ApiProblem>()
const writes = ref<OwnerTimes>()
const { busy: looking, stop, run } = useJob<DayAnswers['times']>()

async function look() {
  problem.value = undefined
  advice.value = undefined
  writes.value = undefined
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
const seatOf = (id: string) => facts.day.seats.find((s) => s.id === id)
const message = (t: OwnerTimes) => timesMessage({ name: nameOf(t.seatId), date: facts.day.date, ...t }, say)
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
      <ul>
        <li v-for="t in advice.times" :key="t.seatId">
          <span class="display">{{ nameOf(t.seatId) }}</span>
          <strong>{{ say.clock(t.arrive) }} to {{ say.clock(t.pickup) }}</strong>
          <span class="soft"
            >instead of {{ say.clock(seatOf(t.seatId)?.arrive ?? 0) }} to
            {{ say.clock(seatOf(t.seatId)?.pickup ?? 0) }}, waits {{ say.minutes(t.waits) }} at most</span
          >
          <UiButton kind="link" @click="writes = t"
            >Message<span class="hidden"> to the owner of {{ nameOf(t.seatId) }}</span></UiButton
          >
        </li>
        <li v-for="id in advice.unready" :key="id">
          <span class="display">{{ nameOf(id) }}</span>
          <span>isn’t ready by the closing: no time is given.</span>
        </li>
      </ul>
      <OwnerMessage
        v-if="writes"
        :message="message(writes)"
        :label="`Message to the owner of ${nameOf(writes.seatId)}`"
        @close="writes = undefined"
      />
      <p role="status">
        You finish at {{ say.clock(advice.ends) }}.
        <template v-if="advice.long.length > 0">
          Waits long even so:
          {{ say.list(advice.long.map((l) => `${nameOf(l.seatId)}, ${say.minutes(l.waits)}`)) }}.
        </template>
        <template v-else>Nobody waits for long.</template>
      </p>
      <UiButton v-if="advice.times.length > 0" kind="primary" @click="emit('take', advice)">Take these times</UiButton>
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
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  margin: 8px 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
  padding: 5px 0;
  border-top: 1.5px solid var(--rule2);
}
.display {
  overflow-wrap: anywhere;
}
</style>
