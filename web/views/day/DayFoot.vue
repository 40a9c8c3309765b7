<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import UiDate from '../../ui/UiDate'
import { computed, ref, watch } from 'vue'
import type { Seat, WashDay } from '@core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import { putOn } from '../../api/days'
import { useSay } from '../../say'
import type { DayPanel } from './panels'

const say = useSay()

const { date, day, today, carrying } = defineProps<{
  date: string
  day: WashDay
  /** A day to come, or one that is over, can’t run late. */
  today: boolean
  /** Seats with what their dogs come for. */
  carrying: (seats: readonly Seat[]) => Seat[]
}>()
const panel = defineModel<DayPanel | undefined>('panel', { required: true })
const PANELS = [
  { key: 'late', text: 'Running late' },
  { key: 'messages', text: 'Messages' },
  { key: 'settings', text: 'Hours, helper, water' },
] as const
const panels = computed(() => PANELS.filter((p) => p.key !== 'late' || today))
const copied = ref<string>()
const target = ref('')
const problem = ref<ApiProblem>()
watch(
  () => date,
  () => {
    copied.value = undefined
    target.value = ''
  },
)

/** Puts the day's dogs on another day, beside those that are there. */
async function copyTo(target: string) {
  problem.value = undefined
  if (target === '' || target === date) return
  try {
    await putOn(target, carrying(day.seats), day)
    copied.value = target
  } catch (error) {
    problem.value = asProblem(error)
  }
}
</script>

<template>
  <footer class="foot">
    <UiButton
      v-for="p in panels"
      :key="p.key"
      kind="link"
      :aria-expanded="panel === p.key"
      @click="panel = panel === p.key ? undefined : p.key"
    >
      {{ p.text }}
    </UiButton>
    <a class="link" :href="`/api/days/${date}/sheet.pdf`" target="_blank">Day sheet, PDF</a>
    <a class="link" :href="`/api/days/${date}/plan.ics`">Calendar file</a>
    <label for="copy-to">Copy these dogs to</label>
    <UiDate id="copy-to" v-model="target" clearable @update:model-value="copyTo" />
    <p v-if="copied" role="status">
      Copied. <RouterLink class="link" :to="`/days/${copied}`">Open {{ say.date(copied) }}</RouterLink>
    </p>
    <p v-if="problem" class="field-error" role="alert">{{ problem.detail }}</p>
  </footer>
</template>

<style scoped>
.foot {
  /* its links have room of their own below them */
  margin-bottom: -20px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
  margin-top: 18px;
}
.foot .ui-date {
  width: 160px;
}
</style>
