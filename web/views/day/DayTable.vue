<script setup lang="ts">
import { computed } from 'vue'
import { linesOfDay, type DayFacts, type DayState } from '../../../core/washday'
import { capital, lineWords } from '../../../words'
import { useSay } from '../../say'

const say = useSay()

const { facts, state } = defineProps<{ facts: DayFacts; state: DayState }>()
const lines = computed(() => linesOfDay(facts, state))
</script>

<template>
  <div class="wrap basin">
    <table>
      <caption class="hidden">
        The day’s work in order
      </caption>
      <thead>
        <tr>
          <th scope="col">From</th>
          <th scope="col">To</th>
          <th scope="col">Dog</th>
          <th scope="col">What</th>
          <th scope="col">Minutes</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(line, i) in lines" :key="i">
          <td>{{ say.clock(line.at) }}</td>
          <td>{{ say.clock(line.until) }}</td>
          <td>{{ line.name }}</td>
          <td>{{ capital(lineWords(line)) }}</td>
          <td>{{ say.minutes(line.until - line.at) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="lines.length === 0" class="soft">Nothing is arranged yet.</p>
  </div>
</template>

<style scoped>
.wrap {
  margin-top: 10px;
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 6px 12px 6px 0;
  border-bottom: 1.5px solid var(--rule2);
  text-align: left;
  white-space: nowrap;
}
th {
  color: var(--ink2);
  font-size: 14px;
}
</style>
