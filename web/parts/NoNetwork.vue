<script setup lang="ts">
import { computed } from 'vue'
import { network } from '../api/client'
import { waiting } from '../device/outbox'
import { useSay } from '../say'

const say = useSay()
const waits = computed(() => {
  const { taps, days, checkIns } = waiting.value
  const parts = [
    taps > 0 && say.count(taps, 'tap'),
    days > 0 && say.count(days, 'changed day'),
    checkIns > 0 && say.count(checkIns, 'check-in'),
  ]
  return parts.filter((p): p is string => p !== false)
})
</script>

<template>
  <p class="kept" role="status">
    No network.
    <template v-if="network === 'kept'">This is what was last fetched.</template>
    <template v-else>What wasn’t opened before can’t be opened now.</template>
    <template v-if="waits.length > 0">
      {{ say.list(waits) }} waiting here, sent by themselves when the server can be reached.
    </template>
  </p>
</template>

<style scoped>
.kept {
  padding: 8px 24px;
  background: var(--watch-tint);
  color: var(--watch);
  font-weight: 600;
}
</style>
