<script setup lang="ts">
import { computed, reactive } from 'vue'
import { AfterAnswers } from '@core/owner'
import UiButton from '../ui/UiButton.vue'
import UiChoice from '../ui/UiChoice.vue'
import UiText from '../ui/UiText.vue'
import { CARD_ASKS, SCRATCHING_SAID } from '@words'

const emit = defineEmits<{ keep: [answers: AfterAnswers]; leave: [] }>()

const draft = reactive({ scratching: '', ears: '', smell: '', note: '' })
const YES_NO = [
  { value: 'no', text: 'no' },
  { value: 'yes', text: 'yes' },
]
const scratching = AfterAnswers.shape.scratching.options.map((value) => ({ value, text: SCRATCHING_SAID[value] }))
const missing = computed(() => draft.scratching === '' || draft.ears === '' || draft.smell === '')
function keep() {
  if (missing.value) return
  emit(
    'keep',
    AfterAnswers.parse({
      scratching: draft.scratching,
      earShaking: draft.ears === 'yes',
      dampSmell: draft.smell === 'yes',
      note: draft.note,
    }),
  )
}
</script>

<template>
  <form class="after" novalidate @submit.prevent="keep">
    <UiChoice v-model="draft.scratching" :label="CARD_ASKS.scratching" :options="scratching" />
    <UiChoice v-model="draft.ears" :label="CARD_ASKS.earShaking" :options="YES_NO" />
    <UiChoice v-model="draft.smell" :label="CARD_ASKS.dampSmell" :options="YES_NO" />
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
