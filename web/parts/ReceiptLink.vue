<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Paid } from '@core/tubside'
import { ask } from '../api/client'
import UiButton from '../ui/UiButton.vue'
import ProblemNote from './ProblemNote.vue'
import { useTell } from './useTell'

const { visitId, paid } = defineProps<{
  visitId: string
  /** What was paid; another payment makes another receipt. */
  paid: Paid
}>()
const number = ref<number>()
watch(
  () => JSON.stringify(paid),
  () => (number.value = undefined),
)
const { busy, problem, tell } = useTell()
const give = () =>
  tell(async () => {
    number.value = (await ask('POST /visits/{id}/receipt', { params: { id: visitId } })).number
  })
</script>

<template>
  <a v-if="number" class="link" :href="`/api/visits/${visitId}/receipt.pdf`" target="_blank" rel="noopener"
    >Receipt {{ number }}, PDF</a
  >
  <UiButton v-else kind="link" :disabled="busy" @click="give">Receipt</UiButton>
  <ProblemNote v-if="problem" :problem="problem" />
</template>
