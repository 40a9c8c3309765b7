<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { readClock } from '@core/units'
import { useSay } from '../say'
import UiField from './UiField.vue'

const { label, error } = defineProps<{ label: string; error?: string }>()
/** Minute of the day. */
const minute = defineModel<number>({ required: true })
const say = useSay()
const text = ref('')
const unread = ref(false)

watch([minute, () => say.units.clock], () => show(), { immediate: true })

function show() {
  text.value = say.clock(minute.value)
  unread.value = false
}
function typed() {
  const found = readClock(text.value)
  unread.value = found === undefined
  if (found === undefined) return
  minute.value = found
  show()
}
const told = computed(() =>
  unread.value ? `Give a time, for example ${say.clock(8 * 60 + 30)} or ${say.clock(14 * 60 + 5)}.` : error,
)
</script>

<template>
  <UiField v-slot="{ id, says }" class="clock" :label="label" :error="told">
    <Input
      :id="id"
      v-model:value="text"
      :status="told ? 'error' : ''"
      :aria-describedby="says"
      autocomplete="off"
      @blur="typed"
      @press-enter="typed"
    />
  </UiField>
</template>

<style scoped>
.clock {
  max-width: 240px;
}
.clock :deep(.ant-input) {
  width: 118px;
}
</style>
