<script setup lang="ts">
import { computed } from 'vue'
import type { Booking, Spread } from '@core/washday'
import { bookedWords, unplacedWords } from '@words'
import { useAsk } from '../../api/queries'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'

const { spread, spreading } = defineProps<{
  /** What was found, and how far it is while it is looked for. */
  spread?: Spread
  spreading?: { done: number; of: number }
  putting: boolean
}>()
const emit = defineEmits<{ look: []; stop: []; put: [bookings: Booking[]] }>()
const say = useSay()
const { answer: dogs } = useAsk('GET /dogs', {})
const nameOf = (id: string) => dogs.value?.find((d) => d.id === id)?.record.name ?? 'A dog'
const byDate = computed(() => {
  const dates = [...new Set(spread?.bookings.map((b) => b.date))]
  return dates.map((date) => ({ date, own: spread!.bookings.filter((b) => b.date === date) }))
})
</script>

<template>
  <section class="spread" aria-labelledby="spread-title">
    <div class="head">
      <h2 id="spread-title">Who is due in these weeks</h2>
      <UiButton v-if="!spreading" @click="emit('look')">Find them days</UiButton>
    </div>
    <p v-if="spreading" role="status" class="soft">
      Trying days, so that each has hands, hot water and quiet enough: {{ spreading.done }} of {{ spreading.of }} visits
      <UiButton kind="link" @click="emit('stop')">Stop</UiButton>
    </p>
    <p v-else-if="spread && spread.bookings.length === 0 && spread.unplaced.length === 0" role="status" class="soft">
      Nobody is due in these weeks who isn’t on a day already.
    </p>
    <div v-else-if="spread" class="basin" aria-live="polite">
      <ul>
        <li v-for="{ date, own } in byDate" :key="date">
          <span class="date">{{ say.date(date, 'weekday') }} {{ say.date(date, 'day') }}</span>
          <span>
            <span v-for="b in own" :key="b.dogId" class="one">
              <strong class="display">{{ nameOf(b.dogId) }}</strong> {{ bookedWords(b, say) }}
            </span>
          </span>
        </li>
        <li v-for="u in spread.unplaced" :key="u.dogId + u.due" class="left">
          <span class="date">no day</span>
          <span>
            <strong class="display">{{ nameOf(u.dogId) }}</strong> {{ unplacedWords(u, say) }}
          </span>
        </li>
      </ul>
      <UiButton
        v-if="spread.bookings.length > 0"
        kind="primary"
        :disabled="putting"
        @click="emit('put', spread.bookings)"
      >
        {{ putting ? 'Putting them down' : 'Put them on their days' }}
      </UiButton>
    </div>
    <p v-else class="soft">
      Dogs that come again and again are put where a day has room. Each comes as near to its date as can be.
    </p>
  </section>
</template>

<style scoped>
.spread {
  margin-top: 22px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
}
li {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr);
  gap: 2px 16px;
  padding: 6px 0;
  border-bottom: 1.5px solid var(--rule2);
}
.date {
  font-weight: 600;
}
.one {
  display: inline-block;
  margin-right: 22px;
}
.display {
  font-size: 17px;
}
.left {
  color: var(--stop);
}
.basin {
  margin-top: 6px;
}
.basin .primary {
  margin-top: 10px;
}
@media (max-width: 600px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
