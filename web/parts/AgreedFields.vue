<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import type { Price } from '@core/price'
import type { Seat } from '@core/washday'
import UiText from '../ui/UiText.vue'
import PriceText from './PriceText.vue'

const { seat, usual } = defineProps<{
  seat: Seat
  /** What is agreed for its usual visit. */
  usual: Price | null
}>()
const emit = defineEmits<{ put: [what: Partial<Pick<Seat, 'price' | 'note'>>] }>()

const note = ref(seat.note)
watch(
  () => seat.note,
  (now) => (note.value = now),
)
const keepNote = () => note.value.trim() !== seat.note && emit('put', { note: note.value.trim() })
// what was typed when this is shut isn't lost
onBeforeUnmount(keepNote)
</script>

<template>
  <PriceText
    label="Price"
    :model-value="seat.price"
    :usual="usual"
    @update:model-value="emit('put', { price: $event })"
  />
  <UiText v-model="note" class="note" label="Note for this day" :most="400" @focusout="keepNote" @enter="keepNote" />
</template>

<style scoped>
.note {
  flex: 1 1 220px;
}
</style>
