<script setup lang="ts">
const { label, error, forId, hint } = defineProps<{ label: string; error?: string; forId: string; hint?: string }>()
</script>

<template>
  <div class="field">
    <label :for="forId">{{ label }}</label>
    <slot />
    <p v-if="error" :id="`${forId}-error`" class="field-error" role="alert">{{ error }}</p>
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
