<script setup lang="ts">
import type { OwnerTimes } from '@core/washday'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'

const { times, nameOf } = defineProps<{
  times: readonly OwnerTimes[]
  nameOf: (dogId: string) => string
}>()
const emit = defineEmits<{ take: []; leave: [] }>()
const say = useSay()
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
      </li>
    </ul>
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
