<script setup lang="ts">
import { computed, ref } from 'vue'
import { lateWords, tillWords } from '@words'
import { ask } from '../../api/client'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiConfirm from '../../ui/UiConfirm.vue'
import UiDate from '../../ui/UiDate'
import UiField from '../../ui/UiField.vue'
import UiFold from '../../ui/UiFold.vue'
import UiWaiting from '../../ui/UiWaiting.vue'

/** What changed hands since days were closed, and the closing of more. */
const say = useSay()
const open = ref(false)
const { answer: closings, problem, again } = useAsk('GET /closings', () => (open.value ? {} : undefined))
const { busy, problem: refused, tell } = useTell()
const until = ref(deviceToday())
const currency = computed(() => closings.value?.currency ?? '')
const since = computed(() => {
  const { closedTo = null } = closings.value ?? {}
  return closedTo === null ? 'Changed hands, no day closed yet' : `Since ${say.date(closedTo, 'day')} changed hands`
})
const close = () => tell(() => ask('POST /closings', { body: { until: until.value } }))
const FEW = 12
</script>

<template>
  <UiFold title="Count and close days" @opened="open = true">
    <ProblemNote v-if="problem" :problem="problem">
      <UiButton kind="link" @click="again">Try again</UiButton>
    </ProblemNote>
    <UiWaiting v-else-if="!closings" label="Counting" :rows="2" />
    <div v-else class="basin" role="group" aria-label="Closing of days">
      <p data-testid="till">
        {{ since }}: <strong>{{ tillWords(closings.open, currency, say) }}</strong>
      </p>
      <p v-if="closings.late !== 0">{{ lateWords(closings.late, currency, say) }}</p>
      <div class="close">
        <UiField v-slot="{ id }" label="Close all up to" :error="refused?.of('until')">
          <UiDate :id="id" v-model="until" />
        </UiField>
        <UiConfirm
          :question="`What was paid up to ${say.date(until, 'day')} stays, for good.`"
          yes="Close them"
          no="Leave them open"
          @yes="close"
        >
          <UiButton :disabled="busy || until === ''">Close them</UiButton>
        </UiConfirm>
      </div>
      <ProblemNote v-if="refused && !refused.of('until')" :problem="refused" />
      <p class="soft">What is put right later goes into its owner’s account, with its own day.</p>
      <ul v-if="closings.closed.length > 0">
        <li v-for="c in closings.closed.slice(0, FEW)" :key="c.id">
          <span>To {{ say.date(c.until, 'day') }}</span>
          <span>{{ tillWords(c.till, c.currency, say) }}</span>
        </li>
      </ul>
    </div>
  </UiFold>
</template>

<style scoped>
.close {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: flex-end;
  margin: 8px 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  padding: 5px 0;
  border-top: 1.5px solid var(--rule2);
}
</style>
