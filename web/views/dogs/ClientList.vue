<script setup lang="ts">
import Papa from 'papaparse'
import { computed, ref, useId } from 'vue'
import {
  CLIENT_FIELDS,
  CoatType,
  guessFields,
  namedApart,
  readClient,
  type ClientField,
  type ClientMended,
  type Dog,
} from '@core/dog'
import { CLIENT_DOUBTS, CLIENT_FIELD_NAMES, capital, coatWords, dogLine, guessedWords, listWords } from '@words'
import { ask } from '../../api/client'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import UiButton from '../../ui/UiButton.vue'
import UiCheck from '../../ui/UiCheck.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import UiTable from '../../ui/UiTable.vue'
import UiText from '../../ui/UiText.vue'
import { useToast } from '../../ui/toast'

/** A list of clients as people keep it: its columns are matched by what stands over them, what is in doubt is mended here. */
const { text, name } = defineProps<{ text: string; name: string }>()
const emit = defineEmits<{ taken: []; close: [] }>()

const say = useSay()
const toast = useToast()
const room = useRoom()
const id = useId()
const { busy, problem, tell } = useTell()
const { answer: known } = useAsk('GET /dogs', {})

const table = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' }).data
const headings = table[0] ?? []
const rows = table.slice(1)
const fields = ref<ClientField[]>(guessFields(headings))
const columns = computed(() => headings.map((heading, i) => ({ heading, field: fields.value[i] ?? 'out' })))
const choices = CLIENT_FIELDS.map((value) => ({ value, text: capital(CLIENT_FIELD_NAMES[value]) }))
const SAMPLES = 3
const samples = headings.map((_, i) => rows.slice(0, SAMPLES).map((row) => row[i] ?? ''))
const COLUMNS = [
  { key: 'heading', title: 'In the list' },
  { key: 'samples', title: 'For example' },
  { key: 'field', title: 'Taken as' },
]

/** What was said of rows here, by their place in the list, and rows that aren't taken. */
const mended = ref<Record<number, ClientMended>>({})
const out = ref<Record<number, boolean>>({})
const read = computed(() =>
  rows.map((row, index) => ({
    index,
    ...readClient(row, columns.value, say.units, room.house?.prices.currency ?? 'EUR', mended.value[index]),
  })),
)
/** A dog by its name, without what tells it apart from others of that name, and its owner. */
const sign = ({ name: called, owner }: Pick<Dog, 'name' | 'owner'>) =>
  `${called.replace(/ \([^)]*\)$/, '')} ${owner}`.toLowerCase()
const there = computed(() => new Set(known.value?.map((d) => sign(d.record))))
/** One that is here already by its name and its owner's isn't taken twice. */
const isThere = (dog: Dog | undefined) => dog !== undefined && there.value.has(sign(dog))
/** Rows that were ever in doubt stay in sight, so that what is mended doesn't jump away. */
const doubted = computed(() =>
  read.value.filter((r) => !out.value[r.index] && (r.doubts.length > 0 || mended.value[r.index] !== undefined)),
)
const guessed = computed(() =>
  read.value.flatMap((r) => (r.takenFor && r.dog && !out.value[r.index] ? [{ name: r.name, breed: r.takenFor }] : [])),
)
const taken = computed(() =>
  read.value.flatMap((r) => (r.dog && !out.value[r.index] && !isThere(r.dog) ? [r.dog] : [])),
)
const counts = computed(() => ({
  complete: taken.value.length,
  doubts: read.value.filter((r) => r.doubts.length > 0 && !out.value[r.index]).length,
  there: read.value.filter((r) => isThere(r.dog) && !out.value[r.index]).length,
  out: Object.values(out.value).filter(Boolean).length,
}))
const nameless = computed(() => !fields.value.includes('name'))
const mend = (index: number, part: keyof ClientMended, typed: string) =>
  (mended.value = { ...mended.value, [index]: { ...mended.value[index], [part]: typed } })
const coats = CoatType.options.map((value) => ({ value, text: coatWords(value) }))
const coatOf = (index: number) => CoatType.options.find((c) => c === mended.value[index]?.coat)
/** What is asked of a row: what is in doubt, and what was mended of it here. */
const asked = (r: (typeof doubted.value)[number], part: 'name' | 'weight' | 'coat') =>
  r.doubts.includes(part) || mended.value[r.index]?.[part] !== undefined
const rawOf = (index: number) =>
  rows[index]!.map((cell) => cell.trim())
    .filter((cell) => cell !== '')
    .join(', ')

const take = () =>
  tell(async () => {
    const { added } = await ask('POST /dogs/list', { body: { dogs: namedApart(taken.value) } })
    toast.said(`${say.count(added, 'dog')} taken over.`)
    emit('taken')
  })
</script>

<template>
  <section class="basin client-list" :aria-label="`The list ${name}`">
    <h3>{{ name }}: {{ say.count(rows.length, 'row') }}</h3>
    <UiTable
      label="Columns of the list"
      :columns="COLUMNS"
      :rows="columns"
      :row-key="(c) => String(columns.indexOf(c))"
    >
      <template #cell="{ column, row, index }">
        <strong v-if="column.key === 'heading'">{{ row.heading || 'without a name' }}</strong>
        <span v-else-if="column.key === 'samples'" class="soft">{{ samples[index]!.filter(Boolean).join(' · ') }}</span>
        <UiSelect
          v-else
          :id="`${id}-${index}`"
          :label="`${row.heading} is taken as`"
          :model-value="fields[index]"
          :options="choices"
          @update:model-value="$event && (fields[index] = $event)"
        />
      </template>
    </UiTable>
    <p v-if="nameless" class="wrong" role="alert">Say which column has the dogs’ names.</p>
    <template v-else>
      <p role="status">
        <strong>{{ listWords(counts, say) }}</strong>
      </p>
      <ul v-if="doubted.length > 0">
        <li v-for="r in doubted" :key="r.index">
          <p>
            <strong>{{ r.name || 'No name' }}</strong> <span class="soft">{{ rawOf(r.index) }}</span>
          </p>
          <p v-if="r.doubts.length > 0" class="wrong">Needs {{ say.list(r.doubts.map((d) => CLIENT_DOUBTS[d])) }}.</p>
          <p v-else-if="r.dog" class="soft">{{ capital(dogLine(r.dog, say)) }}</p>
          <div class="mends">
            <UiText
              v-if="asked(r, 'name')"
              label="Name"
              :model-value="mended[r.index]?.name ?? ''"
              @update:model-value="mend(r.index, 'name', $event)"
            />
            <UiField v-if="asked(r, 'coat')" label="Coat" :for-id="`${id}-coat-${r.index}`">
              <UiSelect
                :id="`${id}-coat-${r.index}`"
                :model-value="coatOf(r.index)"
                :options="coats"
                @update:model-value="$event && mend(r.index, 'coat', $event)"
              />
            </UiField>
            <UiText
              v-if="asked(r, 'weight')"
              :label="`Weight, ${say.units.weight}`"
              inputmode="decimal"
              :model-value="mended[r.index]?.weight ?? ''"
              @update:model-value="mend(r.index, 'weight', $event)"
            />
            <UiCheck :model-value="out[r.index] ?? false" @update:model-value="out = { ...out, [r.index]: $event }"
              >leave it out<span class="hidden">: {{ r.name || `row ${r.index + 1}` }}</span></UiCheck
            >
          </div>
        </li>
      </ul>
      <p v-if="guessed.length > 0" class="soft">
        {{ guessedWords(guessed) }}
      </p>
      <ProblemNote v-if="problem" :problem="problem" />
      <div class="acts">
        <UiButton kind="primary" :disabled="busy || taken.length === 0 || counts.doubts > 0" @click="take">
          Take {{ say.count(taken.length, 'dog') }} over
        </UiButton>
        <UiButton kind="link" @click="emit('close')">Another file</UiButton>
      </div>
    </template>
  </section>
</template>

<style scoped>
.client-list {
  display: grid;
  gap: 10px;
  max-width: 760px;
}
.wrong {
  color: var(--stop);
  font-weight: 600;
}
li {
  padding: 6px 0;
  border-top: 1.5px solid var(--rule2);
  overflow-wrap: anywhere;
}
.mends,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: flex-end;
}
</style>
