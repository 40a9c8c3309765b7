<script setup lang="ts">
import UiTap from '../../ui/UiTap.vue'
import { computed, ref } from 'vue'
import { worstMats, type Dog } from '@core/dog'
import type { Question, Today } from '@core/visit'
import TodayFacts from './TodayFacts.vue'
import { useSay } from '../../say'

const say = useSay()

const { today, folded = false } = defineProps<{ today: Today; dog: Dog; questions: Question[]; folded?: boolean }>()
const emit = defineEmits<{ put: [part: Partial<Today>] }>()

const open = ref(!folded)
const summary = computed(() => {
  const mats = worstMats(today.mats)
  const parts = [
    today.skin.length > 0 ? `${say.list(today.skin)} skin` : 'sound skin',
    `${today.soil} dirt`,
    mats > 0 && `mats ${mats} of 3`,
    today.shedding && 'shedding',
    today.fleas && 'fleas',
    today.stained.length > 0 && 'stains',
  ]
  return parts.filter(Boolean).join(', ')
})
</script>

<template>
  <section class="today" aria-labelledby="today-title">
    <h2 id="today-title">Today</h2>
    <UiTap v-if="folded" class="fold" :aria-expanded="open" @click="open = !open">
      <span>{{ summary }}</span>
      <b>{{ open ? 'Close' : 'Change' }}</b>
    </UiTap>
    <TodayFacts v-show="open || !folded" :today="today" :dog="dog" :questions="questions" @put="emit('put', $event)" />
  </section>
</template>

<style scoped>
.today {
  display: grid;
  gap: 10px;
  min-width: 0;
}
.fold {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  min-height: 48px;
  padding: 4px 14px;
  border: 1.5px solid var(--edge);
  border-radius: 3px 3px 12px 12px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.fold b {
  color: var(--rim);
}
</style>
