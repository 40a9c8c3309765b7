<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { network } from '../api/client'
import { waiting } from '../device/outbox'
import { useSay } from '../say'

const say = useSay()
const waits = computed(() => {
  const { taps, days, checkIns, photos } = waiting.value
  const parts = [
    taps > 0 && say.count(taps, 'tap'),
    days > 0 && say.count(days, 'changed day'),
    checkIns > 0 && say.count(checkIns, 'check-in'),
    photos > 0 && say.count(photos, 'photograph'),
  ]
  return parts.filter((p): p is string => p !== false)
})
/** What is on its way isn't told of. */
const ON_ITS_WAY_MS = 4000
const some = computed(() => waits.value.length > 0)
const still = refDebounced(some, ON_ITS_WAY_MS)
const there = computed(() => network.value === 'there')
</script>

<template>
  <p v-if="!there || (some && still)" class="kept" role="status">
    <template v-if="network === 'kept'">No network. This is what was seen last.</template>
    <template v-else-if="!there">No network. What wasn’t opened before can’t be opened now.</template>
    <template v-if="some">
      {{ say.list(waits) }} waiting here,
      {{ there ? 'to be sent.' : 'sent by themselves when the server can be reached.' }}
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
