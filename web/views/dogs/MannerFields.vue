<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed } from 'vue'
import { Fear, Mood } from '../../../core/dog'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import FieldBox from '../../parts/FieldBox.vue'
import { flagsOf, plainOptions } from './flags'
import type { DogDraft } from './useDogDraft'

const { errors } = defineProps<{ errors: Record<string, string> }>()
const draft = defineModel<DogDraft>({ required: true })

const history = flagsOf(() => draft.value, ['rescue', 'firstBath', 'plugsTolerated'])
const teeth = flagsOf(() => draft.value, ['mayBite', 'muzzleConsent'])
const health = flagsOf(() => draft.value, ['pregnant', 'seizures', 'heart'])
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
] as const
const allergies = computed({
  get: () => draft.value.allergies.join(', '),
  set: (text: string) =>
    (draft.value.allergies = text
      .split(',')
      .map((t) => t.trimStart())
      .filter((t, i, all) => t !== '' || i === all.length - 1)),
})
</script>

<template>
  <section class="basin fields">
    <h2>Manner and health</h2>
    <div class="rows">
      <ChoiceRow v-model="draft.mood" label="Mood" :options="plainOptions(Mood.options)" />
      <ChoiceRow v-model="draft.fears" many label="Can’t bear" :options="plainOptions(Fear.options)" />
      <ChoiceRow v-model="history" many label="Also" :options="HISTORY" />
      <ChoiceRow v-model="teeth" many label="Teeth" :options="TEETH" />
      <ChoiceRow v-model="health" many label="Tell the vet before" :options="HEALTH" />
    </div>
    <FieldBox
      label="Reacts to"
      for-id="allergies"
      :error="errors['allergies'] ?? errors['allergies[0]']"
      hint="As labels say it, with commas: oat, chlorhexidine."
      ><Input id="allergies" v-model:value="allergies" autocomplete="off"
    /></FieldBox>
  </section>
</template>

<style scoped src="./fields.css"></style>
