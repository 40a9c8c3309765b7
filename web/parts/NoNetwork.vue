<script setup lang="ts">
import { computed } from 'vue'
import { useWaiting } from '../api/waiting'
import { useSay } from '../say'

const say = useSay()
const waiting = useWaiting()
const waits = computed(() => {
  const { taps, days } = waiting.value
  const parts = [taps > 0 && say.count(taps, 'tap'), days > 0 && say.count(days, 'changed day')]
  return parts.filter((p): p is string => p !== false)
})
</script>

<template>
  <p class="kept" role="status">
    No network. This is what was last fetched.
    <template v-if="waits.length > 0">
      {{ say.list(waits) }} wait here, and are sent by themselves when the server can be reached.
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
