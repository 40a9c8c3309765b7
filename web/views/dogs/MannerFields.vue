<script setup lang="ts">
import CommaList from '../../parts/CommaList.vue'
import { Fear, Mood } from '@core/dog'
import UiField from '../../ui/UiField.vue'
import UiDate from '../../ui/UiDate'
import UiChoice from '../../ui/UiChoice.vue'
import { flagsOf, plainOptions } from './flags'
import type { DogDraft } from '../../parts/useDogDraft'

const { errors } = defineProps<{ errors: Record<string, string> }>()
const draft = defineModel<DogDraft>({ required: true })

const history = flagsOf(() => draft.value, ['rescue', 'firstBath', 'plugsTolerated'])
const teeth = flagsOf(() => draft.value, ['mayBite', 'muzzleConsent'])
const health = flagsOf(() => draft.value, ['pregnant', 'seizures', 'heart', 'windpipe'])
const senses = flagsOf(() => draft.value, ['joints', 'blind', 'deaf'])
const HISTORY = [
  { value: 'plugsTolerated', text: 'keeps cotton in its ears' },
  { value: 'rescue', text: 'new rescue' },
  { value: 'firstBath', text: 'first bath' },
] as const
const TEETH = [
  { value: 'mayBite', text: 'may bite' },
  { value: 'muzzleConsent', text: 'owner consents to a muzzle' },
] as const
const HEALTH = [
  { value: 'pregnant', text: 'pregnant' },
  { value: 'seizures', text: 'seizures' },
  { value: 'heart', text: 'heart disease' },
  { value: 'windpipe', text: 'windpipe collapses' },
] as const
const SENSES = [
  { value: 'joints', text: 'old or sore joints' },
  { value: 'blind', text: 'blind' },
  { value: 'deaf', text: 'deaf' },
] as const
</script>

<template>
  <section class="basin fields">
    <h2>Manner and health</h2>
    <div class="rows">
      <UiChoice v-model="draft.mood" label="Mood" :options="plainOptions(Mood.options)" />
      <UiChoice v-model="draft.fears" many label="Can’t bear" :options="plainOptions(Fear.options)" />
      <UiChoice v-model="history" many label="Also" :options="HISTORY" />
      <UiChoice v-model="teeth" many label="Teeth" :options="TEETH" />
      <UiChoice v-model="health" many label="Tell the vet before" :options="HEALTH" />
      <UiChoice v-model="senses" many label="Handle with care" :options="SENSES" />
    </div>
    <UiField
      label="Vaccinated until"
      for-id="vaccinated"
      :error="errors.vaccinatedUntil"
      hint="Rabies, or another that your place asks for."
    >
      <UiDate
        id="vaccinated"
        :model-value="draft.vaccinatedUntil ?? ''"
        clearable
        @update:model-value="draft.vaccinatedUntil = $event || null"
      />
    </UiField>
    <CommaList
      v-model="draft.allergies"
      label="Reacts to"
      :error="errors['allergies'] ?? errors['allergies[0]']"
      hint="As labels say it, with commas: oat, chlorhexidine."
    />
  </section>
</template>

<style scoped src="./fields.css"></style>
