<script setup lang="ts">
import { computed, useId } from 'vue'

const {
  label,
  error,
  hint,
  forId,
  bare = false,
} = defineProps<{
  label: string
  error?: string
  hint?: string
  /** The field's id; one of its own is given to the slot otherwise. */
  forId?: string
  /** Its name is told to screen readers alone: what stands around it says it to everybody else. */
  bare?: boolean
}>()
const own = useId()
const id = computed(() => forId ?? own)
/** What the field is described by: its error or its hint. */
const says = computed(() => (error ? `${id.value}-error` : hint ? `${id.value}-hint` : undefined))
</script>

<template>
  <div class="field">
    <label :for="id" :class="{ hidden: bare }">{{ label }}</label>
    <slot :id="own" :says="says" />
    <p v-if="error" :id="`${id}-error`" class="field-error" role="alert">{{ error }}</p>
    <p v-else-if="hint" :id="`${id}-hint`" class="hint">{{ hint }}</p>
  </div>
</template>

<style scoped>
label {
  display: block;
  margin-bottom: 5px;
  color: var(--ink2);
  font-size: 14px;
  font-weight: 600;
}
.hint {
  margin-top: 4px;
  color: var(--ink2);
  font-size: 14px;
}
.field {
  min-width: 0;
}
</style>
