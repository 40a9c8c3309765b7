<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed } from 'vue'
import type { Zone } from '@core/dog'
import { BeforeAnswers } from '@core/owner'
import UiButton from '../ui/UiButton.vue'
import UiChoice from '../ui/UiChoice.vue'
import UiText from '../ui/UiText.vue'
import { typedNumber } from './words'
import YesNo from './YesNo.vue'
import { CARD_ASKS, EARS_SAID, FLEAS_SAID, MATS_PLACES, MATS_SAID } from '@words'

const { draftKey } = defineProps<{
  /** Under what the draft is kept in this window: it outlasts leaving and a reload. */
  draftKey: string
}>()
const emit = defineEmits<{ keep: [answers: BeforeAnswers]; leave: [] }>()

const blank = () => ({ ...BeforeAnswers.parse({}), shedding: false as boolean | null, weeks: '' })
const draft = useSessionStorage(`juvant.owner.${draftKey}`, blank())
const weeks = computed(() => (draft.value.weeks.trim() === '' ? null : typedNumber(draft.value.weeks)))
const wrong = computed(() =>
  weeks.value !== null && !(Number.isInteger(weeks.value) && weeks.value >= 0 && weeks.value <= 260)
    ? 'Give whole weeks, up to 260.'
    : undefined,
)
const options = <T extends string>(words: Record<T, string>) =>
  (Object.keys(words) as T[]).map((value) => ({ value, text: words[value] }))
const places = (Object.keys(MATS_PLACES) as Zone[]).map((value) => ({
  value,
  text: MATS_PLACES[value as keyof typeof MATS_PLACES],
}))
function keep() {
  if (wrong.value) return
  const { weeks: _, ...said } = draft.value
  emit('keep', BeforeAnswers.parse({ ...said, shedding: said.shedding === true, lastBathWeeks: weeks.value }))
}
</script>

<template>
  <form class="before" novalidate @submit.prevent="keep">
    <UiText v-model="draft.weeks" :label="CARD_ASKS.lastBathWeeks" inputmode="decimal" :error="wrong" />
    <UiChoice v-model="draft.mats" :label="CARD_ASKS.mats" :options="options(MATS_SAID)" />
    <UiChoice v-if="draft.mats !== 'none'" v-model="draft.matsAt" many :label="CARD_ASKS.matsAt" :options="places" />
    <YesNo v-model="draft.shedding" :label="CARD_ASKS.shedding" />
    <UiChoice v-model="draft.fleas" :label="CARD_ASKS.fleas" :options="options(FLEAS_SAID)" />
    <UiChoice v-model="draft.ears" :label="CARD_ASKS.ears" :options="options(EARS_SAID)" />
    <UiText v-model="draft.vet" :label="CARD_ASKS.vet" :most="200" />
    <YesNo v-model="draft.walk" :label="CARD_ASKS.walk" />
    <UiText v-model="draft.consent" :label="CARD_ASKS.consent" :most="80" />
    <UiText v-model="draft.note" :label="CARD_ASKS.note" :most="300" />
    <p class="lines">
      <UiButton kind="primary" submit>Keep the answers</UiButton>
      <UiButton kind="link" @click="emit('leave')">Leave it</UiButton>
    </p>
  </form>
</template>

<style scoped>
.before {
  display: grid;
  gap: 10px;
}
.lines {
  display: flex;
  gap: 18px;
  align-items: center;
}
</style>
