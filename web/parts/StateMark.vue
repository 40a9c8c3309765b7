<script setup lang="ts">
const { state, size = 24 } = defineProps<{ state: 'ok' | 'watch' | 'stop'; size?: number }>()

const COLOURS = { ok: 'var(--ok)', watch: 'var(--watch)', stop: 'var(--stop)' }
</script>

<template>
  <svg :width="size" :height="size" viewBox="0 0 20 20" aria-hidden="true">
    <path d="M1.6 5H18.4M3 5V13Q3 18 8 18H12Q17 18 17 13V5" fill="none" :stroke="COLOURS[state]" stroke-width="1.8" />
    <path v-if="state === 'ok'" d="M4.2 13.5H15.8Q15.4 16.8 12 16.8H8Q4.6 16.8 4.2 13.5Z" :fill="COLOURS.ok" />
    <template v-else-if="state === 'watch'">
      <path d="M3.6 5H16.4V12.6Q16.4 17.4 12 17.4H8Q3.6 17.4 3.6 12.6Z" :fill="COLOURS.watch" />
      <path d="M10 7V11.6M10 14.4V14.8" stroke="var(--on-rim)" stroke-width="2.2" stroke-linecap="round" />
    </template>
    <template v-else>
      <path d="M3 5V13Q3 18 8 18H12Q17 18 17 13V5Z" :fill="COLOURS.stop" />
      <path d="M11.8 4.4L8.2 9L11.8 11.8L9 18.6" fill="none" stroke="var(--on-rim)" stroke-width="2.1" />
    </template>
  </svg>
</template>
