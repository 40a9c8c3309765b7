<script setup lang="ts">
import type { ApiProblem } from '../api/client'
import StateMark from './StateMark.vue'

const { problem } = defineProps<{ problem: ApiProblem }>()
</script>

<template>
  <div class="problem" role="alert">
    <StateMark state="stop" :size="26" />
    <div>
      <p class="title">{{ problem.title }}</p>
      <p>{{ problem.detail }}</p>
      <div v-if="$slots.default" class="ways"><slot /></div>
    </div>
  </div>
</template>

<style scoped>
.problem {
  display: flex;
  gap: 12px;
  padding: 12px 16px 14px;
  background: var(--stop-tint);
  border-top: 3px solid var(--stop);
  border-radius: 0 0 16px 16px;
}
.title {
  color: var(--stop);
  font-weight: 700;
}
/* what can be done about it */
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
}
svg {
  flex: none;
}
</style>
