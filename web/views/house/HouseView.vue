<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { StoredHouse } from '@contract'
import { House } from '@core/house'
import { ask, asProblem, type ApiProblem } from '../../api/client'
import { onChange } from '../../api/live'
import EarlierStates from '../../parts/EarlierStates.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import SavedLine from '../../parts/SavedLine.vue'
import { soundOver, useAutosave } from '../../parts/useAutosave'
import { copyOf } from '../../parts/useEdits'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import UiButton from '../../ui/UiButton.vue'
import UiText from '../../ui/UiText.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import ArchiveSection from './ArchiveSection.vue'
import BackupsSection from './BackupsSection.vue'
import BinSection from './BinSection.vue'
import BodySection from './BodySection.vue'
import DemonstrationSection from './DemonstrationSection.vue'
import DevicesSection from './DevicesSection.vue'
import DryersSection from './DryersSection.vue'
import HabitsSection from './HabitsSection.vue'
import HouseRules from './HouseRules.vue'
import InstrumentsSection from './InstrumentsSection.vue'
import LogSection from './LogSection.vue'
import PlacesSection from './PlacesSection.vue'
import PriceListSection from './PriceListSection.vue'
import PowerSection from './PowerSection.vue'
import RoomSection from './RoomSection.vue'
import UnitsSection from './UnitsSection.vue'
import VesselsSection from './VesselsSection.vue'
import WaterSection from './WaterSection.vue'
import WellnessLine from './WellnessLine.vue'
import WishesSection from './WishesSection.vue'
import { HOUSE_PAGES, housePagesFor } from './pages'

const { page: asked } = defineProps<{
  /** The page of the house that is looked at; the first where none is. */
  page?: string
}>()
const room = useRoom()
const say = useSay()
const router = useRouter()
const refused = ref<ApiProblem>()
const draft = ref<House>()
const keeping = useAutosave<House, House, StoredHouse>({
  key: () => 'juvant.house.edits',
  draft: () => draft.value,
  set: (house) => (draft.value = house),
  draftOf: copyOf,
  sound: (typed, stored) => soundOver(House, typed, stored, say),
  save: async (version, record) => {
    const kept = await ask('PUT /house', { body: { version, record } })
    await room.load()
    return kept
  },
})
const { stored, errors } = keeping

async function open() {
  refused.value = undefined
  try {
    const house = await ask('GET /house')
    if (stored.value) keeping.catchUp(house)
    else keeping.begin(house)
  } catch (error) {
    refused.value = asProblem(error)
  }
}
void open()
onChange(({ what }) => {
  if (what === 'house') void open()
})
/** It was put back, or made anew, elsewhere than in its fields. */
async function again() {
  keeping.giveUp()
  await open()
}

const text = ref('')
const found = computed(() => housePagesFor(text.value))
const shown = computed(() => HOUSE_PAGES.find((p) => p.key === asked) ?? HOUSE_PAGES[0])
const first = () => found.value[0] && router.push(`/house/${found.value[0].key}`)
watch(
  () => asked,
  () => {
    text.value = ''
    void keeping.flush()
  },
)
</script>

<template>
  <div class="head">
    <h1>House</h1>
    <WellnessLine />
    <SavedLine v-if="draft" :keeping="keeping" />
  </div>
  <ProblemNote v-if="refused" :problem="refused">
    <UiButton kind="link" @click="open">Try again</UiButton>
  </ProblemNote>
  <UiWaiting v-if="!draft && !refused" label="Fetching the house" :rows="8" />
  <div v-if="draft" class="house" :class="{ inside: asked }">
    <aside>
      <RouterLink v-if="asked" class="link up" to="/house">All of the house</RouterLink>
      <UiText v-model="text" label="Find in the house" bare placeholder="Noise, tank, pause" clearable @enter="first" />
      <nav aria-label="Pages of the house">
        <RouterLink
          v-for="p in found"
          :key="p.key"
          :to="`/house/${p.key}`"
          :aria-current="shown.key === p.key ? 'page' : undefined"
          >{{ p.text }}</RouterLink
        >
        <p v-if="found.length === 0" class="soft" role="status">Nothing of the house is called that.</p>
      </nav>
    </aside>
    <div class="page">
      <DemonstrationSection v-if="draft.demonstration && !asked" :units="draft.units" @cleared="again" />
      <form :key="shown.key" :aria-label="shown.text" novalidate @submit.prevent="keeping.flush">
        <RoomSection v-if="shown.key === 'hours'" v-model="draft" :errors="errors" />
        <template v-else-if="shown.key === 'water'">
          <WaterSection v-model="draft" :errors="errors" />
          <PowerSection v-model="draft" :errors="errors" />
        </template>
        <template v-else-if="shown.key === 'dryers'">
          <DryersSection v-model="draft" :errors="errors" />
          <BodySection v-model="draft" :errors="errors" />
        </template>
        <PlacesSection v-else-if="shown.key === 'tub'" v-model="draft" :errors="errors" />
        <VesselsSection v-else-if="shown.key === 'bottles'" v-model="draft" :errors="errors" />
        <template v-else-if="shown.key === 'rules'">
          <HouseRules v-model="draft.rules" />
          <HabitsSection v-model="draft" />
        </template>
        <WishesSection v-else-if="shown.key === 'wishes'" v-model="draft" />
        <template v-else-if="shown.key === 'prices'">
          <PriceListSection v-model="draft" :errors="errors" />
          <LogSection v-model="draft" :errors="errors" />
        </template>
        <UnitsSection v-else-if="shown.key === 'units'" v-model="draft" :errors="errors" />
        <InstrumentsSection v-else-if="shown.key === 'instruments'" v-model="draft" />
      </form>
      <template v-if="shown.key === 'records'">
        <BackupsSection />
        <ArchiveSection />
        <BinSection />
        <DevicesSection />
        <EarlierStates v-if="stored" :id="stored.id" what="house" @back="again" />
      </template>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 18px;
  margin-bottom: 12px;
}
.house {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 28px;
  align-items: start;
}
nav {
  display: grid;
  margin-top: 8px;
}
nav a {
  display: flex;
  align-items: center;
  min-height: 40px;
  padding: 0 10px;
  border-left: 3px solid transparent;
  color: var(--ink2);
  font-weight: 600;
  text-decoration: none;
}
nav a[aria-current] {
  border-left-color: var(--rim);
  color: var(--ink);
}
.up {
  display: none;
}
.page,
form {
  display: grid;
  gap: 14px;
  min-width: 0;
}
form:empty {
  display: none;
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
@media (max-width: 760px) {
  .house {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
  /* a page has the screen to itself; the first of all pages follows their list */
  .inside aside > :not(.up) {
    display: none;
  }
  .inside .up {
    display: inline-flex;
  }
  nav {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
