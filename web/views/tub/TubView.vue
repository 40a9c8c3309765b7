<script setup lang="ts">
import UiTap from '../../ui/UiTap.vue'
import UiButton from '../../ui/UiButton.vue'
import UiTubButton from '../../ui/UiTubButton.vue'
import NotYetBar from './NotYetBar.vue'
import { useMediaQuery, useWakeLock } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { redFlagsOf } from '@core/dog'
import { waterState } from '@core/instruments'
import { asksFirst, detailNow, mindNow, notedBefore, passOf, pictureNow, rinseState, zonesToDo } from '@core/tubside'
import ProblemNote from '../../parts/ProblemNote.vue'
import RedFlags from '../../parts/RedFlags.vue'
import StateMark from '../../parts/StateMark.vue'
import { visits } from '../../api/visits'
import { asProblem } from '../../api/client'
import { holdUnlocked } from '../../device/lock'
import DonePanel from './DonePanel.vue'
import HappenedPanel from './HappenedPanel.vue'
import HowToLines from './HowToLines.vue'
import MorePanel, { type MorePage } from './MorePanel.vue'
import RoomWatch from './RoomWatch.vue'
import SideClock from './SideClock.vue'
import StepPicture from './StepPicture.vue'
import StepWork from './StepWork.vue'
import TubStrip from './TubStrip.vue'
import WaterWatch from './WaterWatch.vue'
import { useAlarm } from './useAlarm'
import { useMeasured } from './useMeasured'
import { useStrip, type ComesNext } from './useStrip'
import { useTub } from './useTub'
import { useTubKeys } from './useTubKeys'
import { ASKED_FIRST, BY_WRIST, coolFirst, noticeNext, noticeTitle, stepTitle, USUAL_MINDS } from '@words'
import { useSay } from '../../say'
import '../../ui/tub.css'

const say = useSay()

const { visitId } = defineProps<{ visitId: string }>()
const router = useRouter()
const tub = useTub(
  () => visitId,
  () => strip.holdOthers(),
)
const {
  visit,
  record,
  problem,
  away,
  waiting,
  refused: notTaken,
  left,
  step,
  next,
  steps,
  index,
  started,
  ended,
  rest,
} = tub
const alarm = useAlarm()
const strip = useStrip(
  () => visit.value?.date,
  tub.now,
  () => visitId,
  () => tub.hands.value,
)
holdUnlocked(computed(() => started.value && !ended.value))
/** Whose hands the dog is in, when they aren't this device's. */
const elsewhere = computed(() =>
  started.value && !ended.value && record.value.current !== undefined && record.value.by !== tub.hands.value
    ? record.value.by || 'the usual hands'
    : undefined,
)
const whose = computed(() => (started.value ? record.value.by : tub.hands.value))

const { readings, water, atWater, driesByHand, circuit, blocked, running, mistrust } = useMeasured(tub, alarm)
/** Water that holds the step up was asked about at the button. */
const asksWater = ref(false)
watch(blocked, (on) => !on && (asksWater.value = false))
function byWrist() {
  mistrust()
  tub.tap({ kind: 'note', text: BY_WRIST })
}
const mind = computed(() => {
  if (!step.value || !visit.value) return undefined
  const worked = Object.values(record.value.lathered[passOf(step.value, visit.value.plan) ?? 0] ?? {}).length
  const begun = step.value.kind === 'dry' ? record.value.dry.length > 0 : worked > 0
  const found = mindNow(step.value, visit.value.plan, steps.value)
  // it was read when the step began: once its zones are tapped, they have the room; a stop stays
  if (!found || (begun && !('notice' in found && found.notice.level === 'stop'))) return undefined
  if ('usual' in found) return { level: 'usual', text: USUAL_MINDS[found.usual] } as const
  return {
    level: found.notice.level,
    text: `${noticeTitle(found.notice, say)}. ${noticeNext(found.notice, say)}`,
  }
})
const dog = computed(() => visit.value?.inputs.dog)
/** Where the work on the step says it all, the plan's words would say it twice. */
const saysItself = computed(
  () =>
    (step.value?.kind === 'dry' && step.value.hands && step.value.role !== 'fast') || step.value?.kind === 'earClean',
)
/** Water is told of where the shower runs, and wherever it is too warm. */
const showsWater = computed(
  () => blocked.value || (atWater.value && !feels.value && ['wet', 'rinse'].includes(step.value?.kind ?? '')),
)
/** What the thermometer says where it is too cool for the dog that is wetted or rinsed, °C; asked about once a step. */
const coolWater = computed(() => {
  if (!atWater.value || !['wet', 'rinse'].includes(step.value?.kind ?? '') || water.value?.state !== 'live')
    return undefined
  return waterState(water.value.value, visit.value!.plan.water) === 'cool' ? water.value.value : undefined
})
const askedWater = ref<string>()
/** What was noted here at the last visits. */
const before = computed(() => {
  const { memory } = visit.value?.inputs ?? {}
  if (!step.value || !visit.value || !memory?.noted) return []
  return notedBefore(memory, step.value, zonesToDo(record.value, step.value, visit.value.plan)[0]).slice(0, 2)
})
/** Both plugs against the dryer's noise, put in and taken out together. */
const noisePlugs = computed(() => {
  const { left, right } = record.value.plugs.noise
  return left && right
})
const wearsNoisePlugs = computed(
  () => step.value?.kind === 'dry' && step.value.hands && visit.value?.plan.drying.choice.velocity !== undefined,
)
function turnNoisePlugs() {
  const way = noisePlugs.value ? 'out' : 'in'
  for (const side of ['left', 'right'] as const) tub.tap({ kind: 'plug', side, way, set: 'noise' })
}
/** Zones are tapped at this step: one line for the zone in hand is enough beside them. */
const fewLines = computed(() =>
  step.value && pictureNow(record.value, step.value, visit.value!.plan, dog.value!) ? 1 : 3,
)
const words = computed(() =>
  step.value && visit.value && dog.value && !saysItself.value
    ? say.all(detailNow(record.value, step.value, visit.value.plan, dog.value))
    : '',
)
/** While the fingers feel the coat the shower is off. */
const feels = computed(
  () =>
    step.value?.kind === 'rinse' &&
    step.value.role === 'last' &&
    !!visit.value &&
    !!dog.value &&
    rinseState(record.value, visit.value.plan, dog.value).feel,
)
/** On a phone what happened is reached from below, where the thumb is. */
const narrow = useMediaQuery('(max-width: 640px)')
const panel = ref<'happened' | 'skip' | 'more'>()
const page = ref<MorePage>('more')
const refused = ref<string>()
/** The step that was held back once with a question; the next tap goes on. */
const asked = ref<string>()
const SKIPS = ['The dog has had enough', 'Not needed today', 'No time left', 'The owner asked for it']

/** The dog doesn't go home with a plug in or damp: what is left to do is asked for at the button. */
const held = ref(false)

function forward() {
  refused.value = undefined
  if (!step.value || ended.value) return
  if (blocked.value) {
    asksWater.value = true
    return
  }
  if (record.value.paused) {
    tub.tap({ kind: 'resume' })
    return
  }
  if (!started.value || record.value.current !== step.value.id) {
    tub.tap({ kind: 'step', step: step.value.id })
    return
  }
  if (coolWater.value !== undefined && askedWater.value !== step.value.id) {
    askedWater.value = step.value.id
    refused.value = coolFirst(coolWater.value, visit.value!.plan.water.target.value, say)
    return
  }
  const first = visit.value && asksFirst(record.value, step.value, visit.value.plan, tub.now.value.getTime())
  if (first && asked.value !== step.value.id) {
    asked.value = step.value.id
    refused.value = ASKED_FIRST[first]
    return
  }
  if (step.value.kind === 'handOver' && left.value.length > 0) {
    held.value = true
    return
  }
  if (!next.value) {
    finish()
    return
  }
  tub.tap({ kind: 'step', step: next.value.id })
}
function finish() {
  if (left.value.length > 0) held.value = true
  else tub.tap({ kind: 'finish' })
}
function skip(why: string) {
  panel.value = undefined
  if (!step.value) return
  tub.tap({ kind: 'skip', step: step.value.id, why })
  if (step.value && record.value.current === undefined) tub.tap({ kind: 'step', step: step.value.id })
}
function more(first: MorePage) {
  page.value = first
  panel.value = 'more'
}
function back() {
  refused.value = undefined
  held.value = false
  tub.undo()
}
const pause = () => tub.tap({ kind: record.value.paused ? 'resume' : 'pause' })
const primary = computed(() => {
  if (blocked.value) return 'Too warm: what to do'
  if (record.value.handsAway) return `Hands back on ${visit.value?.inputs.dog.name}`
  if (record.value.paused) return 'Go on'
  if (!started.value) return 'Begin'
  return next.value ? `Done: ${stepTitle(next.value).toLowerCase()} next` : 'Finish'
})

const waitOver = computed(
  () => step.value?.kind === 'stand' && started.value && !record.value.paused && rest.value <= 0,
)
watch(waitOver, (over) => over && alarm.alarm(`${visit.value?.inputs.dog.name}: time to rinse`))
/** Dogs that rest or dry alone are called for when their time is over. */
const called = computed(() => strip.beside.value.filter((b) => !b.hands && !b.paused && b.rest <= 0).map((b) => b.name))
watch(called, (now, before) => {
  const fresh = now.filter((n) => !before.includes(n))
  if (fresh.length > 0) alarm.alarm(`${fresh.join(' and ')}: time is over`)
})
watch(
  () => step.value?.id,
  () => {
    window.scrollTo(0, 0)
    asked.value = undefined
    refused.value = undefined
    held.value = false
    if (step.value && started.value) alarm.speak(`${stepTitle(step.value)}. ${words.value}`)
  },
)

/** Back to where it was opened from; to the day's dogs when it was opened by its address. */
const leave = () =>
  window.history.state?.back ? router.back() : router.push({ name: 'tub-pick', query: { date: visit.value?.date } })
const others = computed(() => strip.beside.value.filter((b) => b.visitId !== visitId))
const openDog = (id: string) => router.push({ name: 'tub', params: { id } })
async function take({ dogId, visitId: kept }: ComesNext) {
  try {
    const id = kept ?? (await visits.begin(dogId, visit.value!.date)).id
    await openDog(id)
  } catch (error) {
    problem.value = asProblem(error)
  }
}

const { request } = useWakeLock()
onMounted(() => request('screen').catch(() => undefined))

useTubKeys({
  forward,
  back,
  pause,
  happened: () => (panel.value = 'happened'),
  note: () => more('note'),
  help: () => more('help'),
  close: () => (panel.value = undefined),
})
</script>

<template>
  <div class="tub" :class="{ flash: alarm.flash.value }" @animationend="alarm.flash.value = false">
    <header>
      <UiTap class="leave" @click="leave">
        <span>Back to the day<template v-if="started && !ended">, </template></span
        ><span v-if="started && !ended">the clock goes on</span>
      </UiTap>
      <p class="who">
        <span class="display">{{ visit?.inputs.dog.name }}</span>
        <RedFlags v-if="visit" :flags="redFlagsOf(visit.inputs.dog, visit.inputs.today)" />
        <span v-if="step && !ended">
          step {{ index + 1 }} of {{ steps.length }}{{ whose === '' ? '' : `, ${whose}` }}</span
        >
      </p>
      <p v-if="notTaken.length > 0" class="net" role="alert">
        The server doesn’t take {{ say.count(notTaken.length, 'tap') }}: {{ notTaken.at(-1)!.why }} The rest is sent.
      </p>
      <p v-if="away" class="net" role="status">
        {{ away === 'network' ? 'No network.' : 'The server is in trouble.' }} Everything is saved on this device{{
          waiting > 0 ? `, ${say.count(waiting, 'tap')} to send` : ''
        }}.
      </p>
      <UiTap v-if="visit && !ended" class="leave" @click="more('more')">More</UiTap>
      <UiTap v-if="!ended && started && !narrow" class="leave happened" @click="panel = 'happened'">
        Something happened
      </UiTap>
    </header>
    <p v-if="elsewhere" class="net elsewhere" role="status">
      In {{ elsewhere === 'the usual hands' ? elsewhere : `${elsewhere}’s hands` }} now.
      <UiTap class="leave" @click="tub.giveTo(tub.hands.value)">Take {{ visit?.inputs.dog.name }} over</UiTap>
    </p>
    <TubStrip
      v-if="visit"
      :class="{ calm: called.length === 0 }"
      :beside="others"
      :next="strip.next.value"
      :waiting="strip.waiting.value"
      @open="openDog"
      @take="take"
    />
    <ProblemNote v-if="problem" :problem="problem"
      ><UiButton kind="link" @click="tub.open">Try again</UiButton></ProblemNote
    >
    <p v-else-if="!visit" role="status">Fetching the visit</p>

    <HappenedPanel v-else-if="panel === 'happened'" :tub="tub" @close="panel = undefined" @stop-early="more('stop')" />
    <MorePanel
      v-else-if="panel === 'more' && !ended"
      :key="page"
      :tub="tub"
      :alarm="alarm"
      :helper="strip.day.value?.helper?.name"
      :first="page"
      @close="panel = undefined"
    />

    <section v-else-if="panel === 'skip'" class="panel" aria-label="Skip a step">
      <h1>Skip {{ step && stepTitle(step).toLowerCase() }}: why?</h1>
      <div class="choices">
        <UiTubButton v-for="why in SKIPS" :key="why" @click="skip(why)">{{ why }}</UiTubButton>
      </div>
      <UiTubButton kind="quiet" @click="panel = undefined">Don’t skip</UiTubButton>
    </section>

    <DonePanel v-else-if="ended" :tub="tub" />

    <div v-else-if="step" class="step">
      <div class="left">
        <div class="title">
          <h1 data-testid="tub-step">{{ stepTitle(step) }}</h1>
          <UiTap v-if="wearsNoisePlugs" class="leave" :aria-pressed="noisePlugs" @click="turnNoisePlugs">
            Noise plugs: {{ noisePlugs ? 'both in' : 'out' }}
          </UiTap>
        </div>
        <p v-if="words" class="support" data-testid="say-now">{{ words }}</p>
        <WaterWatch v-if="showsWater" :watched="water" :water="visit.plan.water" />
        <p v-if="mind" class="mind" :class="mind.level" data-testid="mind">
          <StateMark v-if="mind.level !== 'usual'" :state="mind.level === 'stop' ? 'stop' : 'watch'" :size="32" />
          <span><strong v-if="mind.level === 'stop'">Stop. </strong>{{ mind.text }}</span>
        </p>
        <p v-for="n in before" :key="n.date + n.text" class="noted" data-testid="noted">
          {{ say.date(n.date, 'short') }}: {{ n.text }}
        </p>
        <StepWork :tub="tub" :readings="readings" @call="alarm.alarm" />
        <HowToLines v-if="step.kind !== 'earClean'" :tub="tub" :few="fewLines" />
        <RoomWatch
          v-if="driesByHand"
          :readings="readings"
          :house="visit.inputs.house"
          :circuit="circuit"
          :noise="[...strip.noise.value, ...running]"
        />
      </div>
      <SideClock :tub="tub"><StepPicture :tub="tub" /></SideClock>
    </div>

    <footer v-if="visit && !panel && !ended && step">
      <NotYetBar v-if="held && left.length > 0" :tub="tub" />
      <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
      <div v-if="asksWater" class="water-first" role="alert">
        <p>The thermometer says too warm. Turn to cold, away from the dog: in its band the step goes on by itself.</p>
        <UiTubButton @click="byWrist">The thermometer is wrong: tested by wrist</UiTubButton>
      </div>
      <UiTubButton :disabled="!started" @click="back">Undo</UiTubButton>
      <UiTubButton :disabled="!started" @click="pause">
        {{ record.paused ? 'Paused' : 'Pause' }}
      </UiTubButton>
      <UiTubButton :disabled="!started" @click="panel = 'skip'">Skip</UiTubButton>
      <UiTubButton v-if="narrow && started" class="happened" @click="panel = 'happened'"
        >Something happened</UiTubButton
      >
      <UiTubButton kind="primary" @click="forward">{{ primary }}</UiTubButton>
    </footer>
  </div>
</template>

<style scoped src="./tubView.css"></style>
