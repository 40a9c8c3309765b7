<script setup lang="ts">
import type { OwnerTimes } from '@core/washday'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import TimesList from './TimesList.vue'

const { date, times, nameOf } = defineProps<{
  date: string
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
    <TimesList
      :date="date"
      :times="times"
      :name-of="(t) => nameOf(t.dogId)"
      :note-of="(t) => `${say.minutes(t.saved)} less in the house`"
    />
    <div class="choices">
      <UiButton @click="emit('take')">Take these times</UiButton>
      <UiButton kind="link" @click="emit('leave')">Leave them open</UiButton>
    </div>
  </section>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin-top: 8px;
}
</style>
