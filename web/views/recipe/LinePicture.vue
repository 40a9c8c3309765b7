<script setup lang="ts">
import { computed } from 'vue'
import { mainMix, type Plan } from '@core/visit'
import { drawnParts, THERMOMETER, tubShape } from './lineShapes'

/** What a line of the recipe says, drawn small: parts of water, the band at the nozzle, passes, ears, what dries how long. */
const { plan, of } = defineProps<{ plan: Plan; of: 'wash' | 'water' | 'rinse' | 'ears' | 'dry' }>()

/** How wide and, for passes, how many are drawn. */
const WIDE = 180
const MOST_PASSES = 6
/** Air between two tubs, px. */
const GAP = 1.6
const tubs = computed(() => {
  const parts = drawnParts(mainMix(plan.mix)?.ratio.value)
  if (parts === 0) return []
  const each = WIDE / (parts + 1)
  return Array.from({ length: parts + 1 }, (_, i) => tubShape(i * each + GAP / 2, each - GAP))
})
const { low, high } = THERMOMETER
const x = (celsius: number) => ((celsius - low) / (high - low)) * WIDE
const earColour = (action: string) =>
  action === 'stop' ? 'var(--stop-tint)' : action === 'wipe' ? 'var(--enamel)' : 'var(--water-tint)'
const drying = computed(() => {
  const { fastMinutes = 0, handMinutes, aloneMinutes } = plan.drying
  const all = Math.max(1, handMinutes + aloneMinutes)
  const pieces = [
    { minutes: Math.min(fastMinutes, handMinutes), fill: 'var(--water-tint)', line: 'var(--water)' },
    { minutes: Math.max(0, handMinutes - fastMinutes), fill: 'var(--volt-tint)', line: 'var(--volt)' },
    { minutes: aloneMinutes, fill: 'var(--enamel)', line: 'var(--ink2)' },
  ]
  let from = 0
  return pieces
    .filter((p) => p.minutes > 0)
    .map(({ minutes, fill, line }) => {
      const piece = { x: 1 + (from / all) * (WIDE - 2), width: (minutes / all) * (WIDE - 2), fill, line }
      from += minutes
      return piece
    })
})
</script>

<template>
  <svg class="picture" :viewBox="`0 0 ${WIDE} 26`" :width="WIDE" height="26" aria-hidden="true">
    <template v-if="of === 'wash'">
      <path
        v-for="(tub, i) in tubs"
        :key="i"
        :d="tub"
        :fill="i === 0 ? 'var(--rim)' : 'var(--water-tint)'"
        :stroke="i === 0 ? 'var(--rim)' : 'var(--water)'"
        stroke-width="1.2"
      />
    </template>
    <template v-else-if="of === 'water'">
      <rect x="0" y="10" :width="WIDE" height="7" fill="var(--rule2)" />
      <rect
        :x="x(plan.water.low)"
        y="5"
        :width="x(plan.water.high) - x(plan.water.low)"
        height="17"
        fill="var(--water-tint)"
        stroke="var(--water)"
        stroke-width="1.4"
      />
      <path :d="`M${x(plan.water.target.value)} 1V26`" stroke="var(--ink)" stroke-width="4" />
      <path :d="`M${x(plan.water.alarm)} 3V24`" stroke="var(--stop)" stroke-width="2.2" stroke-dasharray="4 2.5" />
    </template>
    <template v-else-if="of === 'rinse'">
      <path
        v-for="i in Math.min(MOST_PASSES, plan.rinse.last.passes)"
        :key="i"
        :d="`M${(i - 1) * 26 + 12} 2q9 11 9 15a9 8 0 0 1 -18 0q0 -4 9 -15Z`"
        fill="var(--water-tint)"
        stroke="var(--water)"
        stroke-width="1.5"
      />
    </template>
    <template v-else-if="of === 'ears'">
      <path
        d="M30 3Q4 0 2 14Q0 22 8 25Q26 24 30 10Z"
        :fill="earColour(plan.ears.left.action)"
        stroke="var(--ink)"
        stroke-width="1.6"
      />
      <path
        d="M44 3Q70 0 72 14Q74 22 66 25Q48 24 44 10Z"
        :fill="earColour(plan.ears.right.action)"
        stroke="var(--ink)"
        stroke-width="1.6"
      />
    </template>
    <template v-else>
      <rect
        v-for="p in drying"
        :key="p.x"
        :x="p.x"
        y="6"
        :width="p.width"
        height="15"
        :fill="p.fill"
        :stroke="p.line"
        stroke-width="1.4"
      />
    </template>
  </svg>
</template>

<style scoped>
.picture {
  flex: none;
  align-self: center;
  margin-left: auto;
}
@media (max-width: 900px) {
  .picture {
    display: none;
  }
}
</style>
