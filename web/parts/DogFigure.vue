<script setup lang="ts">
import { useId } from 'vue'
import type { Zone } from '@core/dog'
import type { Figure } from '../drawing/figure'

const {
  figure,
  depth = {},
  tapped = false,
} = defineProps<{
  figure: Figure
  /** How deep a zone is tinted, 0 to 1. */
  depth?: Partial<Record<Zone, number>>
  tapped?: boolean
}>()
const emit = defineEmits<{ zone: [zone: Zone, event: MouseEvent] }>()

const mask = useId()
const RAMP = ['', 'var(--ramp-1)', 'var(--ramp-2)', 'var(--ramp-3)', 'var(--ramp-4)']
const step = (zone: Zone) => Math.round(Math.min(1, depth[zone] ?? 0) * (RAMP.length - 1))
const fill = (zone: Zone) => RAMP[step(zone)] || figure.shade.tint
</script>

<template>
  <g stroke-linejoin="round">
    <defs>
      <mask :id="mask" maskUnits="userSpaceOnUse" x="0" y="0" width="400" height="270">
        <g fill="white" stroke="white">
          <template v-for="z in figure.zones" :key="z.zone">
            <path v-for="(d, i) in z.paths" :key="i" :d="d" :stroke-width="figure.puff[z.zone] * 2" />
          </template>
          <path v-for="(d, i) in figure.fringes" :key="i" :d="d" stroke="none" />
        </g>
      </mask>
    </defs>
    <path v-for="(d, i) in figure.far" :key="i" :d="d" fill="var(--far)" stroke="var(--ink)" stroke-width="1.6" />
    <path
      v-for="(d, i) in figure.fringes"
      :key="i"
      :d="d"
      :fill="figure.shade.stroke"
      :stroke="figure.shade.stroke"
      stroke-width="3"
    />
    <g fill="var(--ink)" stroke="var(--ink)">
      <template v-for="z in figure.zones" :key="z.zone">
        <path v-for="(d, i) in z.paths" :key="i" :d="d" :stroke-width="4.6 + figure.puff[z.zone] * 2" />
      </template>
    </g>
    <path v-for="(d, i) in figure.fringes" :key="i" :d="d" :fill="figure.shade.tint" />
    <template v-for="z in figure.zones" :key="z.zone">
      <path
        v-for="(d, i) in z.paths"
        :key="i"
        :d="d"
        :fill="figure.shade.tint"
        :stroke="figure.shade.tint"
        :stroke-width="Math.max(0.01, figure.puff[z.zone] * 2)"
      />
    </template>
    <template v-for="z in figure.zones" :key="z.zone">
      <path
        v-for="(d, i) in z.paths"
        :key="i"
        :d="d"
        :fill="fill(z.zone)"
        stroke="var(--ink)"
        :stroke-width="z.zone === 'ears' ? 1.9 : 0.9"
        :stroke-dasharray="z.zone === 'ears' ? undefined : '3.5 3'"
      />
    </template>
    <g :mask="`url(#${mask})`" fill="none" :stroke="figure.shade.stroke" stroke-linecap="round">
      <path
        v-for="(s, i) in figure.hairs"
        :key="i"
        :d="s.d"
        :stroke-width="s.width * 0.8"
        :stroke-opacity="s.opacity * 0.5"
      />
    </g>
    <template v-for="z in figure.zones" :key="z.zone">
      <path
        v-for="(d, i) in z.paths"
        :key="i"
        class="zone"
        :class="{ tap: tapped, deep: step(z.zone) === RAMP.length - 1 }"
        :d="d"
        fill="transparent"
        @click="tapped && emit('zone', z.zone, $event)"
      />
    </template>
    <circle v-for="(eye, i) in figure.eyes" :key="i" :cx="eye[0]" :cy="eye[1]" r="3.3" fill="var(--ink)" />
    <path v-for="(d, i) in figure.marks" :key="i" :d="d" fill="var(--ink)" />
    <path
      v-for="(d, i) in figure.lines"
      :key="i"
      :d="d"
      fill="none"
      stroke="var(--ink)"
      stroke-width="1.6"
      stroke-linecap="round"
    />
  </g>
</template>

<style scoped>
.tap {
  cursor: pointer;
}
.deep,
.tap:hover {
  stroke: var(--ink);
  stroke-width: 2.6;
}
</style>
