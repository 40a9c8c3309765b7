<script setup lang="ts">
import UiText from '../ui/UiText.vue'
import UiButton from '../ui/UiButton.vue'
import { useSessionStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { StoredDog } from '@contract'
import { breedNamed, BREEDS, CoatType } from '@core/dog'
import { asProblem, type ApiProblem } from '../api/client'
import UiAmountText from '../ui/UiAmountText.vue'
import UiField from '../ui/UiField.vue'
import ProblemNote from './ProblemNote.vue'
import UiSelect from '../ui/UiSelect.vue'
import { dogs } from '../api/dogs'
import BreedBox from './BreedBox.vue'
import { draftOf, useDogDraft } from './useDogDraft'
import { useSay } from '../say'
import { coatWords, dogLine, listedWords, oddWeightWords } from '@words'
import { listedPrices } from '@core/money'
import { unitFor } from '@core/units'
import { useRoom } from '../stores/room'
import { typedNumber } from './words'

const say = useSay()
const room = useRoom()

const { name, only = false } = defineProps<{
  /** A name to begin with. */
  name?: string
  /** The dog is added for something else: its wash isn't planned from here. */
  only?: boolean
}>()
const emit = defineEmits<{ added: [dog: StoredDog] }>()
const router = useRouter()

// at once, as the form may go as soon as its dog is added
const kept = useSessionStorage('juvant.newDog', { ...draftOf(say.units) }, { flush: 'sync' })
const { draft, errors, takeBreed, dropBreed, check } = useDogDraft({ ...draftOf(say.units), ...kept.value }, say)
if (name !== undefined) draft.name = name
const weightTyped = ref(draft.weight !== '')
const busy = ref(false)
const problem = ref<ApiProblem>()
/** A dog of the same name that is there already, and how to go on when another one is meant. */
const twin = ref<{ dog: StoredDog; thenPlan: boolean }>()

/** A weight that hardly goes with the breed, and how to go on when it is right. */
const odd = ref<{ question: string; thenPlan: boolean }>()
watch(
  () => [draft.weight, draft.breed],
  () => (odd.value = undefined),
)

const keep = () => (kept.value = { ...draft })
watch(draft, keep, { deep: true })
watch(
  () => draft.name,
  () => (twin.value = undefined),
)

const coats = CoatType.options.map((value) => ({ value, text: coatWords(value) }))
const known = computed(() => breedNamed(draft.breed))
const hint = computed(() =>
  known.value ? `Usually ${say.weight(known.value.lightest)} to ${say.weight(known.value.heaviest)}` : undefined,
)

/** What the house asks of a dog of that weight, for whoever is on the telephone. */
const asked = computed(() => {
  const typed = typedNumber(draft.weight)
  if (Number.isNaN(typed) || !room.house) return ''
  const { priceList, prices } = room.house
  return listedWords(listedPrices(unitFor('weight', say.units).toSI(typed), priceList), prices.currency, say)
})

watch(known, (breed, before) => {
  if (breed) takeBreed(breed, weightTyped.value)
  else if (before && !draft.breed.includes(before.name)) dropBreed(before, weightTyped.value)
})

function typeWeight(text: string) {
  draft.weight = text
  weightTyped.value = text !== ''
}

function clear() {
  Object.assign(draft, draftOf(say.units))
  keep()
  weightTyped.value = false
  errors.value = {}
}

async function add(thenPlan: boolean, another = false, right = another) {
  const dog = check()
  if (!dog) return
  const question = right ? undefined : oddWeightWords(dog.breed, dog.weightKg, dog.stage, say)
  odd.value = question ? { question, thenPlan } : undefined
  if (question) return
  busy.value = true
  problem.value = undefined
  try {
    const [same] = another ? [] : await dogs.named(dog.name)
    twin.value = same && { dog: same, thenPlan }
    if (same) return
    const stored = await dogs.add(dog)
    clear()
    emit('added', stored)
    if (thenPlan) await router.push(`/dogs/${stored.id}/recipe`)
  } catch (error) {
    problem.value = asProblem(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="basin" aria-labelledby="quick-add" novalidate @submit.prevent="add(!only)">
    <h2 id="quick-add">Add a dog</h2>
    <p class="soft small">
      A breed fills in coat, ears and usual weight from {{ BREEDS.length }} known ones. The rest can wait.
    </p>
    <UiText v-model="draft.name" label="Name" :error="errors.name" />
    <UiField label="Breed or mix" for-id="new-breed" :error="errors.breed">
      <BreedBox id="new-breed" v-model="draft.breed" @pick="takeBreed($event, weightTyped)" />
    </UiField>
    <div class="pair">
      <UiAmountText
        :model-value="draft.weight"
        label="Weight"
        quantity="weight"
        :error="errors.weightKg"
        :hint="hint"
        @update:model-value="typeWeight"
      />
      <UiField label="Coat" for-id="new-coat" :error="errors.coat">
        <UiSelect id="new-coat" v-model="draft.coat" :options="coats" :invalid="!!errors.coat" />
      </UiField>
    </div>
    <p v-if="asked" data-testid="asked">{{ asked }}</p>
    <ProblemNote v-if="problem" :problem="problem" />
    <div v-if="twin" class="twin" role="alert">
      <p>There is a {{ twin.dog.record.name }} already: {{ dogLine(twin.dog.record, say) }}. Is this another one?</p>
      <UiButton @click="add(twin!.thenPlan, true)">Add another {{ twin.dog.record.name }}</UiButton>
      <RouterLink class="link" :to="`/dogs/${twin.dog.id}`">Open the one that is there</RouterLink>
    </div>
    <div v-if="odd" class="twin" role="alert">
      <p>{{ odd.question }}</p>
      <UiButton @click="add(odd!.thenPlan, false, true)">It is right</UiButton>
    </div>
    <div class="buttons">
      <UiButton kind="primary" submit :disabled="busy">{{ only ? 'Add it' : 'Add and plan the wash' }}</UiButton>
      <UiButton v-if="!only" :disabled="busy" @click="add(false)">Add only</UiButton>
      <slot />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.35fr);
  gap: 12px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.twin {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  padding: 10px 12px;
  background: var(--watch-tint);
  border-top: 3px solid var(--watch);
  border-radius: 0 0 14px 14px;
}
.twin p {
  flex: 1 0 100%;
}
</style>
