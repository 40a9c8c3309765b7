<script setup lang="ts">
import UiConfirm from '../../ui/UiConfirm.vue'
import UiButton from '../../ui/UiButton.vue'
import UiFold from '../../ui/UiFold.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { StoredDog } from '@contract'
import { type ApiProblem, asProblem } from '../../api/client'
import StateMark from '../../parts/StateMark.vue'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import EarlierStates from '../../parts/EarlierStates.vue'
import ReachLine from '../../parts/ReachLine.vue'
import ViewLinks from '../../parts/ViewLinks.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { pairOf } from '../../drawing/colours'
import { dogs } from '../../api/dogs'
import { daysFrom } from '../../api/days'
import { me } from '../../api/access'
import { useAsk } from '../../api/queries'
import DogForm from './DogForm.vue'
import DogPicture from './DogPicture.vue'
import DogOverview from './DogOverview.vue'
import FindingsSection from './FindingsSection.vue'
import PhotosSection from './PhotosSection.vue'
import OwedLine from '../../parts/OwedLine.vue'
import OwnerErase from './OwnerErase.vue'
import { RECORD_PARTS, type RecordPart } from './parts'
import { useSay } from '../../say'
import { useToast } from '../../ui/toast'
import { dogFlags, dogLine, SERVICE_NAMES } from '@words'

const say = useSay()

const { id, part: asked } = defineProps<{ id: string; part?: string }>()
const part = computed(() => RECORD_PARTS.find((p) => p.key === asked)?.key ?? 'overview')
const router = useRouter()
const toast = useToast()
const stored = shallowRef<StoredDog>()
const refused = ref<ApiProblem>()
const found = useAsk('GET /dogs/{id}', () => ({ params: { id } }))
const { answer: coming } = useAsk('GET /days', daysFrom(deviceToday()))
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
const { answer: account } = useAsk('GET /account', () =>
  (me.value?.role ?? 'whole') === 'whole' ? { query: { dog: id } } : undefined,
)

const asks = computed(() => {
  const dates = comesOn.value.map((date) => say.date(date, 'day')).reverse()
  const off = dates.length > 0 ? ` It comes off ${say.list(dates)}.` : ''
  return `Delete the record of ${stored.value?.record.name}?${off} Saved recipes stay.`
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
/** What it usually comes for and what is agreed for that. */
const usual = computed(() => {
  const { usual: way, price } = dog.value ?? {}
  return [way ? SERVICE_NAMES[way.service] : '', price ? say.money(price) : ''].filter((part) => part !== '').join(', ')
})
/** Whether its owner is written to. */
const writes = ref(false)
/** Parts with a field that was refused. */
const wrong = ref<RecordPart[]>([])
const parts = computed(() =>
  RECORD_PARTS.map(({ key, text }) => ({ key, text, to: toPart(key), wrong: wrong.value.includes(key) })),
)
const toPart = (key: RecordPart) => ({ query: key === 'overview' ? {} : { part: key } })
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton v-if="problem.status !== 404" kind="link" @click="found.again">Try again</UiButton>
    <RouterLink class="link" to="/dogs">To the dogs</RouterLink>
  </ProblemNote>
  <UiWaiting v-else-if="!stored" label="Fetching the record" :rows="8" />
  <div v-if="stored && dog" class="page">
    <aside>
      <DogPicture :dog="dog" :dog-id="id" />
      <h1 :style="{ color: pairOf(dog).stroke }">{{ dog.name }}</h1>
      <p class="line">{{ dogLine(dog, say) }}</p>
      <ul class="flags">
        <li v-for="flag in dogFlags(dog, say, deviceToday())" :key="flag.text" :class="flag.state">
          <StateMark :state="flag.state" :size="20" /> {{ flag.text }}
        </li>
      </ul>
      <p v-if="usual">Usually {{ usual }}.</p>
      <OwedLine :dog-id="id" />
      <ReachLine
        v-if="dog.owner || dog.ownerContact"
        class="owner"
        :who="dog.owner"
        :to="account?.ownerId ? `/owners/${account.ownerId}` : undefined"
        :contact="dog.ownerContact"
      />
      <div class="acts">
        <RouterLink class="button" :to="`/dogs/${id}/recipe`">Plan the wash</RouterLink>
        <UiButton v-if="dog.owner || dog.ownerContact" kind="link" :aria-expanded="writes" @click="writes = !writes"
          >Message</UiButton
        >
      </div>
      <OwnerMessage
        v-if="writes"
        :message="`${dog.name}: `"
        :dog-id="id"
        :label="`Message to the owner of ${dog.name}`"
        @close="writes = false"
      />
      <UiFold title="More" class="more">
        <p>
          For the owner:
          <a class="link" :href="`/api/dogs/${id}/record.pdf`" target="_blank">PDF</a>,
          <a class="link" :href="`/api/dogs/${id}/record.json`" download>JSON</a>
        </p>
        <UiConfirm :question="asks" yes="Delete" no="Keep" @yes="remove">
          <UiButton kind="link">Delete this record</UiButton>
        </UiConfirm>
        <OwnerErase :id="id" />
        <EarlierStates :id="id" what="dogs" />
      </UiFold>
    </aside>
    <div class="main">
      <ViewLinks label="Parts of the record" :views="parts" :shown="part" />
      <DogOverview v-if="part === 'overview'" :stored="stored" @learn-from="learnFrom" />
      <FindingsSection v-show="part === 'body'" :dog="dog" :dog-id="id" />
      <PhotosSection v-if="part === 'body'" :dog-id="id" />
      <DogForm :key="stored.id" v-model:wrong="wrong" :part="part" :stored="stored" @saved="stored = $event" />
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
h1 {
  margin-top: 14px;
  overflow-wrap: anywhere;
}
.line {
  margin: 4px 0 14px;
  font-weight: 600;
}
.flags {
  margin: 14px 0;
}
.flags li {
  display: flex;
  gap: 7px;
  align-items: center;
  color: var(--watch);
  font-weight: 600;
}
.flags .stop {
  color: var(--stop);
}
.owner {
  margin-bottom: 14px;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
}
.more {
  margin-top: 10px;
}
@media (max-width: 860px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
