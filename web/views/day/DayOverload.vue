<script setup lang="ts">
import { computed } from 'vue'
import type { DayPart, DayState, WashDay } from '@core/washday'
import { overloadWords } from '@words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiDate from '../../ui/UiDate.vue'

const { part, day, state } = defineProps<{ part: DayPart; day: WashDay; state: DayState }>()
const emit = defineEmits<{ leave: []; move: [date: string] }>()
const say = useSay()

const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id)?.dog.name ?? id
const leaving = computed(() => say.list(part.leave.map(nameOf)))
const words = computed(() => overloadWords(part, part.keep.map(nameOf), say))
const move = (date: string) => date !== '' && date !== day.date && emit('move', date)
</script>

<template>
  <p>{{ words }}</p>
  <div class="ways">
    <UiButton kind="plain" @click="emit('leave')">Take {{ leaving }} off this day</UiButton>
    <div>
      <label for="move-to">Or put them on</label>
      <UiDate id="move-to" model-value="" @update:model-value="move" />
    </div>
  </div>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: end;
  margin-top: 8px;
}
label {
  display: block;
  font-size: 14px;
  font-weight: 600;
}
</style>
