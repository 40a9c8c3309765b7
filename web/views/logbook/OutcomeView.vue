<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import ReceiptLink from '../../parts/ReceiptLink.vue'
import { paidCents } from '@core/tubside'
import OwedLine from '../../parts/OwedLine.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import { timeNow } from '../../device/clock'
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, ref, watchEffect } from 'vue'
import type { AsideWhy } from '@core/learn'
import { said } from '@core/said'
import { minutesDone, type Outcome, type TubEvent } from '@core/tubside'
import { zoneKind } from '@core/visit'
import { ask, asProblem, type ApiProblem } from '../../api/client'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import type { AfterAnswers } from '@core/owner'
import AfterForm from '../../parts/AfterForm.vue'
import FactRows, { type Fact } from './FactRows.vue'
import { recordedOf } from './recorded'
import { afterWords, ZONE_NAMES, capital, paidWords, ratioWords, stepTitle } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { visitId } = defineProps<{ visitId: string }>()

const call = () => ({ params: { id: visitId } })
const { answer: visit, problem: unread, again: askVisit } = useAsk('GET /visits/{id}', call)
const { answer: told, again: askOutcome } = useAsk('GET /visits/{id}/outcome', call)
const outcome = computed(() => told.value?.outcome)
/** As the list and the end of the visit at the tub have it, also for visits kept before they agreed. */
const sum = computed(() => minutesDone(outcome.value?.steps ?? []))
const wild = computed(() => told.value?.wild ?? [])
const refused = ref<ApiProblem>()
const problem = computed(() => refused.value ?? unread.value)
function open() {
  refused.value = undefined
  askVisit()
  askOutcome()
}
watchEffect(() => {
  if (visit.value) document.title = `${visit.value.inputs.dog.name}, how it went · Juvant`
})

/** Why nothing is learned from a step or zone: as it was said then, or as the whole log tells now. */
const asideWords = (kind: string | undefined, why: AsideWhy | undefined) => {
  const aside = why ?? wild.value.find((w) => w.kind === kind)?.why
  return aside && `not learned from: ${say.said(aside)}`
}
const stateWords = (s: Outcome['steps'][number]) => {
  if (s.state === 'skipped') return `skipped: ${s.why}`
  if (s.state === 'not reached') return 'not reached'
  return asideWords(s.kind, s.disturbed)
}
const { answer: answers, again: askAnswers } = useAsk('GET /dogs/{id}/answers', () =>
  visit.value ? { params: { id: visit.value.dogId } } : undefined,
)
const after = computed(() => answers.value?.find((a) => a.kind === 'after' && a.date === visit.value?.date))
const typesAfter = ref(false)
async function keepAfter(said: AfterAnswers) {
  const { dogId, date } = visit.value!
  refused.value = undefined
  try {
    const body = { said: { kind: 'after' as const, date, answers: said } }
    await ask('POST /dogs/{id}/answers', { params: { id: dogId }, body })
    typesAfter.value = false
    askAnswers()
  } catch (error) {
    refused.value = asProblem(error)
  }
}
const facts = computed<Fact[]>(() => {
  const o = outcome.value
  if (!o) return []
  const planned = (n: number) => `planned ${say.number(n)}`
  return [
    ...o.steps.map((s): Fact => ({
      field: `minutes: ${s.id}`,
      label: stepTitle(s.step),
      unit: 'min',
      value: s.actual,
      beside: planned(s.planned),
      said: stateWords(s),
      was: s.corrected,
    })),
    {
      field: 'towels',
      label: 'Towels',
      unit: '',
      value: o.towels.actual,
      beside: planned(o.towels.planned),
      was: o.towels.corrected,
    },
    {
      field: 'litres',
      label: 'Water',
      unit: 'L',
      quantity: 'bigVolume',
      value: o.litres.actual,
      beside: `planned ${say.litres(o.litres.planned)}`,
      was: o.litres.corrected,
    },
    ...o.used.map((u): Fact => ({
      field: `used: ${u.name}`,
      label: u.name,
      unit: u.form === 'bar' ? 'g' : 'mL',
      quantity: u.form === 'bar' ? undefined : 'volume',
      value: u.amount,
      beside: '',
      said: typeof u.ratio === 'number' ? ratioWords(u.ratio, say, u.form) : u.ratio,
      was: u.corrected,
    })),
  ]
})
const recorded = computed(() => (outcome.value ? recordedOf(outcome.value, say) : []))
const zones = computed<Fact[]>(() =>
  (outcome.value?.zones ?? []).map((z) => ({
    field: `zone: ${z.zone}`,
    label: capital(ZONE_NAMES[z.zone]),
    unit: 'min',
    value: z.actual,
    beside: `model ${say.number(z.model)}`,
    said: asideWords(zoneKind(z.zone), z.aside),
    was: z.corrected,
  })),
)

const why = ref('')
const wrong = ref<string>()
type Word = TubEvent extends infer E ? (E extends TubEvent ? Omit<E, 'id' | 'at' | 'device'> : never) : never
/** Puts a word in afterwards: it is added to the visit's events, nothing is overwritten. */
async function add(word: Word): Promise<boolean> {
  refused.value = undefined
  try {
    const event = { ...word, id: uuid(), at: timeNow(), device: 'logbook' }
    await ask('POST /visits/{id}/events', { params: { id: visitId }, body: { events: [event] } })
    askOutcome()
    return true
  } catch (error) {
    refused.value = asProblem(error)
    return false
  }
}
const correct = (field: string, value: number, reason: string) => add({ kind: 'correct', field, value, why: reason })
async function leave() {
  wrong.value = why.value.trim() === '' ? 'Say why: it stays with the visit.' : undefined
  if (!wrong.value && (await add({ kind: 'leave out', why: why.value }))) leaving.value = false
}
const leaving = ref(false)
async function takeBack() {
  const { events } = await ask('GET /visits/{id}/events', { params: { id: visitId } })
  const undone = new Set(events.flatMap((e) => (e.kind === 'undo' ? [e.event] : [])))
  const last = events.findLast((e) => e.kind === 'leave out' && !undone.has(e.id))
  if (last) await add({ kind: 'undo', event: last.id })
}
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton kind="link" @click="open">Try again</UiButton>
  </ProblemNote>
  <UiWaiting v-if="!visit && !problem" label="Fetching the visit" :rows="8" />
  <template v-if="visit">
    <h1>{{ visit.inputs.dog.name }}, how it went</h1>
    <p class="soft">{{ say.date(visit.date) }}</p>
    <p v-if="outcome === null" class="empty">
      This visit hasn’t ended yet.
      <RouterLink :to="{ name: 'tub', params: { id: visitId } }">Open it at the tub</RouterLink>.
    </p>
    <template v-if="outcome">
      <p class="sum">{{ say.minutes(sum.minutes) }}, planned {{ say.minutes(sum.planned) }}.</p>
      <dl v-if="recorded.length > 0" class="recorded" data-testid="recorded">
        <div v-for="r in recorded" :key="r.what">
          <dt>{{ r.what }}</dt>
          <dd>{{ r.words }}</dd>
        </div>
      </dl>
      <p v-if="outcome.paid?.price" data-testid="paid">{{ capital(paidWords(outcome.paid, say)) }}.</p>
      <ReceiptLink v-if="outcome.paid?.price && paidCents(outcome.paid) > 0" :visit-id="visitId" :paid="outcome.paid" />
      <OwedLine :dog-id="visit.dogId" />
      <p v-if="outcome.quick.learn !== true" class="left-out" data-testid="quick">
        <StateMark state="watch" /> {{ capital(say.said(said('aside.ticked', outcome.quick))) }}.
        <UiButton kind="link" @click="add({ kind: 'learn', from: true })"> It went so fast: learn from it </UiButton>
      </p>
      <p v-if="outcome.leftOut !== null" class="left-out">
        <StateMark state="watch" /> Left out of what is learned: {{ outcome.leftOut }}.
        <UiButton kind="link" @click="takeBack">Learn from it again</UiButton>
      </p>
      <template v-else>
        <UiButton v-if="!leaving" kind="link" @click="((leaving = true), (why = ''), (wrong = undefined))">
          Leave this visit out of what is learned
        </UiButton>
        <form v-else class="basin fix" @submit.prevent="leave">
          <UiText v-model="why" label="Why is it no guide?" :error="wrong" :most="300" />
          <UiButton kind="primary" submit>Leave it out</UiButton>
          <UiButton @click="leaving = false">Keep it in</UiButton>
        </form>
      </template>

      <p v-if="after?.kind === 'after'" data-testid="after">
        <strong>The owner, days later:</strong> {{ afterWords(after.answers) }}
      </p>
      <UiButton v-else-if="!typesAfter" kind="link" @click="typesAfter = true">What the owner said days later</UiButton>
      <AfterForm
        v-else
        class="basin"
        :draft-key="`${visit.dogId}.${visit.date}`"
        @keep="keepAfter"
        @leave="typesAfter = false"
      />

      <div class="halves">
        <section aria-labelledby="steps-title">
          <h2 id="steps-title">Step by step</h2>
          <FactRows :facts="facts" :put="correct" />
        </section>
        <section v-if="zones.length > 0" aria-labelledby="zones-title">
          <h2 id="zones-title">Drying, zone by zone</h2>
          <FactRows :facts="zones" :put="correct" />
        </section>
      </div>
    </template>
  </template>
</template>

<style scoped>
.sum {
  max-width: 900px;
  margin: 8px 0;
  font-size: 17px;
}
.recorded {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(420px, 100%), 1fr));
  gap: 0 40px;
  margin: 8px 0 12px;
}
.recorded div {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 12px;
  padding: 7px 0;
  border-top: 1.5px solid var(--rule);
}
.recorded dt {
  font-weight: 600;
}
.left-out {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  color: var(--watch);
  font-weight: 600;
}
.halves {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 24px 40px;
  margin-top: 14px;
}
.fix {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 16px;
  align-items: end;
  max-width: 760px;
}
.fix > :deep(.field) {
  flex: 1;
}
.empty {
  margin-top: 14px;
  font-size: 17px;
}
@media (max-width: 800px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
