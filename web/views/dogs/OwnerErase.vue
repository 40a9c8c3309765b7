<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask } from '../../api/client'
import { forgetAll, useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { useSay } from '../../say'
import { useToast } from '../../ui/toast'
import UiButton from '../../ui/UiButton.vue'
import UiCheck from '../../ui/UiCheck.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiConfirm from '../../ui/UiConfirm.vue'
import UiDrawer from '../../ui/UiDrawer.vue'
import UiWaiting from '../../ui/UiWaiting.vue'

const { id } = defineProps<{ id: string }>()
const say = useSay()
const router = useRouter()
const toast = useToast()
const open = ref(false)
const what = ref<'people' | 'dogs'>('people')
const backups = ref(false)
const { busy, problem, tell } = useTell()
const {
  answer: kept,
  problem: unknown,
  again,
} = useAsk('GET /dogs/{id}/owner', () => (open.value ? { params: { id } } : undefined))
const dogs = computed(() => kept.value?.dogs.map((d) => d.name) ?? [])
const WHAT = [
  { value: 'people' as const, text: 'the people' },
  { value: 'dogs' as const, text: 'the dogs with everything' },
]
const goes = computed(() => {
  const k = kept.value
  if (!k) return []
  const before = k.changes > 0 ? [`${say.count(k.changes, 'earlier state')} of these records`] : []
  if (what.value === 'people')
    return [
      `The owner’s name, the way to reach them and their consent, in ${say.list(dogs.value)} and ${say.count(k.visits, 'visit')}`,
      ...before,
    ]
  return [
    say.list(dogs.value),
    ...(k.visits > 0 ? [`${say.count(k.visits, 'visit')} with all taps, and what was learned from them`] : []),
    ...(k.findings > 0 ? [say.count(k.findings, 'finding')] : []),
    ...(k.photos > 0 ? [say.count(k.photos, 'photograph')] : []),
    ...(k.days > 0 ? [`the place on ${say.count(k.days, 'day')}`] : []),
    ...before,
  ]
})
const stays = computed(() =>
  what.value === 'people'
    ? 'The dogs, what is known of them, and their visits stay. Look through the notes for names yourself. What was paid stays as sums without a name, as the books need it.'
    : 'What the bottles gave stays given: the stock goes on as it is. Receipts and the account’s lines stay without a name, as the books need them.',
)
const erase = async () => {
  const body = { what: what.value, backups: backups.value }
  const done = await tell(() => ask('POST /dogs/{id}/owner/erase', { params: { id }, body }))
  if (!done) return
  open.value = false
  if (what.value === 'dogs') await router.push('/dogs')
  await forgetAll()
  toast.said('It is deleted for good.')
}
</script>

<template>
  <UiButton kind="link" @click="open = true">Delete the owner’s data for good</UiButton>
  <UiDrawer v-model="open" title="Delete the owner’s data for good">
    <div class="basin sheet">
      <h2>Delete the owner’s data for good</h2>
      <ProblemNote v-if="unknown" :problem="unknown">
        <UiButton kind="link" @click="again">Try again</UiButton>
      </ProblemNote>
      <UiWaiting v-else-if="!kept" label="Looking what is saved" :rows="4" />
      <template v-else>
        <p>
          {{
            kept.owner
              ? `Kept of ${kept.owner}: ${say.list(dogs)}.`
              : `No owner stands in this record. Kept: ${say.list(dogs)}.`
          }}
        </p>
        <UiChoice v-model="what" label="What goes" :options="WHAT" />
        <ul class="goes">
          <li v-for="line in goes" :key="line">{{ line }}</li>
        </ul>
        <p class="soft">{{ stays }}</p>
        <UiCheck v-if="kept.backups > 0" v-model="backups">
          From backups too: {{ say.count(kept.backups, 'file') }} deleted, one of what is left made
        </UiCheck>
        <p v-if="kept.backups > 0 && !backups" class="soft">
          Otherwise backups have it until the last of them goes, a year from now.
        </p>
        <ProblemNote v-if="problem" :problem="problem" />
        <p>
          <UiConfirm question="It can’t be brought back." yes="Delete it for good" no="Keep it" @yes="erase">
            <UiButton kind="primary" :disabled="busy">{{ busy ? 'At it' : 'Delete for good' }}</UiButton>
          </UiConfirm>
        </p>
      </template>
    </div>
  </UiDrawer>
</template>

<style scoped>
.sheet {
  max-width: 760px;
  margin: 0 auto;
}
.goes {
  margin: 12px 0;
  padding-left: 1.2em;
  list-style: disc;
}
.goes li {
  padding: 2px 0;
}
</style>
