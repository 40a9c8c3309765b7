<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { OutcomeAnswer, StoredVisit } from '../../../contract'
import { ZONE_NAMES } from '../../../core/dog'
import type { Outcome, TubEvent } from '../../../core/tubside'
import { capital, list, minutesText, say } from '../../../core/units'
import { api, asProblem, type ApiProblem } from '../../api'
import FieldBox from '../../parts/FieldBox.vue'
import NumberField from '../../parts/NumberField.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import { longDate } from '../../parts/words'

const { visitId } = defineProps<{ visitId: string }>()

const visit = shallowRef<StoredVisit>()
const outcome = shallowRef<Outcome | null>()
const problem = ref<ApiProblem>()

async function open() {
  problem.value = undefined
  try {
    const [v, o] = await Promise.all([
      api<StoredVisit>('GET', `/visits/${visitId}`),
      api<OutcomeAnswer>('GET', `/visits/${visitId}/outcome`),
    ])
    visit.value = v
    outcome.value = o.outcome
    document.title = `${v.inputs.dog.name}, how it went · Juvant`
  } catch (error) {
    problem.value = asProblem(error)
  }
}
void open()

/** What can be put right: its name in a correction, what it is called, and what stands there now. */
interface Fact {
  field: string
  label: string
  unit: string
  value: number
  planned?: number
  said?: string
  was?: { was: number; why: string }
}
const facts = computed<Fact[]>(() => {
  const o = outcome.value
  if (!o) return []
  return [
    ...o.steps.map((s): Fact => ({
      field: `minutes: ${s.id}`,
      label: s.title,
      unit: 'min',
      value: s.actual,
      planned: s.planned,
      said:
        s.state === 'skipped'
          ? `skipped: ${s.why}`
          : s.state === 'not reached'
            ? 'not reached'
            : s.disturbed && `not learned from: ${s.disturbed}`,
      was: s.corrected,
    })),
    {
      field: 'towels',
      label: 'Towels',
      unit: '',
      value: o.towels.actual,
      planned: o.towels.planned,
      was: o.towels.corrected,
    },
    {
      field: 'litres',
      label: 'Water',
      unit: 'L',
      value: o.litres.actual,
      planned: o.litres.planned,
      was: o.litres.corrected,
    },
    ...o.used.map((u): Fact => ({
      field: `used: ${u.name}`,
      label: u.name,
      unit: 'mL',
      value: u.amount,
      said: u.ratio,
      was: u.corrected,
    })),
  ]
})

const correcting = ref<Fact>()
const value = ref(NaN)
const why = ref('')
const wrong = ref<{ value?: string; why?: string }>({})

function correct(fact: Fact) {
  correcting.value = fact
  value.value = Math.round(fact.value * 10) / 10
  why.value = ''
  wrong.value = {}
}
type Word = TubEvent extends infer E ? (E extends TubEvent ? Omit<E, 'id' | 'at' | 'device'> : never) : never
/** Puts a word in afterwards: it is added to the visit's events, nothing is overwritten. */
async function add(word: Word): Promise<boolean> {
  problem.value = undefined
  try {
    const event = { ...word, id: crypto.randomUUID(), at: Date.now(), device: 'logbook' }
    await api('POST', `/visits/${visitId}/events`, { events: [event] })
    await open()
    return true
  } catch (error) {
    problem.value = asProblem(error)
    return false
  }
}
async function save() {
  const number = value.value
  wrong.value = {
    value: !Number.isFinite(number) || number < 0 ? 'Give 0 or more.' : undefined,
    why: why.value.trim() === '' ? 'Say why: it stays beside the number.' : undefined,
  }
  if (!correcting.value || wrong.value.value || wrong.value.why) return
  if (await add({ kind: 'correct', field: correcting.value.field, value: number, why: why.value }))
    correcting.value = undefined
}
async function leave() {
  wrong.value = { why: why.value.trim() === '' ? 'Say why: it stays with the visit.' : undefined }
  if (!wrong.value.why && (await add({ kind: 'leave out', why: why.value }))) leaving.value = false
}
const leaving = ref(false)
async function takeBack() {
  const { events } = await api<{ events: TubEvent[] }>('GET', `/visits/${visitId}/events`)
  const undone = new Set(events.flatMap((e) => (e.kind === 'undo' ? [e.event] : [])))
  const last = events.findLast((e) => e.kind === 'leave out' && !undone.has(e.id))
  if (last) await add({ kind: 'undo', event: last.id })
}
const zones = computed(() => outcome.value?.zones ?? [])
const settled = computed(() => Object.entries(outcome.value?.settled ?? {}))
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem">
    <button class="link" type="button" @click="open">Try again</button>
  </ProblemNote>
  <p v-if="!visit && !problem" class="soft" role="status">Fetching the visit</p>
  <template v-if="visit">
    <h1>{{ visit.inputs.dog.name }}, how it went</h1>
    <p class="soft">{{ longDate(visit.date) }}</p>
    <p v-if="outcome === null" class="empty">
      This visit hasn’t ended yet.
      <RouterLink :to="{ name: 'tub', params: { id: visitId } }">Open it at the tub</RouterLink>.
    </p>
    <template v-if="outcome">
      <p class="sum">
        {{ minutesText(outcome.minutes) }}, planned {{ minutesText(outcome.planned) }}.
        <template v-if="outcome.damp.length > 0">
          Found damp: {{ list(outcome.damp.map((z) => ZONE_NAMES[z])) }}.</template
        >
        <template v-if="outcome.happened.length > 0">
          It happened: {{ list(outcome.happened.map((h) => (h.text ? `${h.what} (${h.text})` : h.what))) }}.</template
        >
        <template v-if="outcome.stoppedEarly"> Stopped early: {{ outcome.stoppedEarly }}.</template>
        <template v-if="outcome.towelWater">
          The towels took {{ say(outcome.towelWater.measured, 0) }} g of water, expected
          {{ say(outcome.towelWater.planned, 0) }} g.</template
        >
        <template v-if="outcome.notes.length > 0"> Noted: {{ outcome.notes.join('; ') }}.</template>
        <template v-if="settled.length > 0">
          Bore it: {{ list(settled.map(([s, how]) => `${s} ${how.went}, settled ${how.settled}`)) }}.</template
        >
      </p>
      <p v-if="outcome.leftOut !== null" class="left-out">
        <StateMark state="watch" /> Left out of what is learned: {{ outcome.leftOut }}.
        <button type="button" class="link" @click="takeBack">Learn from it again</button>
      </p>
      <template v-else>
        <button v-if="!leaving" type="button" class="link" @click="((leaving = true), (why = ''), (wrong = {}))">
          Leave this visit out of what is learned
        </button>
        <form v-else class="basin fix" @submit.prevent="leave">
          <FieldBox v-slot="{ id }" label="Why is it no guide?" :error="wrong.why">
            <input :id="id" v-model="why" class="date" maxlength="300" />
          </FieldBox>
          <button class="button" type="submit">Leave it out</button>
          <button class="button quiet" type="button" @click="leaving = false">Keep it in</button>
        </form>
      </template>

      <div class="halves">
        <section aria-labelledby="steps-title">
          <h2 id="steps-title">Step by step</h2>
          <ul class="facts">
            <li v-for="f in facts" :key="f.field">
              <span class="label">{{ f.label }}</span>
              <span class="actual">{{ say(f.value) }} {{ f.unit }}</span>
              <span class="soft">{{ f.planned === undefined ? (f.said ?? '') : `planned ${say(f.planned)}` }}</span>
              <button type="button" class="link" @click="correct(f)">
                Correct<span class="hidden"> {{ f.label }}</span>
              </button>
              <span v-if="f.planned !== undefined && f.said" class="note soft">{{ f.said }}</span>
              <span v-if="f.was" class="note was">was {{ say(f.was.was) }} {{ f.unit }}: {{ f.was.why }}</span>
              <form v-if="correcting?.field === f.field" class="note fix" @submit.prevent="save">
                <NumberField v-model="value" :label="f.unit ? `${f.label}, ${f.unit}` : f.label" :error="wrong.value" />
                <FieldBox v-slot="{ id }" label="Why" :error="wrong.why">
                  <input :id="id" v-model="why" class="date" maxlength="300" />
                </FieldBox>
                <button class="button" type="submit">Put right</button>
                <button class="button quiet" type="button" @click="correcting = undefined">Leave as it is</button>
              </form>
            </li>
          </ul>
        </section>
        <section v-if="zones.length > 0" aria-labelledby="zones-title">
          <h2 id="zones-title">Drying, zone by zone</h2>
          <ul class="facts">
            <li v-for="z in zones" :key="z.zone">
              <span class="label">{{ capital(ZONE_NAMES[z.zone]) }}</span>
              <span class="actual">{{ say(z.actual) }} min</span>
              <span class="soft">model {{ say(z.model) }}</span>
              <span v-if="z.aside" class="note soft">not learned from: {{ z.aside }}</span>
            </li>
          </ul>
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
.facts li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 92px 130px 80px;
  gap: 2px 14px;
  align-items: center;
  min-height: 48px;
  border-top: 1.5px solid var(--rule);
  font-variant-numeric: tabular-nums;
}
.label {
  font-weight: 600;
}
.actual {
  text-align: right;
  font-weight: 700;
}
.note {
  grid-column: 1 / -1;
  padding-bottom: 8px;
}
.was {
  color: var(--watch);
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
  .facts li {
    grid-template-columns: minmax(0, 1fr) 84px 100px;
  }
}
</style>
