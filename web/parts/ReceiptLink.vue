<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Paid } from '@core/tubside'
import { ask } from '../api/client'
import UiButton from '../ui/UiButton.vue'
import ProblemNote from './ProblemNote.vue'
import { useTell } from './useTell'

const {
  visitId,
  entryId,
  paid,
  others = [],
} = defineProps<{
  visitId?: string
  /** A payment into an account, where it isn't of a visit. */
  entryId?: string
  /** What was paid; another payment makes another receipt. */
  paid?: Paid
  /** Other visits that were paid with it. */
  others?: readonly string[]
}>()
const given = ref<{ number: number; of: string }>()
watch(
  () => JSON.stringify([paid, others]),
  () => (given.value = undefined),
)
const { busy, problem, tell } = useTell()
const give = () =>
  tell(async () => {
    given.value = visitId
      ? await ask('POST /visits/{id}/receipt', { params: { id: visitId }, body: { with: [...others] } })
      : await ask('POST /entries/{id}/receipt', { params: { id: entryId! } })
  })
const pdf = computed(() => given.value && `/api/${visitId ? 'visits' : 'entries'}/${given.value.of}/receipt.pdf`)
</script>

<template>
  <a v-if="given" class="link" :href="pdf" target="_blank" rel="noopener">Receipt {{ given.number }}, PDF</a>
  <UiButton v-else kind="link" :disabled="busy" @click="give">{{
    others.length > 0 ? 'Receipt for both' : 'Receipt'
  }}</UiButton>
  <ProblemNote v-if="problem" :problem="problem" />
</template>
