<script setup lang="ts">
import { computed } from 'vue'
import { fastAirLines } from '@words'
import { useSay } from '../../say'
import type { Tub } from './useTub'

const { tub } = defineProps<{ tub: Tub }>()
const say = useSay()
const lines = computed(() => fastAirLines(tub.visit.value!.plan.drying, say))
</script>

<template>
  <ul class="fast" data-testid="fast-air">
    <li v-for="line in lines" :key="line">{{ line }}</li>
  </ul>
</template>

<style scoped>
.fast {
  display: grid;
  gap: 4px;
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
  font-size: 28px;
  font-weight: 600;
  line-height: 1.2;
}
@media (max-width: 640px) {
  .fast {
    font-size: 20px;
  }
}
</style>
