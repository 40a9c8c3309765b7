<script setup lang="ts">
import { computed, ref } from 'vue'
import { capital, SERVICE_NAMES, whatIfWords } from '@words'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiCheck from '../../ui/UiCheck.vue'
import UiNumber from '../../ui/UiNumber.vue'
import UiWaiting from '../../ui/UiWaiting.vue'

/** What the visits of a time would have asked by another list. */
const { from, to } = defineProps<{ from?: string; to?: string }>()
const say = useSay()
const open = ref(false)
const raise = ref(10)
const mats = ref(true)
const sound = computed(() => raise.value >= -50 && raise.value <= 100)
const { answer, problem, loading } = useAsk('GET /books/what-if', () =>
  open.value && sound.value
    ? { query: { from, to, raise: raise.value, mats: mats.value ? ('yes' as const) : ('no' as const) } }
    : undefined,
)
const words = computed(() => {
  if (!answer.value) return ''
  const { now, then, listed, currency } = answer.value
  return listed === 0 ? 'No visit went by the list.' : whatIfWords(now, then, listed, currency, say)
})
const services = computed(() => {
  const { services: all = [], currency = '' } = answer.value ?? {}
  return all.map((s) => ({
    key: s.service,
    text: `${capital(SERVICE_NAMES[s.service])}: ${whatIfWords(s.now, s.then, s.listed, currency, say)}`,
  }))
})
</script>

<template>
  <section class="what-if">
    <UiButton kind="link" :aria-expanded="open" @click="open = !open">{{
      open ? 'Close' : 'What if your list were another?'
    }}</UiButton>
    <div v-if="open" class="basin" role="group" aria-label="Another list">
      <div class="fields">
        <UiNumber v-model="raise" label="More, %" :error="sound ? undefined : 'Give -50 to 100 %.'" />
        <UiCheck v-model="mats">Mats are asked for</UiCheck>
      </div>
      <ProblemNote v-if="problem" :problem="problem" />
      <UiWaiting v-else-if="!answer && loading" label="Asking the log" :rows="2" />
      <template v-else-if="answer">
        <p class="sum" data-testid="what-if">{{ words }}</p>
        <ul v-if="services.length > 1">
          <li v-for="s in services" :key="s.key">{{ s.text }}</li>
        </ul>
        <p v-if="answer.others > 0" class="soft">
          {{ say.count(answer.others, 'visit') }} had a price of their own, and stay as they were.
        </p>
      </template>
    </div>
  </section>
</template>

<style scoped>
.what-if {
  margin: 4px 0 14px;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: flex-end;
}
.sum {
  margin: 10px 0 4px;
  font: 600 18px/1.3 var(--display);
}
</style>
