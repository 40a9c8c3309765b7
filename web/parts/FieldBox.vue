<script setup lang="ts">
import { useId } from 'vue'

const { label, error, hint, forId } = defineProps<{
  label: string
  error?: string
  hint?: string
  /** The field's id; one of its own is given to the slot otherwise. */
  forId?: string
}>()
const own = useId()
</script>

<template>
  <div class="field">
    <label :for="forId ?? own">{{ label }}</label>
    <slot :id="own" />
    <p v-if="error" :id="`${forId ?? own}-error`" class="field-error" role="alert">{{ error }}</p>
    <p v-else-if="hint" class="hint">{{ hint }}</p>
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
