<script setup lang="ts">
import type { Reason, Reckoned } from '../../core/reckoned'
import { say } from '../../core/units'

const { number, digits = 1 } = defineProps<{ number: Reckoned; digits?: number }>()

/** Small effects get the decimals they need; none is shown as nothing. */
const said = (effect: number) => say(effect, effect !== 0 && Math.abs(effect) < 0.5 * 10 ** -digits ? 2 : digits)

function amount({ how, effect }: Reason): string {
  if (how === 'note') return ''
  if (how === 'times') return `× ${say(effect, 2)}`
  if (how === 'add') return `${effect > 0 ? '+' : ''}${said(effect)}`
  return said(effect)
}
</script>

<template>
  <dl class="because">
    <div
      v-for="(reason, i) in number.because"
      :key="i"
      :class="{ own: reason.fact.startsWith('You:'), put: reason.how === 'set' }"
    >
      <dt>{{ amount(reason) }}</dt>
      <dd>{{ reason.fact }}</dd>
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
