<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import type { OutcomeAnswer } from '@contract'
import { differed, earSignsOf } from '@core/tubside'
import type { DayFacts } from '@core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import { askKept, useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useRoom } from '../../stores/room'
import UiButton from '../../ui/UiButton.vue'
import UiCheck from '../../ui/UiCheck.vue'
import { capital, stepTitle, ZONE_NAMES, zonesListed } from '@words'
import { useSay } from '../../say'

const say = useSay()
const room = useRoom()

const { facts } = defineProps<{ facts: DayFacts }>()
const emit = defineEmits<{ tick: [ids: string[]] }>()

const date = computed(() => facts.day.date)
const { answer: tub, problem: unread, again } = useAsk('GET /days/{date}/tub', () => ({ params: { date: date.value } }))
const { answer: stock } = useAsk('GET /stock', () => ({ query: { on: date.value } }))
const outcomes = shallowRef<{ visitId: string; name: string; outcome: NonNullable<OutcomeAnswer['outcome']> }[]>()
const failed = shallowRef<ApiProblem>()
const problem = computed(() => failed.value ?? unread.value)
watch(
  () => tub.value?.visits,
  async (visits) => {
    if (!visits) return
    failed.value = undefined
    try {
      const all = await Promise.all(
        visits.map(async ({ visitId, name }) => {
          const { outcome } = await askKept('GET /visits/{id}/outcome', { params: { id: visitId } })
          return outcome ? [{ visitId, name, outcome }] : []
        }),
      )
      outcomes.value = all.flat()
    } catch (error) {
      failed.value = asProblem(error)
    }
  },
  { immediate: true },
)

const told = computed(() =>
  (outcomes.value ?? []).map(({ visitId, name, outcome }) => {
    const { steps, planned, minutes, damp, happened, notes } = outcome
    const off = differed(outcome).map(({ step, actual, planned: of }) => {
      const by = say.minutes(Math.abs(actual - of))
      return `${stepTitle(step)} ${by} ${actual > of ? 'longer' : 'less'}`
    })
    const skipped = steps.filter((s) => s.state === 'skipped').map((s) => stepTitle(s.step).toLowerCase())
    const signs = earSignsOf(outcome).map((e) => `${capital(e.side)} ear: ${say.list(e.signs)}`)
    return {
      visitId,
      name,
      minutes: `${say.minutes(minutes)}, planned ${say.minutes(planned)}`,
      lines: [
        ...off,
        ...(skipped.length > 0 ? [`Left out: ${say.list(skipped)}`] : []),
        ...(damp.length > 0 ? [`Felt damp: ${zonesListed(damp)}`] : []),
        ...happened.map((h) => `Happened: ${h.what}`),
        ...signs,
      ],
      notes: [
        ...notes.filter((text) => !(outcome.pinned ?? []).some((p) => p.text === text)),
        ...(outcome.pinned ?? []).map(
          ({ text, zone, step }) => `${zone ? ZONE_NAMES[zone] : step ? stepTitle(step) : ''}: ${text}`,
        ),
      ],
    }
  }),
)
const litres = computed(() => (outcomes.value ?? []).reduce((sum, o) => sum + o.outcome.litres.actual, 0))
const towels = computed(() => (outcomes.value ?? []).reduce((sum, o) => sum + o.outcome.towels.actual, 0))
const open = computed(() => (tub.value ? tub.value.visits.length - (outcomes.value?.length ?? 0) : 0))
const buy = computed(() =>
  (stock.value ?? []).flatMap((line) => {
    const name = room.shelf.find((p) => p.id === line.productId)?.name
    return line.buy && name ? [`${name}: ${say.said(line.buy)}`] : []
  }),
)
const things = computed(() => [
  { id: 'evening.towels', text: `${say.count(towels.value, 'towel')} to the wash` },
  { id: 'evening.leftovers', text: 'Diluted leftovers thrown away, bottles rinsed' },
  { id: 'evening.tub', text: 'Hair trap emptied, tub disinfected' },
  { id: 'evening.room', text: 'Room aired, dryers and heater off' },
])
const ticked = computed(() => new Set(facts.day.ticks))
function toggle(id: string, on: boolean) {
  emit('tick', on ? [...facts.day.ticks, id] : facts.day.ticks.filter((t) => t !== id))
}
</script>

<template>
  <div class="evening">
    <section class="basin" aria-labelledby="differed">
      <h2 id="differed">What differed</h2>
      <ProblemNote v-if="problem" :problem="problem"
        ><UiButton kind="link" @click="again">Load again</UiButton></ProblemNote
      >
      <p v-else-if="!outcomes" role="status">Fetching the visits</p>
      <p v-else-if="told.length === 0" class="soft">No visit has ended yet.</p>
      <ul>
        <li v-for="t in told" :key="t.visitId">
          <RouterLink class="link display" :to="{ name: 'outcome', params: { id: t.visitId } }">{{
            t.name
          }}</RouterLink>
          <span>{{ t.minutes }}</span>
          <span v-for="line in t.lines" :key="line" class="soft">{{ line }}</span>
          <span v-if="t.lines.length === 0" class="soft">As planned.</span>
        </li>
      </ul>
      <p v-if="open > 0" class="soft">
        {{ say.count(open, 'visit') }} saved for this day {{ open === 1 ? 'has' : 'have' }} not ended.
      </p>
    </section>
    <section class="basin" aria-labelledby="next-time">
      <h2 id="next-time">For next time</h2>
      <ul>
        <li v-for="t in told.filter((x) => x.notes.length > 0)" :key="t.visitId">
          <strong>{{ t.name }}</strong>
          <span v-for="n in t.notes" :key="n">{{ n }}</span>
        </li>
      </ul>
      <p v-if="told.every((t) => t.notes.length === 0)" class="soft">No notes were put down.</p>
    </section>
    <section class="basin" aria-labelledby="used-up">
      <h2 id="used-up">Used, and to be bought</h2>
      <p>
        {{ say.litres(litres, 0) }} of water, {{ say.count(towels, 'towel') }}. The shelf has what the bottles gave.
      </p>
      <ul>
        <li v-for="line in buy" :key="line">{{ line }}</li>
      </ul>
      <p v-if="buy.length === 0" class="soft">Nothing runs short.</p>
      <RouterLink class="link" to="/shelf">Shelf</RouterLink>
    </section>
    <section class="basin" aria-labelledby="closing">
      <h2 id="closing">Closing the day</h2>
      <ul>
        <li v-for="t in things" :key="t.id">
          <UiCheck :model-value="ticked.has(t.id)" @update:model-value="toggle(t.id, $event)">{{ t.text }}</UiCheck>
        </li>
      </ul>
      <p v-if="things.every((t) => ticked.has(t.id))" role="status"><strong>Closed. Good night.</strong></p>
    </section>
  </div>
</template>

<style scoped>
.evening {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 14px;
  align-items: start;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  padding: 8px 0;
  border-top: 1px solid var(--rule2);
}
</style>
