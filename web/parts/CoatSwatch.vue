<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Dog } from '@core/dog'
import { coatStrokes, skinLine } from '../drawing/coat'
import { pairOf } from '../drawing/colours'
import { seedOf } from '../drawing/random'

const {
  dog,
  dogId,
  width = 56,
  height = 62,
  colour,
} = defineProps<{
  dog: Dog
  dogId: string
  width?: number
  height?: number
  /** Instead of the dog’s own, where another of the day has that. */
  colour?: number
}>()

const clip = useId()
const pair = computed(() => pairOf(colour === undefined ? dog : { colour }))
const skin = computed(() => {
  if (dog.known.skin.some((s) => s !== 'dry' && s !== 'greasy')) return 'itchy'
  if (dog.folds) return 'folds'
  return dog.thinSkin ? 'thin' : 'calm'
})
const edge = computed(() => Math.max(8, Math.min(width, height) * 0.14))
const strokes = computed(() =>
  coatStrokes(dog.coat, {
    width,
    height: height - edge.value,
    seed: seedOf(dogId) % 997,
    scale: Math.min(width, height) > 90 ? 1.35 : 1,
    density: dog.density === 'dense' ? 1.25 : dog.density === 'thin' ? 0.8 : 1,
  }),
)
const line = computed(() => skinLine(skin.value, width, height - 2))
const shape = computed(() => {
  const r = Math.min(20, Math.min(width, height) * 0.3)
  return `M0 0H${width}V${height - r}Q${width} ${height} ${width - r} ${height}H${r}Q0 ${height} 0 ${height - r}Z`
})
const words = computed(
  () =>
    `${dog.density === 'usual' ? '' : `${dog.density} `}${dog.coat === 'hairless' ? 'hairless' : `${dog.coat} coat`}`,
)
</script>

<template>
  <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="words">
    <defs>
      <clipPath :id="clip"><path :d="shape" /></clipPath>
    </defs>
    <g :clip-path="`url(#${clip})`">
      <rect :width="width" :height="height" :fill="pair.tint" />
      <path
        v-for="(s, i) in strokes"
        :key="i"
        :d="s.d"
        fill="none"
        :stroke="pair.stroke"
        :stroke-width="s.width"
        :stroke-opacity="s.opacity"
        stroke-linecap="round"
        stroke-linejoin="round"
      />
      <rect :y="height - edge" :width="width" :height="edge" fill="var(--enamel)" />
      <path :d="line.d" fill="none" :stroke="pair.stroke" :stroke-width="line.width" :stroke-dasharray="line.dash" />
    </g>
    <path :d="shape" fill="none" :stroke="pair.stroke" stroke-width="1.5" />
  </svg>
</template>
