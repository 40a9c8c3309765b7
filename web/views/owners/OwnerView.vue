<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import type { OwnerLine, StoredOwner } from '@contract'
import { owesBy, standing, type Entry, type WrittenEntry } from '@core/money'
import { Owner } from '@core/owner'
import { cameWords, capital, entryWords, standsWords } from '@words'
import { ask, asProblem, type ApiProblem } from '../../api/client'
import { useAsk } from '../../api/queries'
import OwedLine from '../../parts/OwedLine.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import ReachLine from '../../parts/ReachLine.vue'
import ReceiptLink from '../../parts/ReceiptLink.vue'
import SavedLine from '../../parts/SavedLine.vue'
import { soundOver, useAutosave } from '../../parts/useAutosave'
import { useTell } from '../../parts/useTell'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiConfirm from '../../ui/UiConfirm.vue'
import UiFold from '../../ui/UiFold.vue'
import UiText from '../../ui/UiText.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import AccountForms from './AccountForms.vue'

const { id } = defineProps<{ id: string }>()
const say = useSay()
const { answer: owner, problem: unknown, again } = useAsk('GET /owners/{id}', () => ({ params: { id } }))
const draft = reactive(Owner.parse({}))
const begun = ref(false)
const keeping = useAutosave<Owner, Owner, StoredOwner>({
  key: () => `juvant.owner.${id}.edits`,
  draft: () => (begun.value ? draft : undefined),
  set: (typed) => Object.assign(draft, typed),
  draftOf: (record) => ({ ...record }),
  sound: (typed, was) => soundOver(Owner, typed, was, say),
  save: (version, record) => ask('PUT /owners/{id}', { params: { id }, body: { version, record } }),
})
const { errors } = keeping
watch(
  owner,
  (now) => {
    if (!now || now.id !== id) return
    document.title = `${now.record.name || now.record.contact} · Juvant`
    if (begun.value) return keeping.catchUp(now)
    begun.value = true
    keeping.begin(now)
  },
  { immediate: true },
)

const currency = computed(() => owner.value?.currency ?? '')
const stands = computed(() => (owner.value ? standsWords(owner.value.stands, currency.value, say) : []))
const counts = computed(() => (owner.value ? cameWords(owner.value.stands, say) : ''))
const still = computed(() => new Set(standing(owner.value?.entries ?? []).map((e) => e.id)))
const FEW = 8
const all = ref(false)
const lines = computed(() => {
  const entries = (owner.value?.entries ?? []).filter((e) => e.entry.kind !== 'takenBack')
  return all.value ? entries : entries.slice(0, FEW)
})
const moreLines = computed(
  () => (owner.value?.entries ?? []).filter((e) => e.entry.kind !== 'takenBack').length - lines.value.length,
)
const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10)
const sumOf = (entry: Entry) => {
  const cents = entry.kind === 'package' ? entry.price.cents : owesBy(entry, currency.value)
  return cents === 0 ? '' : say.money({ cents, currency: currency.value })
}
const isPaid = ({ entry }: WrittenEntry) =>
  entry.kind === 'payment' || (entry.kind === 'package' && entry.how !== 'later')

const { busy, problem, tell } = useTell()
const takeBack = ({ id: entry }: WrittenEntry) =>
  tell(async () => {
    await ask('POST /owners/{id}/entries', { params: { id }, body: { kind: 'takenBack', entry, note: '' } })
    again()
  })
const refused = ref<ApiProblem>()
async function join({ id: other }: OwnerLine) {
  refused.value = undefined
  try {
    await keeping.flush()
    keeping.begin(await ask('POST /owners/{id}/join', { params: { id }, body: { other } }))
    again()
  } catch (error) {
    refused.value = asProblem(error)
  }
}
</script>

<template>
  <ProblemNote v-if="unknown && !owner" :problem="unknown">
    <UiButton v-if="unknown.status !== 404" kind="link" @click="again">Try again</UiButton>
    <RouterLink class="link" to="/dogs">To the dogs</RouterLink>
  </ProblemNote>
  <UiWaiting v-else-if="!owner" label="Fetching the owner" :rows="6" />
  <div v-else class="page">
    <header>
      <h1>{{ owner.record.name || owner.record.contact }}</h1>
      <ReachLine v-if="owner.record.name && owner.record.contact" who="" :contact="owner.record.contact" />
      <p class="dogs">
        <RouterLink v-for="dog in owner.dogs" :key="dog.id" class="link" :to="`/dogs/${dog.id}`">{{
          dog.name
        }}</RouterLink>
        <span class="soft">{{ counts }}</span>
      </p>
    </header>
    <div v-for="twin in owner.twins" :key="twin.id" class="twin" role="status">
      <p>
        Another {{ twin.name }}{{ twin.contact ? `, ${twin.contact},` : '' }}
        {{ twin.dogs.length > 0 ? `has ${say.list(twin.dogs)}` : 'has no dog' }}. The same person?
      </p>
      <UiConfirm
        :question="`${say.list(twin.dogs.length > 0 ? twin.dogs : [twin.name])} and what is owed become this one’s.`"
        yes="Join them"
        no="Keep apart"
        @yes="join(twin)"
      >
        <UiButton>Join them</UiButton>
      </UiConfirm>
    </div>
    <ProblemNote v-if="refused" :problem="refused" />
    <section class="basin" aria-labelledby="account-title">
      <h2 id="account-title">Account</h2>
      <p v-if="stands.length > 0 || owner.stands.visits === 0" class="stands" data-testid="stands">
        {{ capital(say.list(stands)) || 'Nothing is owed' }}.
      </p>
      <OwedLine v-if="owner.dogs[0]" :dog-id="owner.dogs[0].id" visits-alone />
      <AccountForms :owner="owner" @written="again" />
      <ProblemNote v-if="problem" :problem="problem" />
      <ul v-if="lines.length > 0" class="lines-of" aria-label="Lines of the account">
        <li v-for="line in lines" :key="line.id" :class="{ back: !still.has(line.id) }">
          <span class="soft">{{ say.date(dayOf(line.at), 'short') }}</span>
          <span class="what">{{ entryWords(line.entry, say) }}</span>
          <strong>{{ sumOf(line.entry) }}</strong>
          <template v-if="still.has(line.id)">
            <ReceiptLink v-if="isPaid(line)" :entry-id="line.id" />
            <UiButton kind="link" :disabled="busy" @click="takeBack(line)"
              >Take back<span class="hidden">: {{ entryWords(line.entry, say) }}</span></UiButton
            >
          </template>
          <span v-else class="soft">taken back</span>
        </li>
      </ul>
      <UiButton v-if="moreLines > 0" kind="link" @click="all = true">Show {{ moreLines }} more</UiButton>
    </section>
    <UiFold title="Name and contact" :open="Object.keys(errors).length > 0">
      <p class="soft">What changes here changes in the records of all its dogs.</p>
      <div class="grid">
        <UiText v-model="draft.name" label="Name" :error="errors.name" />
        <UiText v-model="draft.contact" label="How to reach the owner" :error="errors.contact" />
        <UiText v-model="draft.secondContact" label="Whom to reach else" :error="errors.secondContact" />
      </div>
      <UiText v-model="draft.notes" label="Notes" :error="errors.notes" :rows="2" />
    </UiFold>
    <SavedLine :keeping="keeping" />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  max-width: 860px;
}
h1 {
  overflow-wrap: anywhere;
}
.dogs,
.twin {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  margin-top: 6px;
}
.twin {
  padding: 10px 12px;
  background: var(--watch-tint);
  border-top: 3px solid var(--watch);
}
.twin p {
  flex: 1 1 320px;
}
.stands {
  margin: 4px 0;
  font: 600 20px/1.3 var(--display);
}
.lines-of li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: center;
  padding: 5px 0;
  border-top: 1.5px solid var(--rule2);
}
.lines-of .what {
  flex: 1 1 200px;
}
.back .what,
.back strong {
  color: var(--ink2);
  text-decoration: line-through;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px 16px;
  margin-bottom: 12px;
}
</style>
