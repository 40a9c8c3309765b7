<script setup lang="ts">
import { computed } from 'vue'
import { LADDER } from '@core/handling'

const { rung, trend } = defineProps<{
  /** The rung that is proposed next. */
  rung: number
  /** Rungs after each past visit, the oldest first. */
  trend: readonly number[]
}>()

const RUNGS = LADDER.rungs.value
const [WIDTH, STEP] = [76, 8]
const height = RUNGS * STEP + 6
const y = (at: number) => height - 3 - (at - 0.5) * STEP
/** Visits from left to right over the rungs, ending at the one that is proposed. */
const climb = computed(() => {
  const shown = [...trend.slice(-8), rung]
  const x = (i: number) => (shown.length === 1 ? WIDTH / 2 : 8 + (i * (WIDTH - 18)) / (shown.length - 1))
  return shown.map((at, i) => ({ x: x(i), y: y(at) }))
})
</script>

<template>
  <svg class="ladder" :width="WIDTH" :height="height" :viewBox="`0 0 ${WIDTH} ${height}`" aria-hidden="true">
    <line v-for="n in RUNGS" :key="n" x1="2" :x2="WIDTH - 2" :y1="y(n)" :y2="y(n)" class="rung" />
    <polyline :points="climb.map((p) => `${p.x},${p.y}`).join(' ')" class="way" />
    <circle v-for="(p, i) in climb.slice(0, -1)" :key="i" :cx="p.x" :cy="p.y" r="2.4" class="past" />
    <circle :cx="climb.at(-1)!.x" :cy="climb.at(-1)!.y" r="5" class="next" />
  </svg>
</template>

<style scoped>
.ladder {
  flex: none;
}
.rung {
  stroke: var(--rule);
  stroke-width: 1.5;
}
.way {
  fill: none;
  stroke: var(--water);
  stroke-width: 2;
}
.past,
.next {
  fill: var(--water);
}
</style>
