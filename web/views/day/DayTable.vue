<script setup lang="ts">
import UiTable from '../../ui/UiTable.vue'
import { computed } from 'vue'
import { linesOfDay, type DayFacts, type DayState } from '@core/washday'
import { capital, lineWords } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { facts, state } = defineProps<{ facts: DayFacts; state: DayState }>()
const lines = computed(() => linesOfDay(facts, state))
type Line = (typeof lines.value)[number]
const CELLS: Record<string, (line: Line) => string> = {
  from: (line) => say.clock(line.at),
  to: (line) => say.clock(line.until),
  dog: (line) => line.name,
  what: (line) => capital(lineWords(line)),
  minutes: (line) => say.minutes(line.until - line.at),
}
const COLUMNS = [
  { key: 'from', title: 'From' },
  { key: 'to', title: 'To' },
  { key: 'dog', title: 'Dog' },
  { key: 'what', title: 'What' },
  { key: 'minutes', title: 'Minutes', number: true },
]
</script>

<template>
  <div class="wrap basin">
    <UiTable
      v-if="lines.length > 0"
      label="The day’s work in order"
      :columns="COLUMNS"
      :rows="lines"
      :row-key="(line) => `${line.at} ${line.name} ${lineWords(line)}`"
    >
      <template #cell="{ column, row }">{{ CELLS[column.key]!(row) }}</template>
    </UiTable>
    <p v-else class="soft">Nothing is arranged yet.</p>
  </div>
</template>

<style scoped>
.wrap {
  margin-top: 10px;
  overflow-x: auto;
}
</style>
