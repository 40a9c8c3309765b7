<script setup lang="ts">
import UiTubButton from '../../ui/UiTubButton.vue'
import { computed, ref } from 'vue'
import { noiseDose, protection } from '@core/groomer'
import { Settled, Stressor, Went } from '@core/handling'
import { outcomeOf } from '@core/tubside'
import PaidChoice from './PaidChoice.vue'
import type { Tub } from './useTub'
import { me } from '../../api/access'
import { putDogsOn } from '../../api/days'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import PickDay from '../../parts/PickDay.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { capital, newsMessage, zonesListed } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { tub } = defineProps<{ tub: Tub }>()

const visit = computed(() => tub.visit.value!)
const record = computed(() => tub.record.value)
/** The visit as the logbook tells it. */
const outcome = computed(() => {
  const { plan, inputs } = visit.value
  const planned = { plan, today: inputs.today, mood: inputs.dog.mood }
  return outcomeOf(planned, tub.events.value, inputs.house.water.flow)
})
/** Whether many steps were ticked through: asked once, and nothing is learned until somebody says that they count. */
const quick = computed(() => {
  const { ticked, learn } = outcome.value?.quick ?? { ticked: 0, learn: true }
  return ticked > 0 && (learn !== true || record.value.learn) ? outcome.value!.quick : undefined
})
const dose = computed(() => {
  const off = protection(visit.value.inputs.house.protector)
  return noiseDose(record.value.noise.map((n) => ({ level: n.level - off, minutes: n.minutes })))
})
/** What is asked about: what the dog fears first, then what every dog meets. */
const asked = computed(() => {
  const fears = new Set<string>(visit.value.plan.ladder.map((l) => l.stressor))
  const usual: Stressor[] = visit.value.plan.go ? ['running water', 'dryer noise', 'feet'] : ['feet']
  return [...new Set([...Stressor.options.filter((s) => fears.has(s)), ...usual])]
})
/** The message that the dog is ready, with what its owner should hear before it is seen. */
const writes = ref(false)
const news = computed(() => {
  const happened = [...new Set(record.value.happened.map((h) => h.what))]
  return newsMessage(visit.value.inputs.dog.name, { what: 'ready' }, say, happened)
})
/** When it comes again: a device that may do everything puts it on that day. */
const books = ref(false)
const next = ref<string>()
const { problem, tell } = useTell()
const book = (date: string) =>
  tell(async () => {
    await putDogsOn(date, [visit.value.dogId])
    next.value = date
    books.value = false
  })
const open = ref<Stressor>()
const went = ref<Went>()
function settle(stressor: Stressor, settled: Settled) {
  tub.tap({ kind: 'settled', stressor, went: went.value!, settled })
  open.value = undefined
  went.value = undefined
}
</script>

<template>
  <section class="panel" data-testid="ended">
    <h1>{{ visit.inputs.dog.name }} is done</h1>
    <p class="support">
      <template v-if="outcome"
        >{{ say.minutes(outcome.minutes) }}, planned {{ say.minutes(outcome.planned) }}.</template
      >
      {{ say.count(record.towels, 'towel') }}.
      <template v-if="record.damp.length > 0"> Found damp: {{ zonesListed(record.damp) }}.</template>
      <template v-if="record.noise.length > 0">
        Noise: {{ say.number(dose, 0) }} % of a day’s limit, as measured.</template
      >
      <template v-if="record.happened.length > 0">
        It happened: {{ say.list(record.happened.map((h) => h.what)) }}.</template
      >
    </p>
    <div v-if="quick" class="quick" data-testid="quick">
      <h2 class="ask">
        {{ quick.ticked }} of {{ say.count(quick.of, 'step') }} ticked in a fraction of the planned minutes
      </h2>
      <p class="support">
        {{
          quick.learn === null
            ? 'Was that catching up? Then nothing is learned from this visit. Or did the work go so fast?'
            : quick.learn
              ? 'Its minutes teach the next plans.'
              : 'Nothing is learned from this visit; its record stays.'
        }}
      </p>
      <div class="choices">
        <UiTubButton :on="quick.learn === false" @click="tub.tap({ kind: 'learn', from: false })"
          >Catching up</UiTubButton
        >
        <UiTubButton :on="quick.learn === true" @click="tub.tap({ kind: 'learn', from: true })"
          >It went so fast: learn from it</UiTubButton
        >
      </div>
    </div>
    <template v-if="!open">
      <h2 class="ask">How did {{ visit.inputs.dog.name }} bear it?</h2>
      <div class="choices">
        <UiTubButton v-for="s in asked" :key="s" :class="{ on: record.settled[s] }" @click="open = s">
          {{ capital(s) }}<template v-if="record.settled[s]">: {{ record.settled[s]!.went }}</template>
        </UiTubButton>
      </div>
    </template>
    <template v-else-if="!went">
      <h2 class="ask">{{ capital(open) }}: how did it go?</h2>
      <div class="choices">
        <UiTubButton v-for="w in Went.options" :key="w" @click="went = w">{{ capital(w) }}</UiTubButton>
        <UiTubButton kind="quiet" @click="open = undefined">Not asked</UiTubButton>
      </div>
    </template>
    <template v-else>
      <h2 class="ask">{{ capital(open) }}: settled again?</h2>
      <div class="choices">
        <UiTubButton v-for="s in Settled.options" :key="s" @click="settle(open, s)">
          {{ capital(s) }}
        </UiTubButton>
      </div>
    </template>
    <PaidChoice v-if="me?.role === 'whole'" :tub="tub" />
    <div v-if="books" class="books">
      <PickDay label="Next date" @pick="book" />
      <ProblemNote v-if="problem" :problem="problem" />
    </div>
    <p v-if="next" class="support" role="status">{{ visit.inputs.dog.name }} comes again on {{ say.date(next) }}.</p>
    <OwnerMessage v-if="writes" :message="news" :dog-id="visit.dogId" @close="writes = false" />
    <div class="choices">
      <a class="big" :href="`/api/visits/${visit.id}/slip.pdf`" target="_blank">Slip for the owner</a>
      <UiTubButton kind="quiet" @click="writes = !writes">Message to the owner</UiTubButton>
      <UiTubButton v-if="me?.role === 'whole'" kind="quiet" @click="books = !books">Next date</UiTubButton>
      <RouterLink class="big" :to="{ name: 'outcome', params: { id: visit.id } }">See how it went</RouterLink>
      <UiTubButton kind="quiet" @click="tub.reopen">Not yet: undo</UiTubButton>
    </div>
  </section>
</template>

<style scoped>
.ask {
  margin-top: 20px;
  font-size: 30px;
}
</style>
