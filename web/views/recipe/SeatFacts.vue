<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Seat } from '@core/washday'
import { changeSeat } from '../../api/days'
import { keepPhoto } from '../../api/photos'
import { useAsk } from '../../api/queries'
import AgreedFields from '../../parts/AgreedFields.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { useSay } from '../../say'
import UiCamera from '../../ui/UiCamera.vue'
import UiFold from '../../ui/UiFold.vue'
import UiTime from '../../ui/UiTime.vue'
import type { Dog } from '@core/dog'
import { todayFromRecord, type Plan, type Today } from '@core/visit'
import { capital, priceInsteadWords, priceChange, priceMessage } from '@words'
import OwedLine from '../../parts/OwedLine.vue'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import { usePrices } from '../../parts/usePrices'
import UiButton from '../../ui/UiButton.vue'

const { dogId, dog, today, plan, reckon } = defineProps<{
  dogId: string
  dog: Dog
  today: Today
  plan: Plan
  /** What a visit comes to for some condition. */
  reckon: (today: Today) => Plan | undefined
}>()
const date = computed(() => today.date)
const say = useSay()
const { answer: day, again } = useAsk('GET /days/{date}', () => ({ params: { date: date.value } }))
const seat = computed(() => day.value?.record.seats.find((s) => s.dogId === dogId))
const { busy, problem, tell } = useTell()
const put = (change: Partial<Seat>) =>
  tell(async () => {
    await changeSeat(date.value, dogId, change)
    again()
  })
/** How many photographs were kept here, so that it is seen. */
const taken = ref(0)
const take = (file: File) =>
  tell(async () => {
    await keepPhoto({ dogId, shows: 'before' }, file)
    taken.value++
  })
const prices = usePrices(date)
/** The price with what is found now, where nothing is typed for this visit. */
const price = computed(() => prices.price({ dogId, dog, today, plan }))
/** What it was thought to be: the dog as its record expects it, for what it is booked for. */
const thought = computed(() => {
  const service = seat.value?.service ?? today.service
  const expected = { ...todayFromRecord(dog, date.value), service }
  const before = reckon(expected)
  return before ? prices.price({ dogId, dog, today: expected, plan: before }) : null
})
const changed = computed(() => {
  if (!seat.value || !price.value || seat.value.price || !thought.value) return undefined
  return price.value.cents > thought.value.cents ? { now: price.value, before: thought.value } : undefined
})
const why = computed(() => {
  const number = prices.number({ dogId, dog, today, plan })
  return number ? priceChange(number, say) : ''
})
const writes = ref(false)
const wrong = ref<string>()
function fetched(pickup: number) {
  wrong.value = pickup <= seat.value!.arrive ? 'The pick-up must come after the arrival.' : undefined
  if (!wrong.value) void put({ pickup })
}
const title = computed(() => {
  const { pickup, price: own, note: said } = seat.value!
  const agreed = own ?? price.value
  return [`Picked up by ${say.clock(pickup)}`, agreed ? say.money(agreed) : 'no price', said].filter(Boolean).join(', ')
})
</script>

<template>
  <OwedLine :dog-id="dogId" />
  <div v-if="changed" class="changed" data-testid="price-changed">
    <p>
      <strong>{{ capital(priceInsteadWords(changed.now, changed.before, say)) }}</strong>: {{ why }}.
    </p>
    <UiButton :aria-expanded="writes" @click="writes = !writes">Tell the owner</UiButton>
    <UiButton kind="link" @click="put({ price: changed.now })">It is agreed</UiButton>
    <UiButton kind="link" @click="put({ price: changed.before })">Leave it at {{ say.money(changed.before) }}</UiButton>
    <OwnerMessage
      v-if="writes"
      class="wide"
      :dog-id="dogId"
      :message="priceMessage(dog.name, changed.now, changed.before, why, say)"
      @close="writes = false"
    />
  </div>
  <UiFold v-if="seat" :title="title">
    <div class="seat-facts">
      <UiTime label="Picked up by" :model-value="seat.pickup" :error="wrong" @update:model-value="fetched" />
      <AgreedFields :seat="seat" :usual="price" @put="put" />
      <UiCamera label="Photograph, before" chooses @file="take"><span class="link">Photograph</span></UiCamera>
      <p v-if="busy" role="status">Keeping it</p>
      <p v-else-if="taken > 0" role="status">{{ say.count(taken, 'photograph') }} kept.</p>
    </div>
    <ProblemNote v-if="problem" :problem="problem" />
  </UiFold>
</template>

<style scoped>
.changed {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
.wide {
  flex: 1 1 100%;
}
.seat-facts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: flex-end;
}
</style>
