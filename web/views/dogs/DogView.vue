<script setup lang="ts">
import UiConfirm from '../../ui/UiConfirm.vue'
import UiButton from '../../ui/UiButton.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { StoredDog } from '@contract'
import { type ApiProblem, asProblem } from '../../api/client'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import BecauseList from '../../parts/BecauseList.vue'
import { deviceToday } from '../../parts/words'
import { skinMap } from '@core/dog'
import { rulesFor } from '@core/rules'
import { nextVisit, todayFromRecord } from '@core/visit'
import { pairOf } from '../../drawing/colours'
import { dogs } from '../../api/dogs'
import { useAsk } from '../../api/queries'
import { useRoom } from '../../stores/room'
import DogForm from './DogForm.vue'
import FindingsSection from './FindingsSection.vue'
import { useSay } from '../../say'
import { useToast } from '../../ui/toast'
import { dogLine } from '@words'

const say = useSay()

const { id } = defineProps<{ id: string }>()
const room = useRoom()
const router = useRouter()
const toast = useToast()
const stored = shallowRef<StoredDog>()
const refused = ref<ApiProblem>()
const saved = ref(false)
const found = useAsk('GET /dogs/{id}', () => ({ params: { id } }))
const { answer: visits } = useAsk('GET /visits', () => ({ query: { dogId: id } }))
const { answer: coming } = useAsk('GET /days', { query: { from: deviceToday() } })
/** Days to come that the dog is on. */
const comesOn = computed(() =>
  (coming.value ?? []).filter((day) => day.dogs.some((d) => d.dogId === id)).map((day) => day.date),
)
watch(
  found.answer,
  (dog) => {
    // what was just saved here is newer than an answer on its way
    if (dog?.id === stored.value?.id && (dog?.version ?? 0) < (stored.value?.version ?? 0)) return
    stored.value = dog?.id === id ? dog : undefined
    if (dog) document.title = `${dog.record.name} · Juvant`
  },
  { immediate: true },
)
const problem = computed(() => refused.value ?? found.problem.value)

function onSaved(dog: StoredDog) {
  stored.value = dog
  saved.value = true
}

const asks = computed(() => {
  const dates = comesOn.value.map((date) => say.date(date, 'day')).reverse()
  const off = dates.length > 0 ? ` It comes off ${say.list(dates)}.` : ''
  return `Delete the record of ${stored.value?.record.name}?${off} Kept recipes stay.`
})
async function remove() {
  const { name } = stored.value!.record
  const removed = id
  try {
    await dogs.remove(removed)
    await router.push('/dogs')
    toast.undone(`${name} is deleted.`, () => bringBack(removed, name))
  } catch (error) {
    refused.value = asProblem(error)
  }
}

async function bringBack(dogId: string, name: string) {
  try {
    await dogs.restore(dogId)
    return `${name} is back.`
  } catch (error) {
    return asProblem(error).detail
  }
}

/** From when on the log is learned from for this dog; null for all of it. */
async function learnFrom(date: string | null) {
  if (!stored.value) return
  refused.value = undefined
  try {
    const { version, record } = stored.value
    stored.value = await dogs.change(id, version, { ...record, learnFrom: date })
  } catch (error) {
    refused.value = asProblem(error)
  }
}

const dog = computed(() => stored.value?.record)
const next = computed(
  () =>
    dog.value &&
    nextVisit(
      dog.value,
      { ...todayFromRecord(dog.value, deviceToday()), skin: skinMap(dog.value.known).whole },
      rulesFor(room.house?.rules ?? {}, dog.value.rules),
    ),
)
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton v-if="problem.status !== 404" kind="link" @click="found.again">Try again</UiButton>
    <RouterLink class="link" to="/dogs">To the dogs</RouterLink>
  </ProblemNote>
  <UiWaiting v-else-if="!stored" label="Fetching the record" :rows="8" />
  <div v-if="stored && dog" class="page">
    <aside>
      <CoatSwatch :dog="dog" :dog-id="id" :width="300" :height="116" class="swatch" />
      <h1 :style="{ color: pairOf(dog).stroke }">{{ dog.name }}</h1>
      <p class="line">{{ dogLine(dog, say) }}</p>
      <RouterLink class="button" :to="`/dogs/${id}/recipe`">Plan the wash</RouterLink>
      <section v-if="next" class="kept" aria-labelledby="next-title">
        <h2 id="next-title">Come again</h2>
        <p>
          <b>about every {{ say.number(next.days.value / 7, 0) }} weeks</b>
        </p>
        <BecauseList :number="next.days" :digits="0" />
      </section>
      <section class="kept" aria-labelledby="kept-title">
        <h2 id="kept-title">Visits kept</h2>
        <RouterLink class="link" :to="{ name: 'logbook', query: { dog: id } }"
          >How they went, in the logbook</RouterLink
        >
        <p v-if="dog.learnFrom" class="soft">
          Learned from since {{ say.date(dog.learnFrom) }}.
          <UiButton kind="link" @click="learnFrom(null)">Learn from all again</UiButton>
        </p>
        <UiButton v-else-if="visits && visits.length > 0" kind="link" @click="learnFrom(deviceToday())">
          Forget what was learned of {{ dog.name }}
        </UiButton>
        <p v-if="visits?.length === 0" class="soft">None yet.</p>
        <ul>
          <li v-for="visit in visits" :key="visit.id">
            <RouterLink class="link" :to="`/recipes/${visit.id}`">{{ say.date(visit.date) }}</RouterLink>
            <span class="soft small"
              >{{ say.minutes(visit.minutes) }},
              {{ visit.skin.length > 0 ? `${visit.skin.join(', ')} skin` : 'sound skin' }},
              {{ visit.products.join(', ') || 'water only' }}{{ visit.stops > 0 ? ', a stop' : '' }}</span
            >
          </li>
        </ul>
      </section>
      <UiConfirm :question="asks" yes="Delete" no="Keep" @yes="remove">
        <UiButton kind="link">Delete this record</UiButton>
      </UiConfirm>
    </aside>
    <div class="main">
      <FindingsSection :dog="dog" :dog-id="id" />
      <DogForm :key="stored.id" :stored="stored" :just-saved="saved" @saved="onSaved" @edited="saved = false" />
    </div>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 32px;
  align-items: start;
}
.main {
  display: grid;
  gap: 14px;
  min-width: 0;
}
.swatch {
  max-width: 100%;
}
h1 {
  margin-top: 14px;
  overflow-wrap: anywhere;
}
.line {
  margin: 4px 0 14px;
  font-weight: 600;
}
.kept {
  margin: 22px 0 8px;
}
.kept li {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  padding-bottom: 7px;
  border-top: 1px solid var(--rule);
}
@media (max-width: 860px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
