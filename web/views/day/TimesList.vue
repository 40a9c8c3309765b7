<script setup lang="ts">
import { ref } from 'vue'
import type { OwnerTimes } from '@core/washday'
import { timesMessage } from '@words'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'

const { date, times, nameOf, noteOf } = defineProps<{
  date: string
  times: readonly OwnerTimes[]
  nameOf: (of: OwnerTimes) => string
  /** What else is to be said of them. */
  noteOf: (of: OwnerTimes) => string
}>()
const say = useSay()
/** The dog whose owner is written to. */
const writes = ref<OwnerTimes>()
const message = (t: OwnerTimes) => timesMessage({ visits: [{ name: nameOf(t), ...t }], date }, say)
</script>

<template>
  <ul>
    <li v-for="t in times" :key="t.seatId">
      <span class="display">{{ nameOf(t) }}</span>
      <strong>{{ say.clock(t.arrive) }} to {{ say.clock(t.pickup) }}</strong>
      <span class="soft">{{ noteOf(t) }}</span>
      <UiButton kind="link" @click="writes = t"
        >Message<span class="hidden"> to the owner of {{ nameOf(t) }}</span></UiButton
      >
    </li>
  </ul>
  <OwnerMessage
    v-if="writes"
    :message="message(writes)"
    :dog-id="writes.dogId"
    :label="`Message to the owner of ${nameOf(writes)}`"
    @close="writes = undefined"
  />
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: baseline;
  padding: 5px 0;
  border-top: 1.5px solid var(--rule2);
}
.display {
  overflow-wrap: anywhere;
}
</style>
