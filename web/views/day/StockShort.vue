<script setup lang="ts">
import { computed } from 'vue'
import { isWeighed } from '@core/mix'
import { shortOf } from '@core/stock'
import { neededOf } from '@core/visit'
import type { DayState } from '@core/washday'
import { useAsk } from '../../api/queries'
import StateMark from '../../parts/StateMark.vue'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'

const { date, state } = defineProps<{ date: string; state: DayState }>()

const say = useSay()
const room = useRoom()
const ahead = computed(() => date >= deviceToday())
const { answer: stock } = useAsk('GET /stock', () => (ahead.value ? { query: { on: deviceToday() } } : undefined))
/** What the day takes of every product, all dogs together. */
const needed = computed(() => {
  const all = new Map<string, { id: string; name: string; mL: number }>()
  for (const { plan } of state.seats)
    for (const n of neededOf(plan, room.shelf)) all.set(n.id, { ...n, mL: n.mL + (all.get(n.id)?.mL ?? 0) })
  return [...all.values()]
})
const short = computed(() =>
  ahead.value && stock.value
    ? shortOf(needed.value, new Map(stock.value.map((l) => [l.productId, l.level])), (id) => {
        const product = room.shelf.find((p) => p.id === id)
        return product !== undefined && isWeighed(product.form)
      })
    : [],
)
</script>

<template>
  <div v-if="short.length > 0" class="short" role="status" data-testid="short">
    <ul>
      <li v-for="line in short" :key="line.facts.product">
        <StateMark state="watch" :size="20" /> {{ say.said(line) }}
        <RouterLink class="link" to="/shelf">Shelf</RouterLink>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.short {
  margin-bottom: 8px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  font-weight: 600;
}
</style>
