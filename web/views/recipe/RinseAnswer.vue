<script setup lang="ts">
import { computed } from 'vue'
import type { Plan } from '@core/visit'
import type { Override, OverrideTarget } from '@core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import OwnNumber from './OwnNumber.vue'
import { useSay } from '../../say'
import { ordinal, SOAP_LEFT } from '@words'

const say = useSay()

const { rinse, own, ownPasses } = defineProps<{ rinse: Plan['rinse']; own?: Override; ownPasses?: Override }>()
const emit = defineEmits<{ own: [own: Override]; back: [target: OverrideTarget] }>()

const last = computed(() => rinse.last)
const y = (residue: number) => 88 - Math.sqrt(Math.max(0, residue) / Math.max(1, last.value.begin)) * 72
const x = (minute: number) => 10 + (minute / last.value.minutes.value) * 260
const line = computed(() =>
  last.value.curve.map((p, i) => `${i ? 'L' : 'M'}${x(p.minute).toFixed(1)} ${y(p.residue).toFixed(1)}`).join(''),
)
const area = computed(() => `${line.value}L270 88L10 88Z`)
/** Up to how many passes there is room for more than their numbers. */
const MOST_NAMED = 5
/** The end of each pass, with what is left then. */
const ends = computed(() => {
  const { passes, curve } = last.value
  return Array.from({ length: passes }, (_, i) => curve[Math.round(((i + 1) / passes) * (curve.length - 1))]!)
})
</script>

<template>
  <section class="basin" aria-labelledby="rinse-title">
    <h2 id="rinse-title" class="label">Last rinse</h2>
    <p class="big display" data-testid="rinse">
      {{ say.count(last.passes, 'pass', 'passes') }}
      <span class="beside"
        >{{ say.number(last.minutes.value) }} min, {{ say.litres(last.litres, 0)
        }}{{ rinse.tool === 'cup' ? ', by cup' : rinse.tool === 'low' ? ', shower low' : '' }}</span
      >
    </p>
    <svg
      v-if="last.begin > 0"
      viewBox="0 0 280 110"
      role="img"
      :aria-label="`Soap left falls from ${say.number(last.begin, 0)} to ${say.number(last.end)} mg a square metre; clean enough at ${say.number(last.limit.value)}`"
    >
      <path :d="area" fill="var(--water-pale)" />
      <path :d="`M10 ${y(last.limit.value)}H270`" stroke="var(--ok)" stroke-width="1.8" stroke-dasharray="6 4" />
      <text x="270" y="29" text-anchor="end" font-size="12.5" font-weight="700" fill="var(--ok)">
        clean enough at {{ say.number(last.limit.value) }} mg/m²
      </text>
      <path d="M270 34h-160" stroke="var(--ok)" stroke-width="1.6" stroke-dasharray="6 4" />
      <path :d="line" fill="none" stroke="var(--water)" stroke-width="2.8" />
      <g v-for="(end, i) in ends" :key="i">
        <path v-if="i < ends.length - 1" :d="`M${x(end.minute)} 14V88`" stroke="var(--enamel)" stroke-width="2" />
        <circle
          :cx="x(end.minute)"
          :cy="y(end.residue)"
          r="4.5"
          fill="var(--enamel)"
          stroke="var(--water)"
          stroke-width="2.4"
        />
        <text
          v-if="i < ends.length - 1"
          :x="x(end.minute) + 7"
          :y="y(end.residue) - 6"
          font-size="13"
          font-weight="700"
          fill="var(--water)"
        >
          {{ say.number(end.residue, 0) }}
        </text>
        <text :x="x(end.minute) - 130 / last.passes" y="105" text-anchor="middle" font-size="12.5" fill="var(--ink2)">
          {{ last.passes > MOST_NAMED ? i + 1 : ordinal(i + 1) }}
        </text>
      </g>
      <text x="16" y="14" font-size="12.5" fill="var(--ink2)">soap {{ say.number(last.begin, 0) }}</text>
      <text x="270" :y="y(last.end) - 10" text-anchor="end" font-size="13" font-weight="700" fill="var(--water)">
        {{ say.number(last.end) }} left
      </text>
    </svg>
    <BecauseList :number="last.minutes" />
    <OwnNumber target="rinse" what="the minutes" :own="own" @own="emit('own', $event)" @back="emit('back', $event)" />
    <OwnNumber
      target="passes"
      what="the passes"
      :own="ownPasses"
      @own="emit('own', $event)"
      @back="emit('back', $event)"
    />
    <p v-if="last.begin > 0" class="soft small">{{ SOAP_LEFT }}</p>
    <p v-if="rinse.between[0]">
      After the first wash
      <b>{{ say.number(rinse.between[0].minutes.value) }} min</b>, it need not be perfect.
    </p>
    <p v-if="rinse.conditioner">
      Conditioner out: <b>{{ say.number(rinse.conditioner.minutes.value) }} min</b>, then the fingers once more.
    </p>
  </section>
</template>

<style scoped src="./answer.css"></style>
