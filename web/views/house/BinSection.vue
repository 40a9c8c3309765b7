<script setup lang="ts">
import type { Deletable, DeletedThing } from '@contract'
import { ask } from '../../api/client'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { localMoment } from '../../parts/words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiWaiting from '../../ui/UiWaiting.vue'

const say = useSay()
const { answer: gone, problem: unknown, loading, again } = useAsk('GET /bin', {})
const { busy, problem, tell } = useTell()
const CALLED: Record<Deletable, string> = {
  dogs: 'Dog',
  products: 'Bottle',
  findings: 'Finding',
  standings: 'Comes regularly',
  visits: 'Visit',
  days: 'Day',
}
const nameOf = ({ what, name, date }: DeletedThing) =>
  `${CALLED[what]}: ${[name, date === null ? '' : say.date(date, 'short')].filter((part) => part !== '').join(', ')}`
const bring = ({ what, id }: DeletedThing) =>
  tell(async () => {
    await ask('POST /bin/restore', { body: { what, id } })
    again()
  })
</script>

<template>
  <section id="bin" class="basin" aria-labelledby="bin-title">
    <h2 id="bin-title">Deleted in the last 30 days</h2>
    <UiWaiting v-if="loading" label="Looking what was deleted" :rows="1" />
    <ProblemNote v-if="unknown" :problem="unknown">
      <UiButton kind="link" @click="again">Try again</UiButton>
    </ProblemNote>
    <p v-else-if="gone?.length === 0" class="soft">Nothing. What is deleted waits here, and comes back as it was.</p>
    <ul v-if="gone?.length" class="lines">
      <li v-for="thing in gone" :key="thing.what + thing.id">
        <strong>{{ nameOf(thing) }}</strong>
        <span class="soft">deleted {{ say.date(localMoment(thing.at).date, 'short') }}</span>
        <UiButton kind="link" :disabled="busy" :aria-label="`Bring back: ${nameOf(thing)}`" @click="bring(thing)">
          Bring it back
        </UiButton>
      </li>
    </ul>
    <ProblemNote v-if="problem" :problem="problem" />
  </section>
</template>
