<script setup lang="ts">
import { computed } from 'vue'
import { say } from '../../../core/units'
import type { Override, OverrideTarget, WaterPlan } from '../../../core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import OwnNumber from './OwnNumber.vue'

const { water, own } = defineProps<{ water: WaterPlan; flow: number; own?: Override }>()
const emit = defineEmits<{ own: [own: Override]; back: [target: OverrideTarget] }>()

const LOW = 27
const HIGH = 41
const x = (celsius: number) => 8 + ((celsius - LOW) / (HIGH - LOW)) * 264
const base = computed(() => water.target.because[0]?.effect ?? water.target.value)
const moved = computed(() => Math.abs(base.value - water.target.value) >= 0.4)
const tickAt = [28, 30, 32, 34, 36, 38, 40]
</script>

<template>
  <section class="basin" aria-labelledby="water-title">
    <h2 id="water-title" class="label">Water</h2>
    <p class="big display" data-testid="water">
      {{ say(water.target.value) }} °C
      <span class="beside">at the nozzle</span>
    </p>
    <svg
      viewBox="0 0 280 84"
      role="img"
      :aria-label="`Band ${say(water.low)} to ${say(water.high)} °C, alarm at ${say(water.alarm)}`"
    >
      <rect x="8" y="26" width="264" height="12" fill="#D3DBDC" />
      <rect
        :x="x(water.low)"
        y="20"
        :width="x(water.high) - x(water.low)"
        height="24"
        fill="#BFE0E2"
        stroke="#14646F"
        stroke-width="1.6"
      />
      <path :d="`M${x(water.alarm)} 16V48`" stroke="#9E2A1A" stroke-width="2.4" stroke-dasharray="4 2.5" />
      <g v-if="moved">
        <path :d="`M${x(base)} 18V46`" stroke="#43555C" stroke-width="2" stroke-dasharray="2.5 2.5" />
        <path
          :d="`M${x(base)} 32H${x(water.target.value) + (base > water.target.value ? 7 : -7)}`"
          stroke="#13242B"
          stroke-width="1.6"
        />
      </g>
      <path :d="`M${x(water.target.value)} 14V50`" stroke="#13242B" stroke-width="4.5" />
      <text
        :x="x((water.low + water.high) / 2)"
        y="11"
        text-anchor="middle"
        font-size="13"
        font-weight="700"
        fill="#14646F"
      >
        {{ say(water.low) }} to {{ say(water.high) }}
      </text>
      <text v-for="t in tickAt" :key="t" :x="x(t)" y="64" text-anchor="middle" font-size="12.5" fill="#43555C">
        {{ t }}
      </text>
      <text :x="x(water.alarm) + 5" y="77" text-anchor="middle" font-size="12.5" font-weight="700" fill="#9E2A1A">
        stop {{ say(water.alarm) }}
      </text>
    </svg>
    <BecauseList :number="water.target" />
    <OwnNumber target="water" what="the water" :own="own" @own="emit('own', $event)" @back="emit('back', $event)" />
    <p v-if="water.tap.ok">
      <b>{{ say(water.hotFlow) }}</b>
      hot +
      <b>{{ say(water.coldFlow) }}</b>
      cold L/min. Run off {{ say(water.runOff) }} L first.
    </p>
    <p v-else class="field-error">{{ water.tap.why }}</p>
    <p>
      <b>{{ say(water.litres.value, 0) }} L</b>
      in all,
      <b>{{ say(water.hotLitres, 0) }} L</b>
      of it hot
    </p>
    <details>
      <summary>Where the litres go</summary>
      <BecauseList :number="water.litres" :digits="0" />
    </details>
  </section>
</template>

<style scoped src="./answer.css"></style>
