<script setup lang="ts">
import { Input, Textarea } from 'ant-design-vue'
import { computed, ref, shallowRef, watch } from 'vue'
import type { StoredDog } from '../../../contract'
import { Build, coatWords, CoatType, Density, Dog, EarCarriage, Mood, Skin, Soil, Stage } from '../../../core/dog'
import { type ApiProblem, asProblem } from '../../api'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import EarRow from '../../parts/EarRow.vue'
import FieldBox from '../../parts/FieldBox.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import PickOne from '../../parts/PickOne.vue'
import { useDogs } from '../../stores/dogs'
import BreedBox from './BreedBox.vue'
import ClearanceList from './ClearanceList.vue'
import { draftOf, useDogDraft } from './useDogDraft'

const { stored, justSaved } = defineProps<{ stored: StoredDog; justSaved: boolean }>()
const emit = defineEmits<{ saved: [dog: StoredDog]; edited: [] }>()
const dogs = useDogs()
const { draft, errors, takeBreed, check } = useDogDraft(draftOf(stored.record))
const version = ref(stored.version)
const busy = ref(false)
const problem = ref<ApiProblem>()
const theirs = shallowRef<StoredDog>()

watch(draft, () => emit('edited'), { deep: true })

const plainOptions = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, text: value as string }))
const builds: Record<Build, string> = {
  usual: 'middle',
  leggy: 'leggy, deep chest',
  cobby: 'cobby',
  giant: 'giant',
  low: 'low and long',
}
const buildOptions = Build.options.map((value) => ({ value, text: builds[value] }))
const coats = CoatType.options.map((value) => ({ value, text: coatWords(value) }))

type Flag =
  | 'shortNose'
  | 'thinSkin'
  | 'folds'
  | 'white'
  | 'outdoors'
  | 'earHair'
  | 'dryerShy'
  | 'feetShy'
  | 'plugsTolerated'
  | 'pregnant'
  | 'seizures'
  | 'heart'
function flags(names: readonly Flag[]) {
  return computed({
    get: () => names.filter((name) => draft[name]),
    set: (on) => names.forEach((name) => (draft[name] = (on as Flag[]).includes(name))),
  })
}
const looks = flags(['white', 'shortNose', 'thinSkin', 'folds', 'outdoors'])
const manner = flags(['dryerShy', 'feetShy', 'plugsTolerated'])
const health = flags(['pregnant', 'seizures', 'heart'])
type Known = 'shedding' | 'stained' | 'fleas'
const knowns = computed({
  get: () => (['shedding', 'stained', 'fleas'] as const).filter((name) => draft.known[name]),
  set: (on) =>
    (['shedding', 'stained', 'fleas'] as const).forEach((name) => (draft.known[name] = (on as Known[]).includes(name))),
})

async function save() {
  const record = check()
  if (!record) return
  busy.value = true
  problem.value = undefined
  try {
    const changed = await dogs.change(stored.id, version.value, record)
    version.value = changed.version
    theirs.value = undefined
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
    .filter((key) => JSON.stringify(mine.data[key]) !== JSON.stringify(theirs.value!.record[key]))
    .map((key) => ({ key, mine: mine.data[key], theirs: theirs.value!.record[key] }))
})
const shown = (value: unknown) =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : JSON.stringify(value)

function saveMine() {
  version.value = theirs.value!.version
  void save()
}
function takeTheirs() {
  Object.assign(draft, draftOf(theirs.value!.record))
  version.value = theirs.value!.version
  emit('saved', theirs.value!)
  theirs.value = undefined
  problem.value = undefined
}
</script>

<template>
  <form novalidate aria-label="Record" @submit.prevent="save">
    <section class="basin">
      <h2>Who</h2>
      <div class="grid">
        <FieldBox label="Name" for-id="name" :error="errors.name">
          <Input id="name" v-model:value="draft.name" :status="errors.name ? 'error' : ''" />
        </FieldBox>
        <FieldBox label="Breed or mix" for-id="breed" :error="errors.breed">
          <BreedBox id="breed" v-model="draft.breed" @pick="takeBreed($event, true)" />
        </FieldBox>
        <FieldBox label="Weight, kg" for-id="weight" :error="errors.weightKg">
          <Input
            id="weight"
            v-model:value="draft.weight"
            inputmode="decimal"
            :status="errors.weightKg ? 'error' : ''"
          />
        </FieldBox>
        <FieldBox label="Born" for-id="born" :error="errors.born" hint="If known: age then follows the date.">
          <input id="born" v-model="draft.born" type="date" class="date" />
        </FieldBox>
      </div>
      <div class="rows">
        <ChoiceRow
          v-model="draft.stage"
          label="Age, when the date isn’t known"
          :options="plainOptions(Stage.options)"
        />
        <ChoiceRow v-model="draft.sex" label="Sex" :options="plainOptions(['female', 'male', 'unknown'] as const)" />
      </div>
    </section>
    <section class="basin">
      <h2>Coat and body</h2>
      <div class="grid">
        <FieldBox label="Coat" for-id="coat" :error="errors.coat">
          <PickOne id="coat" v-model="draft.coat" :options="coats" :invalid="!!errors.coat" />
        </FieldBox>
        <FieldBox label="Length, cm" for-id="length" :error="errors.coatLengthCm" hint="Empty: usual for the coat.">
          <Input
            id="length"
            v-model:value="draft.length"
            inputmode="decimal"
            :status="errors.coatLengthCm ? 'error' : ''"
          />
        </FieldBox>
      </div>
      <div class="rows">
        <ChoiceRow v-model="draft.density" label="How thick it stands" :options="plainOptions(Density.options)" />
        <ChoiceRow v-model="draft.build" label="Build" :options="buildOptions" />
        <ChoiceRow
          v-model="looks"
          many
          label="Also"
          :options="[
            { value: 'white', text: 'white or pale' },
            { value: 'shortNose', text: 'short nose' },
            { value: 'thinSkin', text: 'thin skin' },
            { value: 'folds', text: 'folds' },
            { value: 'outdoors', text: 'lives outdoors' },
          ]"
        />
      </div>
    </section>
    <section class="basin">
      <h2>As it usually comes</h2>
      <p class="soft small">A recipe begins from this, until the hands find something else on the day.</p>
      <div class="rows">
        <ChoiceRow v-model="draft.known.skin" many label="Skin" :options="plainOptions(Skin.options)" />
        <ChoiceRow v-model="draft.known.soil" label="Dirt" :options="plainOptions(Soil.options)" />
        <ChoiceRow
          v-model="knowns"
          many
          label="Also"
          :options="plainOptions(['shedding', 'stained', 'fleas'] as const)"
        />
      </div>
    </section>
    <section class="basin">
      <h2>Ears</h2>
      <div class="rows">
        <ChoiceRow v-model="draft.earCarriage" label="Carried" :options="plainOptions(EarCarriage.options)" />
        <ChoiceRow
          v-model="draft.earHair"
          label="Hair in the canal"
          :options="[
            { value: false, text: 'no' },
            { value: true, text: 'yes' },
          ]"
        />
      </div>
      <div class="rows">
        <EarRow v-model="draft.known.leftEar" side="Left" />
        <EarRow v-model="draft.known.rightEar" side="Right" />
      </div>
    </section>
    <section class="basin">
      <h2>Manner, health, notes</h2>
      <div class="rows">
        <ChoiceRow v-model="draft.mood" label="Mood" :options="plainOptions(Mood.options)" />
        <ChoiceRow
          v-model="manner"
          many
          label="Bears"
          :options="[
            { value: 'plugsTolerated', text: 'keeps cotton in its ears' },
            { value: 'dryerShy', text: 'can’t bear the dryer' },
            { value: 'feetShy', text: 'shy of feet being held' },
          ]"
        />
        <ChoiceRow
          v-model="health"
          many
          label="Tell the vet before"
          :options="[
            { value: 'pregnant', text: 'pregnant' },
            { value: 'seizures', text: 'seizures' },
            { value: 'heart', text: 'heart disease' },
          ]"
        />
      </div>
      <FieldBox label="Notes" for-id="notes" :error="errors.notes">
        <Textarea id="notes" v-model:value="draft.notes" :auto-size="{ minRows: 2, maxRows: 10 }" />
      </FieldBox>
    </section>
    <ClearanceList v-model="draft.clearances" />
    <div class="foot">
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
          <button class="link" type="button" @click="saveMine">Save mine over it</button>
          &nbsp;&nbsp;
          <button class="link" type="button" @click="takeTheirs">Take the stored one</button>
        </template>
      </ProblemNote>
      <div class="save">
        <button class="button" type="submit" :disabled="busy">Save the record</button>
        <p v-if="justSaved" class="done" role="status">Saved.</p>
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
.date {
  width: 100%;
  height: 44px;
  padding: 0 11px;
  border: 1.5px solid var(--edge);
  border-radius: 3px 3px 10px 10px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
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
