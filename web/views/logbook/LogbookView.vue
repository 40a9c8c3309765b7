<script setup lang="ts">
import UiWaiting from '../../ui/UiWaiting.vue'
import UiDate from '../../ui/UiDate'
import UiFold from '../../ui/UiFold.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { FIGURES, totalCost } from '@core/logbook'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import ViewLinks from '../../parts/ViewLinks.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import DueList from './DueList.vue'
import BooksPart from './BooksPart.vue'
import LogChart from './LogChart.vue'
import LogRibbon from './LogRibbon.vue'
import { useLogbook, type LogFilter } from './useLogbook'
import { capital, evidenceWords, stepTitle, wildWords, zonesListed } from '@words'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'

const say = useSay()
const room = useRoom()

const {
  dog,
  from,
  to,
  product,
  part: asked,
  by,
} = defineProps<{ dog?: string; from?: string; to?: string; product?: string; part?: string; by?: string }>()
const router = useRouter()
const PARTS = [
  { key: 'visits', text: 'Visits' },
  { key: 'taught', text: 'What it taught' },
  { key: 'figures', text: 'Figures' },
  { key: 'money', text: 'Money' },
] as const
const shown = computed(() => PARTS.find((p) => p.key === asked)?.key ?? 'visits')
const MORE = 200
/** How many visits are asked for beyond the usual. */
const most = ref<number>()
const filter = computed<LogFilter>(() => ({
  dogId: dog,
  from,
  to,
  product,
  most: most.value,
  figures: shown.value === 'figures' ? 'yes' : 'no',
}))
const { log, taught, problem, loading, open } = useLogbook(() => filter.value)

const wildTitle = computed(() => {
  const n = taught.value?.wildCount ?? 0
  return `${n === 1 ? '1 number is' : `${n} numbers are`} too far from the others: set aside, nothing is learned from ${n === 1 ? 'it' : 'them'}`
})
const ALL = 'all'
function put(part: Record<string, string>) {
  const query = { dog, from, to, product, part: asked, ...part }
  void router.replace({
    name: 'logbook',
    query: Object.fromEntries(Object.entries(query).filter(([, v]) => v && v !== ALL)),
  })
}
const filtered = computed(() => [dog, from, to, product].some(Boolean))
const dogs = computed(() => [
  { value: ALL, text: 'All dogs' },
  ...(log.value?.dogs ?? []).map((d) => ({ value: d.id, text: d.name })),
])
const products = computed(() => [
  { value: ALL, text: 'All products' },
  ...(log.value?.products ?? []).map((p) => ({ value: p, text: p })),
])
const shortDate = (date: string) => say.date(date, 'short')
const parts = computed(() =>
  PARTS.map((p) => ({ ...p, to: { query: { dog, from, to, product, ...(p.key !== 'visits' && { part: p.key }) } } })),
)
/** A few at first. */
const FEW = 12
const all = ref(false)
const listed = computed(() => (all.value ? (log.value?.visits ?? []) : (log.value?.visits.slice(0, FEW) ?? [])))
const longest = computed(() => Math.max(...listed.value.map((v) => Math.max(v.minutes, v.planned)), 1))
const currency = computed(() => room.house?.prices.currency ?? '')
</script>

<template>
  <div class="head">
    <h1>Logbook</h1>
    <RouterLink class="link" to="/recipes">Saved recipes</RouterLink>
  </div>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton kind="link" @click="open">Try again</UiButton>
  </ProblemNote>
  <UiWaiting v-if="!log && loading" label="Fetching the log" :rows="8" />
  <template v-if="log">
    <p v-if="log.count === 0 && !filtered" class="empty">
      Nothing in the log yet. Take a dog through at the <RouterLink :to="{ name: 'tub-pick' }">tub</RouterLink>: every
      visit that ends is written down here, and teaches the next one.
    </p>
    <template v-else>
      <ViewLinks label="Parts of the logbook" :views="parts" :shown="shown" />
      <template v-if="shown === 'taught'">
        <section v-if="taught" class="basin taught" aria-labelledby="taught">
          <h2 id="taught">What the log taught</h2>
          <p v-if="taught.older" class="soft" role="status">
            As it stood before the last visits; it is being worked out anew.
          </p>
          <p v-if="taught.taught.length === 0" class="soft">Nothing stands out beyond chance yet.</p>
          <ul>
            <li v-for="t in taught.taught" :key="t.id">
              {{ say.said(t.what) }} <span class="soft">{{ capital(evidenceWords(t, say)) }}.</span>
            </li>
          </ul>
          <UiFold v-if="taught.wildCount > 0" data-testid="wild" :title="wildTitle">
            <ul>
              <li v-for="w in taught.wild" :key="`${w.visitId} ${w.kind}`">
                <RouterLink :to="{ name: 'outcome', params: { id: w.visitId } }">{{ w.dog }}</RouterLink>,
                {{ shortDate(w.date) }}: {{ wildWords(w, say) }}.
                <span class="soft">{{ capital(say.said(w.why)) }}.</span>
              </li>
            </ul>
            <p class="soft">Was it a forgotten tap? Put the minutes right in the visit, and they count again.</p>
          </UiFold>
        </section>
        <UiWaiting v-else label="Working out what it taught" :rows="5" />
      </template>
      <BooksPart v-else-if="shown === 'money'" :from="from" :to="to" :by="by" />
      <UiFold v-else :title="filtered ? 'Narrowed' : 'Narrow it: dog, product, dates'" :open="filtered">
        <form class="filter" aria-label="Which visits" @submit.prevent>
          <UiField v-slot="{ id }" label="Dog">
            <UiSelect
              :id="id"
              :model-value="dog ?? ALL"
              :options="dogs"
              @update:model-value="put({ dog: $event ?? '' })"
            />
          </UiField>
          <UiField v-slot="{ id }" label="Product">
            <UiSelect
              :id="id"
              :model-value="product ?? ALL"
              :options="products"
              @update:model-value="put({ product: $event ?? '' })"
            />
          </UiField>
          <UiField v-slot="{ id }" label="From">
            <UiDate :id="id" clearable :model-value="from ?? ''" @update:model-value="put({ from: $event })" />
          </UiField>
          <UiField v-slot="{ id }" label="To">
            <UiDate :id="id" clearable :model-value="to ?? ''" @update:model-value="put({ to: $event })" />
          </UiField>
          <UiButton v-if="filtered" kind="link" class="low" @click="router.replace({ name: 'logbook' })">
            All visits
          </UiButton>
        </form>
      </UiFold>
      <template v-if="shown === 'visits'">
        <p v-if="log.count === 0" class="empty">No visit like that. Widen the dates, or show all visits.</p>
        <p v-else class="soft">
          {{ log.count }} {{ log.count === 1 ? 'visit' : 'visits' }}. Ribbon: what it took; dashed: what was planned.
        </p>
        <ul class="visits">
          <li v-for="v in listed" :key="v.visitId">
            <RouterLink :to="{ name: 'outcome', params: { id: v.visitId } }" class="display">{{ v.dog }}</RouterLink>
            <span>{{ shortDate(v.date) }}</span>
            <LogRibbon :minutes="v.minutes" :planned="v.planned" :longest="longest" />
            <span
              >{{ say.minutes(v.minutes) }}, planned {{ say.minutes(v.planned)
              }}{{ v.leftOut === null ? '' : ' (left out)' }}</span
            >
            <span class="soft">{{
              [
                v.used.length > 0 && say.list(v.used.map((u) => u.name)),
                v.damp.length > 0 && `damp: ${zonesListed(v.damp)}`,
                v.happened.length > 0 && say.list(v.happened.map((h) => h.what)),
                v.skipped.length > 0 && `skipped: ${say.list(v.skipped.map((s) => stepTitle(s).toLowerCase()))}`,
              ]
                .filter(Boolean)
                .join('; ')
            }}</span>
            <span v-if="totalCost(v.cost) !== null" class="cost"
              >{{ say.number(totalCost(v.cost)!, 2) }} {{ currency }}</span
            >
          </li>
        </ul>
        <UiButton v-if="!all && log.visits.length > FEW" kind="link" @click="all = true">
          Show {{ log.visits.length - FEW }} more
        </UiButton>
        <UiButton v-else-if="log.visits.length < log.count" kind="link" @click="most = (most ?? 0) + MORE">
          Show {{ Math.min(MORE, log.count - log.visits.length) }} older
        </UiButton>
        <DueList v-if="!filtered" class="taught" />
      </template>
      <template v-else-if="shown === 'figures'">
        <p v-if="log.count < FIGURES.from.value" class="empty">
          {{ log.count === 0 ? 'No visit like that.' : `${say.count(log.count, 'visit')}: too few for figures.` }}
          There are figures from {{ FIGURES.from.value }} on.
        </p>
        <div v-else class="charts">
          <LogChart v-for="t in log.tables" :key="t.id" :table="t" />
        </div>
      </template>
    </template>
  </template>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: baseline;
}
.taught {
  margin: 10px 0 18px;
}
.taught li {
  padding: 7px 0;
  border-top: 1.5px solid var(--rule2);
  font-size: 16px;
}
.filter {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 12px 18px;
  max-width: 900px;
  margin: 14px 0;
}
.charts {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 24px 32px;
}
.visits li {
  display: grid;
  grid-template-columns: 120px 100px 180px 200px minmax(0, 1fr) 80px;
  gap: 4px 16px;
  align-items: center;
  min-height: 52px;
  border-top: 1.5px solid var(--rule);
}
.visits a {
  color: var(--rim);
  font-size: 18px;
}
.cost {
  text-align: right;
}
.empty {
  margin-top: 14px;
  font-size: 17px;
}
@media (max-width: 900px) {
  .charts {
    grid-template-columns: minmax(0, 1fr);
  }
  .visits li {
    grid-template-columns: minmax(0, 1fr) auto;
    padding: 8px 0;
  }
  .visits li > svg,
  .visits li > span:nth-of-type(n + 2) {
    grid-column: 1 / -1;
  }
  .cost {
    text-align: left;
  }
}
</style>
