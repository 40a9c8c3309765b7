<script setup lang="ts">
import { ref } from 'vue'
import type { HistoryLine, Remembered } from '@contract'
import { ask } from '../api/client'
import { useAsk } from '../api/queries'
import { useSay } from '../say'
import UiButton from '../ui/UiButton.vue'
import UiConfirm from '../ui/UiConfirm.vue'
import UiFold from '../ui/UiFold.vue'
import UiWaiting from '../ui/UiWaiting.vue'
import ProblemNote from './ProblemNote.vue'
import { useTell } from './useTell'
import { localMoment, pathWords, valueWords } from './words'

const { what, id } = defineProps<{ what: Remembered; id: string }>()
/** It was put back to what it was before. */
const emit = defineEmits<{ back: [] }>()
const say = useSay()
const looking = ref(false)
const {
  answer: lines,
  problem: unknown,
  loading,
  again,
} = useAsk('GET /history', () => (looking.value ? { query: { what, id } } : undefined))
const { busy, problem, tell } = useTell()

const DID: Record<HistoryLine['did'], string> = {
  made: 'written down',
  changed: 'changed',
  deleted: 'deleted',
  'brought back': 'brought back',
}
function moment({ at, device, did }: HistoryLine): string {
  const { date, minute } = localMoment(at)
  return `${say.date(date, 'short')}, ${say.clock(minute)}: ${DID[did]}${device ? ` on ${device}` : ''}`
}
const back = ({ change }: HistoryLine) =>
  tell(async () => {
    await ask('POST /history/back', { body: { change } })
    again()
    emit('back')
  })
</script>

<template>
  <UiFold title="What it was before" @opened="looking = true">
    <UiWaiting v-if="loading" label="Looking back" :rows="3" />
    <ProblemNote v-if="unknown" :problem="unknown">
      <UiButton kind="link" @click="again">Try again</UiButton>
    </ProblemNote>
    <p v-if="lines?.length === 0" class="soft">Nothing is noted: it hasn’t changed for as long as changes go back.</p>
    <ol v-if="lines?.length" class="lines">
      <li v-for="line in lines" :key="line.change">
        <div>
          <strong>{{ moment(line) }}</strong>
          <p v-for="place in line.places" :key="place.path" class="place">
            {{ pathWords(place.path) }}: <span class="was">{{ valueWords(place.was) }}</span> to
            {{ valueWords(place.is) }}
          </p>
        </div>
        <UiConfirm
          v-if="line.back"
          question="Put it back to what it was before this? What it is now stays in this list."
          yes="Put it back"
          no="Leave it"
          @yes="back(line)"
        >
          <UiButton kind="link" :disabled="busy" :aria-label="`As before ${moment(line)}`">As before this</UiButton>
        </UiConfirm>
      </li>
    </ol>
    <ProblemNote v-if="problem" :problem="problem" />
  </UiFold>
</template>

<style scoped>
.lines > li {
  flex-wrap: nowrap;
  align-items: start;
  justify-content: space-between;
  padding: 8px 0;
  border-top: 1.5px solid var(--rule2);
}
.lines > li > div {
  min-width: 0;
}
.place {
  overflow-wrap: anywhere;
}
.was {
  color: var(--ink2);
}
</style>
