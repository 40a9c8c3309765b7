<script setup lang="ts">
import UiDate from '../../ui/UiDate'
import UiText from '../../ui/UiText.vue'
import { unitFor } from '@core/units'
import { computed, watch } from 'vue'
import type { StoredDog } from '@contract'
import { sameData } from '@core/same'
import { Dog, Stage } from '@core/dog'
import UiChoice from '../../ui/UiChoice.vue'
import UiField from '../../ui/UiField.vue'
import SavedLine from '../../parts/SavedLine.vue'
import { soundOver, useAutosave } from '../../parts/useAutosave'
import { dogs } from '../../api/dogs'
import BreedBox from '../../parts/BreedBox.vue'
import OwnRules from '../../parts/OwnRules.vue'
import ClearanceList from './ClearanceList.vue'
import CoatFields from './CoatFields.vue'
import KnownFields from './KnownFields.vue'
import MannerFields from './MannerFields.vue'
import PeopleFields from './PeopleFields.vue'
import { draftOf, typedDog, useDogDraft, type DogDraft } from '../../parts/useDogDraft'
import { oddWeightWords } from '@words'
import { useSay } from '../../say'
import { partOf, type RecordPart } from './parts'

const say = useSay()

const { part, stored } = defineProps<{
  /** The part of the record that is looked at. */
  part: RecordPart
  stored: StoredDog
}>()
const emit = defineEmits<{ saved: [dog: StoredDog] }>()
/** The same for the links to the parts. */
const wrong = defineModel<RecordPart[]>('wrong', { required: true })
const { draft, takeBreed } = useDogDraft(draftOf(say.units, stored.record), say)
const keeping = useAutosave<DogDraft, Dog, StoredDog>({
  key: () => `juvant.dog.${stored.id}.edits.${say.units.weight}.${say.units.length}`,
  draft: () => draft,
  set: (typed) => Object.assign(draft, typed),
  draftOf: (record) => draftOf(say.units, record),
  sound: (typed, was) => soundOver(Dog, typedDog(typed, say.units, was), was, say),
  async save(version, record) {
    const changed = await dogs.change(stored.id, version, record)
    emit('saved', changed)
    return changed
  },
})
const { errors, problem, theirs, unsaved, undoes } = keeping
keeping.begin(stored)
watch(() => stored, keeping.catchUp)
/** Parts with a field that was refused. */
watch(errors, (now) => (wrong.value = [...new Set(Object.keys(now).map(partOf))]))

const plainOptions = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, text: value as string }))

/** Fields in which the stored record and this form differ, for a choice with both before the eyes. */
const differing = computed(() => {
  if (!theirs.value) return []
  const { record } = theirs.value
  const mine = soundOver(Dog, typedDog(draft, say.units, record), record, say).record ?? record
  return (Object.keys(mine) as (keyof Dog)[])
    .filter((key) => !sameData(mine[key], record[key]))
    .map((key) => ({ key, mine: mine[key], theirs: record[key] }))
})
const shown = (value: unknown) =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value)

/** A weight that hardly goes with the breed. */
const odd = computed(() =>
  oddWeightWords(draft.breed, typedDog(draft, say.units, stored.record).weightKg ?? NaN, draft.stage, say),
)
</script>

<template>
  <form novalidate aria-label="Record" @submit.prevent="keeping.flush">
    <div v-if="part !== 'overview' || unsaved || problem || undoes.length > 0">
      <SavedLine :keeping="keeping">
        <template #both>
          <ul class="differ">
            <li v-for="d in differing" :key="d.key">
              <b>{{ d.key }}</b>: yours {{ shown(d.mine) }}, stored {{ shown(d.theirs) }}
            </li>
          </ul>
        </template>
      </SavedLine>
    </div>
    <section v-show="part === 'dog'" class="basin">
      <h2>Who</h2>
      <div class="grid">
        <UiText v-model="draft.name" label="Name" :error="errors.name" />
        <UiField label="Breed or mix" for-id="breed" :error="errors.breed">
          <BreedBox id="breed" v-model="draft.breed" @pick="takeBreed($event, true)" />
        </UiField>
        <UiText
          v-model="draft.weight"
          :label="`Weight, ${unitFor('weight', say.units).sign}`"
          :error="errors.weightKg"
          :hint="odd"
          inputmode="decimal"
        />
        <UiField label="Born" for-id="born" :error="errors.born" hint="If known: age then follows the date.">
          <UiDate
            id="born"
            :model-value="draft.born ?? ''"
            clearable
            @update:model-value="draft.born = $event || null"
          />
        </UiField>
      </div>
      <div class="rows">
        <UiChoice v-model="draft.stage" label="Age, when the date isn’t known" :options="plainOptions(Stage.options)" />
        <UiChoice v-model="draft.sex" label="Sex" :options="plainOptions(['female', 'male', 'unknown'] as const)" />
      </div>
    </section>
    <CoatFields v-show="part === 'dog'" v-model="draft" :errors="errors" />
    <KnownFields v-show="part === 'dog'" v-model="draft" />
    <MannerFields v-show="part === 'manner'" v-model="draft" :errors="errors" />
    <PeopleFields v-if="part === 'people'" v-model="draft" :errors="errors" :dog-id="stored.id" />
    <OwnRules
      v-show="part === 'rules'"
      v-model="draft.rules"
      title="Rules for this dog"
      open
      hint="As the house has it, unless you choose here."
    />
    <ClearanceList v-show="part === 'body'" v-model="draft.clearances" />
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  min-width: 0;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(175px, 1fr));
  gap: 12px 16px;
  margin-top: 10px;
}
.rows {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 28px;
  margin: 12px 0 2px;
}
.differ li {
  overflow-wrap: anywhere;
}
</style>
