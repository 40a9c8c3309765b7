<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, ref, useId, watch } from 'vue'
import { readClock } from '../../core/units'
import { useSay } from '../say'

const { label, error } = defineProps<{ label: string; error?: string }>()
/** Minute of the day. */
const minute = defineModel<number>({ required: true })
const id = useId()
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
const said = computed(() =>
  unread.value ? `Give a time, for example ${say.clock(8 * 60 + 30)} or ${say.clock(14 * 60 + 5)}.` : error,
)
</script>

<template>
  <div class="clock-field">
    <label :for="id">{{ label }}</label>
    <Input
      :id="id"
      v-model:value="text"
      :status="said ? 'error' : ''"
      :aria-describedby="said ? `${id}-error` : undefined"
      autocomplete="off"
      @blur="typed"
      @press-enter="typed"
    />
    <p v-if="said" :id="`${id}-error`" class="field-error" role="alert">{{ said }}</p>
  </div>
</template>

<style scoped>
label {
  display: block;
  margin-bottom: 4px;
  color: var(--ink2);
  font-size: 14px;
  font-weight: 600;
}
.clock-field {
  max-width: 240px;
}
.clock-field :deep(.ant-input) {
  width: 118px;
}
</style>
