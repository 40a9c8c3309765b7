<script setup lang="ts">
import { computed } from 'vue'
import type { EarCarriage } from '@core/dog'
import { earInBrief, type EarsPlan, type Override, type OverrideTarget } from '@core/visit'
import OwnNumber from './OwnNumber.vue'
import { earsInBrief, earWords } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { ears, carriage, own } = defineProps<{ ears: EarsPlan; carriage: EarCarriage; own?: Override }>()
const emit = defineEmits<{ own: [own: Override]; back: [target: OverrideTarget] }>()
const cleaned = computed(() => [ears.left, ears.right].some((e) => e.millilitres !== undefined))

const big = computed(() => earsInBrief(ears, say).big)
const HEAD = 'M86 46Q88 16 120 16Q152 16 154 46Q154 84 120 86Q86 84 86 46Z'
const SHAPES: Record<EarCarriage, string> = {
  erect: 'M88 52Q74 26 80 -4Q104 8 116 30Z',
  semi: 'M92 34Q70 14 50 26Q56 44 72 46Q84 46 92 34Z',
  drop: 'M94 30Q66 14 54 40Q46 66 58 90Q78 88 88 62Z',
}
const colour = (action: string) =>
  action === 'stop' ? 'url(#leave)' : action === 'wipe' ? 'var(--enamel)' : 'var(--water-tint)'
</script>

<template>
  <section class="basin" aria-labelledby="ears-title">
    <h2 id="ears-title" class="label">Ears, seen from behind</h2>
    <p class="big display" data-testid="ears">{{ big }}</p>
    <svg
      viewBox="0 -8 240 130"
      role="img"
      :aria-label="`Left: ${earWords(earInBrief(ears.left), say)}. Right: ${earWords(earInBrief(ears.right), say)}.`"
    >
      <defs>
        <pattern id="leave" width="7" height="7" patternTransform="rotate(35)" patternUnits="userSpaceOnUse">
          <rect width="7" height="7" fill="var(--stop-tint)" />
          <path d="M0 0V7" stroke="var(--stop)" stroke-width="3" />
        </pattern>
      </defs>
      <path d="M84 112Q92 78 120 78Q148 78 156 112Z" fill="var(--rule2)" stroke="var(--ink)" stroke-width="2" />
      <path d="M93 92Q120 104 147 92L150 101Q120 114 90 101Z" fill="var(--rim)" />
      <path :d="HEAD" fill="var(--enamel)" stroke="var(--ink)" stroke-width="2.2" />
      <path
        :d="SHAPES[carriage]"
        :fill="colour(ears.left.action)"
        stroke="var(--ink)"
        stroke-width="2.2"
        stroke-linejoin="round"
      />
      <path
        :d="SHAPES[carriage]"
        transform="translate(240 0) scale(-1 1)"
        :fill="colour(ears.right.action)"
        stroke="var(--ink)"
        stroke-width="2.2"
        stroke-linejoin="round"
      />
      <path v-if="carriage === 'erect'" :d="HEAD" fill="var(--enamel)" stroke="var(--ink)" stroke-width="2.2" />
      <text
        x="26"
        y="112"
        font-size="15"
        font-weight="700"
        :fill="ears.left.action === 'stop' ? 'var(--stop)' : 'var(--ink)'"
      >
        Left
      </text>
      <text
        x="214"
        y="112"
        font-size="15"
        font-weight="700"
        text-anchor="end"
        :fill="ears.right.action === 'stop' ? 'var(--stop)' : 'var(--ink)'"
      >
        Right
      </text>
    </svg>
    <dl>
      <div
        v-for="(ear, side) in { Left: ears.left, Right: ears.right }"
        :key="side"
        :class="{ stop: ear.action === 'stop' }"
      >
        <dt>{{ side }}</dt>
        <dd>
          <b>{{ earWords(earInBrief(ear), say) }}</b>
          <span v-for="why in ear.because" :key="why.code" class="why">{{ say.said(why) }}</span>
          <span v-if="ear.millilitres" class="why">{{ say.inLine(ear.millilitres.because) }}</span>
        </dd>
      </div>
      <div>
        <dt>Cotton</dt>
        <dd>
          <b>{{ ears.plugs === 0 ? 'none' : `${ears.plugs} in, ${ears.plugs} out` }}</b>
          <span class="why">{{ say.said(ears.plugsWhy) }}</span>
        </dd>
      </div>
    </dl>
    <OwnNumber
      v-if="cleaned"
      target="earMl"
      what="the cleaner for each ear"
      :own="own"
      @own="emit('own', $event)"
      @back="emit('back', $event)"
    />
  </section>
</template>

<style scoped src="./answer.css"></style>
<style scoped>
svg {
  max-width: 260px;
}
dl > div {
  display: grid;
  grid-template-columns: 62px 1fr;
  gap: 8px;
  padding: 5px 0;
}
dt {
  font-weight: 600;
  color: var(--ink2);
}
.why {
  display: block;
  color: var(--ink2);
  font-size: 14px;
}
.stop dt,
.stop b {
  color: var(--stop);
}
</style>
