<script setup lang="ts">
import UiTubButton from '../../ui/UiTubButton.vue'
import { computed, ref } from 'vue'
import { CAN_KILL, Happening } from '@core/handling'
import StateMark from '../../parts/StateMark.vue'
import type { Tub } from './useTub'
import { FIRST_STEPS, capital } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { tub, first } = defineProps<{ tub: Tub; first?: Happening }>()
const emit = defineEmits<{ close: []; stopEarly: [] }>()

/** What can kill comes first. */
const WORST_FIRST = [...CAN_KILL, ...Happening.options.filter((h) => !CAN_KILL.includes(h))]
const what = ref<Happening | undefined>(first)

function happened(kind: Happening) {
  what.value = kind
  tub.tap({ kind: 'happened', what: kind, text: '' })
  if (!tub.record.value.paused) tub.tap({ kind: 'pause' })
}
function goOn() {
  if (tub.record.value.paused) tub.tap({ kind: 'resume' })
  emit('close')
}
/** What may be left out of the rest, in the plan's order of dropping; rinsing is never among it. */
const drops = computed(() => {
  const open = new Set(
    tub.steps.value
      .slice(Math.max(0, tub.index.value))
      .filter((s) => tub.record.value.steps[s.id] === undefined)
      .map((s) => s.id),
  )
  return (tub.visit.value?.plan.handling.drop ?? [])
    .map((d) => ({ ...d, steps: d.steps.filter((id) => open.has(id)) }))
    .filter((d) => d.steps.length > 0)
    .slice(0, 3)
})
function leaveOut(steps: readonly string[], words: string) {
  for (const step of steps)
    tub.tap({ kind: 'skip', step, why: `after ${what.value ?? 'something happened'}: ${words}`.slice(0, 300) })
}
const saved = (steps: readonly string[]) =>
  tub.steps.value.filter((s) => steps.includes(s.id)).reduce((sum, s) => sum + s.minutes.value, 0)
const left = computed(() =>
  tub.steps.value
    .filter((s) => !['done', 'skipped'].includes(tub.record.value.steps[s.id]?.state ?? ''))
    .reduce((sum, s) => sum + s.minutes.value, 0),
)
</script>

<template>
  <section class="panel" aria-label="Something happened">
    <template v-if="!what">
      <h1>What happened?</h1>
      <div class="choices">
        <UiTubButton v-for="h in WORST_FIRST" :key="h" :class="{ danger: CAN_KILL.includes(h) }" @click="happened(h)">
          {{ capital(h) }}
        </UiTubButton>
      </div>
      <UiTubButton kind="quiet" @click="emit('close')">Nothing, go back</UiTubButton>
    </template>
    <template v-else>
      <h1>{{ capital(what) }}</h1>
      <ol class="first">
        <li v-for="a in FIRST_STEPS[what].actions" :key="a">{{ a }}</li>
      </ol>
      <p class="vet" :class="{ now: FIRST_STEPS[what].now }">
        <StateMark :state="FIRST_STEPS[what].now ? 'stop' : 'watch'" :size="34" /> {{ FIRST_STEPS[what].vet }}
      </p>
      <p class="support">
        The clocks stand still. Soap is always rinsed out. First steps only: the vet’s word goes before.
      </p>
      <UiTubButton v-if="FIRST_STEPS[what].now" kind="primary" @click="emit('stopEarly')">Stop the visit</UiTubButton>
      <UiTubButton :kind="FIRST_STEPS[what].now ? 'quiet' : 'primary'" @click="goOn">Go on</UiTubButton>
      <h2 class="then">Then: about {{ say.number(left, 0) }} min are left</h2>
      <div class="choices">
        <UiTubButton v-for="d in drops" :key="d.what" @click="leaveOut(d.steps, d.what)">
          Leave out {{ d.what }}, saves {{ say.number(saved(d.steps), 0) }} min
        </UiTubButton>
        <UiTubButton v-if="!FIRST_STEPS[what].now" @click="emit('stopEarly')">Stop the visit early</UiTubButton>
      </div>
      <RouterLink
        class="day-link"
        :to="{ name: 'day', params: { date: tub.visit.value!.date }, query: { show: 'late' } }"
      >
        Arrange the rest of the day from here
      </RouterLink>
    </template>
  </section>
</template>

<style scoped>
.danger {
  border-color: var(--stop);
  color: var(--stop);
}
.first {
  display: grid;
  gap: 14px;
  margin: 18px 0;
  padding-left: 44px;
  font-size: 34px;
  list-style: decimal;
}
.vet {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 14px 18px;
  border-top: 6px solid var(--watch);
  border-radius: 0 0 26px 26px;
  background: var(--watch-tint);
  color: var(--watch);
  font-size: 30px;
  font-weight: 700;
}
.vet.now {
  border-color: var(--stop);
  background: var(--stop-tint);
  color: var(--stop);
}
.then {
  margin-top: 16px;
  font-size: 28px;
}
.day-link {
  display: flex;
  align-items: center;
  min-height: 64px;
  margin-top: 10px;
  color: var(--rim);
  font-size: 25px;
  font-weight: 600;
}
</style>
