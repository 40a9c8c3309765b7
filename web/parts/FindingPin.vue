<script setup lang="ts">
import { computed } from 'vue'
import type { FindingKind } from '@core/dog'

const { kind, gone, vet } = defineProps<{
  x: number
  y: number
  kind: FindingKind
  number: number
  gone: boolean
  vet: boolean
}>()
const ink = computed(() => (gone ? 'var(--ink2)' : vet ? 'var(--stop)' : 'var(--ink)'))
const PATCH: readonly FindingKind[] = ['redness', 'hot spot', 'sore', 'bald patch', 'cut']
</script>

<template>
  <g :transform="`translate(${x} ${y})`">
    <circle r="14" fill="var(--enamel)" :stroke="ink" stroke-width="2.4" :stroke-dasharray="gone ? '4 3' : undefined" />
    <path
      v-if="kind === 'mat'"
      d="M-6 3Q-8 -5 0 -5Q7 -5 6 1Q5 5 0 4Q-3 3 -1 0"
      fill="none"
      :stroke="ink"
      stroke-width="2.4"
      stroke-linecap="round"
    />
    <g v-else-if="kind === 'tick'" :stroke="ink" stroke-width="2" stroke-linecap="round">
      <path d="M-8 -4L8 4M-8 4L8 -4M-9 0H9" />
      <ellipse rx="4" ry="5.4" :fill="ink" />
    </g>
    <path
      v-else-if="PATCH.includes(kind)"
      d="M-7 -4Q-2 -9 5 -6Q9 0 5 6Q-2 9 -7 4ZM-5 4L4 -6M-1 6L6 -2"
      fill="none"
      :stroke="ink"
      stroke-width="2"
      stroke-linejoin="round"
    />
    <circle v-else r="6" :fill="ink" />
    <g transform="translate(11 -15)">
      <path d="M0 0H18V11Q18 17 12 17H6Q0 17 0 11Z" :fill="ink" />
      <text x="9" y="13" text-anchor="middle" font-size="13" font-weight="700" fill="var(--on-rim)">{{ number }}</text>
    </g>
  </g>
</template>
