<script setup lang="ts">
import { Input, Textarea } from 'ant-design-vue'
import FieldBox from '../../parts/FieldBox.vue'
import type { DogDraft } from './useDogDraft'

const { errors } = defineProps<{ errors: Record<string, string> }>()
const draft = defineModel<DogDraft>({ required: true })
</script>

<template>
  <section class="basin fields">
    <h2>People and notes</h2>
    <div class="grid">
      <FieldBox label="Owner" for-id="owner" :error="errors.owner"
        ><Input id="owner" v-model:value="draft.owner" autocomplete="off"
      /></FieldBox>
      <FieldBox label="How to reach the owner" for-id="owner-contact" :error="errors.ownerContact"
        ><Input id="owner-contact" v-model:value="draft.ownerContact" autocomplete="off"
      /></FieldBox>
      <FieldBox label="Vet" for-id="vet" :error="errors.vet"
        ><Input id="vet" v-model:value="draft.vet" autocomplete="off"
      /></FieldBox>
      <FieldBox label="How to reach the vet" for-id="vet-contact" :error="errors.vetContact"
        ><Input id="vet-contact" v-model:value="draft.vetContact" autocomplete="off"
      /></FieldBox>
    </div>
    <FieldBox label="Consent and instructions" for-id="consent" :error="errors.consent"
      ><Textarea id="consent" v-model:value="draft.consent" :auto-size="{ minRows: 1, maxRows: 6 }"
    /></FieldBox>
    <FieldBox label="Notes" for-id="notes" :error="errors.notes"
      ><Textarea id="notes" v-model:value="draft.notes" :auto-size="{ minRows: 2, maxRows: 10 }"
    /></FieldBox>
  </section>
</template>

<style scoped src="./fields.css"></style>
