<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Dog } from '@core/dog'
import { drawDog } from '../drawing/figure'
import { HAND, THUMB, type HowToDrawing } from '../drawing/howTo'
import DogFigure from './DogFigure.vue'

const { dog, drawing, title } = defineProps<{ dog: Dog; drawing: HowToDrawing; title: string }>()

const tip = useId()
const figure = computed(() => drawDog('left', dog))
const turn = computed(() => {
  const [x, y] = figure.value.places!.neck
  return drawing.turn === undefined ? undefined : `rotate(${drawing.turn} ${x} ${y})`
})
const WAYS = [
  { of: 'water', colour: 'var(--water)', dash: '7 5' },
  { of: 'air', colour: 'var(--volt)', dash: '2 6' },
  { of: 'moves', colour: 'var(--rim)', dash: undefined },
] as const
const LOCK = [12, 30, 48, 66, 84, 102, 120, 138].map((x, i) => `M${x} 0q${i % 2 ? 7 : -6} 45 ${i % 2 ? -3 : 4} 100`)
</script>

<template>
  <svg :viewBox="drawing.box.join(' ')" role="img" :aria-label="title" class="how-to">
    <defs>
      <marker
        v-for="w in WAYS"
        :id="`${tip}-${w.of}`"
        :key="w.of"
        viewBox="0 0 10 10"
        refX="6"
        refY="5"
        markerWidth="4.4"
        markerHeight="4.4"
        orient="auto-start-reverse"
      >
        <path d="M0 0L10 5L0 10Z" :fill="w.colour" />
      </marker>
    </defs>
    <template v-if="drawing.lock">
      <path d="M0 2H150" stroke="var(--ink)" stroke-width="4" />
      <path
        v-for="d in LOCK"
        :key="d"
        :d="d"
        fill="none"
        :stroke="figure.shade.stroke"
        stroke-width="4"
        stroke-linecap="round"
      />
      <path
        v-if="drawing.lock === 'mat'"
        d="M38 52q12 -10 30 -4q22 -4 32 8q4 14 -14 18q-18 8 -34 0q-20 -6 -14 -22Z"
        :fill="figure.shade.stroke"
        stroke="var(--ink)"
        stroke-width="2"
      />
      <g v-else fill="none" stroke="var(--rim)" stroke-width="3">
        <path d="M74 102V86M74 86V66M74 66V42" :marker-end="`url(#${tip}-moves)`" />
        <path d="M60 86H88M60 66H88" stroke-dasharray="4 4" />
      </g>
      <g transform="translate(70 92)" stroke="var(--ink)" stroke-width="2.4" fill="var(--enamel)">
        <rect x="0" y="6" width="76" height="12" rx="5" />
        <path d="M6 6V-8M16 6V-8M26 6V-8M36 6V-8M46 6V-8" fill="none" />
      </g>
    </template>
    <g v-else :transform="turn"><DogFigure :figure="figure" /></g>
    <g :transform="drawing.lock ? undefined : turn">
      <path
        v-for="d in drawing.lather"
        :key="d"
        :d="d"
        fill="var(--water-pale)"
        stroke="var(--water)"
        stroke-width="3"
        stroke-dasharray="1 7"
        stroke-linecap="round"
      />
      <template v-for="w in WAYS" :key="w.of">
        <path
          v-for="d in drawing[w.of]"
          :key="d"
          :d="d"
          fill="none"
          :stroke="w.colour"
          stroke-width="4"
          stroke-linecap="round"
          :stroke-dasharray="w.dash"
          :marker-end="`url(#${tip}-${w.of})`"
        />
      </template>
      <g
        v-for="(h, i) in drawing.hands"
        :key="i"
        :transform="`translate(${h.at[0]} ${h.at[1]}) rotate(${h.turn}) scale(${h.size})`"
        fill="var(--enamel)"
        stroke="var(--ink)"
        stroke-width="2"
        stroke-linejoin="round"
      >
        <rect v-if="h.holds === 'cloth'" x="-9" y="-4" width="26" height="38" rx="5" fill="var(--water-tint)" />
        <circle v-if="h.holds === 'cotton'" cx="-2" cy="14" r="8" />
        <path :d="THUMB" />
        <path :d="HAND" />
      </g>
    </g>
  </svg>
</template>

<style scoped>
.how-to {
  display: block;
  width: 100%;
  height: auto;
}
</style>
