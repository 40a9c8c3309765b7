<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Price } from '@core/price'
import { PaidHow } from '@core/tubside'
import { capital, PAID_HOW_NAMES, paidWords } from '@words'
import { useAsk } from '../../api/queries'
import PriceText from '../../parts/PriceText.vue'
import UiTubButton from '../../ui/UiTubButton.vue'
import { useSay } from '../../say'
import type { Tub } from './useTub'

const { tub } = defineProps<{ tub: Tub }>()
const say = useSay()
const visit = computed(() => tub.visit.value!)
const paid = computed(() => tub.record.value.paid)
const { answer: day } = useAsk('GET /days/{date}', () => ({ params: { date: visit.value.date } }))
/** What was agreed for this visit, else what it usually costs. */
const agreed = computed<Price | null>(() => {
  const seat = day.value?.record.seats.find((s) => s.dogId === visit.value.dogId)
  return paid.value?.price ?? seat?.price ?? visit.value.inputs.dog.price
})
/** Another amount than what was agreed. */
const other = ref<Price | null>(null)
const types = ref(false)
const price = computed(() => other.value ?? agreed.value)
const lacks = ref(false)
function take(how: PaidHow) {
  lacks.value = price.value === null
  if (price.value) tub.tap({ kind: 'paid', price: price.value, how })
}
</script>

<template>
  <h2 class="ask" data-testid="paid">
    {{ paid ? `${capital(paidWords(paid, say))}.` : price ? `${say.money(price)}: paid how?` : 'What was paid?' }}
  </h2>
  <PriceText v-if="types || !agreed" v-model="other" class="amount" label="Amount" :usual="agreed" />
  <p v-if="lacks && !price" class="field-error" role="alert">Give the amount first.</p>
  <div class="choices">
    <UiTubButton v-for="how in PaidHow.options" :key="how" :on="paid?.how === how" @click="take(how)">
      {{ capital(PAID_HOW_NAMES[how]) }}
    </UiTubButton>
    <UiTubButton v-if="agreed && !types" kind="quiet" @click="types = true">Another amount</UiTubButton>
  </div>
</template>

<style scoped>
.amount {
  max-width: 240px;
}
.ask {
  margin-top: 20px;
  font-size: 30px;
}
</style>
