<script setup lang="ts">
/** The minutes a visit took as a ribbon over those that were planned, on a scale that the visits beside it share. */
const { minutes, planned, longest } = defineProps<{ minutes: number; planned: number; longest: number }>()
const WIDTH = 180
const wide = (of: number) => (WIDTH * of) / Math.max(1, longest)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} 20`" aria-hidden="true">
    <path :d="`M0 15H${wide(planned)}`" class="planned" />
    <path :d="`M0 7H${wide(Math.min(minutes, planned))}`" class="taken" />
    <path v-if="minutes > planned" :d="`M${wide(planned)} 7H${wide(minutes)}`" class="taken over" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 180px;
  height: 20px;
}
path {
  stroke-width: 4;
}
.planned {
  stroke: var(--ink2);
  stroke-dasharray: 3 3;
  stroke-width: 2;
}
.taken {
  stroke: var(--rim);
  stroke-width: 8;
}
.over {
  stroke: var(--watch);
}
</style>
