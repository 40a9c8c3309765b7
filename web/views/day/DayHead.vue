<script setup lang="ts">
import UiDate from '../../ui/UiDate'
import UiProgress from '../../ui/UiProgress.vue'
import ViewLinks from '../../parts/ViewLinks.vue'
import SpanLinks from '../../parts/SpanLinks.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { addDays } from '@core/visit'
import { totalsOf, type DayFacts, type DayState } from '@core/washday'
import { useSay } from '../../say'

const say = useSay()

const { date, facts, state, over, likelyBy, arranging } = defineProps<{
  date: string
  facts: DayFacts
  state: DayState
  show: string
  /** By when nine days in ten like this one end. */
  likelyBy?: string
  /** What most often makes it later, when that isn't rare. */
  laterBy?: string
  arranged: boolean
  /** Today or a day that is over: it can be closed. */
  over: boolean
  arranging?: { share: number }
}>()
const emit = defineEmits<{ arrange: []; stop: [keep: boolean]; add: [] }>()
const router = useRouter()

const totals = computed(() => totalsOf(facts, state))
const end = computed(() => totals.value.run && say.clock(totals.value.run.end))
const goTo = (target: string) => router.push(`/days/${target}`)
const showing = (what: string) => ({ path: `/days/${date}`, query: what === 'clock' ? {} : { show: what } })
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
      <UiButton v-if="totals.dogs > 0" kind="primary" class="add" @click="emit('add')">Add a dog</UiButton>
      <SpanLinks :date="date" shown="day" />
      <nav aria-label="Other days" class="steps">
        <RouterLink class="link" :to="`/days/${addDays(date, -1)}`">Day before</RouterLink>
        <RouterLink class="link" :to="`/days/${addDays(date, 1)}`">Day after</RouterLink>
        <label class="hidden" for="go-to">Go to a date</label>
        <UiDate id="go-to" :model-value="date" @update:model-value="goTo" />
      </nav>
    </div>
    <div v-if="totals.dogs > 0" class="bar">
      <div v-if="arranging" class="arranging" role="status">
        <UiProgress :share="arranging.share" label="Arranging the day" />
        <span>Arranging</span>
        <UiButton kind="link" @click="emit('stop', true)">Take the best so far</UiButton>
        <UiButton kind="link" @click="emit('stop', false)">Cancel</UiButton>
      </div>
      <UiButton v-else-if="!arranged" kind="primary" @click="emit('arrange')">Arrange the day</UiButton>
      <p class="summary" data-testid="summary">
        <strong>{{ say.count(totals.dogs, 'dog') }}</strong><template v-if="totals.run && end"
          >, <strong>{{ say.minutes(totals.run.handMinutes) }}</strong> of hands, done by
          <strong data-testid="day-end">{{ end }}</strong><template v-if="likelyBy && likelyBy !== end">
            (9 in 10 days by {{ likelyBy }}{{ laterBy ? `; when later, most often through ${laterBy}` : '' }})</template
          >.</template
        >
      </p>
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
/* the first thing that keys come to, the last that is seen */
.add {
  order: 1;
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
}
.views {
  margin-left: auto;
}
@media (max-width: 640px) {
  h1 {
    font-size: 23px;
  }
  .views {
    margin-left: 0;
  }
}
</style>
