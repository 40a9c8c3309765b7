<script setup lang="ts">
import UiTap from '../../ui/UiTap.vue'
import { minuteClock } from './minuteClock'
import type { Beside, ComesNext } from './useStrip'
import type { DogNow } from '../../parts/whoIsWhere'
import { WHERE_NAMES } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { beside, next, waiting = [] } = defineProps<{ beside: Beside[]; next?: ComesNext; waiting?: DogNow[] }>()
const emit = defineEmits<{ open: [visitId: string]; take: [next: ComesNext] }>()
const timeWords = ({ handsAway, paused, rest }: Beside) => {
  if (handsAway) return 'waits for hands'
  return paused ? 'paused' : `${minuteClock(rest)} ${rest >= 0 ? 'left' : 'over'}`
}
</script>

<template>
  <nav v-if="beside.length > 0 || waiting.length > 0 || next" class="strip" aria-label="Dogs of the day">
    <UiTap
      v-for="b in beside"
      :key="b.visitId"
      class="beside"
      :class="{ over: !b.hands && b.rest <= 0 }"
      @click="emit('open', b.visitId)"
    >
      <span class="display">{{ b.name }}</span>
      <span>{{ b.step }}{{ b.by === '' ? '' : `, ${b.by}` }}</span>
      <span class="time">{{ timeWords(b) }}</span>
    </UiTap>
    <UiTap v-for="d in waiting" :key="d.dogId" class="beside" :class="d.state" @click="emit('open', d.visitId!)">
      <span class="display">{{ d.name }}</span>
      <span class="time">{{ WHERE_NAMES[d.state] }}</span>
    </UiTap>
    <UiTap v-if="next" class="beside next" @click="emit('take', next)">
      <span>Next by the plan</span>
      <span class="display">{{ next.name }}</span>
      <span v-if="next.at !== null" class="time">{{ say.clock(next.at) }}</span>
    </UiTap>
  </nav>
</template>

<style scoped>
.strip {
  display: flex;
  gap: 10px;
  overflow-x: auto;
}
.beside {
  flex: none;
  display: flex;
  gap: 4px 12px;
  align-items: center;
  min-height: 64px;
  padding: 8px 20px;
  border: 0;
  border-top: 3px solid var(--rim);
  border-radius: 0 0 20px 20px;
  background: var(--enamel);
  color: var(--ink);
  font: 500 22px/1.2 var(--text);
  cursor: pointer;
}
.beside.over {
  border-top-color: var(--ok);
  background: var(--ok-tint);
}
.beside.ready {
  border-top-color: var(--ok);
}
.beside.next {
  border-top-style: dashed;
  background: transparent;
}
.time {
  font-weight: 700;
}
@media (max-width: 640px) {
  .strip {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .beside {
    flex: none;
    flex: none;
    padding: 8px 14px;
    font-size: 18px;
  }
}
</style>
