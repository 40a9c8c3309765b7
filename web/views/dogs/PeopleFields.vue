<script setup lang="ts">
import CommaList from '../../parts/CommaList.vue'
import PriceText from '../../parts/PriceText.vue'
import UiText from '../../ui/UiText.vue'
import { computed } from 'vue'
import { useAsk } from '../../api/queries'
import { useSay } from '../../say'
import type { DogDraft } from '../../parts/useDogDraft'

const { errors, dogId } = defineProps<{ errors: Record<string, string>; dogId: string }>()
const { answer: account } = useAsk('GET /account', () => ({ query: { dog: dogId } }))
const ownerId = computed(() => account.value?.ownerId)
const { answer: owner } = useAsk('GET /owners/{id}', () =>
  ownerId.value ? { params: { id: ownerId.value } } : undefined,
)
/** Other dogs of the same owner. */
const others = computed(() => owner.value?.dogs.filter((d) => d.id !== dogId).map((d) => d.name) ?? [])
const say = useSay()
const draft = defineModel<DogDraft>({ required: true })
</script>

<template>
  <section class="basin fields">
    <h2>People and notes</h2>
    <p v-if="owner"><RouterLink class="link" :to="`/owners/${owner.id}`">Owner and account</RouterLink></p>
    <div class="grid">
      <UiText
        v-model="draft.owner"
        label="Owner"
        :error="errors.owner"
        :hint="others.length > 0 ? `Of ${say.list(others)} too; another name is another owner.` : undefined"
      />
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
