<script setup lang="ts">
import { computed, ref } from 'vue'
import { centsShown, Price } from '@core/price'
import { handedOver, owedCents, paidCents, PaidHow, paymentsOf } from '@core/tubside'
import { capital, PAID_HOW_NAMES, paidAs, paidWords } from '@words'
import ReceiptLink from '../../parts/ReceiptLink.vue'
import OwedLine from '../../parts/OwedLine.vue'
import CentsText from '../../parts/CentsText.vue'
import { usePrices } from '../../parts/usePrices'
import { me } from '../../api/access'
import { useAsk } from '../../api/queries'
import { tapOn } from '../../api/taps'
import UiTubButton from '../../ui/UiTubButton.vue'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import type { Tub } from './useTub'

const { tub } = defineProps<{ tub: Tub }>()
const say = useSay()
const room = useRoom()
const visit = computed(() => tub.visit.value!)
const whole = computed(() => (me.value?.role ?? 'whole') === 'whole')
const { answer: account, again: askAccount } = useAsk('GET /account', () =>
  whole.value ? { query: { dog: visit.value.dogId } } : undefined,
)
const paid = computed(() => tub.record.value.paid)
const prices = usePrices(() => visit.value.date)
/** What was said, else agreed for this visit, else what it comes to by the list and by what was found. */
const agreed = computed<Price | null>(() => {
  if (paid.value?.price) return paid.value.price
  const { dogId, plan, inputs } = visit.value
  const price = prices.seatOf(dogId)?.price
  return prices.price({ dogId, dog: inputs.dog, today: inputs.today, plan, agreed: price })
})
const owed = computed(() => (paid.value?.price ? owedCents(paid.value) : 0))
/** What is left of the price, else all of it. */
const left = computed<Price | null>(() =>
  agreed.value && owed.value > 0 ? { ...agreed.value, cents: owed.value } : agreed.value,
)
/** Another amount than that, and what it is: the price itself, a part of it, or more of which the rest is a tip. */
const typed = ref<number | null>(null)
const currency = computed(() => agreed.value?.currency ?? room.house?.prices.currency ?? 'EUR')
const read = computed(() =>
  typed.value === null ? undefined : Price.safeParse({ cents: typed.value, currency: currency.value }),
)
const other = computed(() => read.value?.data ?? null)
const wrong = computed(() => read.value?.error?.issues[0]?.message)
const types = ref(false)
type As = 'price' | 'part' | 'tip'
const chosen = ref<As>()
const begun = computed(() => (paid.value ? paymentsOf(paid.value).length > 0 && owed.value > 0 : false))
const ways = computed<As[]>(() => {
  if (!other.value || !left.value || other.value.cents === left.value.cents) return []
  const way = other.value.cents < left.value.cents ? 'part' : 'tip'
  return begun.value ? [way] : [way, 'price']
})
const as = computed(() => ways.value.find((w) => w === chosen.value) ?? ways.value[0])
const amount = computed(() => other.value ?? left.value)
const lacks = ref(false)
/** What else is owed for visits, and isn't paid with this one by a tap here already. */
const others = computed(() =>
  (account.value?.owed ?? []).filter((o) => o.visitId !== visit.value.id && !settled.value.includes(o.visitId)),
)
const settled = ref<string[]>([])
/** What else is owed is paid with it. */
const together = ref(false)
const othersOwe = computed(() => others.value.reduce((sum, o) => sum + o.owed, 0))
const withOthers = computed(() =>
  left.value && othersOwe.value > 0 ? { ...left.value, cents: left.value.cents + othersOwe.value } : null,
)
/** One of the visits paid ahead, or what the owner has left: where there is some. */
const ahead = computed(() => (paid.value ? null : (account.value?.stands.ahead ?? null)))
const credit = computed(() => {
  const { credit = 0 } = account.value?.stands ?? {}
  return left.value && account.value?.currency === left.value.currency && credit >= left.value.cents
})
/** Its day is closed, and all of it was paid then. */
const stays = computed(() => {
  const { closedTo = null } = account.value ?? {}
  return closedTo !== null && visit.value.date <= closedTo && paid.value?.price !== undefined && owed.value === 0
})
const HOWS = computed(() =>
  PaidHow.options.filter((how) => (how === 'package' ? ahead.value : how === 'credit' ? credit.value : true)),
)

/** What of the price is paid by this tap, and what on top; nothing where it is the price as a whole. */
function partOf(how: PaidHow): { cents?: number; tip?: number } {
  const [asked, given] = [left.value?.cents ?? 0, amount.value!.cents]
  if (how === 'later') return begun.value ? { cents: 0 } : {}
  if (as.value === 'part') return { cents: given }
  if (as.value === 'tip') return { cents: asked, tip: given - asked }
  return begun.value ? { cents: asked } : {}
}
function take(how: PaidHow) {
  lacks.value = amount.value === null
  if (!amount.value || wrong.value) return
  const price = as.value === 'price' || !agreed.value ? amount.value : agreed.value
  if (how === 'package') {
    const one = { cents: ahead.value!.cents, currency: account.value!.currency }
    tub.tap({ kind: 'paid', price: one, how, cents: one.cents })
  } else tub.tap({ kind: 'paid', price, how, ...partOf(how) })
  if (together.value && how !== 'later' && how !== 'package') void payOthers(how)
  types.value = false
  typed.value = null
}
/** The other visits are paid by the same, each whole. */
async function payOthers(how: PaidHow) {
  const { currency } = account.value!
  for (const { visitId, price, owed } of others.value) {
    await tapOn(visitId, { kind: 'paid', price: { cents: price, currency }, how, cents: owed })
    settled.value = [...settled.value, visitId]
  }
  together.value = false
  askAccount()
}
const asks = computed(() => {
  if (paid.value?.price) return `${capital(paidWords(paid.value, say))}.`
  if (together.value && withOthers.value) return `${say.money(withOthers.value)}: paid how?`
  return amount.value ? `${say.money(amount.value)}: paid how?` : 'What was paid?'
})
</script>

<template>
  <h2 class="ask" data-testid="paid">{{ asks }}</h2>
  <p v-if="paid?.price && paidCents(paid) > 0 && handedOver(paid).length > 0">
    <ReceiptLink :visit-id="visit.id" :paid="paid" :others="settled" />
  </p>
  <template v-if="withOthers && !types && owed > 0 === !!paid">
    <p>{{ say.money({ cents: othersOwe, currency }) }} owed for {{ say.list(others.map((o) => o.dog)) }}.</p>
    <div class="choices">
      <UiTubButton :on="together" @click="together = !together">All of it: {{ say.money(withOthers) }}</UiTubButton>
    </div>
  </template>
  <OwedLine v-else :dog-id="visit.dogId" :not="visit.id" :visits-alone="ahead !== null" />
  <CentsText
    v-if="types || !agreed"
    v-model="typed"
    class="amount"
    :label="`Amount, ${currency}`"
    :error="wrong"
    :placeholder="left ? centsShown(left.cents) : undefined"
  />
  <div v-if="ways.length > 0" class="choices" role="group" aria-label="That is">
    <UiTubButton v-for="way in ways" :key="way" :on="as === way" @click="chosen = way">
      {{ capital(paidAs(way, left!, other!, say)) }}
    </UiTubButton>
  </div>
  <p v-if="lacks && !amount" class="field-error" role="alert">Give the amount first.</p>
  <p v-if="stays" class="closed">
    Its day is closed: put it right in
    <RouterLink v-if="account?.ownerId" class="link" :to="`/owners/${account.ownerId}`">the owner’s account</RouterLink
    ><template v-else>the owner’s account</template>.
  </p>
  <div v-else class="choices">
    <UiTubButton v-for="how in HOWS" :key="how" :on="paid?.how === how && !types" @click="take(how)">
      {{ capital(PAID_HOW_NAMES[how]) }}<template v-if="how === 'package' && ahead">, {{ ahead.visits }} left</template>
    </UiTubButton>
    <UiTubButton v-if="agreed && !types" kind="quiet" @click="types = true">Another amount</UiTubButton>
  </div>
</template>

<style scoped>
.closed :deep(.link) {
  font-size: inherit;
}
.amount {
  max-width: 240px;
}
.ask {
  margin-top: 20px;
  font-size: 30px;
}
</style>
