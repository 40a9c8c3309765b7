<script setup lang="ts">
import { scaleLinear, scalePoint } from 'd3-scale'
import { line } from 'd3-shape'
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
const y = scaleLinear([0.5, RUNGS + 0.5], [height - 3, height - 3 - RUNGS * STEP])
/** Visits from left to right over the rungs, ending at the one that is proposed. */
const climb = computed(() => {
  const shown = [...trend.slice(-8), rung]
  const x = scalePoint(shown.keys(), [8, WIDTH - 10])
  return shown.map((at, i): [number, number] => [x(i)!, y(at)])
})
const way = computed(() => line()(climb.value) ?? '')
</script>

<template>
  <svg class="ladder" :width="WIDTH" :height="height" :viewBox="`0 0 ${WIDTH} ${height}`" aria-hidden="true">
    <line v-for="n in RUNGS" :key="n" x1="2" :x2="WIDTH - 2" :y1="y(n)" :y2="y(n)" class="rung" />
    <path :d="way" class="way" />
    <circle v-for="([x, at], i) in climb.slice(0, -1)" :key="i" :cx="x" :cy="at" r="2.4" class="past" />
    <circle :cx="climb.at(-1)![0]" :cy="climb.at(-1)![1]" r="5" class="next" />
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
