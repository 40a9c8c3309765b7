<script setup lang="ts">
import UiDate from '../../ui/UiDate.vue'
import { ref, watch } from 'vue'
import type { House } from '../../../core/house'
import { emptyDay, type WashDay } from '../../../core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import { days } from '../../api/days'
import { useSay } from '../../say'

const say = useSay()

const { date, day, house } = defineProps<{
  date: string
  day: WashDay
  house: House
  /** How far the day may be from the best there can be, in words. */
  gap?: string
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
    const there = await days.get(target)
    const fresh = { ...emptyDay(target, house), helper: day.helper, hours: day.hours }
    const base = there.version > 0 ? there.record : fresh
    const known = new Set(base.seats.map((s) => s.dogId))
    const more = day.seats.filter((s) => !known.has(s.dogId)).map((s) => ({ ...s, pins: {}, event: null }))
    await days.keep(there.version, { ...base, seats: [...base.seats, ...more] })
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
    <p v-if="gap" class="soft small">{{ gap }}</p>
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
