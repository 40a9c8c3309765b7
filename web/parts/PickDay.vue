<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { daysFrom } from '../api/days'
import { useAsk } from '../api/queries'
import { useSay } from '../say'
import UiButton from '../ui/UiButton.vue'
import UiDate from '../ui/UiDate'
import { deviceToday } from './words'

const { label, not = [] } = defineProps<{
  /** What the day is for: "Book a day". */
  label: string
  /** Days that are no choice. */
  not?: readonly string[]
}>()
const emit = defineEmits<{ pick: [date: string] }>()

const say = useSay()
const id = useId()
const FEW = 4
const { answer: coming } = useAsk('GET /days', daysFrom(deviceToday()))
/** The next days that have dogs already. */
const next = computed(() =>
  (coming.value ?? [])
    .filter((d) => !not.includes(d.date))
    .slice(-FEW)
    .reverse(),
)
/** A day that is past is taken only when it is meant. */
const past = ref<string>()
function pick(date: string) {
  past.value = date !== '' && date < deviceToday() ? date : undefined
  if (date !== '' && !past.value) emit('pick', date)
}
function pickPast() {
  emit('pick', past.value!)
  past.value = undefined
}
</script>

<template>
  <div class="pick-day" role="group" :aria-label="label">
    <UiButton v-for="d in next" :key="d.date" @click="emit('pick', d.date)">
      {{ say.date(d.date, 'weekday') }} {{ say.date(d.date, 'day') }}, {{ say.count(d.dogs.length, 'dog') }}
    </UiButton>
    <label :for="id">{{ next.length > 0 ? 'or on' : 'On' }}</label>
    <UiDate :id="id" :model-value="past ?? ''" clearable @update:model-value="pick" />
    <p v-if="past" role="alert">
      {{ say.date(past) }} is past.
      <UiButton kind="link" @click="pickPast">Take it all the same</UiButton>
    </p>
  </div>
</template>

<style scoped>
.pick-day {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.pick-day label {
  color: var(--ink2);
  font-weight: 600;
}
.ui-date {
  width: 160px;
}
</style>
