<script setup lang="ts">
import { computed, ref } from 'vue'
import type { TubDay } from '@contract'
import { usedSoFar } from '@core/tubside'
import {
  newsSent,
  ownersNews,
  ticksTold,
  type DayOdds,
  type DayState,
  type OwnersNews,
  type WashDay,
} from '@core/washday'
import type { House } from '@core/house'
import { tapOn } from '../../api/taps'
import { visits } from '../../api/visits'
import OwnerMessage from '../../parts/OwnerMessage.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import { useTell } from '../../parts/useTell'
import UiButton from '../../ui/UiButton.vue'
import { dogsToday, type DogToday } from './dogsToday'
import { capital, newsMessage, NEWS_NAMES, WHERE_NAMES } from '@words'
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
const emit = defineEmits<{ late: []; tick: [ticks: string[]] }>()

const minute = computed(() => now.getHours() * 60 + now.getMinutes())
const dogs = computed(() => dogsToday(day, tub, state, odds, now))
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
const come = (d: DogToday) =>
  tell(async () => tapOn(d.visitId ?? (await visits.begin(d.dogId, day.date)).id, { kind: 'arrived' }))
const gone = (d: DogToday) => tell(async () => d.visitId && tapOn(d.visitId, { kind: 'gone' }))

const writes = ref<{ name: string; dogId: string; what: string; text: string }>()
const seatOf = (dogId: string) => day.seats.find((s) => s.dogId === dogId)?.id ?? ''
/** What the owner was told today. */
const toldOf = (d: DogToday) => newsSent(day, seatOf(d.dogId)).map((what) => NEWS_NAMES[what as OwnersNews['what']])
function news(d: DogToday) {
  const expected = d.state === 'expected'
  const what = ownersNews({ ...d, expected, over: d.state === 'ready' }, minute.value)
  const happened = [...new Set(d.record?.happened.map((h) => h.what))]
  writes.value = { name: d.name, dogId: d.dogId, what: what.what, text: newsMessage(d.name, what, say, happened) }
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
          Ready since {{ say.clock(d.ready ?? minute) }}, picked up by {{ say.clock(d.pickup) }}
        </p>
        <p v-else-if="d.ready !== null" class="soft">
          Ready about {{ say.clock(Math.round(d.ready))
          }}<template v-if="d.readyBy !== null">, 9 in 10 by {{ say.clock(Math.round(d.readyBy)) }}</template
          >; picked up by {{ say.clock(d.pickup)
          }}<template v-if="d.onTime !== undefined">, on time {{ chanceWords(d.onTime) }}</template>
        </p>
        <p v-if="d.late > 0 && d.state !== 'ready'" class="late">
          <StateMark state="watch" :size="18" /> {{ say.minutes(d.late) }} late
          <UiButton kind="link" @click="emit('late')">Arrange the rest</UiButton>
        </p>
        <p v-if="d.missing" class="late">
          <StateMark state="watch" :size="18" /> Not here yet, expected at {{ say.clock(d.arrive) }}
        </p>
        <p class="taps">
          <UiButton v-if="d.state === 'expected'" @click="come(d)"
            >Has come<span class="hidden">: {{ d.name }}</span></UiButton
          >
          <UiButton v-if="d.state === 'ready' && d.visitId" @click="gone(d)"
            >Picked up<span class="hidden">: {{ d.name }}</span></UiButton
          >
          <UiButton v-if="d.state !== 'gone'" kind="link" @click="news(d)"
            >Message<span class="hidden"> to the owner of {{ d.name }}</span></UiButton
          >
          <span v-if="toldOf(d).length > 0" class="soft">told: {{ say.list(toldOf(d)) }}</span>
        </p>
      </li>
    </ul>
    <OwnerMessage
      v-if="writes"
      :message="writes.text"
      :dog-id="writes.dogId"
      :label="`Message to the owner of ${writes.name}`"
      noted
      @sent="emit('tick', ticksTold(day, seatOf(writes.dogId), writes.what))"
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
