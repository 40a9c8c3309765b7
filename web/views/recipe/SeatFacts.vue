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
import type { Price } from '@core/price'

const { dogId, date, price } = defineProps<{
  dogId: string
  date: string
  /** What is agreed for its usual visit. */
  price: Price | null
}>()
const say = useSay()
const { answer: day, again } = useAsk('GET /days/{date}', () => ({ params: { date } }))
const seat = computed(() => day.value?.record.seats.find((s) => s.dogId === dogId))
const { busy, problem, tell } = useTell()
const put = (change: Partial<Seat>) =>
  tell(async () => {
    await changeSeat(date, dogId, change)
    again()
  })
/** How many photographs were kept here, so that it is seen. */
const taken = ref(0)
const take = (file: File) =>
  tell(async () => {
    await keepPhoto({ dogId, shows: 'before' }, file)
    taken.value++
  })
const wrong = ref<string>()
function fetched(pickup: number) {
  wrong.value = pickup <= seat.value!.arrive ? 'The pick-up must come after the arrival.' : undefined
  if (!wrong.value) void put({ pickup })
}
const title = computed(() => {
  const { pickup, price: own, note: said } = seat.value!
  const agreed = own ?? price
  return [`Picked up by ${say.clock(pickup)}`, agreed ? say.money(agreed) : 'no price', said].filter(Boolean).join(', ')
})
</script>

<template>
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
.seat-facts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: flex-end;
}
</style>
