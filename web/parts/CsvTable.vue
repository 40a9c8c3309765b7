<script setup lang="ts">
import { computed, ref } from 'vue'
import type { CsvPreview, TableName } from '@contract'
import { ask } from '../api/client'
import { useSay } from '../say'
import { useToast } from '../ui/toast'
import UiButton from '../ui/UiButton.vue'
import UiCheck from '../ui/UiCheck.vue'
import UiFold from '../ui/UiFold.vue'
import UiUpload from '../ui/UiUpload.vue'
import ProblemNote from './ProblemNote.vue'
import { useTell } from './useTell'

const { table, one } = defineProps<{
  table: TableName
  /** What a row is: "bottle". */
  one: string
}>()
const emit = defineEmits<{ taken: [] }>()
/** What reads a file that wasn't saved here; without it any file is read by its own columns. */
const slots = defineSlots<{ others?: (props: { csv: string; file: string; close: () => void }) => unknown }>()

const say = useSay()
const toast = useToast()
const name = ref('')
const text = ref('')
const over = ref(false)
const preview = ref<CsvPreview>()
const { busy, problem, tell } = useTell()
/** The file isn't one that was saved here, and somebody else reads those. */
const others = ref(false)
/** Whether the first line has the columns that a file saved here has. */
const isOwn = (csv: string) =>
  csv
    .split(/\r?\n/, 1)[0]!
    .split(/[,;\t]/)
    .some((h) => OWN.has(h.trim()))
const OWN = new Set(['weightKg', 'coatLengthCm'])
const SHOWN = 20

const count = (does: CsvPreview['rows'][number]['does']) =>
  preview.value?.rows.filter((r) => r.does === does).length ?? 0
const tells = computed(() => [
  `${say.count(count('adds'), one)} to add`,
  `${count('changes')} that say something else here`,
  `${count('nothing')} that are here already`,
])
const choose = (file: File) =>
  tell(async () => {
    preview.value = undefined
    others.value = false
    name.value = file.name
    text.value = await file.text()
    others.value = slots.others !== undefined && !isOwn(text.value)
    if (others.value) return
    preview.value = await ask('POST /tables/{table}/preview', { params: { table }, body: { text: text.value } })
  })
const take = () =>
  tell(async () => {
    const body = { text: text.value, over: over.value }
    const done = await ask('POST /tables/{table}/import', { params: { table }, body })
    preview.value = undefined
    toast.said(`${say.count(done.added, one)} added, ${done.changed} changed.`)
    emit('taken')
  })
</script>

<template>
  <UiFold title="As a table (CSV)">
    <div class="csv">
      <p>
        <a class="link" :href="`/api/tables/${table}`" download>Save them all as CSV</a>
      </p>
      <UiUpload label="Bring in a CSV file" accept=".csv,text/csv" @file="choose">
        {{
          $slots.others
            ? 'A list as you keep it: its first line names the columns.'
            : 'Its first line names the columns, as in the file you can save here.'
        }}
        Nothing is saved until you say so.
      </UiUpload>
      <slot v-if="others" name="others" :csv="text" :file="name" :close="() => (others = false)" />
      <p v-if="busy" class="soft" role="status">One moment</p>
      <ProblemNote v-if="problem" :problem="problem" />
      <div v-if="preview" class="basin" role="status">
        <h3>{{ name }}</h3>
        <p>{{ say.list(tells) }}.</p>
        <p v-if="preview.unknown.length > 0" class="soft">
          Columns that aren’t known: {{ say.list(preview.unknown) }}.
        </p>
        <template v-if="preview.errors.length > 0">
          <p class="wrong">Put right in the file, then choose it again:</p>
          <ul>
            <li v-for="e in preview.errors.slice(0, SHOWN)" :key="`${e.line} ${e.column} ${e.message}`">
              <b>Line {{ e.line }}{{ e.column === '' ? '' : `, ${e.column}` }}</b
              >: {{ e.message }}
            </li>
          </ul>
          <p v-if="preview.errors.length > SHOWN" class="soft">And {{ preview.errors.length - SHOWN }} more.</p>
        </template>
        <template v-else>
          <UiCheck v-if="count('changes') > 0" v-model="over">Change those that say something else here</UiCheck>
          <p><UiButton kind="primary" :disabled="busy" @click="take">Take it over</UiButton></p>
        </template>
      </div>
    </div>
  </UiFold>
</template>

<style scoped>
.csv {
  display: grid;
  gap: 10px;
  max-width: 640px;
}
.wrong {
  color: var(--stop);
  font-weight: 600;
}
li {
  padding: 2px 0;
}
</style>
