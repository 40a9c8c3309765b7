<script setup lang="ts">
import { computed, useId } from 'vue'

const { label, error } = defineProps<{ label: string; error?: string }>()
const minute = defineModel<number>({ required: true })
const id = useId()

const text = computed(() => {
  const two = (n: number) => String(n).padStart(2, '0')
  return `${two(Math.floor(minute.value / 60))}:${two(minute.value % 60)}`
})
function typed(event: Event) {
  const found = /^(\d{1,2}):(\d{2})/.exec((event.target as HTMLInputElement).value)
  if (found) minute.value = 60 * Number(found[1]) + Number(found[2])
}
</script>

<template>
  <div class="clock-field">
    <label :for="id">{{ label }}</label>
    <input :id="id" class="date" type="time" :value="text" :aria-invalid="error ? true : undefined" @change="typed" />
    <p v-if="error" class="field-error" role="alert">{{ error }}</p>
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
input {
  width: 118px;
}
</style>
