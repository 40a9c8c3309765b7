<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed } from 'vue'
import { AfterAnswers } from '@core/owner'
import UiButton from '../ui/UiButton.vue'
import UiChoice from '../ui/UiChoice.vue'
import UiText from '../ui/UiText.vue'
import YesNo from './YesNo.vue'
import { CARD_ASKS, SCRATCHING_SAID } from '@words'

const { draftKey } = defineProps<{
  /** Under what the draft is kept in this window: it outlasts leaving and a reload. */
  draftKey: string
}>()
const emit = defineEmits<{ keep: [answers: AfterAnswers]; leave: [] }>()

const draft = useSessionStorage(`juvant.owner.${draftKey}`, {
  scratching: '',
  earShaking: null as boolean | null,
  dampSmell: null as boolean | null,
  note: '',
})
const scratching = AfterAnswers.shape.scratching.options.map((value) => ({ value, text: SCRATCHING_SAID[value] }))
const missing = computed(
  () => draft.value.scratching === '' || draft.value.earShaking === null || draft.value.dampSmell === null,
)
function keep() {
  if (missing.value) return
  emit('keep', AfterAnswers.parse(draft.value))
}
</script>

<template>
  <form class="after" novalidate @submit.prevent="keep">
    <UiChoice v-model="draft.scratching" :label="CARD_ASKS.scratching" :options="scratching" />
    <YesNo v-model="draft.earShaking" :label="CARD_ASKS.earShaking" />
    <YesNo v-model="draft.dampSmell" :label="CARD_ASKS.dampSmell" />
    <UiText v-model="draft.note" :label="CARD_ASKS.note" :most="300" />
    <p class="lines">
      <UiButton kind="primary" submit>{{ missing ? 'Three answers, then keep them' : 'Keep the answers' }}</UiButton>
      <UiButton kind="link" @click="emit('leave')">Leave it</UiButton>
    </p>
  </form>
</template>

<style scoped>
.after {
  display: grid;
  gap: 10px;
}
.lines {
  display: flex;
  gap: 18px;
  align-items: center;
}
</style>
