<script setup lang="ts">
import { Input, Textarea } from 'ant-design-vue'
import UiField from './UiField.vue'

const { label, error, hint, most, rows, inputmode, bare, placeholder, clearable } = defineProps<{
  label: string
  error?: string
  hint?: string
  /** How many characters at most. */
  most?: number
  /** More than one line, so many at first. */
  rows?: number
  inputmode?: 'text' | 'decimal' | 'search'
  /** Its name is told to screen readers alone. */
  bare?: boolean
  placeholder?: string
  clearable?: boolean
}>()
const emit = defineEmits<{ enter: [] }>()
const text = defineModel<string>({ required: true })
</script>

<template>
  <UiField v-slot="{ id, says }" :label="label" :error="error" :hint="hint" :bare="bare">
    <Textarea
      v-if="rows"
      :id="id"
      v-model:value="text"
      :maxlength="most"
      :auto-size="{ minRows: rows }"
      :status="error ? 'error' : ''"
      :aria-describedby="says"
    />
    <Input
      v-else
      :id="id"
      v-model:value="text"
      :maxlength="most"
      :inputmode="inputmode"
      autocomplete="off"
      :placeholder="placeholder"
      :allow-clear="clearable"
      :status="error ? 'error' : ''"
      :aria-describedby="says"
      @press-enter="emit('enter')"
    />
  </UiField>
</template>
