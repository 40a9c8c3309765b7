<script setup lang="ts">
import { computed, ref } from 'vue'
import type { TubDay } from '@contract'
import { usedSoFar, type Whereabouts } from '@core/tubside'
import type { DayOdds, DayState, WashDay } from '@core/washday'
import type { House } from '@core/house'
import { tapOn } from '../../api/taps'
import { visits } from '../../api/visits'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import { useTell } from '../../parts/useTell'
import { whoIsWhere, type DogNow } from '../../parts/whoIsWhere'
import UiButton from '../../ui/UiButton.vue'
import { capital, comeMessage, earlierMessage, ownerMessage, WHERE_NAMES } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { day, tub, state, odds, house, now } = defineProps<{
  day: WashDay
  tub: TubDay
  state: DayState
  odds: DayOdds | null
  house: House
  now: Date
}>()
const emit = defineEmits<{ late: [] }>()

const minute = computed(() => now.getHours() * 60 + now.getMinutes())
/** A dog is waited for so long before its owner is asked, and may come so much earlier, min. */
const WAITED_FOR = 10
const EARLIER = 20

/** Where a dog is by what was said of the day: which of its parts are done or under way. */
function saidOf(seatId: string | undefined, run: { ready: number } | undefined): Whereabouts | undefined {
  const { progress } = day
  if (!progress || seatId === undefined) return undefined
  const own = Object.entries(progress.tasks).filter(([id]) => id.startsWith(`${seatId}.`))
  if (own.length === 0) return undefined
  if (run && run.ready <= progress.now) return 'ready'
  return own.some(([, t]) => t.end === null) ? 'inHand' : 'here'
}
const dogs = computed(() =>
  whoIsWhere(tub, now.getTime())
    .filter((d) => d.pickup !== null)
    .map((d) => {
      const seat = state.seats.find((s) => s.seat.dogId === d.dogId)
      const run = state.run?.seats.find((s) => s.id === seat?.seat.id)
      const chance = seat && odds?.dogs[seat.seat.id]
      // what was said of the day by hand counts where nothing was tapped
      const at =
        d.record?.began === undefined && d.record?.arrived === undefined ? saidOf(seat?.seat.id, run) : undefined
      const where = at ?? d.state
      // one that is under way is told by its steps, one that waits by the plan of what is left
      const waits = at !== undefined || d.state === 'expected' || d.state === 'here'
      const ready = waits ? (run?.ready ?? d.ready) : d.ready
      const readyBy = waits && chance ? Math.max(chance.ready[2] + day.hours.from, ready ?? 0) : d.readyBy
      const late = ready === null || where === 'gone' ? 0 : Math.max(0, Math.round(ready - d.pickup!))
      return {
        ...d,
        state: where,
        ready,
        readyBy,
        late,
        onTime: waits && where !== 'ready' ? chance?.onTime : undefined,
        missing: where === 'expected' && minute.value > d.arrive! + WAITED_FOR,
      }
    }),
)
const used = computed(() =>
  usedSoFar(
    tub.visits.flatMap((v) => {
      const record = dogs.value.find((d) => d.visitId === v.visitId)?.record
      return record?.began === undefined ? [] : [{ record, steps: v.steps, tool: v.tool, flow: v.flow }]
    }),
    day.protector ?? house.protector,
  ),
)
const begun = computed(() => dogs.value.some((d) => d.record?.began !== undefined))
const towels = computed(() => state.seats.reduce((sum, s) => sum + s.plan.towels.value, 0))

const noise = computed(() =>
  say.list(
    Object.entries(used.value.noise).map(([by, dose]) => `${by === '' ? 'usual hands' : by} ${say.number(dose, 0)} %`),
  ),
)

const { problem, tell } = useTell()
const come = (d: DogNow) =>
  tell(async () => tapOn(d.visitId ?? (await visits.begin(d.dogId, day.date)).id, { kind: 'arrived' }))
const gone = (d: DogNow) => tell(async () => d.visitId && tapOn(d.visitId, { kind: 'gone' }))

const writes = ref<{ name: string; text: string }>()
function news(d: (typeof dogs.value)[number]) {
  const { name, arrive, pickup, readyBy, ready } = d
  const text = d.missing
    ? comeMessage({ name, arrive: arrive! }, say)
    : d.state === 'expected' && arrive! - minute.value > EARLIER && (ready ?? 0) < pickup! - EARLIER
      ? earlierMessage({ name, at: Math.ceil((minute.value + EARLIER) / 5) * 5 }, say)
      : ownerMessage({ name, ready: d.state === 'ready', at: readyBy ?? ready ?? pickup!, agreed: pickup! }, say)
  writes.value = { name, text }
}
const chanceWords = (share: number) => (share >= 0.995 ? 'over 99 %' : `${Math.round(share * 100)} %`)
</script>

<template>
  <section class="where basin" aria-labelledby="where-title">
    <h2 id="where-title">Where they are</h2>
    <ul>
      <li v-for="d in dogs" :key="d.dogId" :class="d.state">
        <p class="first">
          <strong class="display">{{ d.name }}</strong>
          <span class="state" data-testid="whereabouts">{{ WHERE_NAMES[d.state] }}</span>
        </p>
        <p v-if="d.state === 'ready' || d.state === 'gone'" class="soft">
          Ready since {{ say.clock(d.ready ?? minute) }}, fetched by {{ say.clock(d.pickup!) }}
        </p>
        <p v-else-if="d.ready !== null" class="soft">
          Ready about {{ say.clock(Math.round(d.ready))
          }}<template v-if="d.readyBy !== null">, 9 in 10 by {{ say.clock(Math.round(d.readyBy)) }}</template
          >; fetched by {{ say.clock(d.pickup!)
          }}<template v-if="d.onTime !== undefined">, on time {{ chanceWords(d.onTime) }}</template>
        </p>
        <p v-if="d.late > 0 && d.state !== 'ready'" class="late">
          <StateMark state="watch" :size="18" /> {{ say.minutes(d.late) }} late
          <UiButton kind="link" @click="emit('late')">Arrange the rest</UiButton>
        </p>
        <p v-if="d.missing" class="late">
          <StateMark state="watch" :size="18" /> Not here yet, expected at {{ say.clock(d.arrive!) }}
        </p>
        <p class="taps">
          <UiButton v-if="d.state === 'expected'" @click="come(d)"
            >Has come<span class="hidden">: {{ d.name }}</span></UiButton
          >
          <UiButton v-if="d.state === 'ready' && d.visitId" @click="gone(d)"
            >Fetched<span class="hidden">: {{ d.name }}</span></UiButton
          >
          <UiButton v-if="d.state !== 'gone'" kind="link" @click="news(d)"
            >Message<span class="hidden"> to the owner of {{ d.name }}</span></UiButton
          >
        </p>
      </li>
    </ul>
    <OwnerMessage
      v-if="writes"
      :message="writes.text"
      :label="`Message to the owner of ${writes.name}`"
      @close="writes = undefined"
    />
    <ProblemNote v-if="problem" :problem="problem" />
    <p v-if="begun" class="soft" data-testid="used">
      {{ capital('so far') }}: {{ say.litres(used.litres, 0) }} of water, {{ say.count(used.towels, 'towel')
      }}<template v-if="towels"> of {{ say.number(towels, 0) }} planned</template>. A day’s noise as measured:
      {{ noise }}.
    </p>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 6px 0;
  border-top: 2px solid var(--rule);
}
li.inHand,
li.dryingAlone,
li.resting {
  border-top-color: var(--water);
}
li.ready {
  border-top-color: var(--ok);
}
li.gone {
  color: var(--ink2);
}
.first {
  display: flex;
  gap: 10px;
  align-items: baseline;
  justify-content: space-between;
}
.first strong {
  font-size: 19px;
}
.state {
  font-weight: 700;
}
.late {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  color: var(--watch);
  font-weight: 600;
}
.taps {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
  margin-top: 4px;
}
</style>
