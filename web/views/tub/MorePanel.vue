<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import UiTubButton from '../../ui/UiTubButton.vue'
import { computed, ref } from 'vue'
import { EXTRA_STEPS, safeEnd, STOP_REASONS, type ExtraStep } from '@core/tubside'
import HelpWords from '../../parts/HelpWords.vue'
import FindPage from './FindPage.vue'
import NotePage from './NotePage.vue'
import PhotoPage from './PhotoPage.vue'
import type { Alarm } from './useAlarm'
import type { Tub } from './useTub'
import { EXTRA_NAMES, STOP_NAMES, stepTitle } from '@words'

export type MorePage = 'more' | 'note' | 'find' | 'photo' | 'add' | 'stop' | 'alarm' | 'hands' | 'help'

const {
  tub,
  alarm,
  helper = '',
  first = 'more',
} = defineProps<{
  tub: Tub
  alarm: Alarm
  /** Who helps today. */
  helper?: string
  first?: MorePage
}>()
const emit = defineEmits<{ close: [] }>()
const page = ref<MorePage>(first)

const visit = computed(() => tub.visit.value!)
const step = computed(() => tub.step.value)
function add({ what, minutes }: ExtraStep) {
  const after = step.value?.id ?? visit.value.plan.steps[0]!.id
  tub.tap({ kind: 'add', step: `extra-${uuid().slice(0, 8)}`, title: EXTRA_NAMES[what], minutes, after })
  emit('close')
}

const keeps = computed(() => {
  const ids = safeEnd(tub.record.value, visit.value.plan)
  return tub.steps.value.filter((s) => ids.includes(s.id))
})
function stopEarly(why: string) {
  const [first] = keeps.value
  const keep = new Set(keeps.value.map((s) => s.id))
  if (tub.record.value.paused) tub.tap({ kind: 'resume' })
  tub.tap({ kind: 'stop early', why })
  for (const s of tub.steps.value) {
    const state = tub.record.value.steps[s.id]?.state
    if (state === 'now') tub.tap({ kind: 'done', step: s.id })
    else if (!keep.has(s.id) && state !== 'done' && state !== 'skipped')
      tub.tap({ kind: 'skip', step: s.id, why: `stopped early: ${why}` })
  }
  if (first) tub.tap({ kind: 'step', step: first.id })
  emit('close')
}
/** Who may stand at the tub today; the empty name is who usually does. */
const people = computed(() => [...new Set(['', visit.value.inputs.house.helper?.name ?? '', helper, tub.hands.value])])
function takeOver(name: string) {
  tub.handTo(name)
  emit('close')
}
function giveTo(name: string) {
  tub.giveTo(name)
  emit('close')
}
const SWITCHES = [
  { key: 'sound', text: 'Sound' },
  { key: 'flashes', text: 'Flash' },
  { key: 'speech', text: 'Steps spoken aloud' },
] as const
const flip = (key: (typeof SWITCHES)[number]['key']) => {
  alarm.flip(key)
  if (key === 'speech' && step.value) alarm.speak(stepTitle(step.value))
}
</script>

<template>
  <section class="panel" aria-label="More">
    <template v-if="page === 'more'">
      <h1>More</h1>
      <div class="choices">
        <UiTubButton @click="page = 'note'">Put down a note</UiTubButton>
        <UiTubButton @click="page = 'photo'">Photograph</UiTubButton>
        <UiTubButton @click="page = 'find'">Pin a finding</UiTubButton>
        <UiTubButton @click="page = 'add'">Add a step</UiTubButton>
        <UiTubButton @click="page = 'alarm'">Sound, flash, voice</UiTubButton>
        <UiTubButton v-if="people.length > 1" @click="page = 'hands'">Whose hands</UiTubButton>
        <UiTubButton @click="page = 'stop'">Stop the visit early</UiTubButton>
        <UiTubButton @click="page = 'help'">Help and keys</UiTubButton>
      </div>
    </template>
    <NotePage v-else-if="page === 'note'" :tub="tub" @done="emit('close')" />
    <FindPage v-else-if="page === 'find'" :tub="tub" />
    <template v-else-if="page === 'photo'">
      <h1>Photograph</h1>
      <PhotoPage :tub="tub" />
    </template>
    <template v-else-if="page === 'add'">
      <h1>Add after {{ step && stepTitle(step).toLowerCase() }}</h1>
      <div class="choices">
        <UiTubButton v-for="e in EXTRA_STEPS" :key="e.what" @click="add(e)">
          {{ EXTRA_NAMES[e.what] }}, {{ e.minutes }} min
        </UiTubButton>
      </div>
    </template>
    <template v-else-if="page === 'hands'">
      <h1>Whose hands work here now?</h1>
      <p class="support">Minutes are learned for each pair of hands apart. It goes for this device until changed.</p>
      <div class="choices">
        <UiTubButton v-for="name in people" :key="name" :on="tub.hands.value === name" @click="takeOver(name)">
          {{ name === '' ? 'As usual' : name }}
        </UiTubButton>
      </div>
      <template v-if="tub.started.value && !tub.ended.value">
        <h2>Hand {{ visit.inputs.dog.name }} over to</h2>
        <p class="support">The step goes on in those hands, on their own device; this one keeps its own.</p>
        <div class="choices">
          <UiTubButton
            v-for="name in people.filter((p) => p !== tub.record.value.by)"
            :key="name"
            @click="giveTo(name)"
          >
            {{ name === '' ? 'To the usual hands' : `To ${name}` }}
          </UiTubButton>
        </div>
      </template>
    </template>
    <template v-else-if="page === 'alarm'">
      <h1>Sound, flash, voice</h1>
      <div class="choices">
        <UiTubButton v-for="s in SWITCHES" :key="s.key" :on="alarm[s.key].value === 'on'" @click="flip(s.key)">
          {{ s.text }}: {{ alarm[s.key].value }}
        </UiTubButton>
      </div>
    </template>
    <template v-else-if="page === 'help'">
      <h1>Help and keys</h1>
      <HelpWords of="tub" />
    </template>
    <template v-else>
      <h1>Stop early: why?</h1>
      <p class="support">
        {{
          keeps.length > 0
            ? `Still to do, in this order: ${keeps.map((k) => stepTitle(k).toLowerCase()).join(', ')}. The rest is left.`
            : 'Nothing more has to be done.'
        }}
      </p>
      <div class="choices">
        <UiTubButton v-for="why in STOP_REASONS" :key="why" @click="stopEarly(STOP_NAMES[why])">
          {{ STOP_NAMES[why] }}
        </UiTubButton>
      </div>
    </template>
    <UiTubButton kind="quiet" @click="emit('close')">Back to the step</UiTubButton>
  </section>
</template>
