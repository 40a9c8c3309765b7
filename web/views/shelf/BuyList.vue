<script setup lang="ts">
import Papa from 'papaparse'
import { computed } from 'vue'
import { capital } from '@words'
import { useSay } from '../../say'
import { useToast } from '../../ui/toast'
import UiButton from '../../ui/UiButton.vue'
import type { BuyLine } from './useStock'

const { lines, currency } = defineProps<{ lines: BuyLine[]; currency: string }>()
const say = useSay()
const toast = useToast()

const money = (price: number | null) => (price === null ? '' : `${say.number(price, 2)} ${currency}`)
const sum = computed(() => lines.reduce((total, l) => total + (l.price ?? 0), 0))
const text = computed(() => lines.map((l) => `${l.product.record.name}: ${l.why}`).join('\n'))
async function copy() {
  try {
    await navigator.clipboard.writeText(text.value)
    toast.said('The list is copied.')
  } catch {
    toast.said('This browser doesn’t let the list be copied. Save it as a table instead.')
  }
}
function save() {
  const csv = Papa.unparse(
    lines.map((l) => ({ product: l.product.record.name, why: l.why, left: l.left, price: l.price ?? '' })),
    { escapeFormulae: true },
  )
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([csv], { type: 'text/csv' }))
  link.download = 'to buy.csv'
  link.click()
  URL.revokeObjectURL(link.href)
}
const print = () => window.print()
</script>

<template>
  <section class="basin buy" aria-labelledby="buy-title">
    <h2 id="buy-title">To buy</h2>
    <ul>
      <li v-for="l in lines" :key="l.product.id">
        <RouterLink class="name" :to="`/shelf/${l.product.id}`">{{ l.product.record.name }}</RouterLink>
        <span>{{ capital(l.why) }}</span>
        <span class="soft">{{ money(l.price) }}</span>
      </li>
    </ul>
    <p v-if="sum > 0" class="soft">One of each, where the price is known: {{ money(sum) }}.</p>
    <div class="links">
      <UiButton kind="link" @click="copy">Copy</UiButton>
      <UiButton kind="link" @click="save">Save as CSV</UiButton>
      <UiButton kind="link" @click="print">Print</UiButton>
    </div>
  </section>
</template>

<style scoped>
.buy {
  max-width: 760px;
  margin-bottom: 12px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.6fr) auto;
  gap: 12px;
  padding: 5px 0;
  border-top: 1px solid var(--rule);
}
.name {
  color: var(--rim);
  font-weight: 700;
  overflow-wrap: anywhere;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
</style>
