<script setup lang="ts">
import { computed } from 'vue'
import UiTubButton from '../../ui/UiTubButton.vue'
import type { Tub } from './useTub'

const { tub, set } = defineProps<{
  tub: Tub
  /** Cotton against water, or the second set against the dryer's noise. */
  set: 'water' | 'noise'
}>()
const plugs = computed(() => tub.record.value.plugs[set])
const name = (side: 'left' | 'right') => (set === 'water' ? `${side} ear` : `noise plug ${side}`)
const turn = (side: 'left' | 'right') => tub.tap({ kind: 'plug', side, way: plugs.value[side] ? 'out' : 'in', set })
</script>

<template>
  <div class="choices">
    <UiTubButton v-for="side in ['left', 'right'] as const" :key="side" :on="plugs[side]" @click="turn(side)">
      {{ name(side) }}: {{ plugs[side] ? 'in' : 'out' }}
    </UiTubButton>
  </div>
</template>
