<script setup lang="ts">
import { computed, ref } from 'vue'
import type { OwedVisit } from '@core/money'
import { MoneyHow } from '@core/tubside'
import { capital, owedWords, PAID_HOW_NAMES, standsWords } from '@words'
import { me } from '../api/access'
import { useAsk } from '../api/queries'
import { tapOn } from '../api/taps'
import { useSay } from '../say'
import UiButton from '../ui/UiButton.vue'
import ProblemNote from './ProblemNote.vue'
import { useTell } from './useTell'

const { dogId, not, visitsAlone } = defineProps<{
  dogId: string
  /** A visit whose money is told elsewhere on the screen. */
  not?: string
  /** What is owed beside visits is told elsewhere on the screen. */
  visitsAlone?: boolean
}>()
const say = useSay()
const told = computed(() => (me.value?.role ?? 'whole') === 'whole')
const { answer, again } = useAsk('GET /account', () => (told.value ? { query: { dog: dogId } } : undefined))
/** What was paid here and the server may not have yet, by visit: it isn't asked for again. */
const paidHere = ref<Record<string, number>>({})
const owed = computed(() =>
  (answer.value?.owed ?? []).filter((o) => o.visitId !== not && paidHere.value[o.visitId] !== o.owed),
)
const currency = computed(() => answer.value?.currency ?? '')
/** What else stands in the account. */
const beside = computed(() => {
  if (visitsAlone || !answer.value?.ownerId) return ''
  return capital(say.list(standsWords(answer.value.stands, currency.value, say)))
})
const words = computed(() => capital(owedWords(owed.value, currency.value, say)))
const takes = ref(false)
const HOWS = MoneyHow.options
const { busy, problem, tell } = useTell()
/** All that is owed for a visit is paid now. */
const pay = ({ visitId, price, owed: cents }: OwedVisit, how: (typeof HOWS)[number]) =>
  tell(async () => {
    await tapOn(visitId, { kind: 'paid', price: { cents: price, currency: currency.value }, how, cents })
    paidHere.value = { ...paidHere.value, [visitId]: cents }
    again()
  })
</script>

<template>
  <div v-if="owed.length > 0 || beside" class="owed" data-testid="owed">
    <p v-if="beside">
      <RouterLink class="link" :to="`/owners/${answer!.ownerId}`">{{ beside }}</RouterLink>
    </p>
    <p v-if="owed.length > 0">
      <strong>{{ words }}</strong>
      <UiButton kind="link" :aria-expanded="takes" @click="takes = !takes">{{ takes ? 'Close' : 'Paid now' }}</UiButton>
    </p>
    <ul v-if="takes">
      <li v-for="o in owed" :key="o.visitId">
        <RouterLink class="link" :to="`/logbook/${o.visitId}`">{{ o.dog }}, {{ say.date(o.date, 'short') }}</RouterLink>
        <span>{{ say.money({ cents: o.owed, currency }) }}</span>
        <UiButton v-for="how in HOWS" :key="how" :disabled="busy" @click="pay(o, how)"
          >{{ capital(PAID_HOW_NAMES[how])
          }}<span class="hidden"> for {{ o.dog }}, {{ say.date(o.date, 'short') }}</span></UiButton
        >
      </li>
    </ul>
    <ProblemNote v-if="problem" :problem="problem" />
  </div>
</template>

<style scoped>
.owed {
  flex: 1 1 100%;
}
p,
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
strong {
  color: var(--watch);
}
</style>
