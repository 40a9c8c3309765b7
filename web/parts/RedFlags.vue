<script setup lang="ts">
import { computed } from 'vue'
import { FLAGS_BESIDE_A_NAME, redFlagsOf } from '@core/dog'
import { RED_FLAG_NAMES } from '@words'

/** What to mind about a dog first, worst first, as it stands beside its name. */
type About = Parameters<typeof redFlagsOf>
const { dog, today } = defineProps<{ dog: About[0]; today: About[1] }>()
const flags = computed(() => redFlagsOf(dog, today).slice(0, FLAGS_BESIDE_A_NAME))
</script>

<template>
  <span v-for="f in flags" :key="f" class="red-flag">{{ RED_FLAG_NAMES[f] }}</span>
</template>

<style scoped>
.red-flag {
  padding: 0 7px;
  border: 1.5px solid var(--stop);
  border-radius: 3px 3px 9px 9px;
  color: var(--stop);
  font-size: 13px;
  font-weight: 600;
}
</style>
