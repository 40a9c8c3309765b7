<script setup lang="ts">
import { computed } from 'vue'
import { FINDINGS } from '@core/dog'
import UiSlide from '../ui/UiSlide.vue'
import { useSay } from '../say'

/** Across, mm; null: not said. */
const size = defineModel<number | null>({ required: true })
const say = useSay()

const COIN = FINDINGS.coin.value
const MOST = FINDINGS.slid.value
/** How large a millimetre is drawn. */
const SCALE = 4
/** As far as the slide goes: what is typed larger than that stays as it was typed. */
const shown = computed(() => Math.min(MOST, Math.max(0, size.value ?? 0)))
const marks = Array.from({ length: MOST / 10 + 1 }, (_, i) => i * 10)
</script>

<template>
  <div class="size">
    <svg viewBox="-8 -70 380 216" role="img" :aria-label="`${shown} mm beside a coin of ${COIN} mm`">
      <g fill="none" stroke="var(--ink2)" stroke-width="2">
        <circle :cx="(COIN * SCALE) / 2" cy="52" :r="(COIN * SCALE) / 2" />
        <circle :cx="(COIN * SCALE) / 2" cy="52" :r="(COIN * SCALE) / 2 - 6" stroke-dasharray="2 5" />
      </g>
      <circle
        :cx="COIN * SCALE + 20 + (MOST * SCALE) / 2"
        cy="52"
        :r="Math.max(1, (shown * SCALE) / 2)"
        fill="var(--watch-tint)"
        stroke="var(--watch)"
        stroke-width="3"
      />
      <g stroke="var(--ink)" stroke-width="2">
        <path d="M0 118H240" />
        <path v-for="m in marks" :key="m" :d="`M${m * SCALE} 118v${m % 50 === 0 ? 12 : 8}`" />
      </g>
      <text :x="(COIN * SCALE) / 2" y="57" text-anchor="middle" font-size="15">coin</text>
      <text x="246" y="130" font-size="15">{{ MOST }} mm</text>
    </svg>
    <p class="shown">{{ size === null ? 'Not measured' : `${say.number(size, 0)} mm across` }}</p>
    <UiSlide
      :model-value="shown"
      :from="0"
      :to="MOST"
      label="Size beside the coin, mm"
      @update:model-value="size = $event === 0 ? null : $event"
    />
  </div>
</template>

<style scoped>
.size {
  max-width: 560px;
}
svg {
  display: block;
  width: 100%;
  height: auto;
}
text {
  fill: var(--ink);
  font-family: var(--text);
}
.shown {
  font-weight: 700;
}
</style>
