<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { Input } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { StoredDog } from '../../../contract'
import { breedNamed, BREEDS, coatWords, CoatType } from '../../../core/dog'
import { say } from '../../../core/units'
import { asProblem, type ApiProblem } from '../../api'
import FieldBox from '../../parts/FieldBox.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import PickOne from '../../parts/PickOne.vue'
import { useDogs } from '../../stores/dogs'
import BreedBox from './BreedBox.vue'
import { draftOf, useDogDraft } from './useDogDraft'

const emit = defineEmits<{ added: [dog: StoredDog] }>()
const dogs = useDogs()
const router = useRouter()

const kept = useSessionStorage('juvant.newDog', { ...draftOf() })
const { draft, errors, takeBreed, check } = useDogDraft({ ...draftOf(), ...kept.value })
const weightTyped = ref(draft.weight !== '')
const busy = ref(false)
const problem = ref<ApiProblem>()

watch(draft, () => (kept.value = { ...draft }), { deep: true })

const coats = CoatType.options.map((value) => ({ value, text: coatWords(value) }))
const known = computed(() => breedNamed(draft.breed))
const hint = computed(() =>
  known.value ? `Usually ${say(known.value.lightest)} to ${say(known.value.heaviest)} kg` : undefined,
)

watch(known, (breed) => breed && takeBreed(breed, weightTyped.value))

function typeWeight(text: string) {
  draft.weight = text
  weightTyped.value = text !== ''
}

function clear() {
  Object.assign(draft, draftOf())
  weightTyped.value = false
  errors.value = {}
}

async function add(thenPlan: boolean) {
  const dog = check()
  if (!dog) return
  busy.value = true
  problem.value = undefined
  try {
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
  <form class="basin" aria-labelledby="quick-add" novalidate @submit.prevent="add(true)">
    <h2 id="quick-add">Add a dog</h2>
    <p class="soft small">
      A breed fills in coat, ears and usual weight from {{ BREEDS.length }} known ones. The rest can wait.
    </p>
    <FieldBox label="Name" for-id="new-name" :error="errors.name">
      <Input id="new-name" v-model:value="draft.name" autocomplete="off" :status="errors.name ? 'error' : ''" />
    </FieldBox>
    <FieldBox label="Breed or mix" for-id="new-breed" :error="errors.breed">
      <BreedBox id="new-breed" v-model="draft.breed" @pick="takeBreed($event, weightTyped)" />
    </FieldBox>
    <div class="pair">
      <FieldBox label="Weight, kg" for-id="new-weight" :error="errors.weightKg" :hint="hint">
        <Input
          id="new-weight"
          :value="draft.weight"
          inputmode="decimal"
          autocomplete="off"
          :status="errors.weightKg ? 'error' : ''"
          @update:value="typeWeight"
        />
      </FieldBox>
      <FieldBox label="Coat" for-id="new-coat" :error="errors.coat">
        <PickOne id="new-coat" v-model="draft.coat" :options="coats" :invalid="!!errors.coat" />
      </FieldBox>
    </div>
    <ProblemNote v-if="problem" :problem="problem" />
    <div class="buttons">
      <button class="button" type="submit" :disabled="busy">Add and plan the wash</button>
      <button class="button quiet" type="button" :disabled="busy" @click="add(false)">Add only</button>
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
</style>
