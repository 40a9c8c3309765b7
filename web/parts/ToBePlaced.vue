<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { DogToPlace } from '@contract'
import type { Seat } from '@core/washday'
import { asProblem, type ApiProblem } from '../api/client'
import { days, putOn, rebook } from '../api/days'
import { useAsk } from '../api/queries'
import { useSay } from '../say'
import UiButton from '../ui/UiButton.vue'
import { useToast } from '../ui/toast'
import OtherDays from './OtherDays.vue'
import PickDay from './PickDay.vue'
import ProblemNote from './ProblemNote.vue'
import { deviceToday } from './words'
import { useNotComing, type Missed } from './useNotComing'
import { feeWords, toPlaceWords } from '@words'

/** Dogs that were taken off a day, or didn't fit, and are on none: with why, and the next days that take them. */
const say = useSay()
const toast = useToast()
const today = deviceToday()
const { answer } = useAsk('GET /to-place', { query: { on: today } })
const waiting = computed(() => answer.value ?? [])
/** Whose days are being looked for. */
const open = ref<string>()
const problem = shallowRef<ApiProblem>()

async function tried(work: () => Promise<unknown>) {
  problem.value = undefined
  try {
    await work()
    open.value = undefined
  } catch (error) {
    problem.value = asProblem(error)
  }
}
/** The dog comes on a day as it was booked. */
const place = ({ seat, date, name }: DogToPlace, target: string) =>
  tried(async () => {
    const { record } = await days.get(date)
    if (target === date) await putOn(date, [seat], record)
    else await rebook([{ date: target, seats: [seat], like: record }], [{ date, dogIds: [seat.dogId] }])
    toast.said(`${name} comes on ${say.date(target)}.`)
  })
const { asks, how, notComing } = useNotComing()
/** It isn't to come any more; with a rule of the house that asks something for that, once that is answered. */
const letGo = (w: DogToPlace, missed: Missed, asked?: 'ask' | 'leave') =>
  tried(async () => {
    const entry = await notComing(w, missed, asked)
    if (!entry) return
    const { seat, date, name, why } = w
    await rebook([], [{ date, dogIds: [seat.dogId] }])
    toast.undone(`${name} is off the list.`, async () => {
      await entry.takeBack()
      const { version, record } = await days.get(date)
      await days.keep(version, { ...record, toPlace: [...record.toPlace, { seat, why }] })
      return `${name} is to be placed again.`
    })
  })
/** Days are looked for from tomorrow on at the earliest. */
const after = (date: string) => (date > today ? date : today)
const nameOf = (seats: readonly Seat[]) => (dogId: string) =>
  waiting.value.find((w) => w.seat.dogId === dogId && seats.includes(w.seat))?.name ?? ''
</script>

<template>
  <section v-if="waiting.length > 0" class="to-place" aria-labelledby="to-place-title">
    <h2 id="to-place-title">To be placed</h2>
    <ProblemNote v-if="problem" :problem="problem" />
    <ul>
      <li v-for="w in waiting" :key="w.seat.dogId">
        <p>
          <strong class="display">{{ w.name }}</strong> <span class="soft">{{ toPlaceWords(w, say) }}</span>
        </p>
        <div class="acts">
          <UiButton
            kind="link"
            :aria-expanded="open === w.seat.dogId"
            @click="open = open === w.seat.dogId ? undefined : w.seat.dogId"
            >Next days<span class="hidden"> for {{ w.name }}</span></UiButton
          >
          <UiButton v-if="w.date >= today" kind="link" @click="place(w, w.date)"
            >Back to it<span class="hidden">: {{ w.name }}</span></UiButton
          >
          <UiButton v-for="{ missed, text } in how(w)" :key="missed" kind="link" @click="letGo(w, missed)"
            >{{ text }}<span class="hidden">: {{ w.name }}</span></UiButton
          >
        </div>
        <div v-if="asks?.dogId === w.seat.dogId" class="acts" role="alert">
          <p>{{ feeWords(w.name, asks.hours, asks.fee, say) }}</p>
          <UiButton @click="letGo(w, asks.missed, 'ask')">Ask {{ say.money(asks.fee) }}</UiButton>
          <UiButton @click="letGo(w, asks.missed, 'leave')">Ask nothing</UiButton>
        </div>
        <template v-if="open === w.seat.dogId">
          <OtherDays
            :date="after(w.date)"
            :seats="[w.seat]"
            :name-of="nameOf([w.seat])"
            @move="(_seats, date) => place(w, date)"
          />
          <PickDay :label="`A day for ${w.name}`" :not="[w.date]" @pick="place(w, $event)" />
        </template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.to-place {
  margin-top: 12px;
}
h2 {
  font-size: 18px;
}
li {
  padding: 4px 0;
  border-top: 1.5px solid var(--rule2);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}
</style>
