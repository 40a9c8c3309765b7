<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { phrasesFor, zonesToDo } from '@core/tubside'
import UiText from '../../ui/UiText.vue'
import UiTubButton from '../../ui/UiTubButton.vue'
import { stepTitle, ZONE_NAMES } from '@words'
import { useSay } from '../../say'
import type { Tub } from './useTub'
import { useDictation } from './useDictation'

const say = useSay()

const { tub } = defineProps<{ tub: Tub }>()
const emit = defineEmits<{ done: [] }>()

const visit = computed(() => tub.visit.value!)
const step = computed(() => tub.step.value)
const zone = computed(() => (step.value ? zonesToDo(tub.record.value, step.value, visit.value.plan)[0] : undefined))
const phrases = computed(() =>
  step.value ? phrasesFor(step.value, visit.value.inputs.dog, visit.value.inputs.today).map((p) => say.said(p)) : [],
)

type About = 'dog' | 'step' | 'zone'
const about = ref<About>('dog')
const abouts = computed(() => [
  { value: 'dog' as const, text: visit.value.inputs.dog.name },
  ...(step.value ? [{ value: 'step' as const, text: stepTitle(step.value) }] : []),
  ...(zone.value ? [{ value: 'zone' as const, text: ZONE_NAMES[zone.value] }] : []),
])
/** What is typed outlasts leaving and a reload, until it is kept. */
const text = useSessionStorage(`juvant.note.${visit.value.id}`, '')
const { there, listens, toggle } = useDictation((said) => (text.value = `${text.value} ${said}`.trim()))

function keep(words: string) {
  if (words.trim() === '') return
  const of =
    about.value === 'zone' && zone.value
      ? { zone: zone.value }
      : about.value === 'step' && step.value
        ? { step: step.value.id }
        : {}
  tub.tap({ kind: 'note', text: words.trim().slice(0, 300), ...of })
  if (words === text.value) text.value = ''
  emit('done')
}
</script>

<template>
  <h1>Note</h1>
  <UiText
    v-model="text"
    label="In your own words"
    :rows="2"
    :most="300"
    :hint="there ? undefined : 'The microphone of the keyboard takes dictation.'"
  />
  <div class="choices" role="group" aria-label="What it is about">
    <UiTubButton v-for="a in abouts" :key="a.value" :on="about === a.value" @click="about = a.value">
      {{ a.value === 'dog' ? `About ${a.text}` : a.text }}
    </UiTubButton>
  </div>
  <p class="support">About a step or a zone, it is shown there again next time.</p>
  <div class="choices">
    <UiTubButton kind="primary" @click="keep(text)">{{
      text.trim() === '' ? 'Type or say something first' : 'Keep the note'
    }}</UiTubButton>
    <UiTubButton v-if="there" :on="listens" @click="toggle">{{ listens ? 'Listening: stop' : 'Say it' }}</UiTubButton>
  </div>
  <div class="choices" aria-label="By one tap" role="group">
    <UiTubButton v-for="p in phrases" :key="p" @click="keep(p)">{{ p }}</UiTubButton>
  </div>
</template>
