<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { ref, useId, watch } from 'vue'
import { typedNumber } from './words'
import { useSay } from '../say'

const say = useSay()

const { label, error, hint } = defineProps<{ label: string; error?: string; hint?: string }>()
/** NaN while what is typed isn't a number. */
const value = defineModel<number>({ required: true })
const id = useId()
const text = ref(written(value.value))

function written(number: number): string {
  return Number.isNaN(number) ? '' : say.number(number, 2)
}
watch(value, (now) => {
  if (!Object.is(typedNumber(text.value), now)) text.value = written(now)
})
</script>

<template>
  <div class="number">
    <label :for="id">{{ label }}</label>
    <Input
      :id="id"
      v-model:value="text"
      inputmode="decimal"
      :status="error ? 'error' : ''"
      :aria-describedby="error ? `${id}-error` : undefined"
      @update:value="value = typedNumber(text)"
    />
    <p v-if="error" :id="`${id}-error`" class="field-error" role="alert">{{ error }}</p>
    <p v-else-if="hint" class="soft small">{{ hint }}</p>
  </div>
</template>

<style scoped>
.number {
  max-width: 190px;
}
label {
  display: block;
  margin-bottom: 4px;
  color: var(--ink2);
  font-size: 14px;
  font-weight: 600;
}
</style>
