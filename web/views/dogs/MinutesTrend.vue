<script setup lang="ts">
import { scaleLinear, scalePoint } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'

const { visits } = defineProps<{
  /** Minutes taken and planned, the oldest visit first. */
  visits: readonly { minutes: number; planned: number }[]
}>()

const [WIDTH, HEIGHT, EDGE] = [260, 64, 6]
const x = computed(() => scalePoint(visits.keys(), [EDGE, WIDTH - EDGE]))
const y = computed(() => {
  const all = visits.flatMap((v) => [v.minutes, v.planned])
  return scaleLinear([Math.min(...all), Math.max(...all)], [HEIGHT - EDGE, EDGE])
})
const wayOf = (of: 'minutes' | 'planned') =>
  line()(visits.map((v, i): [number, number] => [x.value(i)!, y.value(v[of])])) ?? ''
</script>

<template>
  <svg class="trend" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" aria-hidden="true">
    <path :d="wayOf('planned')" class="planned" />
    <path :d="wayOf('minutes')" class="took" />
    <circle v-for="(v, i) in visits" :key="i" :cx="x(i)" :cy="y(v.minutes)" r="3" class="dot" />
  </svg>
</template>

<style scoped>
.trend {
  width: 100%;
  max-width: 320px;
}
.planned,
.took {
  fill: none;
  stroke-width: 2;
}
.planned {
  stroke: var(--edge);
  stroke-dasharray: 4 4;
}
.took {
  stroke: var(--water);
}
.dot {
  fill: var(--water);
}
</style>
