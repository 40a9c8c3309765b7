<script setup lang="ts">
import { me } from '../../api/access'
import { useTimeNow } from '../../device/clock'
import UiButton from '../../ui/UiButton.vue'
import UiTubButton from '../../ui/UiTubButton.vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { DaySummary } from '@contract'
import { asProblem, type ApiProblem } from '../../api/client'
import { days } from '../../api/days'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { visits } from '../../api/visits'
import { tapOn } from '../../api/taps'
import RedFlags from '../../parts/RedFlags.vue'
import { whoIsWhere } from '../../parts/whoIsWhere'
import { WHERE_NAMES } from '@words'
import { useStrip } from './useStrip'
import '../../ui/tub.css'
import { useSay } from '../../say'

const say = useSay()

const { date = deviceToday() } = defineProps<{ date?: string }>()
const router = useRouter()
const now = useTimeNow(1000)
const strip = useStrip(() => date, now)
const problem = ref<ApiProblem>()

/** Everybody of the day in the order of the plan, and where each is; visits outside the plan come last. */
const dogs = computed(() => {
  const day = strip.day.value
  if (!day) return []
  const at = new Map(day.seats.map((s) => [s.dogId, s.at]))
  const flags = new Map(day.seats.map((s) => [s.dogId, s.flags]))
  return whoIsWhere(day, now.value.getTime()).map((d) => ({
    ...d,
    at: at.get(d.dogId) ?? null,
    flags: flags.get(d.dogId) ?? [],
  }))
})
const nextDog = computed(() => dogs.value.find((d) => d.record?.began === undefined && d.state !== 'gone'))
const said = (d: (typeof dogs.value)[number]) => {
  if (d.state === 'expected') return d.at === null ? WHERE_NAMES.expected : `expected, planned ${say.clock(d.at)}`
  if (d.ready === null || d.state === 'gone') return WHERE_NAMES[d.state]
  const late = d.late > 0 && d.state !== 'ready' ? `, ${say.minutes(Math.round(d.late))} late` : ''
  if (d.state === 'ready') return `ready since ${say.clock(Math.round(d.ready))}`
  return `${WHERE_NAMES[d.state]}, ready about ${say.clock(Math.round(d.ready))}${late}`
}

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

async function told(work: () => Promise<unknown>) {
  problem.value = undefined
  try {
    await work()
    await strip.look()
  } catch (error) {
    problem.value = asProblem(error)
  }
}
const come = (dogId: string, kept: string | null) =>
  told(async () => tapOn(kept ?? (await visits.begin(dogId, date)).id, { kind: 'arrived' }))
const tapGone = (visitId: string) => told(() => tapOn(visitId, { kind: 'gone' }))

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
        <RouterLink v-if="me?.role === 'whole'" class="big quiet" :to="{ name: 'day', params: { date } }">
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
      <ul class="dogs" aria-label="Dogs of the day">
        <li v-for="d in dogs" :key="d.dogId">
          <UiTubButton
            class="take"
            :class="{ on: d.state === 'ready' || d.state === 'gone' }"
            @click="take(d.dogId, d.visitId)"
          >
            <span class="named"
              ><span class="display">{{ d.name }}</span> <RedFlags :flags="d.flags"
            /></span>
            <span class="where" data-testid="whereabouts">{{ said(d) }}</span>
          </UiTubButton>
          <UiTubButton v-if="d.state === 'expected'" kind="quiet" @click="come(d.dogId, d.visitId)"
            >Has come<span class="hidden">: {{ d.name }}</span></UiTubButton
          >
          <UiTubButton v-if="d.state === 'ready' && d.visitId" kind="quiet" @click="tapGone(d.visitId)"
            >Picked up<span class="hidden">: {{ d.name }}</span></UiTubButton
          >
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.dogs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(440px, 1fr));
  gap: 12px;
  margin: 16px 0 0;
  padding: 0;
  list-style: none;
}
.dogs li {
  display: flex;
  gap: 8px;
}
.take {
  flex: 1;
  display: grid;
  justify-content: start;
  justify-items: start;
  align-content: center;
  text-align: left;
}
.named {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
}
.take .display {
  font-size: 30px;
}
.where {
  font-size: 20px;
  font-weight: 500;
}
@media (max-width: 640px) {
  .dogs {
    grid-template-columns: 1fr;
  }
}
</style>
