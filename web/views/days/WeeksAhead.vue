<script setup lang="ts">
import { computed } from 'vue'
import type { DaySummary } from '@contract'
import { addDays } from '@core/visit'
import { pairOf } from '../../drawing/colours'
import { useSay } from '../../say'

const { first, weeks, days, today } = defineProps<{
  /** The first day of the first week. */
  first: string
  weeks: number
  days: readonly DaySummary[]
  today: string
}>()
const say = useSay()

const of = computed(() => new Map(days.map((d) => [d.date, d])))
const grid = computed(() =>
  Array.from({ length: weeks }, (_, w) => Array.from({ length: 7 }, (_, d) => addDays(first, 7 * w + d))),
)
function labelOf(date: string) {
  const day = of.value.get(date)
  return day
    ? `${say.date(date)}, ${say.count(day.dogs.length, 'dog')}: ${say.list(day.dogs.map((g) => g.name))}`
    : say.date(date)
}
/** The name of the month stands with its first day, and with the first that is shown. */
const monthOf = (date: string) =>
  date.endsWith('-01') || date === first ? say.date(date, 'day') : date.slice(8).replace(/^0/, '')
</script>

<template>
  <div class="weeks">
    <p v-for="date in grid[0]" :key="date" class="weekday soft" aria-hidden="true">{{ say.date(date, 'weekday') }}</p>
    <template v-for="week in grid" :key="week[0]">
      <RouterLink
        v-for="date in week"
        :key="date"
        :to="`/days/${date}`"
        :aria-label="labelOf(date)"
        :aria-current="date === today ? 'date' : undefined"
        class="cell"
        :class="{ past: date < today, empty: !of.has(date) }"
      >
        <span class="date wide">{{ monthOf(date) }}</span>
        <span class="date narrow">{{ say.date(date, 'weekday') }}, {{ say.date(date, 'day') }}</span>
        <template v-if="of.has(date)">
          <span v-for="dog in of.get(date)!.dogs" :key="dog.dogId" class="dog" :style="{ color: pairOf(dog).stroke }">{{
            dog.name
          }}</span>
          <span v-if="date >= today && !of.get(date)!.arranged" class="soft small">not arranged yet</span>
        </template>
      </RouterLink>
    </template>
  </div>
</template>

<style scoped>
.weeks {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: 0 8px;
}
.weekday {
  font-weight: 600;
}
.cell {
  display: flex;
  flex-direction: column;
  min-height: 84px;
  padding: 4px 6px 8px;
  border-top: 1.5px solid var(--rule);
  border-radius: 0 0 13px 13px;
  color: var(--ink);
  text-decoration: none;
}
.cell:hover {
  background: var(--enamel);
}
.date {
  font-weight: 600;
}
.date.narrow {
  display: none;
}
.past .date,
.empty .date {
  color: var(--ink2);
  font-weight: 400;
}
.cell[aria-current] {
  border-top: 3px solid var(--rim);
  background: var(--enamel);
}
.dog {
  overflow: hidden;
  font: 600 15px/1.4 var(--display);
  text-overflow: ellipsis;
  white-space: nowrap;
}
@media (max-width: 760px) {
  .weeks {
    grid-template-columns: minmax(0, 1fr);
  }
  .weekday {
    display: none;
  }
  .date.wide {
    display: none;
  }
  .date.narrow {
    display: inline;
  }
  .cell {
    flex-direction: row;
    flex-wrap: wrap;
    gap: 0 12px;
    align-items: baseline;
    min-height: 44px;
    padding: 10px 6px;
  }
  .date {
    min-width: 150px;
  }
  .cell.empty:not([aria-current]) {
    display: none;
  }
}
</style>
