<script setup lang="ts">
import CommaList from '../../parts/CommaList.vue'
import PriceText from '../../parts/PriceText.vue'
import UiText from '../../ui/UiText.vue'
import type { DogDraft } from '../../parts/useDogDraft'

const { errors } = defineProps<{ errors: Record<string, string> }>()
const draft = defineModel<DogDraft>({ required: true })
</script>

<template>
  <section class="basin fields">
    <h2>People and notes</h2>
    <div class="grid">
      <UiText v-model="draft.owner" label="Owner" :error="errors.owner" />
      <UiText v-model="draft.ownerContact" label="How to reach the owner" :error="errors.ownerContact" />
      <UiText
        v-model="draft.secondContact"
        label="Whom to reach else"
        :error="errors.secondContact"
        hint="Name and number."
      />
      <PriceText v-model="draft.price" label="Usual price" />
      <UiText v-model="draft.vet" label="Vet" :error="errors.vet" />
      <UiText v-model="draft.vetContact" label="How to reach the vet" :error="errors.vetContact" />
    </div>
    <CommaList
      v-model="draft.layOut"
      label="Lay out for it, beside the usual"
      :error="errors.layOut ?? errors['layOut[0]']"
      hint="With commas: muzzle, its own towel."
    />
    <UiText v-model="draft.consent" label="Consent and instructions" :error="errors.consent" :rows="1" />
    <UiText v-model="draft.notes" label="Notes" :error="errors.notes" :rows="2" />
  </section>
</template>

<style scoped src="./fields.css"></style>
