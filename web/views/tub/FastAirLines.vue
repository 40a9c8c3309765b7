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
  <ul class="big-lines" data-testid="fast-air">
    <li v-for="line in lines" :key="line">{{ line }}</li>
  </ul>
</template>
