<script setup lang="ts">
import { computed, ref } from 'vue'
import { hourly, moneyTable, yearsOf, type MoneySum } from '@core/money'
import { booksInLine, capital, placeWords, SERVICE_NAMES } from '@words'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import ViewLinks from '../../parts/ViewLinks.vue'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiTable from '../../ui/UiTable.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import CloseDays from './CloseDays.vue'
import LogChart from './LogChart.vue'
import WhatIf from './WhatIf.vue'

const { from, to, by } = defineProps<{ from?: string; to?: string; by?: string }>()
const say = useSay()
const { answer: books, problem, loading, again } = useAsk('GET /books', () => ({ query: { from, to } }))
const currency = computed(() => books.value?.currency ?? '')
const money = (cents: number) => say.money({ cents, currency: currency.value })
const BY = [
  { key: 'months', text: 'By month' },
  { key: 'years', text: 'By year' },
  { key: 'services', text: 'By kind' },
  { key: 'coats', text: 'By coat' },
  { key: 'owners', text: 'By owner' },
] as const
const shown = computed(() => BY.find((b) => b.key === by)?.key ?? 'months')
const links = computed(() =>
  BY.map((b) => ({ ...b, to: { query: { part: 'money', from, to, ...(b.key !== 'months' && { by: b.key }) } } })),
)
type Row = MoneySum & { name: string; key: string; to?: string; before?: number }
const yearBefore = (month: string) => `${Number(month.slice(0, 4)) - 1}${month.slice(4)}`
const rows = computed<Row[]>(() => {
  if (!books.value) return []
  const { months, services, coats, owners } = books.value
  const all: Record<(typeof BY)[number]['key'], Row[]> = {
    months: months.map((m) => ({
      ...m,
      key: m.month,
      name: say.date(`${m.month}-01`, 'month'),
      before: months.find((b) => b.month === yearBefore(m.month))?.taken,
    })),
    years: yearsOf(months).map((y) => ({ ...y, key: y.year, name: y.year })),
    services: services.map((s) => ({ ...s, key: s.service, name: capital(SERVICE_NAMES[s.service]) })),
    coats: coats.map((c) => ({ ...c, key: c.coat, name: capital(c.coat) })),
    owners: owners.map((o) => ({
      ...o,
      key: o.ownerId ?? o.owner,
      name: o.owner || 'No owner noted',
      ...(o.ownerId && o.owner && { to: `/owners/${o.ownerId}` }),
    })),
  }
  return all[shown.value]
})
const COLUMNS = [
  { key: 'name', title: '' },
  { key: 'visits', title: 'Visits', number: true },
  { key: 'asked', title: 'Asked', number: true },
  { key: 'taken', title: 'Taken', number: true },
  { key: 'tips', title: 'Tips', number: true },
  { key: 'owed', title: 'Owed', number: true },
  { key: 'costs', title: 'Costs', number: true },
  { key: 'hour', title: 'An hour', number: true },
]
const OF = { months: 'Month', years: 'Year', services: 'Kind', coats: 'Coat', owners: 'Owner' }
const BEFORE = { key: 'before', title: 'Taken a year before', number: true }
const columns = computed(() => {
  const all = COLUMNS.map((c) => (c.key === 'name' ? { ...c, title: OF[shown.value] } : c))
  return rows.value.some((r) => r.before !== undefined) ? [...all.slice(0, 4), BEFORE, ...all.slice(4)] : all
})
function valueOf(row: Row, key: string): number | string | null {
  if (key === 'hour') return hourly(row)
  return row[key as keyof Row] ?? null
}
const cell = (row: Row, key: string) => {
  const value = valueOf(row, key)
  if (typeof value !== 'number') return value ?? '–'
  if (key === 'visits') return say.number(value, 0)
  return value === 0 ? '–' : money(value)
}
const csv = (of: string) => {
  const span = new URLSearchParams(Object.entries({ from, to }).flatMap(([k, v]) => (v ? [[k, v]] : [])))
  return `/api/tables/${of}${span.size > 0 ? `?${span.toString()}` : ''}`
}
const table = computed(() => books.value && moneyTable(books.value))
const FEW = 12
const all = ref(false)
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton kind="link" @click="again">Try again</UiButton>
  </ProblemNote>
  <UiWaiting v-else-if="!books && loading" label="Adding up" :rows="6" />
  <template v-else-if="books">
    <p v-if="books.all.priced === 0" class="empty">
      Nothing was paid yet. What is asked stands in <RouterLink class="link" to="/house/prices">Prices</RouterLink>; at
      the end of a visit the tub asks how it was paid.
    </p>
    <template v-else>
      <p class="sum" data-testid="books">{{ booksInLine(books.all, hourly(books.all), currency, say) }}</p>
      <p class="soft">
        <template v-if="books.place">{{ `${placeWords(books.place, currency, say)} ` }}</template>
        <template v-if="books.all.priced < books.all.visits"
          >{{ books.all.priced }} of {{ say.count(books.all.visits, 'visit') }} have a price; the rest isn’t counted.
        </template>
        <template v-if="books.others > 0"
          >{{ say.count(books.others, 'visit') }} in another currency left out.
        </template>
        <template v-if="books.credit > 0">{{ money(books.credit) }} are paid ahead. </template>
        <a class="link" :href="csv('payments')" download>Payments as CSV</a>,
        <a class="link" :href="csv('accounts')" download>accounts as CSV</a>
      </p>
      <ViewLinks label="How it is added up" :views="links" :shown="shown" />
      <UiTable
        class="table"
        label="Money"
        :columns="columns"
        :rows="all ? rows : rows.slice(0, FEW)"
        :row-key="(row: Row) => row.key"
        :sort-by="(row: Row, { key }: { key: string }) => valueOf(row, key)"
      >
        <template #cell="{ column, row }">
          <RouterLink v-if="column.key === 'name' && row.to" class="link" :to="row.to">{{ row.name }}</RouterLink>
          <template v-else>{{ cell(row, column.key) }}</template>
        </template>
      </UiTable>
      <UiButton v-if="!all && rows.length > FEW" kind="link" @click="all = true"
        >Show {{ rows.length - FEW }} more</UiButton
      >
      <WhatIf :from="from" :to="to" />
      <CloseDays />
      <section v-if="books.owed.length + books.beside.length > 0" class="basin" aria-labelledby="owed-title">
        <h2 id="owed-title">Owed</h2>
        <ul>
          <li v-for="o in books.owed" :key="o.visitId">
            <RouterLink class="link" :to="`/logbook/${o.visitId}`"
              >{{ o.dog }}, {{ say.date(o.date, 'short') }}</RouterLink
            >
            <span>{{ o.owner }}</span>
            <strong>{{ money(o.owed) }}</strong>
          </li>
          <li v-for="o in books.beside" :key="o.ownerId">
            <RouterLink v-if="o.owner" class="link" :to="`/owners/${o.ownerId}`">{{ o.owner }}</RouterLink>
            <span>beside visits</span>
            <strong>{{ money(o.owed) }}</strong>
          </li>
        </ul>
      </section>
      <LogChart v-if="table && books.months.length > 1" :table="table" />
      <p class="soft">For whoever does the accounts: tax and receipts go by local rules first.</p>
    </template>
  </template>
</template>

<style scoped>
.sum {
  margin-top: 8px;
  font: 600 20px/1.3 var(--display);
}
.table {
  margin: 8px 0 14px;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 18px;
  padding: 5px 0;
  border-top: 1.5px solid var(--rule2);
}
li strong {
  margin-left: auto;
}
.empty {
  margin-top: 14px;
  font-size: 17px;
}
</style>
