<script setup lang="ts">
import { computed, ref } from 'vue'
import { scoreDay, weigh, WISHED } from '@core/day'
import { TERMS, type DayFacts, type DayState, type WashDay } from '@core/washday'
import { priceWords, TERM_WORDS, termNow, tradeWords } from '@words'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import UiTime from '../../ui/UiTime.vue'
import { useTrades } from './useTrades'

const { facts, state } = defineProps<{ facts: DayFacts; state: DayState }>()
const emit = defineEmits<{ take: [plan: NonNullable<WashDay['plan']>]; close: [] }>()
const say = useSay()
const { trades, looking, price, pricing, problem, look, stop, ask } = useTrades(() => facts)

const EVERYONE = ''
const who = ref(EVERYONE)
const choices = computed(() => [
  { value: EVERYONE, text: 'everyone' },
  ...state.seats.map((s) => ({ value: s.seat.id, text: s.dog.name })),
])
const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id)?.dog.name ?? id
const readyOf = (id: string) => state.run?.seats.find((s) => s.id === id)?.ready ?? facts.day.hours.to
const HALF_AN_HOUR = 30
/** What is asked first: half an hour sooner than now, on the half hour. */
const usual = computed(() => {
  const ends = who.value === EVERYONE ? state.seats.map((s) => readyOf(s.seat.id)) : [readyOf(who.value)]
  return HALF_AN_HOUR * Math.floor((Math.max(...ends) - HALF_AN_HOUR) / HALF_AN_HOUR)
})
const typed = ref<number>()
const by = computed(() => typed.value ?? usual.value)

/** What the day is weighed by and how it comes out, with what another order could do about it. */
const lines = computed(() => {
  const { problem: of, schedule } = state
  if (!schedule) return []
  const minutes = { late: scoreDay(of, schedule).late, ...weigh(of, schedule) }
  return TERMS.map((term) => {
    const { name } = TERM_WORDS[term]
    const trade = trades.value.find((t) => t.wish === term)
    const at = term === 'end' ? minutes.end + facts.day.hours.from : minutes[term]
    const off = term !== 'late' && facts.house.wishes[term] === 'off'
    return { term, name, now: termNow(term, at, say), trade, off, met: at === 0 }
  })
})
const asked = computed(() => WISHED.length)
</script>

<template>
  <section class="basin" aria-labelledby="trades">
    <div class="head">
      <h2 id="trades">What another order would change</h2>
      <UiButton kind="link" @click="emit('close')">Close</UiButton>
    </div>
    <ProblemNote v-if="problem" :problem="problem"
      ><UiButton kind="link" @click="look">Try again</UiButton></ProblemNote
    >
    <dl>
      <div v-for="l in lines" :key="l.term" :class="{ met: l.met }">
        <dt>{{ l.name }}</dt>
        <dd>
          <strong>{{ l.now }}</strong>
          <span v-if="l.off" class="soft"> Counts for nothing in this house.</span>
          <p v-if="l.trade" class="trade">
            <span>{{ tradeWords(l.trade, say) }}</span>
            <UiButton kind="link" @click="emit('take', l.trade.plan)">Take that order</UiButton>
          </p>
        </dd>
      </div>
    </dl>
    <p v-if="looking" role="status" class="soft">
      Trying {{ asked }} other orders, each with one wish above the others.
      <UiButton kind="link" @click="stop">Stop</UiButton>
    </p>
    <p v-else-if="trades.length === 0" role="status" class="soft">
      No order was found that meets one of these better without somebody being later.
    </p>
    <p>
      <RouterLink class="link" to="/house/wishes">What counts how much</RouterLink>
    </p>
    <form class="wish" @submit.prevent="ask({ seatId: who === EVERYONE ? null : who, by })">
      <UiField label="What would it cost to have" for-id="wish-who">
        <UiSelect id="wish-who" v-model="who" :options="choices" @update:model-value="typed = undefined" />
      </UiField>
      <UiTime label="ready by" :model-value="by" @update:model-value="typed = $event" />
      <UiButton submit>{{ pricing ? 'Working it out' : 'Work it out' }}</UiButton>
    </form>
    <p v-if="price" role="status" class="price">
      <template v-if="price.answer">
        {{ price.wish.seatId === null ? 'Everyone' : nameOf(price.wish.seatId) }} by {{ say.clock(price.wish.by) }}:
        {{ priceWords(price.answer, nameOf, say) }}
        <UiButton v-if="price.answer.granted" kind="link" @click="emit('take', price.answer.plan)"
          >Take that order</UiButton
        >
      </template>
      <template v-else>No order of the day was found for that. Let a pin go, or ask for a later time.</template>
    </p>
  </section>
</template>

<style scoped>
.basin {
  margin-top: 10px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  justify-content: space-between;
}
dl > div {
  display: grid;
  grid-template-columns: minmax(150px, 1fr) 2.4fr;
  gap: 2px 18px;
  padding: 6px 0;
  border-top: 1.5px solid var(--rule2);
}
dd {
  margin: 0;
}
.trade {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  align-items: center;
}
.met {
  color: var(--ink2);
}
.met strong {
  font-weight: 400;
}
.wish {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: flex-end;
  margin-top: 8px;
}
.wish > :first-child {
  min-width: 190px;
}
.price {
  margin-top: 8px;
}
@media (max-width: 600px) {
  dl > div {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
