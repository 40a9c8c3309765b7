<script setup lang="ts">
import { DatePicker } from 'ant-design-vue'
import dayjs, { type Dayjs } from 'dayjs'
import { computed } from 'vue'
import { useSay } from '../say'

const {
  id,
  clearable = false,
  invalid = false,
} = defineProps<{
  id: string
  /** It may be left empty. */
  clearable?: boolean
  invalid?: boolean
}>()
/** ISO, "2026-11-28"; empty where none is given. */
const date = defineModel<string>({ required: true })

const say = useSay()
/** As the house writes dates, and what else may be typed: "28 Nov 2026", "2026-11-28", "28/11/2026". */
const formats = computed(() =>
  say.units.length === 'in'
    ? ['MMM D, YYYY', 'YYYY-MM-DD', 'M/D/YYYY', 'MMMM D, YYYY', 'D MMM YYYY']
    : ['D MMM YYYY', 'YYYY-MM-DD', 'D/M/YYYY', 'D.M.YYYY', 'D MMMM YYYY'],
)
const value = computed(() => (date.value ? dayjs(date.value) : undefined))

function put(day: Dayjs | string | null) {
  const iso = day ? dayjs(day).format('YYYY-MM-DD') : ''
  if (iso !== date.value) date.value = iso
}
</script>

<template>
  <DatePicker
    :id="id"
    class="ui-date"
    :value="value"
    :format="formats"
    :allow-clear="clearable"
    :status="invalid ? 'error' : ''"
    placeholder="No date"
    :aria-describedby="invalid ? `${id}-error` : undefined"
    @update:value="put($event as Dayjs | null)"
  >
    <template #prevIcon><span aria-hidden="true">‹</span><span class="hidden">Month before</span></template>
    <template #nextIcon><span aria-hidden="true">›</span><span class="hidden">Month after</span></template>
    <template #superPrevIcon><span aria-hidden="true">«</span><span class="hidden">Year before</span></template>
    <template #superNextIcon><span aria-hidden="true">»</span><span class="hidden">Year after</span></template>
  </DatePicker>
</template>
