<script setup lang="ts">
import UiDate from '../../ui/UiDate'
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { unitFor } from '@core/units'
import { computed, ref, shallowRef, watch } from 'vue'
import type { StoredDog } from '@contract'
import { sameData } from '@core/same'
import { Dog, Stage } from '@core/dog'
import { type ApiProblem, asProblem } from '../../api/client'
import UiChoice from '../../ui/UiChoice.vue'
import UiField from '../../ui/UiField.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { copyOf, useEdits } from '../../parts/useEdits'
import { dogs } from '../../api/dogs'
import BreedBox from '../../parts/BreedBox.vue'
import OwnRules from '../../parts/OwnRules.vue'
import ClearanceList from './ClearanceList.vue'
import CoatFields from './CoatFields.vue'
import KnownFields from './KnownFields.vue'
import MannerFields from './MannerFields.vue'
import PeopleFields from './PeopleFields.vue'
import { draftOf, useDogDraft, type DogDraft } from '../../parts/useDogDraft'
import { useSay } from '../../say'
import { partOf, type RecordPart } from './parts'

const say = useSay()

const { part, stored, justSaved } = defineProps<{
  /** The part of the record that is looked at. */
  part: RecordPart
  stored: StoredDog
  justSaved: boolean
}>()
const emit = defineEmits<{ saved: [dog: StoredDog]; edited: []; open: [part: RecordPart] }>()
/** The same for the links to the parts. */
const wrong = defineModel<RecordPart[]>('wrong', { required: true })
const asStored = draftOf(say.units, stored.record)
const { draft, errors, takeBreed, check } = useDogDraft(copyOf(asStored), say, stored.record)
const edits = useEdits<DogDraft>(
  () => `juvant.dog.${stored.id}.edits.${say.units.weight}.${say.units.length}`,
  () => draft,
)
const { unsaved } = edits
// what was typed here before and never saved; begun on an older version it is offered beside the newer one when saved
const before = edits.before()
const version = ref(before?.version ?? stored.version)
edits.begin(version.value, asStored)
if (before) Object.assign(draft, before.draft)
/** Parts with a field that was refused. */
const refusedIn = computed(() => [...new Set(Object.keys(errors.value).map(partOf))])
watch(refusedIn, (now) => (wrong.value = now))
const busy = ref(false)
const problem = ref<ApiProblem>()
const theirs = shallowRef<StoredDog>()

watch(draft, () => emit('edited'), { deep: true })
/** What another window or device saved shows here, unless something is being changed: then both are offered on saving. */
watch(
  () => stored,
  (now) => {
    if (now.version > version.value && !unsaved.value) show(now)
  },
)
function show({ version: of, record }: StoredDog) {
  Object.assign(draft, draftOf(say.units, record))
  version.value = of
  edits.begin(of, copyOf(draft))
}

const plainOptions = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, text: value as string }))

async function save() {
  const record = check()
  if (!record) {
    // what is refused is brought into sight
    if (!refusedIn.value.includes(part)) emit('open', refusedIn.value[0]!)
    return
  }
  busy.value = true
  problem.value = undefined
  try {
    const changed = await dogs.change(stored.id, version.value, record)
    version.value = changed.version
    theirs.value = undefined
    edits.begin(changed.version, copyOf(draft))
    emit('saved', changed)
  } catch (error) {
    problem.value = asProblem(error)
    if (problem.value.status === 409) theirs.value = (problem.value.body as { current: StoredDog }).current
  } finally {
    busy.value = false
  }
}

/** Fields in which the stored record and this form differ, for a choice with both before the eyes. */
const differing = computed(() => {
  if (!theirs.value) return []
  const mine = Dog.safeParse(check())
  if (!mine.success) return []
  return (Object.keys(mine.data) as (keyof Dog)[])
    .filter((key) => !sameData(mine.data[key], theirs.value!.record[key]))
    .map((key) => ({ key, mine: mine.data[key], theirs: theirs.value!.record[key] }))
})
const shown = (value: unknown) =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value)

function saveMine() {
  version.value = theirs.value!.version
  void save()
}
function giveUp() {
  errors.value = {}
  show(stored)
}
function takeTheirs() {
  show(theirs.value!)
  emit('saved', theirs.value!)
  theirs.value = undefined
  problem.value = undefined
}
</script>

<template>
  <form novalidate aria-label="Record" @submit.prevent="save">
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
    <PeopleFields v-show="part === 'people'" v-model="draft" :errors="errors" />
    <OwnRules
      v-show="part === 'rules'"
      v-model="draft.rules"
      title="Rules for this dog"
      open
      hint="As the house has it, unless you choose here."
    />
    <ClearanceList v-show="part === 'body'" v-model="draft.clearances" />
    <div v-if="part !== 'overview' || unsaved || problem" class="foot">
      <p v-if="Object.keys(errors).length" class="field-error" role="alert">
        Not saved yet:
        {{ Object.keys(errors).length === 1 ? 'one field needs' : `${Object.keys(errors).length} fields need` }} another
        look. {{ Object.values(errors)[0] }}
      </p>
      <ProblemNote v-if="problem" :problem="problem">
        <template v-if="theirs">
          <ul class="differ">
            <li v-for="d in differing" :key="d.key">
              <b>{{ d.key }}</b>: yours {{ shown(d.mine) }}, stored {{ shown(d.theirs) }}
            </li>
          </ul>
          <UiButton kind="link" @click="saveMine">Save mine over it</UiButton>
          &nbsp;&nbsp;
          <UiButton kind="link" @click="takeTheirs">Take the stored one</UiButton>
        </template>
      </ProblemNote>
      <div class="save">
        <UiButton kind="primary" submit :disabled="busy">Save the record</UiButton>
        <p v-if="justSaved" class="done" role="status">Saved.</p>
        <template v-else-if="unsaved">
          <p class="soft">Not saved yet; kept on this device.</p>
          <UiButton kind="link" @click="giveUp">As it is stored</UiButton>
        </template>
      </div>
    </div>
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
.foot {
  position: sticky;
  bottom: 0;
  display: grid;
  gap: 10px;
  padding: 12px 0;
  background: var(--ground);
}
.save {
  display: flex;
  align-items: center;
  gap: 16px;
}
.done {
  color: var(--ok);
  font-weight: 700;
}
.differ li {
  overflow-wrap: anywhere;
}
</style>
