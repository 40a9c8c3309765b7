<script setup lang="ts">
import { ref, watch } from 'vue'
import UiText from '../ui/UiText.vue'

const { label, error, hint } = defineProps<{ label: string; error?: string; hint?: string }>()
/** A few words each; typed with commas between them. */
const list = defineModel<string[]>({ required: true })

const joined = (of: readonly string[]) => of.join(', ')
const split = (text: string) =>
  text
    .split(',')
    .map((part) => part.trim())
    .filter(Boolean)
const text = ref(joined(list.value))
watch(list, (now) => {
  // what is being typed keeps its last comma
  if (joined(split(text.value)) !== joined(now)) text.value = joined(now)
})
function type(now: string) {
  text.value = now
  list.value = split(now)
}
</script>

<template>
  <UiText :model-value="text" :label="label" :error="error" :hint="hint" @update:model-value="type" />
</template>
