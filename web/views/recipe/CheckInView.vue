<script setup lang="ts">
import UiWaiting from '../../ui/UiWaiting.vue'
import UiButton from '../../ui/UiButton.vue'
import { useMediaQuery } from '@vueuse/core'
import { computed, watch } from 'vue'
import { visitRecord } from '@core/tubside'
import { putByOwner } from '@core/owner'
import { readKept, tapOn } from '../../api/taps'
import OwnerSays from '../../parts/OwnerSays.vue'
import { deviceToday } from '../../parts/words'
import { mainMix } from '@core/visit'
import { redFlagsOf } from '@core/dog'
import RedFlags from '../../parts/RedFlags.vue'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import NoticeLine from '../../parts/NoticeLine.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { pairOf } from '../../drawing/colours'
import ChangeList from './ChangeList.vue'
import TodayFacts from './TodayFacts.vue'
import { useCheckIn, type CheckInState } from './useCheckIn'
import { useSay } from '../../say'
import { dogLine, SERVICE_NAMES } from '@words'
import { useMemory } from '../../stores/memory'
import UiFold from '../../ui/UiFold.vue'
import AsLastTime from './AsLastTime.vue'
import SeatFacts from './SeatFacts.vue'
import VisitKind from './VisitKind.vue'

const say = useSay()
const memory = useMemory()
const narrow = useMediaQuery('(max-width: 860px)')

const props = defineProps<{ dogId?: string; visitId?: string; date?: string }>()
const recipe = useCheckIn(() => ({ dogId: props.dogId, visitId: props.visitId, date: props.date }))
const { stored, today, plan, changes, edited, problem, visit, state, refusal } = recipe

watch(
  () => [props.dogId, props.visitId, props.date],
  () => void recipe.open(),
  { immediate: true },
)

/** A dog that is checked in today has come: once from this device. */
function hasCome() {
  const id = visit.value?.id
  if (!id || today.value?.date !== deviceToday()) return
  if (visitRecord(readKept(id).events).arrived === undefined) void tapOn(id, { kind: 'arrived' }).catch(() => undefined)
}
watch(state, (now) => now === 'kept' && hasCome())

const dog = computed(() => stored.value?.record)
const flags = computed(() => (dog.value && today.value ? redFlagsOf(dog.value, today.value) : []))
const onwards = computed(() => {
  const id = visit.value?.id ?? props.visitId
  if (id) return `/recipes/${id}`
  return `/dogs/${props.dogId}/recipe${props.date ? `?date=${props.date}` : ''}`
})
const theDay = computed(() => `/days/${today.value?.date}`)
const SAYS: Record<CheckInState, string> = {
  nothing: 'What you tap is saved at once; the day and the tub work from it.',
  sending: 'Keeping it.',
  kept: 'Saved. The day and the tub work from it.',
  here: 'Saved on this device. It is sent when the server can be reached.',
  refused: 'Not saved yet.',
}
const main = computed(() => plan.value && mainMix(plan.value.mix))
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem">
    <UiButton v-if="problem.status !== 404" kind="link" @click="recipe.open()">Try again</UiButton>
    <RouterLink class="link" to="/dogs">To the dogs</RouterLink>
  </ProblemNote>
  <UiWaiting v-else-if="!plan || !today || !stored || !dog" label="Fetching the record" :rows="8" />
  <div v-else class="page">
    <div class="head">
      <CoatSwatch :dog="dog" :dog-id="stored.id" :width="52" :height="58" />
      <div>
        <h1 :style="{ color: pairOf(dog).stroke }">{{ dog.name }}</h1>
        <p v-if="flags.length > 0" class="flags"><RedFlags :flags="flags" /></p>
        <p class="soft">Check-in, {{ say.date(today.date) }}. {{ dogLine(dog, say) }}</p>
      </div>
    </div>
    <div class="found">
      <AsLastTime :dog-id="stored.id" :today="today" @put="recipe.put" />
      <OwnerSays
        :dog-id="stored.id"
        :name="dog.name"
        :date="today.date"
        @said="recipe.put(putByOwner(today!, $event))"
      />
      <TodayFacts class="facts" :today="today" :dog="dog" :questions="plan.questions" folded @put="recipe.put" />
      <UiFold :title="`Comes for: ${SERVICE_NAMES[today.service]}`">
        <VisitKind :today="today" :dog="dog" :last-cut="memory.of(stored.id).cut" @put="recipe.put" />
      </UiFold>
      <SeatFacts
        :key="today.date"
        :dog-id="stored.id"
        :dog="dog"
        :today="today"
        :plan="plan"
        :reckon="recipe.reckonFrom"
      />
    </div>
    <aside>
      <div v-if="plan.stops.length" class="stops" aria-live="assertive">
        <NoticeLine v-for="stop in plan.stops" :key="stop.id" :notice="stop" />
      </div>
      <!-- on a phone a line that opens: the fields stay in sight -->
      <UiFold v-if="narrow && changes.length > 0" :title="`What changed: ${changes.length}`">
        <ChangeList :changes="changes" all />
      </UiFold>
      <ChangeList v-else-if="!narrow" :changes="changes" />
      <dl v-if="plan.go">
        <div>
          <dt>Shampoo</dt>
          <dd>{{ main ? `${main.product.name}, 1 + ${say.number(main.ratio.value)}` : 'water only' }}</dd>
        </div>
        <div>
          <dt>Water</dt>
          <dd>{{ say.temperature(plan.water.target.value) }}</dd>
        </div>
        <div>
          <dt>Last rinse</dt>
          <dd>
            {{ say.count(plan.rinse.last.passes, 'pass', 'passes') }},
            {{ say.number(plan.rinse.last.minutes.value) }} min
          </dd>
        </div>
        <div>
          <dt>Drying</dt>
          <dd>{{ say.minutes(plan.drying.minutes.value) }}</dd>
        </div>
        <div>
          <dt>In all</dt>
          <dd>{{ say.minutes(plan.minutes.value) }}</dd>
        </div>
      </dl>
      <ProblemNote v-if="refusal" :problem="refusal">
        <template v-if="recipe.newer.value">
          <UiButton kind="link" @click="recipe.mineOverIt()">Keep mine over it</UiButton>
          <UiButton kind="link" @click="recipe.takeTheirs()">Take the other one</UiButton>
        </template>
        <UiButton v-else kind="link" @click="recipe.flush()">Try again</UiButton>
      </ProblemNote>
      <p
        class="soft state"
        :class="{ well: state === 'kept' || state === 'nothing' || state === 'sending' }"
        role="status"
        data-testid="check-in-state"
      >
        {{ SAYS[state] }}
      </p>
      <div class="act">
        <span class="total">{{ plan.go ? say.minutes(plan.minutes.value) : 'No bath' }}</span>
        <RouterLink class="button" :to="theDay" @click="hasCome"
          >Done<span class="wide">, back to the day</span></RouterLink
        >
        <RouterLink class="link" :to="onwards">To the recipe</RouterLink>
        <UiButton v-if="edited" kind="link" @click="recipe.reset()">Undo all</UiButton>
      </div>
    </aside>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 12px 32px;
  align-items: start;
}
.head {
  grid-column: 1 / -1;
  display: flex;
  gap: 14px;
  align-items: center;
}
h1 {
  overflow-wrap: anywhere;
}
.found {
  display: grid;
  gap: 4px;
  min-width: 0;
}
aside {
  position: sticky;
  top: 12px;
  display: grid;
  gap: 12px;
}
.flags {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
}
.stops {
  display: grid;
  gap: 10px;
}
dl > div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
dt {
  color: var(--ink2);
}
dd {
  font-weight: 700;
  text-align: right;
}
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
}
.found > .facts {
  gap: 8px;
}
.facts :deep(.ui-choice label),
.facts :deep(.zones button) {
  min-height: 48px;
}
.facts :deep(.ui-choice label) {
  padding: 2px 16px;
  font-size: 16px;
}
.total {
  font: 600 20px/1.2 var(--display);
}
@media (max-width: 860px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  /* one row at hand: what it takes, and done; what changed opens above it */
  aside {
    z-index: 2;
    bottom: 0;
    top: auto;
    gap: 4px;
    max-height: 46vh;
    overflow-y: auto;
    padding: 6px 0 8px;
    background: var(--ground);
    border-top: 2px solid var(--ink);
  }
  aside dl,
  .state.well,
  .wide {
    display: none;
  }
  .act {
    flex-wrap: nowrap;
    justify-content: space-between;
  }
}
@media (min-width: 861px) {
  .total {
    display: none;
  }
}
</style>
