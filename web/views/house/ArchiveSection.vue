<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Answer, ArchiveKind, ArchivePreview, KindCount } from '@contract'
import { ask } from '../../api/client'
import { forgetAll } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { localMoment } from '../../parts/words'
import { useSay } from '../../say'
import { useToast } from '../../ui/toast'
import UiButton from '../../ui/UiButton.vue'
import UiProgress from '../../ui/UiProgress.vue'
import UiCheck from '../../ui/UiCheck.vue'
import UiUpload from '../../ui/UiUpload.vue'

const say = useSay()
const toast = useToast()
const { busy, problem, tell } = useTell()
const name = ref('')
const found = ref<ArchivePreview>()
const over = ref(false)
const house = ref(false)
const CALLED: Record<ArchiveKind, string> = {
  dogs: 'dog',
  products: 'bottle',
  movements: 'entry of the stock',
  findings: 'finding',
  photos: 'photograph',
  answers: 'owner’s answer',
  owners: 'owner',
  entries: 'line of accounts',
  closings: 'closing of days',
  receipts: 'receipt',
  standings: 'dog that comes regularly',
  days: 'day',
  visits: 'visit',
}
/** Where more than one isn’t the same with an s. */
const MANY: Partial<Record<ArchiveKind, string>> = {
  movements: 'entries of the stock',
  standings: 'dogs that come regularly',
  entries: 'lines of accounts',
  closings: 'closings of days',
}
const many = (n: number, kind: ArchiveKind) => say.count(n, CALLED[kind], MANY[kind])
type Does = Exclude<keyof KindCount, 'kind'>
const those = (does: Does) => (found.value?.counts ?? []).filter((c) => c[does] > 0).map((c) => many(c[does], c.kind))
/** All of it is here, word for word. */
const nothing = computed(
  () => found.value?.house === 'same' && those('adds').length === 0 && differs.value.length === 0,
)
const differs = computed(() => those('differs'))
const date = (iso: string) => say.date(localMoment(iso).date)

const choose = (file: File) =>
  tell(async () => {
    found.value = undefined
    name.value = file.name
    found.value = await ask('POST /archive/preview', { file })
    over.value = false
    house.value = found.value.empty
  })
/** How far it has come, while it is being taken. */
const taking = ref<Answer<'GET /archive/taking'>>()
const LOOK_MS = 700
const { pause, resume } = useIntervalFn(
  async () => (taking.value = await ask('GET /archive/taking', {}).catch(() => taking.value)),
  LOOK_MS,
  { immediate: false },
)
const share = computed(() => (taking.value ? Math.min(1, taking.value.done / Math.max(1, taking.value.of)) : 0))
const stop = () => ask('POST /archive/stop', { body: { token: found.value!.token } }).catch(() => undefined)
const take = () =>
  tell(async () => {
    const { token } = found.value!
    taking.value = { done: 0, of: 1 }
    resume()
    const { counts, backup } = await ask('POST /archive/take', {
      body: { token, over: over.value, house: house.value },
    }).finally(() => {
      pause()
      taking.value = undefined
    })
    found.value = undefined
    await forgetAll()
    const added = counts.reduce((sum, c) => sum + c.adds, 0)
    toast.said(`${say.count(added, 'record')} came in.${backup ? ' A backup of what was here was made before.' : ''}`)
  })
</script>

<template>
  <section id="archive" class="basin" aria-labelledby="archive-title">
    <h2 id="archive-title">In and out</h2>
    <p class="soft">
      Everything in one file that other programs can read too: a zip of JSON with its own description. For another
      machine, or for the drawer.
    </p>
    <p class="outs">
      <a class="link" href="/api/archive.zip" download>Save everything as an archive</a>
      <span
        >As tables (CSV): <a class="link" href="/api/tables/dogs" download>dogs</a>,
        <a class="link" href="/api/tables/products" download>bottles</a>,
        <a class="link" href="/api/tables/visits" download>visits</a>,
        <a class="link" href="/api/tables/steps" download>their steps</a></span
      >
    </p>
    <UiUpload label="Bring in an archive" accept=".zip,application/zip" @file="choose">
      A file saved here or on another machine. It is only looked at until you say so.
    </UiUpload>
    <div v-if="taking" class="side-by-side">
      <UiProgress class="bar" :share="share" label="How much of the archive is in" />
      <UiButton kind="link" @click="stop">Stop, and keep nothing of it</UiButton>
    </div>
    <p v-else-if="busy" class="soft" role="status">Reading it</p>
    <ProblemNote v-if="problem" :problem="problem" />
    <div v-if="found" class="found" role="status">
      <h3>{{ name }}, of {{ date(found.at) }}</h3>
      <dl class="facts">
        <div>
          <dt>Comes in</dt>
          <dd>{{ those('adds').length > 0 ? say.list(those('adds')) : 'nothing: all of it is here' }}</dd>
        </div>
        <div v-if="those('same').length > 0">
          <dt>Is here already</dt>
          <dd>{{ say.list(those('same')) }}</dd>
        </div>
        <div v-if="differs.length > 0">
          <dt>Says something else here</dt>
          <dd>{{ say.list(differs) }}</dd>
        </div>
        <div v-if="those('lost').length > 0">
          <dt>Belongs to nothing</dt>
          <dd>{{ say.list(those('lost')) }}: stays out</dd>
        </div>
      </dl>
      <p v-if="found.doubles.length > 0" class="watch">
        Of the same name as a dog here, and another all the same: {{ say.list(found.doubles) }}. Both will stand in the
        list.
      </p>
      <ul v-if="found.unreadable.length > 0" class="field-error">
        <li v-for="fault in found.unreadable" :key="`${fault.kind} ${fault.place}`">
          Can’t be read, and stays out: {{ fault.kind }}, number {{ fault.place }}, {{ fault.why }}
        </li>
      </ul>
      <UiCheck v-if="differs.length > 0" v-model="over"
        >Change what says something else to what the archive says</UiCheck
      >
      <UiCheck v-if="found.house === 'differs'" v-model="house"
        >Take its house too: water, sockets, prices, rules</UiCheck
      >
      <div class="side-by-side">
        <UiButton v-if="!nothing" kind="primary" :disabled="busy" @click="take">Take it in</UiButton>
        <UiButton kind="link" @click="found = undefined">{{
          nothing ? 'There is nothing to take' : 'Leave it'
        }}</UiButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.outs {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 28px;
  margin: 8px 0 14px;
}

.bar {
  flex: 1 1 200px;
}
.found {
  margin-top: 14px;
}
.watch {
  color: var(--watch);
  font-weight: 600;
}
</style>
