<script setup lang="ts">
import { ref } from 'vue'
import type { OwnerTimes } from '@core/washday'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import { timesMessage } from '@words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'

const { date, times, nameOf } = defineProps<{
  date: string
  times: readonly OwnerTimes[]
  nameOf: (dogId: string) => string
}>()
const emit = defineEmits<{ take: []; leave: [] }>()
const say = useSay()
/** The dog whose owner is written to. */
const writes = ref<OwnerTimes>()
const message = (t: OwnerTimes) => timesMessage({ name: nameOf(t.dogId), date, ...t }, say)
</script>

<template>
  <section class="basin" aria-labelledby="owner-times">
    <h2 id="owner-times">Nobody has to wait all day</h2>
    <p>As the day is arranged, these times would do. Tell the owners:</p>
    <ul>
      <li v-for="t in times" :key="t.seatId">
        <span class="display">{{ nameOf(t.dogId) }}</span>
        <span>{{ say.clock(t.arrive) }} to {{ say.clock(t.pickup) }}</span>
        <span class="soft">{{ say.minutes(t.saved) }} less in the house</span>
        <UiButton kind="link" @click="writes = t"
          >Message<span class="hidden"> to the owner of {{ nameOf(t.dogId) }}</span></UiButton
        >
      </li>
    </ul>
    <OwnerMessage
      v-if="writes"
      :message="message(writes)"
      :label="`Message to the owner of ${nameOf(writes.dogId)}`"
      @close="writes = undefined"
    />
    <div class="choices">
      <UiButton @click="emit('take')">Take these times</UiButton>
      <UiButton kind="link" @click="emit('leave')">Leave them open</UiButton>
    </div>
  </section>
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
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin-top: 8px;
}
</style>
