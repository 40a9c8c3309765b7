<script setup lang="ts">
import { useEventListener, useWakeLock } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { ZONE_NAMES, ZONES } from '../../../core/dog'
import { capital, list, say } from '../../../core/units'
import { Happening } from '../../../core/handling'
import { FIRST_STEPS } from '../../../core/tubside'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import { useTub } from './useTub'

const { visitId } = defineProps<{ visitId: string }>()
const router = useRouter()
const tub = useTub(visitId)
const { visit, record, problem, offline, waiting, left } = tub

const steps = computed(() => visit.value?.plan.steps ?? [])
const started = computed(() => record.value.began !== undefined)
const open = computed(() =>
  steps.value.findIndex((s) => !['done', 'skipped'].includes(record.value.steps[s.id]?.state ?? '')),
)
const index = computed(() => {
  const current = steps.value.findIndex((s) => s.id === record.value.current)
  return current >= 0 ? current : open.value
})
const step = computed(() => steps.value[index.value])
const next = computed(() =>
  steps.value.slice(index.value + 1).find((s) => record.value.steps[s.id]?.state !== 'skipped'),
)
const ended = computed(() => record.value.ended !== undefined)
const spent = computed(() => (step.value ? (record.value.steps[step.value.id]?.minutes ?? 0) : 0))
const rest = computed(() => (step.value ? step.value.minutes.value - spent.value : 0))
const clockText = (minutes: number) => {
  const seconds = Math.max(0, Math.round(Math.abs(minutes) * 60))
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
const waits = computed(() => step.value?.id.startsWith('wait') ?? false)
const lathers = computed(() => /^lather-(\d)/.exec(step.value?.id ?? '')?.[1])
const rinses = computed(() => step.value?.id === 'rinse-last')
const dries = computed(() => step.value?.id === 'dry' || step.value?.id === 'comb' || step.value?.id === 'hand-over')
const plugWay = computed(() =>
  step.value?.id === 'plugs-in' ? 'in' : step.value?.id === 'plugs-out' ? 'out' : undefined,
)
const passes = computed(() => visit.value?.plan.rinse.last.passes ?? 2)
/** How full the tub is drawn: what is left of the planned minutes. */
const level = computed(() =>
  step.value ? Math.max(0, Math.min(1, rest.value / Math.max(0.01, step.value.minutes.value))) : 0,
)

const panel = ref<'happened' | 'skip' | 'help'>()
const what = ref<Happening>()
const refused = ref<string>()
const SKIPS = ['The dog has had enough', 'Not needed today', 'No time left', 'The owner asked for it']

/** The dog doesn't go home with a plug in or damp. */
const notYetWords = computed(() => `Not yet: ${left.value.join('; ')}.`)

function forward() {
  refused.value = undefined
  if (!step.value || ended.value) return
  if (record.value.paused) {
    tub.tap({ kind: 'resume' })
    return
  }
  if (!started.value || record.value.current !== step.value.id) {
    tub.tap({ kind: 'step', step: step.value.id })
    return
  }
  if (step.value.id === 'hand-over' && left.value.length > 0) {
    refused.value = notYetWords.value
    return
  }
  if (!next.value) {
    finish()
    return
  }
  tub.tap({ kind: 'step', step: next.value.id })
}
function finish() {
  if (left.value.length > 0) refused.value = notYetWords.value
  else tub.tap({ kind: 'finish' })
}
function skip(why: string) {
  panel.value = undefined
  if (step.value) tub.tap({ kind: 'skip', step: step.value.id, why })
}
function happened(kind: Happening) {
  what.value = kind
  tub.tap({ kind: 'happened', what: kind, text: '' })
  if (!record.value.paused) tub.tap({ kind: 'pause' })
}
function goOn() {
  panel.value = undefined
  what.value = undefined
  if (record.value.paused) tub.tap({ kind: 'resume' })
}
function back() {
  refused.value = undefined
  tub.undo()
}
const primary = computed(() => {
  if (record.value.paused) return 'Go on'
  if (!started.value) return 'Begin'
  return next.value ? `Done: ${next.value.title.toLowerCase()} next` : 'Finish'
})

const sound = ref(localStorage.getItem('juvant.tub.sound') === 'on')
const flash = ref(false)
function beep() {
  if (!sound.value) return
  const context = new AudioContext()
  const tone = context.createOscillator()
  tone.frequency.value = 880
  tone.connect(context.destination)
  tone.start()
  tone.stop(context.currentTime + 0.5)
}
const over = computed(() => waits.value && started.value && !record.value.paused && rest.value <= 0)
watch(over, (now) => {
  if (!now) return
  flash.value = true
  beep()
})
watch(sound, (on) => localStorage.setItem('juvant.tub.sound', on ? 'on' : 'off'))

const { request } = useWakeLock()
onMounted(() => request('screen').catch(() => undefined))

useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.target instanceof HTMLInputElement) return
  if (event.target instanceof HTMLButtonElement && (event.key === ' ' || event.key === 'Enter')) return
  if (panel.value && event.key === 'Escape') panel.value = undefined
  else if ([' ', 'Enter', 'PageDown', 'ArrowRight'].includes(event.key)) forward()
  else if (['PageUp', 'ArrowLeft', 'Backspace'].includes(event.key)) back()
  else if (event.key === 'p') tub.tap({ kind: record.value.paused ? 'resume' : 'pause' })
  else if (event.key === '?') panel.value = panel.value === 'help' ? undefined : 'help'
  else return
  event.preventDefault()
})
const lathered = (zone: (typeof ZONES)[number]) => record.value.lathered[Number(lathers.value)]?.[zone] !== undefined
</script>

<template>
  <div class="tub" :class="{ flash }" @animationend="flash = false">
    <header>
      <button type="button" class="leave" @click="router.back()">Leave</button>
      <p class="who">
        <span class="display">{{ visit?.inputs.dog.name }}</span>
        <span v-if="step && !ended"> step {{ index + 1 }} of {{ steps.length }}</span>
      </p>
      <p v-if="offline" class="net" role="status">
        No network. Everything is kept on this device{{ waiting > 0 ? `, ${waiting} taps to send` : '' }}.
      </p>
      <button type="button" class="leave" :aria-pressed="sound" @click="sound = !sound">
        Sound {{ sound ? 'on' : 'off' }}
      </button>
      <button v-if="!ended && started" type="button" class="leave happened" @click="panel = 'happened'">
        Something happened
      </button>
    </header>
    <ProblemNote v-if="problem" :problem="problem"
      ><button class="link" type="button" @click="tub.open">Try again</button></ProblemNote
    >
    <p v-else-if="!visit" role="status">Fetching the visit</p>

    <section v-else-if="panel === 'happened'" class="panel" aria-label="Something happened">
      <template v-if="!what">
        <h1>What happened?</h1>
        <div class="choices">
          <button v-for="h in Happening.options" :key="h" type="button" class="big" @click="happened(h)">
            {{ capital(h) }}
          </button>
        </div>
        <button type="button" class="big quiet" @click="panel = undefined">Nothing, go back</button>
      </template>
      <template v-else>
        <h1>{{ capital(what) }}</h1>
        <ol class="first">
          <li v-for="a in FIRST_STEPS[what].actions" :key="a">{{ a }}</li>
        </ol>
        <p class="vet"><StateMark state="stop" :size="34" /> {{ FIRST_STEPS[what].vet }}</p>
        <p class="support">
          The clocks stand still. Soap is always rinsed out; everything else may be left. First steps only: the vet’s
          word goes before.
        </p>
        <button type="button" class="big primary" @click="goOn">Go on</button>
      </template>
    </section>

    <section v-else-if="panel === 'skip'" class="panel" aria-label="Skip a step">
      <h1>Skip {{ step?.title.toLowerCase() }}: why?</h1>
      <div class="choices">
        <button v-for="why in SKIPS" :key="why" type="button" class="big" @click="skip(why)">{{ why }}</button>
      </div>
      <button type="button" class="big quiet" @click="panel = undefined">Don’t skip</button>
    </section>

    <section v-else-if="panel === 'help'" class="panel" aria-label="Keys">
      <h1>Keys</h1>
      <p class="support">
        Space, Enter, Page Down or right: done, next. Page Up or left: undo. p: pause. A foot pedal that sends these
        works too.
      </p>
      <button type="button" class="big" @click="panel = undefined">Close</button>
    </section>

    <section v-else-if="ended" class="panel" data-testid="ended">
      <h1>{{ visit.inputs.dog.name }} is done</h1>
      <p class="support">
        {{
          say(
            Object.values(record.steps).reduce((sum, s) => sum + s.minutes, 0),
            0,
          )
        }}
        minutes, planned {{ say(visit.plan.minutes.value, 0) }}. {{ record.towels }}
        {{ record.towels === 1 ? 'towel' : 'towels' }}.
        <template v-if="record.happened.length > 0">
          It happened: {{ list(record.happened.map((h) => h.what)) }}.</template
        >
      </p>
      <button type="button" class="big" @click="tub.undo">Not yet: undo</button>
    </section>

    <div v-else-if="step" class="step">
      <div class="left">
        <h1 data-testid="tub-step">{{ step.title }}</h1>
        <p class="support">{{ step.detail }}</p>
        <p v-if="step.place === 'tub' && visit.plan.go" class="support water">
          Water {{ say(visit.plan.water.target.value) }} °C, never over {{ say(visit.plan.water.alarm) }} °C. Test it
          away from the dog.
        </p>
        <div v-if="plugWay" class="choices">
          <button
            v-for="side in ['left', 'right'] as const"
            :key="side"
            type="button"
            class="big"
            :class="{ on: record.plugs.water[side] }"
            :aria-pressed="record.plugs.water[side]"
            @click="tub.tap({ kind: 'plug', side, way: record.plugs.water[side] ? 'out' : 'in', set: 'water' })"
          >
            {{ side }} ear: {{ record.plugs.water[side] ? 'in' : 'out' }}
          </button>
        </div>
        <div v-else-if="lathers" class="choices">
          <button
            v-for="zone in step.zones"
            :key="zone"
            type="button"
            class="big"
            :class="{ on: lathered(zone) }"
            :aria-pressed="lathered(zone)"
            @click="tub.tap({ kind: 'lathered', pass: Number(lathers), zone })"
          >
            {{ ZONE_NAMES[zone] }}
          </button>
        </div>
        <div v-else-if="rinses" class="choices">
          <button type="button" class="big" @click="tub.tap({ kind: 'rinsed', pass: Math.min(12, record.rinses + 1) })">
            Pass {{ Math.min(passes, record.rinses) }} of {{ passes }} done
          </button>
          <p v-if="record.rinses >= passes" class="support">
            Fingers: nothing slippery in armpits, groin, behind the ears?
          </p>
        </div>
        <div v-else-if="step.id === 'towel'" class="choices">
          <button type="button" class="big" @click="tub.tap({ kind: 'towel' })">
            Towel: {{ record.towels }} of {{ visit.plan.drying.towels }}
          </button>
        </div>
        <div v-else-if="dries" class="choices zones">
          <div v-for="zone in ZONES" :key="zone" class="zone">
            <button
              type="button"
              class="big"
              :class="{ on: record.dry.includes(zone) }"
              :aria-pressed="record.dry.includes(zone)"
              @click="tub.tap({ kind: 'dry', zone })"
            >
              {{ ZONE_NAMES[zone] }}{{ record.dry.includes(zone) ? ': dry' : '' }}
            </button>
            <button type="button" class="big damp" @click="tub.tap({ kind: 'damp', zone })">
              Damp<span class="hidden"> {{ ZONE_NAMES[zone] }}</span>
            </button>
          </div>
        </div>
        <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
      </div>
      <div class="right" :style="{ '--level': `${level * 100}%` }" :class="{ over }">
        <p class="digits" data-testid="tub-clock">{{ clockText(rest) }}</p>
        <p class="of">{{ rest >= 0 ? 'left' : 'over' }}, planned {{ say(step.minutes.value) }} min</p>
        <p v-if="next" class="of">Then: {{ next.title }}</p>
      </div>
    </div>

    <footer v-if="visit && !panel && !ended && step">
      <button type="button" class="big" :disabled="!started" @click="back">Undo</button>
      <button
        type="button"
        class="big"
        :disabled="!started"
        @click="tub.tap({ kind: record.paused ? 'resume' : 'pause' })"
      >
        {{ record.paused ? 'Paused' : 'Pause' }}
      </button>
      <button type="button" class="big" :disabled="!started" @click="panel = 'skip'">Skip</button>
      <button type="button" class="big primary" @click="forward">{{ primary }}</button>
    </footer>
  </div>
</template>

<style scoped>
.tub {
  display: flex;
  flex-direction: column;
  gap: 14px;
  min-height: calc(100vh - 120px);
  font-size: 26px;
}
header,
footer {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 18px;
  align-items: center;
}
footer {
  position: sticky;
  bottom: 0;
  padding: 10px 0 14px;
  background: var(--ground);
}
.who {
  flex: 1;
  font-size: 26px;
}
.who .display {
  margin-right: 10px;
  font-size: 34px;
}
.net {
  font-size: 20px;
  font-weight: 600;
  color: var(--watch);
}
.leave {
  min-height: 64px;
  padding: 0 22px;
  border: 3px solid var(--ink);
  border-radius: 6px 6px 26px 26px;
  background: var(--enamel);
  color: var(--ink);
  font: 600 22px/1.2 var(--text);
  cursor: pointer;
}
.happened {
  border-color: var(--stop);
  color: var(--stop);
}
.step {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) minmax(320px, 40%);
  gap: 24px;
  max-width: none;
  margin: 0;
  padding: 0;
}
h1 {
  font-size: 52px;
  line-height: 1.1;
}
.support {
  margin-top: 10px;
  font-size: 28px;
  line-height: 1.35;
}
.water {
  color: var(--water);
  font-weight: 600;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 16px;
}
.zone {
  display: flex;
  gap: 4px;
}
.big {
  min-height: 96px;
  padding: 0 26px;
  border: 3px solid var(--ink);
  border-radius: 6px 6px 26px 26px;
  background: var(--enamel);
  color: var(--ink);
  font: 600 26px/1.2 var(--text);
  cursor: pointer;
}
.step .choices .big {
  min-height: 72px;
  padding: 0 18px;
  font-size: 23px;
}
.damp {
  color: var(--watch);
}
.big.on {
  border-color: var(--ok);
  background: var(--ok-tint);
}
.big.primary {
  flex: 1;
  border-color: var(--rim);
  background: var(--rim);
  color: #fff;
  font-size: 30px;
}
.big.quiet {
  margin-top: 16px;
  background: transparent;
}
.big:disabled {
  border-style: dashed;
  color: var(--ink2);
  cursor: default;
}
.right {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  min-height: 320px;
  border-top: 6px solid var(--rim);
  border-radius: 0 0 60px 60px;
  background: linear-gradient(to top, var(--water-tint) var(--level), var(--enamel) var(--level));
}
.right.over {
  border-top-color: var(--ok);
  background: var(--ok-tint);
}
.digits {
  font: 600 clamp(110px, 17vw, 220px) / 1 var(--display);
}
.of {
  font-size: 28px;
}
.first {
  display: grid;
  gap: 14px;
  margin: 18px 0;
  font-size: 34px;
  list-style: decimal;
  padding-left: 44px;
}
.vet {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 14px 18px;
  border-top: 6px solid var(--stop);
  border-radius: 0 0 26px 26px;
  background: var(--stop-tint);
  color: var(--stop);
  font-size: 30px;
  font-weight: 700;
}
.panel .primary {
  width: 100%;
  margin-top: 18px;
}
.refused {
  margin-top: 14px;
  color: var(--stop);
  font-weight: 700;
}
.flash {
  animation: flash 0.6s ease-out 1;
}
@keyframes flash {
  0% {
    background: var(--rim);
  }
  100% {
    background: transparent;
  }
}
@media (max-width: 900px) {
  .step {
    grid-template-columns: 1fr;
  }
  .right {
    min-height: 200px;
  }
  h1 {
    font-size: 40px;
  }
}
</style>
