<script setup lang="ts">
import { computed, ref } from 'vue'
import type { BackupFile, Practised, RestoredBackup } from '@contract'
import { me } from '../../api/access'
import { ask } from '../../api/client'
import { useAsk } from '../../api/queries'
import { mayBeDropped } from '../../device/device'
import { waiting } from '../../device/outbox'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { localMoment } from '../../parts/words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiConfirm from '../../ui/UiConfirm.vue'
import UiFold from '../../ui/UiFold.vue'
import UiText from '../../ui/UiText.vue'
import UiWaiting from '../../ui/UiWaiting.vue'

const say = useSay()
const { answer: state, problem: unknown, loading, again } = useAsk('GET /backups', {})
const { busy, problem, tell } = useTell()
const folder = ref<string>()
const restored = ref<RestoredBackup>()
const practised = ref<Practised>()
const newest = computed(() => state.value?.files[0])
const folderError = computed(() => problem.value?.errors.find((e) => e.field === 'folder')?.message)

function moment(iso: string): string {
  const { date, minute } = localMoment(iso)
  return `${say.date(date, 'short')}, ${say.clock(minute)}`
}
const KILO = 1000
const size = ({ bytes }: BackupFile) =>
  bytes < KILO * KILO ? `${Math.ceil(bytes / KILO)} kB` : `${say.number(bytes / (KILO * KILO), 1)} MB`
const here = computed(() => Object.values(waiting.value).reduce((sum, n: number) => sum + n, 0))

const make = () => tell(async () => void (await ask('POST /backups', {}), again()))
async function move() {
  const to = folder.value ?? ''
  if (await tell(() => ask('PUT /backups/folder', { body: { folder: to } }))) {
    folder.value = undefined
    again()
  }
}
const practise = () =>
  tell(async () => {
    practised.value = undefined
    practised.value = await ask('POST /backups/practise')
    again()
  })
const restore = ({ name }: BackupFile) =>
  tell(async () => {
    restored.value = undefined
    restored.value = await ask('POST /backups/{backup}/restore', { params: { backup: name } })
  })
</script>

<template>
  <section id="backups" class="basin" aria-labelledby="backups-title">
    <h2 id="backups-title">Backups</h2>
    <UiWaiting v-if="loading" label="Looking for backups" :rows="2" />
    <ProblemNote v-if="unknown" :problem="unknown">
      <UiButton kind="link" @click="again">Try again</UiButton>
    </ProblemNote>
    <template v-if="state">
      <dl class="facts">
        <div>
          <dt>On this device only</dt>
          <dd>
            {{ here === 0 ? 'nothing waits' : say.count(here, 'change') + ' to be sent'
            }}{{ mayBeDropped ? '; this browser may drop it when its disk is full' : '' }}
          </dd>
        </div>
        <div>
          <dt>{{ state.byServer ? 'In the database server' : 'On the server’s disk' }}</dt>
          <dd>everything else, from the moment it is answered</dd>
        </div>
        <div>
          <dt>In a backup</dt>
          <dd v-if="state.byServer" data-testid="backed-up">
            as its database server does it: ask whoever runs it when the last was made. Ask too whether one was ever
            restored. An archive, below, is a copy in your own hands.
          </dd>
          <dd v-else-if="newest" data-testid="backed-up">
            all of it at {{ moment(newest.at) }}, read back and counted ({{ size(newest) }}){{
              state.journalAt ? `; what changed since, up to ${moment(state.journalAt)}, beside it` : ''
            }}
          </dd>
          <dd v-else data-testid="backed-up">nothing yet: the first is made a minute after the start</dd>
        </div>
      </dl>
      <div v-if="state.unreadable.length > 0" class="field-error" role="alert">
        <p v-for="record in state.unreadable" :key="record.id">
          Can’t be read, and isn’t in its list: {{ record.name || record.id }} ({{ record.table }}), {{ record.why }}.
        </p>
        <p>{{ newest ? 'Restore the newest backup beside, and compare.' : 'Nothing else of it was touched.' }}</p>
      </div>
      <template v-if="!state.byServer">
        <p v-if="state.problem" class="field-error" role="alert">The last try failed: {{ state.problem }}</p>
        <p class="soft">
          One every night, or as soon as the program runs again; all of two days stay, and one of each of 7 days, 4
          weeks, 12 months. They lie in
          <span class="path">{{ state.folder }}</span>
        </p>
        <div class="side-by-side">
          <UiButton :disabled="busy" @click="make">{{ busy ? 'At it' : 'Make a backup now' }}</UiButton>
          <UiButton v-if="newest" kind="link" :disabled="busy" @click="practise">Practise a restore</UiButton>
          <UiButton v-if="folder === undefined" kind="link" @click="folder = state.folder"
            >Keep them elsewhere</UiButton
          >
        </div>
        <p v-if="practised" :class="practised.apart.length === 0 ? 'done' : 'field-error'" role="status">
          {{
            practised.apart.length === 0
              ? `It comes back whole: ${say.count(practised.counts.dogs ?? 0, 'dog')}, ${say.count(practised.counts.visits ?? 0, 'visit')}, as many as are kept here. The copy is thrown away.`
              : `It came back with other numbers than are kept here (${practised.apart.join(', ')}). Make a backup and practise again.`
          }}
        </p>
        <p v-else-if="state.practisedAt" class="soft">A restore was practised on {{ moment(state.practisedAt) }}.</p>
        <form v-if="folder !== undefined" class="folder" novalidate @submit.prevent="move">
          <UiText
            v-model="folder"
            label="Folder, the whole path"
            :error="folderError"
            hint="On a stick or a share, in a folder of its own. Those made before stay where they are."
          />
          <div class="side-by-side">
            <UiButton submit :disabled="busy">Keep them there</UiButton>
            <UiButton kind="link" @click="folder = undefined">As it was</UiButton>
          </div>
        </form>
        <ProblemNote v-if="problem && !folderError" :problem="problem" />
        <UiFold v-if="state.files.length > 0" :title="say.count(state.files.length, 'backup')">
          <ul class="lines">
            <li v-for="file in state.files" :key="file.name">
              <span>{{ moment(file.at) }}</span>
              <span class="soft">{{ size(file) }}</span>
              <UiConfirm
                question="Restore it into a new folder beside the data? Nothing that is saved here is touched."
                yes="Restore it"
                no="Leave it"
                @yes="restore(file)"
              >
                <UiButton kind="link" :disabled="busy" :aria-label="`Restore the backup of ${moment(file.at)}`">
                  Restore beside
                </UiButton>
              </UiConfirm>
            </li>
          </ul>
        </UiFold>
        <p v-if="restored" class="done" role="status">
          Restored: {{ say.count(restored.counts.dogs ?? 0, 'dog') }},
          {{ say.count(restored.counts.visits ?? 0, 'visit') }}, as it stood on {{ moment(restored.until) }}. To go on
          with it, stop the program and start it with
          <span class="path">JUVANT_DATA={{ restored.into }} {{ me?.reachable.start ?? 'npm start' }}</span>
        </p>
      </template>
    </template>
  </section>
</template>

<style scoped>
.path {
  overflow-wrap: anywhere;
  font-weight: 600;
}
.folder {
  max-width: 640px;
}
.done {
  color: var(--ok);
  font-weight: 600;
}
</style>
