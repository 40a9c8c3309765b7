<script setup lang="ts">
import { me } from '../../api/access'
import { useTimeNow } from '../../device/clock'
import UiButton from '../../ui/UiButton.vue'
import UiTubButton from '../../ui/UiTubButton.vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { DaySummary } from '@contract'
import { visitRecord } from '@core/tubside'
import { asProblem, type ApiProblem } from '../../api/client'
import { days } from '../../api/days'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { visits } from '../../api/visits'
import { useStrip } from './useStrip'
import '../../ui/tub.css'
import { useSay } from '../../say'

const say = useSay()

const { date = deviceToday() } = defineProps<{ date?: string }>()
const router = useRouter()
const now = useTimeNow(1000)
const strip = useStrip(() => date, now)
const problem = ref<ApiProblem>()

/** Everybody of the day in the order of the plan, and how far each is; visits outside the plan come last. */
const dogs = computed(() => {
  const day = strip.day.value
  if (!day) return []
  const placed = day.seats.map((s) => ({ ...s, visit: day.visits.find((v) => v.dogId === s.dogId) }))
  const others = day.visits
    .filter((v) => !day.seats.some((s) => s.dogId === v.dogId))
    .map((v) => ({ dogId: v.dogId, name: v.name, colour: v.colour, at: null, visit: v }))
  return [...placed, ...others].map((d) => {
    const record = visitRecord(d.visit?.events ?? [])
    const state = record.ended !== undefined ? 'done' : record.began !== undefined ? 'under way' : 'to do'
    return { ...d, state, visitId: d.visit?.visitId ?? null }
  })
})
const nextDog = computed(() => dogs.value.find((d) => d.state === 'to do'))

/** The next day that has dogs, when this one has none. */
const coming = shallowRef<DaySummary>()
watch(
  () => strip.day.value?.seats.length === 0 && strip.day.value.visits.length === 0,
  async (empty) => {
    if (!empty) return
    const found = await days.list(date).catch(() => [])
    coming.value = found.filter((d) => d.date > date).at(-1)
  },
  { immediate: true },
)

async function take(dogId: string, kept: string | null) {
  problem.value = undefined
  try {
    const id = kept ?? (await visits.begin(dogId, date)).id
    await router.push({ name: 'tub', params: { id } })
  } catch (error) {
    problem.value = asProblem(error)
  }
}
</script>

<template>
  <div class="tub">
    <h1>At the tub</h1>
    <p class="support">{{ say.date(date) }}</p>
    <ProblemNote v-if="problem" :problem="problem" />
    <ProblemNote v-if="strip.problem.value" :problem="strip.problem.value">
      <UiButton kind="link" @click="strip.look">Try again</UiButton>
    </ProblemNote>
    <p v-else-if="!strip.day.value" role="status">Fetching the day</p>
    <template v-else-if="dogs.length === 0">
      <p class="support">No dogs this day.</p>
      <div class="choices">
        <RouterLink v-if="coming" class="big" :to="{ name: 'tub-pick', query: { date: coming.date } }">
          {{ say.date(coming.date) }}: {{ say.list(coming.dogs.map((d) => d.name)) }}
        </RouterLink>
        <RouterLink v-if="me?.role !== 'tub'" class="big quiet" :to="{ name: 'day', params: { date } }">
          Add one to this day
        </RouterLink>
      </div>
    </template>
    <template v-else>
      <div v-if="nextDog" class="choices">
        <UiTubButton kind="primary" @click="take(nextDog.dogId, nextDog.visitId)">
          Next by the plan: {{ nextDog.name }}{{ nextDog.at === null ? '' : `, ${say.clock(nextDog.at)}` }}
        </UiTubButton>
      </div>
      <div class="choices">
        <UiTubButton
          v-for="d in dogs"
          :key="d.dogId"
          :class="{ on: d.state === 'done' }"
          @click="take(d.dogId, d.visitId)"
        >
          {{ d.name }}: {{ d.state }}
        </UiTubButton>
      </div>
    </template>
  </div>
</template>
