<script setup lang="ts">
import { computed } from 'vue'
import type { Question } from '@core/visit'
import { useSay } from '../../say'
import StateMark from '../../parts/StateMark.vue'

const { questions, about } = defineProps<{ questions: Question[]; about: Question['field'][] }>()
const say = useSay()
const asked = computed(() => questions.filter((q) => about.includes(q.field)))
</script>

<template>
  <p v-for="question in asked" :key="question.code" class="question" role="note">
    <StateMark state="watch" :size="20" />
    <span>{{ say.said(question) }}</span>
  </p>
</template>

<style scoped>
.question {
  display: flex;
  gap: 8px;
  padding: 7px 10px 9px;
  background: var(--watch-tint);
  border-radius: 0 0 11px 11px;
  font-size: 14.5px;
}
svg {
  flex: none;
}
</style>
