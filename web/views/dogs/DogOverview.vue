<script setup lang="ts">
import { computed, ref } from 'vue'
import type { StoredDog } from '@contract'
import { skinMap } from '@core/dog'
import { rulesFor } from '@core/rules'
import { dueState, nextVisit, todayFromRecord } from '@core/visit'
import { capital, dueWords, zonesListed } from '@words'
import { asProblem, type ApiProblem } from '../../api/client'
import { putDogsOn } from '../../api/days'
import { useAsk } from '../../api/queries'
import BecauseList from '../../parts/BecauseList.vue'
import PickDay from '../../parts/PickDay.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useDues } from '../../parts/useDues'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import { useToast } from '../../ui/toast'
import UiButton from '../../ui/UiButton.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import MinutesTrend from './MinutesTrend.vue'

const { stored } = defineProps<{ stored: StoredDog }>()
/** From when on the log is to be learned from; null for all of it. */
const emit = defineEmits<{ learnFrom: [date: string | null] }>()

const say = useSay()
const room = useRoom()
const toast = useToast()
const today = deviceToday()
const dog = computed(() => stored.record)

const dues = useDues(today)
const due = computed(() => dues.value?.get(stored.id))
const { answer: kept } = useAsk('GET /visits', () => ({ query: { dogId: stored.id } }))
const { answer: log, problem: unread, loading, again } = useAsk('GET /logbook', () => ({ query: { dogId: stored.id } }))

const FEW = 6
const last = computed(() => log.value?.visits.slice(0, FEW) ?? [])
/** One is no trend. */
const trend = computed(() => (last.value.length > 2 ? [...last.value].reverse() : []))
/** Recipes kept whose visit hasn't ended, or that came to none. */
const open = computed(() => {
  const ended = new Set(log.value?.visits.map((v) => v.visitId))
  return log.value ? (kept.value ?? []).filter((v) => !ended.has(v.id)).slice(0, FEW) : []
})
const interval = computed(() =>
  nextVisit(
    dog.value,
    { ...todayFromRecord(dog.value, today), skin: skinMap(dog.value.known).whole },
    rulesFor(room.house?.rules ?? {}, dog.value.rules),
  ),
)

const refused = ref<ApiProblem>()
async function book(date: string) {
  refused.value = undefined
  try {
    const added = await putDogsOn(date, [stored.id])
    toast.said(`${dog.value.name} ${added > 0 ? 'comes' : 'was already to come'} on ${say.date(date)}.`)
  } catch (error) {
    refused.value = asProblem(error)
  }
}
</script>

<template>
  <div class="overview">
    <section class="basin" aria-labelledby="next-title">
      <h2 id="next-title">Next visit</h2>
      <p v-if="due" class="when" :class="dueState(due, today)">
        {{ capital(dueWords(due, today, say)) }}.
        <RouterLink v-if="due.booked" class="link" :to="`/days/${due.booked}`">To the day</RouterLink>
      </p>
      <p>About every {{ say.number(interval.days.value / 7, 0) }} weeks; in days:</p>
      <BecauseList :number="interval.days" :digits="0" />
      <h3>{{ due?.booked ? 'Book another day' : 'Book a day' }}</h3>
      <PickDay label="Book a day" :not="due?.booked ? [due.booked] : []" @pick="book" />
      <ProblemNote v-if="refused" :problem="refused" />
    </section>
    <section class="basin" aria-labelledby="last-title">
      <h2 id="last-title">Last visits</h2>
      <ProblemNote v-if="unread" :problem="unread">
        <UiButton kind="link" @click="again">Try again</UiButton>
      </ProblemNote>
      <UiWaiting v-else-if="loading" label="Fetching the visits" :rows="3" />
      <p v-else-if="last.length === 0" class="soft">None has ended yet. What the tub tells will be shown.</p>
      <template v-if="trend.length > 0">
        <MinutesTrend :visits="trend" />
        <p class="soft small">Minutes it took, the dashed line as planned.</p>
      </template>
      <ul>
        <li v-for="v in last" :key="v.visitId">
          <RouterLink class="link" :to="`/logbook/${v.visitId}`">{{ say.date(v.date, 'short') }}</RouterLink>
          <span>{{ say.minutes(v.minutes) }}, planned {{ say.minutes(v.planned) }}</span>
          <span class="soft small">{{
            [
              v.used.length > 0 && say.list(v.used.map((u) => u.name)),
              v.damp.length > 0 && `damp: ${zonesListed(v.damp)}`,
              v.happened.length > 0 && say.list(v.happened.map((h) => h.what)),
            ]
              .filter(Boolean)
              .join('; ')
          }}</span>
        </li>
      </ul>
      <p v-if="log && log.count > 0">
        <RouterLink class="link" :to="{ name: 'logbook', query: { dog: stored.id } }"
          >All {{ log.count }} in the logbook</RouterLink
        >
      </p>
      <template v-if="open.length > 0">
        <h3>Saved recipes</h3>
        <ul>
          <li v-for="v in open" :key="v.id">
            <RouterLink class="link" :to="`/recipes/${v.id}`">{{ say.date(v.date, 'short') }}</RouterLink>
            <span class="soft small"
              >{{ say.minutes(v.minutes) }}, {{ v.products.join(', ') || 'water only'
              }}{{ v.stops > 0 ? ', a stop' : '' }}</span
            >
          </li>
        </ul>
      </template>
      <p v-if="dog.learnFrom" class="soft">
        Learned from since {{ say.date(dog.learnFrom) }}.
        <UiButton kind="link" @click="emit('learnFrom', null)">Learn from all again</UiButton>
      </p>
      <UiButton v-else-if="last.length > 0" kind="link" @click="emit('learnFrom', today)">
        Forget what was learned of {{ dog.name }}
      </UiButton>
    </section>
  </div>
</template>

<style scoped>
.overview {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 330px), 1fr));
  gap: 14px;
  align-items: start;
}
h3 {
  margin: 14px 0 4px;
}
.when {
  font: 600 20px/1.3 var(--display);
}
.when.over,
.when.soon {
  color: var(--watch);
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: center;
  padding: 4px 0;
  border-top: 1.5px solid var(--rule2);
}
</style>
