<script setup lang="ts">
import { computed } from 'vue'
import { capital, notYetWords } from '@words'
import { useSay } from '../../say'
import UiTubButton from '../../ui/UiTubButton.vue'
import type { Tub } from './useTub'

const { tub } = defineProps<{ tub: Tub }>()
const say = useSay()

const words = computed(() => notYetWords(tub.left.value, say))
const plugs = computed(() => tub.left.value.flatMap((n) => (n.code === 'notYet.plugs' ? n.facts.plugs : [])))
const zones = computed(() => tub.left.value.flatMap((n) => (n.code === 'notYet.dry' ? n.facts.zones : [])))
function allDry() {
  for (const zone of zones.value) tub.tap({ kind: 'dry', zone })
}
</script>

<template>
  <div class="not-yet" role="alert">
    <p>{{ words }}</p>
    <UiTubButton
      v-for="{ side, set } in plugs"
      :key="`${side} ${set}`"
      @click="tub.tap({ kind: 'plug', side, set, way: 'out' })"
    >
      {{ set === 'water' ? `${capital(side)} plug is out` : `${capital(side)} noise plug is out` }}
    </UiTubButton>
    <UiTubButton v-if="zones.length > 0" @click="allDry">All felt, all dry</UiTubButton>
  </div>
</template>

<style scoped>
.not-yet {
  display: flex;
  flex: 1 0 100%;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
}
p {
  flex: 1 1 300px;
  color: var(--stop);
  font-weight: 700;
}
</style>
