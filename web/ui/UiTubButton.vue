<script setup lang="ts">
const { kind = 'plain', on = undefined } = defineProps<{
  /** `primary`: what comes next; `quiet`: a way out; `damp`: what still is to be done. */
  kind?: 'plain' | 'primary' | 'quiet' | 'damp'
  /** For a choice that stays as tapped: whether it is. */
  on?: boolean
}>()
</script>

<template>
  <button type="button" class="big" :class="[kind, { on }]" :aria-pressed="on"><slot /></button>
</template>
