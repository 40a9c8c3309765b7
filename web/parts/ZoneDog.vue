<script setup lang="ts">
import { computed } from 'vue'
import type { Dog, Zone } from '@core/dog'
import { drawDog } from '../drawing/figure'
import DogFigure from './DogFigure.vue'

const {
  dog,
  puppy = false,
  labels = {},
  depth = {},
  title,
  clickable = false,
} = defineProps<{
  dog: Dog
  puppy?: boolean
  /** What stands beside each zone, in two parts: the number, and the words. */
  labels?: Partial<Record<Zone, { number: string; words: string }>>
  /** How deep a zone is tinted, 0 to 1. */
  depth?: Partial<Record<Zone, number>>
  title: string
  clickable?: boolean
}>()
const emit = defineEmits<{ zone: [zone: Zone] }>()

const figure = computed(() => drawDog('left', puppy ? { ...dog, stage: 'puppy' } : dog))

const box = computed(() => (Object.keys(labels).length > 0 ? '-92 16 632 252' : '14 12 380 258'))

const LEFT: Zone[] = ['ears', 'head', 'neck', 'forelegs']
const RIGHT: Zone[] = ['tail', 'back', 'belly', 'hindlegs', 'feet']

/** Where each label stands: two columns, in the order of the body from top to bottom. */
const placed = computed(() => {
  const spots = Object.fromEntries(figure.value.zones.map((z) => [z.zone, z.spot])) as Record<
    Zone,
    readonly [number, number]
  >
  const column = (zones: Zone[], x: number, anchor: 'end' | 'start') => {
    const shown = zones.filter((z) => labels[z])
    const gap = 226 / Math.max(1, shown.length)
    return shown.map((zone, i) => ({
      zone,
      x,
      y: 40 + gap * i + gap / 2 - 14,
      anchor,
      spot: spots[zone],
      label: labels[zone]!,
    }))
  }
  return [...column(LEFT, 40, 'end'), ...column(RIGHT, 392, 'start')]
})
</script>

<template>
  <svg class="dog" :viewBox="box" role="img" :aria-label="title">
    <DogFigure :figure="figure" :depth="depth" :tapped="clickable" @zone="(zone) => emit('zone', zone)" />
    <g v-for="l in placed" :key="l.zone">
      <path
        :d="`M${l.anchor === 'end' ? l.x + 5 : l.x - 5} ${l.y}L${l.spot[0]} ${l.spot[1]}`"
        fill="none"
        stroke="var(--ink)"
        stroke-width="1.4"
      />
      <circle :cx="l.spot[0]" :cy="l.spot[1]" r="2.8" fill="var(--ink)" />
      <text :x="l.x" :y="l.y + 7" :text-anchor="l.anchor" font-size="21">
        <tspan font-weight="800" font-size="24">{{ l.label.number }}</tspan>
        <tspan dx="5">{{ l.label.words }}</tspan>
      </text>
    </g>
  </svg>
</template>

<style scoped>
.dog {
  width: 100%;
  height: auto;
  max-height: 330px;
}
text {
  font-family: var(--text);
  fill: var(--ink);
}
</style>
