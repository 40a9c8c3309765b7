<script setup lang="ts">
import { computed } from 'vue'
import { isDue } from '@core/visit'
import { capital, dueWords } from '@words'
import { useAsk } from '../../api/queries'
import { useDues } from '../../parts/useDues'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'

const say = useSay()
/** A few at first; the dogs' own list has all, in any order. */
const FEW = 8
const today = deviceToday()
const dues = useDues(today)
const { answer: dogs } = useAsk('GET /dogs', {})
/** Dogs that should come within a week, or should have come, and are on no day yet; the longest due first. */
const due = computed(() =>
  (dogs.value ?? [])
    .flatMap(({ id, record }) => {
      const its = dues.value?.get(id)
      return its && isDue(its, today) ? [{ id, name: record.name, its }] : []
    })
    .sort((a, b) => a.its.due!.localeCompare(b.its.due!)),
)
</script>

<template>
  <section class="basin" aria-labelledby="who-is-due">
    <h2 id="who-is-due">Who is due</h2>
    <p v-if="dues && dogs && due.length === 0" class="soft">Nobody within a week who isn’t on a day already.</p>
    <ul>
      <li v-for="d in due.slice(0, FEW)" :key="d.id">
        <RouterLink :to="`/dogs/${d.id}`">{{ d.name }}</RouterLink>
        <b>{{ capital(dueWords(d.its, today, say)) }}</b>
        <span class="soft">last here {{ say.date(d.its.last!, 'day') }}</span>
      </li>
    </ul>
    <RouterLink v-if="due.length > FEW" class="link" to="/dogs">{{ due.length - FEW }} more, among the dogs</RouterLink>
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
  padding: 6px 0;
  border-top: 1.5px solid var(--rule2);
}
a {
  min-width: 110px;
  color: var(--rim);
  font: 600 17px/1.3 var(--display);
}
b {
  color: var(--watch);
}
</style>
