<script setup lang="ts">
const { on } = defineProps<{
  /** It stands as tapped. */
  on: boolean
}>()
</script>

<template>
  <button type="button" class="big" :class="{ on }" :aria-pressed="on"><slot /></button>
</template>
