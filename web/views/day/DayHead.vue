<script setup lang="ts">
import UiDate from '../../ui/UiDate'
import UiProgress from '../../ui/UiProgress.vue'
import ViewLinks from '../../parts/ViewLinks.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { addDays } from '@core/visit'
import type { Said } from '@core/said'
import { mixesInBrief, totalsOf, type DayFacts, type DayState, type DidCode } from '@core/washday'
import { useSay } from '../../say'
import { mixesInBriefWords } from '@words'

const say = useSay()

const { date, facts, state, today, over, likelyBy, arranging } = defineProps<{
  date: string
  facts: DayFacts
  state: DayState
  show: string
  /** By when nine days in ten like this one end. */
  likelyBy?: string
  /** What most often makes it later, when that isn't rare. */
  laterBy?: string
  arranged: boolean
  /** A day to come, or one that is over, can’t run late. */
  today: boolean
  /** Today or a day that is over: it can be closed. */
  over: boolean
  arranging?: { share: number }
  /** What undo takes back and redo does again. */
  undoes?: Said<DidCode>
  redoes?: Said<DidCode>
}>()
const emit = defineEmits<{ arrange: []; stop: [keep: boolean]; undo: []; redo: [] }>()
const panel = defineModel<'add' | 'late' | 'times' | 'settings' | undefined>('panel', { required: true })
const router = useRouter()

const totals = computed(() => totalsOf(facts, state))
const end = computed(() => totals.value.run && say.clock(totals.value.run.end))
const mixes = computed(() => say.list(mixesInBriefWords(mixesInBrief(facts, state), say)))
/** Whether the log has a say in the minutes. */
const fromLog = computed(() => state.seats.some((s) => s.plan.steps.some((step) => step.likely)))
const goTo = (target: string) => router.push(`/days/${target}`)
const showing = (what: string) => ({ path: `/days/${date}`, query: what === 'clock' ? {} : { show: what } })
const PANELS = [
  { key: 'add', text: 'Add a dog' },
  { key: 'late', text: 'Running late' },
  { key: 'times', text: 'Times for owners' },
  { key: 'settings', text: 'Hours, helper, water' },
] as const
/** What a button does, and to what. */
const named = (what: string, did?: Said<DidCode>) => (did ? `${what} ${say.said(did)}` : what)
const panels = computed(() => PANELS.filter((p) => p.key !== 'late' || today))
const views = computed(() =>
  [
    { key: 'clock', text: 'Clock' },
    { key: 'prepare', text: 'Mix and lay out' },
    { key: 'table', text: 'As a table' },
    ...(over ? [{ key: 'evening', text: 'Evening' }] : []),
  ].map((v) => ({ ...v, to: showing(v.key) })),
)
</script>

<template>
  <header>
    <div class="title">
      <h1>{{ say.date(date) }}</h1>
      <nav aria-label="Other days" class="steps">
        <RouterLink class="link" :to="`/days/${addDays(date, -1)}`">Day before</RouterLink>
        <RouterLink class="link" :to="`/days/${addDays(date, 1)}`">Day after</RouterLink>
        <label class="hidden" for="go-to">Go to a date</label>
        <UiDate id="go-to" :model-value="date" @update:model-value="goTo" />
      </nav>
    </div>
    <p v-if="totals.dogs > 0" class="summary" data-testid="summary">
      <strong>{{ totals.dogs }} {{ totals.dogs === 1 ? 'dog' : 'dogs' }}</strong
      ><template v-if="totals.run && end"
        >, <strong>{{ say.minutes(totals.run.handMinutes) }}</strong> of hands, planned until
        <strong data-testid="day-end">{{ end }}</strong><template v-if="likelyBy && likelyBy !== end">
          (9 in 10 days done by {{ likelyBy
          }}{{ laterBy ? `; when later, most often through ${laterBy}` : '' }})</template
        >. <strong>{{ say.litres(totals.run.hotLitres, 0) }}</strong> hot water,
        <strong>{{ say.count(totals.towels, 'towel') }}</strong>.</template
      >
      <template v-if="fromLog"> Minutes are the log’s, with a reserve: 7 in 10 steps take less.</template>
      <template v-if="mixes"><br />Mix before you start: {{ mixes }}.</template>
    </p>
    <div v-if="totals.dogs > 0" class="bar">
      <UiButton v-if="!arranging" kind="primary" @click="emit('arrange')">
        {{ arranged ? 'Arrange again' : 'Arrange the day' }}
      </UiButton>
      <div v-else class="arranging" role="status">
        <UiProgress :share="arranging.share" label="Arranging the day" />
        <span>Arranging</span>
        <UiButton kind="link" @click="emit('stop', true)">Take the best so far</UiButton>
        <UiButton kind="link" @click="emit('stop', false)">Cancel</UiButton>
      </div>
      <UiButton kind="link" :disabled="!undoes" @click="emit('undo')">{{ named('Undo', undoes) }}</UiButton>
      <UiButton kind="link" :disabled="!redoes" @click="emit('redo')">{{ named('Redo', redoes) }}</UiButton>
      <UiButton
        v-for="p in panels"
        :key="p.key"
        kind="link"
        :aria-expanded="panel === p.key"
        @click="panel = panel === p.key ? undefined : p.key"
      >
        {{ p.text }}
      </UiButton>
      <ViewLinks class="views" label="Show the day as" :views="views" :shown="show" />
    </div>
  </header>
</template>

<style scoped>
.title {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
  align-items: center;
  justify-content: space-between;
}
h1 {
  font-size: 26px;
}
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
}
.steps .ui-date {
  width: 168px;
}
.summary {
  color: var(--ink2);
  font-size: 16px;
}
.summary strong {
  color: var(--ink);
}
.bar,
.arranging {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
  margin-top: 6px;
}
.bar .link:disabled {
  color: var(--ink2);
  text-decoration: none;
  cursor: default;
}
.views {
  margin-left: auto;
}
</style>
