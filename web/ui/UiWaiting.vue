<script setup lang="ts">
const { label, rows = 4 } = defineProps<{
  /** What is being fetched: "Fetching the dogs". */
  label: string
  /** How many rows are likely to come. */
  rows?: number
}>()
</script>

<template>
  <div class="ui-waiting" role="status" aria-busy="true">
    <span class="hidden">{{ label }}</span>
    <span v-for="n in rows" :key="n" class="bar" :style="{ width: `${94 - 11 * (n % 4)}%` }" aria-hidden="true" />
  </div>
</template>

<style scoped>
.ui-waiting {
  display: grid;
  gap: 22px;
  padding: 20px 0;
}
.bar {
  height: 20px;
  border-radius: 2px 2px 10px 10px;
  background: linear-gradient(90deg, var(--rule) 25%, var(--enamel) 50%, var(--rule) 75%);
  background-size: 300% 100%;
  animation: pour 1.6s linear infinite;
}
@keyframes pour {
  from {
    background-position: 100% 0;
  }
  to {
    background-position: 0 0;
  }
}
@media (prefers-reduced-motion: reduce) {
  .bar {
    animation: none;
  }
}
</style>
