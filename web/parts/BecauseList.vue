<script setup lang="ts">
import type { Reckoned } from '@core/reckoned'
import { useSay } from '../say'

const { number, digits = 1 } = defineProps<{ number: Reckoned; digits?: number }>()
const say = useSay()
</script>

<template>
  <dl class="because">
    <div
      v-for="(reason, i) in number.because"
      :key="i"
      :class="{ own: reason.by === 'you', put: reason.how === 'set' }"
    >
      <dt>{{ say.effect(reason, number.unit, digits) }}</dt>
      <dd>{{ say.said(reason) }}</dd>
    </div>
  </dl>
</template>

<style scoped>
.because > div {
  display: grid;
  grid-template-columns: 52px 1fr;
  gap: 10px;
  padding: 2px 0;
  font-size: 14.5px;
  line-height: 1.35;
}
dt {
  font-weight: 700;
}
dd {
  color: var(--ink2);
  overflow-wrap: anywhere;
}
.because > .own {
  margin: 4px -8px;
  padding: 6px 8px;
  background: var(--rim-tint);
  border-radius: 0 0 10px 10px;
}
.own dd {
  color: var(--ink);
}
</style>
