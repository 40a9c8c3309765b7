<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { DryerKind, USUAL_DRYERS } from '@core/drying'
import { FIRST_SHELF, ProductKind, SAMPLES } from '@core/mix'
import { addDays } from '@core/visit'
import { HEATERS } from '@core/water'
import { capital, KIND_NAMES } from '@words'
import { putDogsOn } from '../../api/days'
import { beginnings, changeHouse } from '../../api/house'
import { products } from '../../api/products'
import { forgetAll } from '../../api/queries'
import { timeNow } from '../../device/clock'
import ProblemNote from '../../parts/ProblemNote.vue'
import QuickAdd from '../../parts/QuickAdd.vue'
import { useTell } from '../../parts/useTell'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import UiButton from '../../ui/UiButton.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiDate from '../../ui/UiDate'
import UiField from '../../ui/UiField.vue'
import UiText from '../../ui/UiText.vue'
import UiTime from '../../ui/UiTime.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import OwnBottles from './OwnBottles.vue'

const STEPS = ['room', 'bottles', 'dog'] as const
type Step = (typeof STEPS)[number]
const { step: given } = defineProps<{ step?: string }>()

const say = useSay()
const room = useRoom()
const router = useRouter()
const { busy, problem, tell } = useTell()
const ready = ref(false)
const step = computed<Step>(() => STEPS.find((s) => s === given) ?? 'room')
const TITLES: Record<Step, string> = { room: 'Your room', bottles: 'Your bottles', dog: 'Your first dog and day' }

const draft = reactive({
  name: '',
  from: 0,
  to: 0,
  heater: 'largeTank' as keyof typeof HEATERS,
  dryers: ['hand'] as DryerKind[],
})
const HEATER_NAMES = [
  { value: 'largeTank' as const, text: `a large tank, about ${HEATERS.largeTank.tankL} L` },
  { value: 'smallTank' as const, text: `a small tank, about ${HEATERS.smallTank.tankL} L` },
  { value: 'tankless' as const, text: 'heats as it flows' },
]
const DRYERS = DryerKind.options.map((value) => ({ value, text: USUAL_DRYERS[value].name.toLowerCase() }))
const wrongDryers = computed(() =>
  draft.dryers.length === 0 ? 'Choose one at least: drying can’t be reckoned without.' : undefined,
)
const wrongHours = computed(() => (draft.to <= draft.from ? 'The day must end after it begins.' : undefined))

const samples = ref<ProductKind[]>([...FIRST_SHELF])
const KINDS = ProductKind.options.map((value) => ({ value, text: capital(KIND_NAMES[value]) }))

/** From noon on a first day is more likely tomorrow. */
const NOON = 12
const date = ref(new Date(timeNow()).getHours() < NOON ? deviceToday() : addDays(deviceToday(), 1))
const dogs = ref<{ id: string; name: string }[]>([])

onMounted(() =>
  tell(async () => {
    await room.load()
    const { name, hours } = room.house!
    Object.assign(draft, { name, from: hours.from, to: hours.to })
    ready.value = true
  }),
)
const go = (to: Step) => router.push({ path: '/start', query: { step: to } })

const keepRoom = () =>
  tell(async () => {
    if (wrongDryers.value || wrongHours.value) return
    await changeHouse((house) => ({
      ...house,
      name: draft.name.trim() || house.name,
      hours: { from: draft.from, to: draft.to },
      water: { ...house.water, ...HEATERS[draft.heater] },
      dryers: draft.dryers.map((kind) => USUAL_DRYERS[kind]),
    }))
    await go('bottles')
  })
const own = ref<InstanceType<typeof OwnBottles>>()
/** A bottle that is being typed goes on the shelf first; where it can't yet, one stays. */
const withoutSamples = async () => (await own.value?.settle()) !== false && go('dog')
const keepBottles = () =>
  tell(async () => {
    if ((await own.value?.settle()) === false) return
    const there = new Set((await products.all()).map((p) => p.record.name))
    for (const kind of ProductKind.options)
      if (samples.value.includes(kind) && !there.has(SAMPLES[kind].name)) await products.add(SAMPLES[kind])
    await go('dog')
  })
/** The room counts as set up from here on, whatever was passed over. */
const end = (to: string) =>
  tell(async () => {
    await changeHouse((house) => ({ ...house, begun: true }))
    await router.replace(to)
  })
const plan = () =>
  tell(async () => {
    await putDogsOn(
      date.value,
      dogs.value.map((d) => d.id),
    )
    await end(`/days/${date.value}`)
  })
const demonstration = () =>
  tell(async () => {
    await beginnings.demonstration()
    await forgetAll()
    await room.load()
    await router.replace('/')
  })
</script>

<template>
  <div class="start">
    <ol class="steps" aria-label="Three short steps">
      <li v-for="(s, i) in STEPS" :key="s" :class="{ on: s === step }" :aria-current="s === step ? 'step' : undefined">
        <RouterLink :to="{ path: '/start', query: { step: s } }">{{ i + 1 }} {{ TITLES[s] }}</RouterLink>
      </li>
    </ol>
    <h1>{{ TITLES[step] }}</h1>
    <UiWaiting v-if="!ready && !problem" label="Fetching your room" :rows="4" />
    <form v-else-if="step === 'room'" class="basin" novalidate @submit.prevent="keepRoom">
      <p class="soft">
        What the day is reckoned with. Rough is good enough: House has all of it, and the log corrects it.
      </p>
      <UiText v-model="draft.name" label="What you call it" />
      <div class="rows">
        <UiTime v-model="draft.from" label="You begin at" />
        <UiTime v-model="draft.to" label="You are done by" :error="wrongHours" />
      </div>
      <UiChoice v-model="draft.heater" label="Hot water comes from" :options="HEATER_NAMES" />
      <UiChoice v-model="draft.dryers" many label="You dry with, all that you have" :options="DRYERS" />
      <p v-if="wrongDryers" class="wrong" role="alert">{{ wrongDryers }}</p>
      <div class="links">
        <UiButton kind="primary" submit :disabled="busy">Keep it and go on</UiButton>
        <UiButton kind="link" @click="go('bottles')">Go on without</UiButton>
      </div>
      <p class="soft demo">
        Or look around in a made-up wash room first: fifteen dogs and half a year of visits. It can be cleared again.
        <UiButton kind="link" :disabled="busy" @click="demonstration">
          {{ busy ? 'One moment' : 'Show me the demonstration' }}
        </UiButton>
      </p>
    </form>
    <section v-else-if="step === 'bottles'" class="basin">
      <p class="soft">
        Made-up ones to begin with. Ratios and times are those that such labels commonly have. Put your own in their
        place when you have them in hand: the label of the bottle counts.
      </p>
      <UiChoice v-model="samples" many label="Begin with" :options="KINDS" />
      <OwnBottles ref="own" />
      <div class="links">
        <UiButton kind="primary" :disabled="busy" @click="keepBottles">
          {{ samples.length === 0 ? 'Go on' : `Put ${say.count(samples.length, 'bottle')} on the shelf and go on` }}
        </UiButton>
        <UiButton kind="link" @click="withoutSamples">Go on without</UiButton>
      </div>
    </section>
    <section v-else>
      <p v-for="d in dogs" :key="d.id" class="added">{{ d.name }} is entered.</p>
      <QuickAdd :key="dogs.length" only @added="dogs.push({ id: $event.id, name: $event.record.name })" />
      <div class="basin">
        <UiField label="They come on" for-id="start-day">
          <UiDate id="start-day" :model-value="date" @update:model-value="date = $event || date" />
        </UiField>
        <div class="links">
          <UiButton kind="primary" :disabled="busy || dogs.length === 0" @click="plan">Plan this day</UiButton>
          <UiButton kind="link" :disabled="busy" @click="end('/days/' + date)">Go on without</UiButton>
        </div>
      </div>
    </section>
    <ProblemNote v-if="problem" :problem="problem" />
  </div>
</template>

<style scoped>
.start {
  max-width: 820px;
  margin: 0 auto;
}
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin-bottom: 10px;
}
.steps a {
  display: inline-block;
  padding: 8px 0;
  color: var(--ink2);
  font-weight: 600;
  text-decoration: none;
}
.steps .on a {
  color: var(--rim);
  border-bottom: 3px solid var(--rim);
}
.basin {
  display: grid;
  gap: 14px;
  margin-top: 10px;
}
.rows {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(160px, 220px));
  gap: 12px;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  align-items: center;
}
.wrong {
  color: var(--stop);
  font-weight: 600;
}
.demo {
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}
.added {
  color: var(--ok);
  font-weight: 700;
}
</style>
