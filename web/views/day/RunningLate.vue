<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { computed, ref } from 'vue'
import { asPlanned, linesOfDay, progressAt, type DayFacts, type DayState, type Progress } from '@core/washday'
import UiChoice from '../../ui/UiChoice.vue'
import UiTime from '../../ui/UiTime.vue'
import { capital, lineWords } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { facts, state, clock, follows } = defineProps<{
  facts: DayFacts
  state: DayState
  /** The minute the clock on the wall shows. */
  clock: number
  /** Whether the taps at the tub tell how far it is. */
  follows: boolean
}>()
const emit = defineEmits<{ replan: [progress: Progress]; close: [] }>()

type Stage = 'to do' | 'now' | 'done'

const begun = computed(() => facts.day.progress)
const now = ref(begun.value ? Math.max(begun.value.now, Math.min(clock, 1439)) : clock)

/** By the taps it is known how it stands; by the plan otherwise. */
const shown = computed(() => (follows ? state : asPlanned(facts, state)))
const lines = computed(() => linesOfDay(facts, shown.value))
const planned = computed(() =>
  shown.value.schedule ? progressAt(facts.day, shown.value.problem, shown.value.schedule, now.value) : undefined,
)
const said = ref<Record<string, Stage>>({})
const stageOf = (id: string): Stage => {
  const own = said.value[id]
  if (own) return own
  const known = begun.value?.tasks[id] ?? planned.value?.tasks[id]
  return !known ? 'to do' : known.end === null ? 'now' : 'done'
}
/** Parts near now: what is over long ago or far off is taken as planned. */
const near = computed(() => lines.value.filter((l) => l.until > now.value - 45 && l.at < now.value + 45))

function replan() {
  const tasks: Progress['tasks'] = {}
  for (const line of lines.value) {
    const stage = stageOf(line.id)
    if (stage === 'to do') continue
    const known = begun.value?.tasks[line.id]
    const start = Math.min(known?.start ?? line.at, now.value - 1)
    const end = known?.end ?? Math.min(line.until, now.value)
    tasks[line.id] = { start, end: stage === 'done' ? Math.max(start + 1, end) : null }
  }
  emit('replan', { now: now.value, tasks })
}
const stages = (['to do', 'now', 'done'] as const).map((value) => ({ value, text: value }))
</script>

<template>
  <section class="late basin" aria-label="Where the day stands">
    <div class="head">
      <h2>Where does the day stand?</h2>
      <UiButton kind="link" @click="emit('close')">Close</UiButton>
    </div>
    <UiTime v-model="now" label="The clock says" />
    <p class="soft small">
      <template v-if="follows">Taken from the taps at the tub; otherwise as planned.</template>
      <template v-else>As planned unless you say otherwise.</template> The rest is arranged from now on.
    </p>
    <UiButton kind="primary" @click="replan">Arrange the rest</UiButton>
    <ul>
      <li v-for="line in near" :key="line.id">
        <UiChoice
          :model-value="stageOf(line.id)"
          :label="`${line.name ? `${line.name}: ${lineWords(line)}` : capital(lineWords(line))}, planned ${say.clock(line.at)}`"
          :options="stages"
          @update:model-value="said = { ...said, [line.id]: $event as Stage }"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
li {
  padding: 7px 0;
  border-top: 1.5px solid var(--rule2);
}
.small {
  margin: 6px 0;
}
.button {
  margin-bottom: 10px;
}
</style>
