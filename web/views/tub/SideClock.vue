<script setup lang="ts">
import { computed } from 'vue'
import { minuteClock } from './minuteClock'
import type { Tub } from './useTub'
import { stepTitle } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { tub } = defineProps<{ tub: Tub }>()
const step = computed(() => tub.step.value!)
const rest = computed(() => tub.rest.value)
const planned = computed(() =>
  tub.timers.value.length > 0 ? Math.max(...tub.timers.value.map((t) => t.minutes)) : step.value.minutes.value,
)
/** How full the tub is drawn: what is left of the planned minutes. */
const level = computed(() => Math.max(0, Math.min(1, rest.value / Math.max(0.01, planned.value))))
const waits = computed(() => step.value.kind === 'stand')
const sideBySide = computed(() =>
  tub.timers.value.map((t) => ({ ...t, left: (t.until - tub.now.value.getTime()) / 60_000 })),
)
</script>

<template>
  <div
    class="right"
    :style="{ '--level': `${level * 100}%`, '--signs': minuteClock(rest).length }"
    :class="{ over: waits && tub.started.value && rest <= 0 }"
  >
    <p class="digits" data-testid="tub-clock">{{ minuteClock(rest) }}</p>
    <p class="of">{{ rest >= 0 ? 'left' : 'over' }}, planned {{ say.number(planned) }} min</p>
    <ul v-if="sideBySide.length > 0" class="waits" aria-label="Waits side by side">
      <li v-for="t in sideBySide" :key="t.product">
        <span>{{ t.product }}</span>
        <strong>{{ t.left > 0 ? minuteClock(t.left) : 'ready' }}</strong>
        <span v-if="t.firstMore >= 0.5" class="more">first zones {{ say.number(t.firstMore) }} min more</span>
      </li>
    </ul>
    <p v-if="step.likely" class="of likely">
      Likely {{ say.number(step.likely.most[0], 0) }} to {{ say.number(step.likely.most[1], 0) }} min, from the log
    </p>
    <p v-if="tub.next.value" class="of then">Then: {{ stepTitle(tub.next.value) }}</p>
    <slot />
  </div>
</template>

<style scoped>
.right {
  position: sticky;
  top: 12px;
  align-self: start;
  container-type: inline-size;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  height: calc(100vh - 300px);
  min-height: 320px;
  padding: 12px;
  border-top: 6px solid var(--rim);
  border-radius: 0 0 60px 60px;
  background: linear-gradient(to top, var(--water-tint) var(--level), var(--enamel) var(--level));
  text-align: center;
}
.right.over {
  border-top-color: var(--ok);
  background: var(--ok-tint);
}
.digits {
  font: 600 min(220px, calc(150cqw / var(--signs))) / 1 var(--display);
}
.of {
  font-size: 28px;
}
/* beside a picture the clock gives way, and is still read from two metres; what comes next stands on the button */
.right:has(:deep(.picture)) .then {
  display: none;
}
.right:has(:deep(.picture)) .digits {
  font-size: min(132px, calc(150cqw / var(--signs)));
}
.right:has(:deep(.picture)) .of {
  font-size: 24px;
}
.waits {
  width: 100%;
  margin: 10px 0;
  font-size: 27px;
}
.waits li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 16px;
  padding: 8px 18px;
  border-top: 2px solid var(--rule);
}
.more {
  flex-basis: 100%;
  text-align: left;
  font-size: 23px;
}
@media (max-width: 900px) {
  .right {
    position: static;
    order: -1;
    align-self: stretch;
    height: auto;
    min-height: 0;
    border-radius: 0 0 30px 30px;
  }
  .digits {
    font-size: 64px;
  }
  .of,
  .waits {
    margin: 0;
    font-size: 20px;
  }
}
@media (max-width: 640px) {
  .right {
    padding: 4px 10px;
  }
  .right:has(:deep(.picture)) {
    display: grid;
    grid-template-columns: 1fr 46%;
    align-items: center;
  }
  .right:has(:deep(.picture)) .digits {
    font-size: min(64px, calc(62cqw / var(--signs)));
  }
  .right:has(:deep(.picture)) .of {
    font-size: 16px;
    line-height: 1.15;
  }
  .right .then,
  .right:has(:deep(.picture)) .likely {
    display: none;
  }
  .right :deep(.picture) {
    max-height: 118px;
    grid-row: 1 / span 4;
    grid-column: 2;
    width: 100%;
  }
}
</style>
