<script setup lang="ts">
import { computed, reactive } from 'vue'
import { AfterAnswers } from '@core/owner'
import UiButton from '../ui/UiButton.vue'
import UiChoice from '../ui/UiChoice.vue'
import UiText from '../ui/UiText.vue'
import YesNo from './YesNo.vue'
import { CARD_ASKS, SCRATCHING_SAID } from '@words'

const emit = defineEmits<{ keep: [answers: AfterAnswers]; leave: [] }>()

const draft = reactive({
  scratching: '',
  earShaking: null as boolean | null,
  dampSmell: null as boolean | null,
  note: '',
})
const scratching = AfterAnswers.shape.scratching.options.map((value) => ({ value, text: SCRATCHING_SAID[value] }))
const missing = computed(() => draft.scratching === '' || draft.earShaking === null || draft.dampSmell === null)
function keep() {
  if (missing.value) return
  emit('keep', AfterAnswers.parse(draft))
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
