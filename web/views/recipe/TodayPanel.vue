<script setup lang="ts">
import { computed } from 'vue'
import { worstMats, type Dog } from '@core/dog'
import type { Question, Today } from '@core/visit'
import { capital } from '@words'
import TodayFacts from './TodayFacts.vue'
import RecipeLine from './RecipeLine.vue'
import { useSay } from '../../say'

const say = useSay()

const { today, open = false } = defineProps<{ today: Today; dog: Dog; questions: Question[]; open?: boolean }>()
const emit = defineEmits<{ put: [part: Partial<Today>] }>()

const summary = computed(() => {
  const mats = worstMats(today.mats)
  const parts = [
    today.skin.length > 0 ? `${say.list(today.skin)} skin` : 'sound skin',
    `${today.soil} dirt`,
    mats > 0 && `mats ${mats} of 3`,
    today.shedding && 'shedding',
    today.fleas && 'fleas',
    today.stained.length > 0 && 'stains',
    today.mood,
  ]
  return capital(parts.filter(Boolean).join(', '))
})
</script>

<template>
  <section class="today" aria-label="Today">
    <RecipeLine about="Found" :more="summary" :open="open">
      <TodayFacts :today="today" :dog="dog" :questions="questions" @put="emit('put', $event)" />
    </RecipeLine>
  </section>
</template>
