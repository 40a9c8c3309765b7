<script setup lang="ts">
import UiDate from '../../ui/UiDate'
import { ref, watch } from 'vue'
import type { Seat, WashDay } from '@core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import { putOn } from '../../api/days'
import { useSay } from '../../say'

const say = useSay()

const { date, day, carrying } = defineProps<{
  date: string
  day: WashDay
  /** Seats with what their dogs come for. */
  carrying: (seats: readonly Seat[]) => Seat[]
}>()
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
    <label for="copy-to">Copy these dogs to</label>
    <UiDate id="copy-to" v-model="target" clearable @update:model-value="copyTo" />
    <p v-if="copied" role="status">
      Copied. <RouterLink class="link" :to="`/days/${copied}`">Open {{ say.date(copied) }}</RouterLink>
    </p>
    <p v-if="problem" class="field-error" role="alert">{{ problem.detail }}</p>
    <a class="link" :href="`/api/days/${date}/sheet.pdf`" target="_blank">Day sheet, PDF</a>
    <a class="link" :href="`/api/days/${date}/plan.ics`">Calendar file</a>
    <RouterLink class="link" to="/days">All days, standing dogs, calendar files</RouterLink>
  </footer>
</template>

<style scoped>
.foot {
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
