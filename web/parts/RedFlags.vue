<script setup lang="ts">
import { FLAGS_BESIDE_A_NAME, type RedFlag } from '@core/dog'
import { RED_FLAG_NAMES } from '@words'

/** What to mind about a dog first, as it stands beside its name: the worst of them, which come first. */
const { flags } = defineProps<{ flags: readonly RedFlag[] }>()
</script>

<template>
  <span v-for="f in flags.slice(0, FLAGS_BESIDE_A_NAME)" :key="f" class="red-flag">{{ RED_FLAG_NAMES[f] }}</span>
</template>

<style scoped>
.red-flag {
  padding: 0 7px;
  border: 1.5px solid var(--stop);
  border-radius: 3px 3px 9px 9px;
  color: var(--stop);
  font-size: 13px;
  font-weight: 600;
  white-space: nowrap;
}
</style>
