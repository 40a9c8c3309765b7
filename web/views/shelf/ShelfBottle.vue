<script setup lang="ts">
import { computed } from 'vue'

/** A bottle that stands as full as it is. `full`: 0 to 1; undefined: nobody counted it. */
const { full } = defineProps<{ full?: number }>()
const [TOP, BOTTOM] = [15, 46]
const level = computed(() => BOTTOM - (BOTTOM - TOP) * Math.min(1, Math.max(0, full ?? 0)))
const BODY = 'M4 18Q4 14 9 13V6H19V13Q24 14 24 18V44Q24 48 20 48H8Q4 48 4 44Z'
</script>

<template>
  <svg viewBox="0 0 28 50" aria-hidden="true">
    <path :d="BODY" class="glass" :class="{ unknown: full === undefined }" />
    <clipPath :id="`level-${level}`"><rect x="0" :y="level" width="28" :height="50 - level" /></clipPath>
    <path
      v-if="full !== undefined"
      :d="BODY"
      class="fill"
      :class="{ low: full < 0.15 }"
      :clip-path="`url(#level-${level})`"
    />
    <path d="M9 2H19V6H9Z" class="cap" />
    <path :d="BODY" class="edge" :class="{ unknown: full === undefined }" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  width: 28px;
  height: 50px;
}
.glass {
  fill: var(--enamel);
}
.fill {
  fill: var(--water-tint);
}
.fill.low {
  fill: var(--watch-tint);
}
.cap {
  fill: var(--ink2);
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.edge.unknown {
  stroke-dasharray: 3 3;
}
</style>
