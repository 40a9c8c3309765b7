<script setup lang="ts">
import UiFold from '../../ui/UiFold.vue'
import { computed } from 'vue'
import type { Override, OverrideTarget, WaterPlan } from '@core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import OwnNumber from './OwnNumber.vue'
import { useSay } from '../../say'
import { THERMOMETER } from './lineShapes'

const say = useSay()

const { water, own } = defineProps<{ water: WaterPlan; flow: number; own?: Override }>()
const emit = defineEmits<{ own: [own: Override]; back: [target: OverrideTarget] }>()

const { low, high } = THERMOMETER
const x = (celsius: number) => 8 + ((celsius - low) / (high - low)) * 264
const base = computed(() => water.target.because[0]?.effect ?? water.target.value)
const moved = computed(() => Math.abs(base.value - water.target.value) >= 0.4)
const degrees = (celsius: number, digits = 1) => say.figure({ value: celsius, unit: '°C' }, digits).figure
const tickAt = [28, 30, 32, 34, 36, 38, 40]
</script>

<template>
  <section class="basin" aria-labelledby="water-title">
    <h2 id="water-title" class="label">Water</h2>
    <p class="big display" data-testid="water">
      {{ say.temperature(water.target.value) }}
      <span class="beside">at the nozzle</span>
    </p>
    <svg
      viewBox="0 0 280 84"
      role="img"
      :aria-label="`Band ${say.temperature(water.low)} to ${say.temperature(water.high)}, alarm at ${say.temperature(water.alarm)}`"
    >
      <rect x="8" y="26" width="264" height="12" fill="var(--rule2)" />
      <rect
        :x="x(water.low)"
        y="20"
        :width="x(water.high) - x(water.low)"
        height="24"
        fill="var(--water-tint)"
        stroke="var(--water)"
        stroke-width="1.6"
      />
      <path :d="`M${x(water.alarm)} 16V48`" stroke="var(--stop)" stroke-width="2.4" stroke-dasharray="4 2.5" />
      <g v-if="moved">
        <path :d="`M${x(base)} 18V46`" stroke="var(--ink2)" stroke-width="2" stroke-dasharray="2.5 2.5" />
        <path
          :d="`M${x(base)} 32H${x(water.target.value) + (base > water.target.value ? 7 : -7)}`"
          stroke="var(--ink)"
          stroke-width="1.6"
        />
      </g>
      <path :d="`M${x(water.target.value)} 14V50`" stroke="var(--ink)" stroke-width="4.5" />
      <text
        :x="x((water.low + water.high) / 2)"
        y="11"
        text-anchor="middle"
        font-size="13"
        font-weight="700"
        fill="var(--water)"
      >
        {{ degrees(water.low) }} to {{ degrees(water.high) }}
      </text>
      <text v-for="t in tickAt" :key="t" :x="x(t)" y="64" text-anchor="middle" font-size="12.5" fill="var(--ink2)">
        {{ degrees(t, 0) }}
      </text>
      <text :x="x(water.alarm) + 5" y="77" text-anchor="middle" font-size="12.5" font-weight="700" fill="var(--stop)">
        stop {{ degrees(water.alarm) }}
      </text>
    </svg>
    <BecauseList :number="water.target" />
    <OwnNumber target="water" what="the water" :own="own" @own="emit('own', $event)" @back="emit('back', $event)" />
    <p v-if="water.tap.why" class="field-error">{{ say.said(water.tap.why) }}</p>
    <p v-else>
      <b>{{ say.flow(water.hotFlow) }}</b>
      hot +
      <b>{{ say.flow(water.coldFlow) }}</b>
      cold. Run off {{ say.litres(water.runOff) }} first.
    </p>
    <p>
      <b>{{ say.litres(water.litres.value, 0) }}</b>
      in all,
      <b>{{ say.litres(water.hotLitres, 0) }}</b>
      of it hot
    </p>
    <UiFold title="Where the litres go">
      <BecauseList :number="water.litres" :digits="0" />
    </UiFold>
  </section>
</template>

<style scoped src="./answer.css"></style>
