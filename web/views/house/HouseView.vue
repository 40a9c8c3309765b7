<script setup lang="ts">
import UiWaiting from '../../ui/UiWaiting.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import type { StoredHouse } from '@contract'
import { fieldErrors } from '@contract'
import { House } from '@core/house'
import { RULE_IDS } from '@core/rules'
import { ask, asProblem, type ApiProblem } from '../../api/client'
import { onChange } from '../../api/live'
import UiChoice from '../../ui/UiChoice.vue'
import UiNumber from '../../ui/UiNumber.vue'
import EarlierStates from '../../parts/EarlierStates.vue'
import OwnRules from '../../parts/OwnRules.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { copyOf, useEdits } from '../../parts/useEdits'
import { useRoom } from '../../stores/room'
import { mergeHouses } from './draft'
import InstrumentsSection from './InstrumentsSection.vue'
import ArchiveSection from './ArchiveSection.vue'
import BackupsSection from './BackupsSection.vue'
import BinSection from './BinSection.vue'
import DevicesSection from './DevicesSection.vue'
import DemonstrationSection from './DemonstrationSection.vue'
import HabitsSection from './HabitsSection.vue'
import LogSection from './LogSection.vue'
import PlacesSection from './PlacesSection.vue'
import PowerSection from './PowerSection.vue'
import RoomSection from './RoomSection.vue'
import UiAmount from '../../ui/UiAmount.vue'
import { useSay } from '../../say'
import UnitsSection from './UnitsSection.vue'
import WaterSection from './WaterSection.vue'
import WellnessLine from './WellnessLine.vue'
import WishesSection from './WishesSection.vue'

const room = useRoom()
const say = useSay()
const stored = shallowRef<StoredHouse>()
const problem = ref<ApiProblem>()
const newer = shallowRef<StoredHouse>()
const saving = ref(false)
const saved = ref(false)
const errors = ref<Record<string, string>>({})
const draft = ref<House>()
const edits = useEdits<House>(
  () => 'juvant.house.edits',
  () => draft.value,
)
const { unsaved } = edits

function show(house: StoredHouse) {
  newer.value = undefined
  stored.value = house
  draft.value = copyOf(house.record)
  edits.begin(house.version, house.record)
}
function giveUp() {
  edits.forget()
  errors.value = {}
  if (stored.value) show(stored.value)
}
async function open() {
  problem.value = undefined
  try {
    const house = await ask('GET /house')
    const before = edits.before()
    show(house)
    if (before) draft.value = mergeHouses(before.base, before.draft, house.record)
  } catch (error) {
    problem.value = asProblem(error)
  }
}
void open()
/** What another window or device saved shows here, unless something is being changed: then both are offered on saving. */
onChange(({ what }) => {
  if (what === 'house' && !unsaved.value && !saving.value) void open()
})

/** After a conflict: what was changed here goes over what the other window saved; the rest of the house stays theirs. */
function saveMine() {
  if (!newer.value || !stored.value || !draft.value) return
  draft.value = mergeHouses(stored.value.record, draft.value, newer.value.record)
  stored.value = newer.value
  newer.value = undefined
  void save()
}

watch(draft, () => (saved.value = false), { deep: true })

async function save() {
  if (!stored.value || !draft.value) return
  const parsed = House.safeParse(draft.value)
  errors.value = parsed.success
    ? {}
    : Object.fromEntries(fieldErrors(parsed.error, say).map((e) => [e.field, e.message]))
  if (!parsed.success) return
  saving.value = true
  problem.value = undefined
  try {
    show(await ask('PUT /house', { body: { version: stored.value.version, record: parsed.data } }))
    await room.load()
    await nextTick()
    saved.value = true
  } catch (error) {
    problem.value = asProblem(error)
    if (problem.value.status === 409) newer.value = (problem.value.body as { current: StoredHouse }).current
  } finally {
    saving.value = false
  }
}

const chosen = computed(() => Object.keys(draft.value?.rules ?? {}).length)
const PARTS = [
  { id: 'room', text: 'Room and hours' },
  { id: 'units', text: 'Units, colours' },
  { id: 'water', text: 'Water' },
  { id: 'places', text: 'Tub, crates, bottles' },
  { id: 'power', text: 'Circuits and dryers' },
  { id: 'instruments', text: 'Instruments' },
  { id: 'log', text: 'Prices and learning' },
  { id: 'rules', text: 'Rules' },
  { id: 'habits', text: 'Habits' },
  { id: 'wishes', text: 'Wishes of a day' },
  { id: 'ears', text: 'Ears and back' },
  { id: 'backups', text: 'Backups' },
  { id: 'archive', text: 'In and out' },
  { id: 'bin', text: 'Deleted' },
  { id: 'devices', text: 'Devices' },
]
const METHODS = [
  { value: 'bottle', text: 'marked bottle' },
  { value: 'spray', text: 'spray bottle' },
  { value: 'froth', text: 'froth bowl' },
  { value: 'proportioner', text: 'proportioner in the hose' },
] as const
const KINDS = [
  { value: 'none', text: 'none' },
  { value: 'earmuff', text: 'earmuffs' },
  { value: 'foam', text: 'foam plugs' },
  { value: 'other', text: 'other plugs' },
] as const
</script>

<template>
  <div class="head">
    <h1>House</h1>
    <WellnessLine />
  </div>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton v-if="newer" kind="link" class="gap" @click="saveMine">Save mine over it</UiButton>
    <UiButton kind="link" @click="open">{{ stored ? 'Load the stored one' : 'Try again' }}</UiButton>
  </ProblemNote>
  <UiWaiting v-if="!draft && !problem" label="Fetching the house" :rows="8" />
  <DemonstrationSection v-if="draft?.demonstration" :units="draft.units" @cleared="giveUp" />
  <nav v-if="draft" class="index" aria-label="Parts of the house">
    <a v-for="part in PARTS" :key="part.id" class="link" :href="`#${part.id}`">{{ part.text }}</a>
  </nav>
  <form v-if="draft" novalidate @submit.prevent="save">
    <RoomSection id="room" v-model="draft" :errors="errors" />
    <UnitsSection id="units" v-model="draft" />
    <WaterSection id="water" v-model="draft" :errors="errors" />
    <PlacesSection id="places" v-model="draft" :errors="errors" />
    <div id="power" class="two"><PowerSection v-model="draft" :errors="errors" /></div>
    <InstrumentsSection id="instruments" v-model="draft" />
    <LogSection id="log" v-model="draft" :errors="errors" />
    <HabitsSection id="habits" v-model="draft" />
    <WishesSection id="wishes" v-model="draft" />
    <OwnRules
      id="rules"
      v-model="draft.rules"
      house
      title="Rules"
      :hint="`Good people differ here. ${chosen === 0 ? 'All are as usual' : `${chosen} of ${RULE_IDS.length} are your own`}; a dog’s own goes before these, a stop before all.`"
    />
    <section class="basin">
      <UiChoice v-model="draft.method" label="How the mix is put on" :options="METHODS" />
    </section>
    <section id="ears" class="basin body">
      <h2>Your ears and back</h2>
      <div class="rows">
        <UiChoice v-model="draft.protector.kind" label="On your ears while drying" :options="KINDS" />
        <UiNumber v-model="draft.protector.nrr" label="Its printed rating, dB" :error="errors['protector.nrr']" />
        <UiAmount
          v-model="draft.tub.heightCm"
          label="Height the dog is lifted"
          quantity="length"
          :error="errors['tub.heightCm']"
        />
        <UiChoice
          v-model="draft.tub.ramp"
          label="Ramp or steps into the tub"
          :options="[
            { value: false, text: 'no' },
            { value: true, text: 'yes' },
          ]"
        />
      </div>
    </section>
    <div class="foot">
      <UiButton kind="primary" submit :disabled="saving">Save the house</UiButton>
      <p v-if="saved" class="done" role="status">Saved.</p>
      <p v-else-if="Object.keys(errors).length > 0" class="field-error" role="alert">
        Not saved:
        {{
          Object.keys(errors).length === 1
            ? 'one field needs a look'
            : `${Object.keys(errors).length} fields need a look`
        }}.
      </p>
      <template v-if="unsaved && !saved">
        <p class="soft">Not saved yet; kept on this device.</p>
        <UiButton kind="link" @click="giveUp">As it is stored</UiButton>
      </template>
    </div>
  </form>
  <section v-if="stored && draft" class="basin beside">
    <EarlierStates :id="stored.id" what="house" />
  </section>
  <BackupsSection v-if="draft" class="beside" />
  <ArchiveSection v-if="draft" class="beside" />
  <BinSection v-if="draft" class="beside" />
  <DevicesSection v-if="draft" class="beside" />
</template>

<style scoped>
.beside {
  margin-top: 14px;
  scroll-margin-top: 12px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 18px;
  margin-bottom: 12px;
}
form {
  display: grid;
  gap: 14px;
}
form > * {
  scroll-margin-top: 12px;
}
.index {
  display: flex;
  flex-wrap: wrap;
  gap: 0 22px;
  margin-bottom: 8px;
}
.two {
  display: grid;
  gap: 14px;
}
form :deep(.rows) {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 22px;
  align-items: flex-start;
  margin-top: 10px;
}
form :deep(h3) {
  margin-top: 14px;
}
.foot {
  position: sticky;
  bottom: 0;
  display: flex;
  align-items: center;
  gap: 16px;
  padding: 12px 0;
  background: var(--ground);
}
.gap {
  margin-right: 20px;
}
.done {
  color: var(--ok);
  font-weight: 700;
}
</style>
