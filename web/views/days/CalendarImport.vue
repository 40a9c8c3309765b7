<script setup lang="ts">
import UiCheck from '../../ui/UiCheck.vue'
import UiDate from '../../ui/UiDate'
import UiSelect from '../../ui/UiSelect.vue'
import UiTable from '../../ui/UiTable.vue'
import UiUpload from '../../ui/UiUpload.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import type { Booking, CalendarPreview, CalendarResult, StoredDog } from '@contract'
import { addDays } from '@core/visit'
import { asProblem, type ApiProblem } from '../../api/client'
import ProblemNote from '../../parts/ProblemNote.vue'
import QuickAdd from '../../parts/QuickAdd.vue'
import { deviceToday } from '../../parts/words'
import { days } from '../../api/days'
import { useAsk } from '../../api/queries'
import { useSay } from '../../say'
import { SERVICE_NAMES } from '@words'

const say = useSay()

const emit = defineEmits<{ done: [] }>()

const { answer: dogs } = useAsk('GET /dogs', {})

const from = ref(deviceToday())
const to = ref(addDays(deviceToday(), 92))
const name = ref('')
const text = ref('')
const reading = ref(false)
const problem = ref<ApiProblem>()
const preview = ref<CalendarPreview>()
const result = ref<CalendarResult>()

interface Row extends Booking {
  index: number
  wanted: boolean
  chosen: string
}
const rows = ref<Row[]>([])
const SHOWN = 100
const page = ref(0)
const COLUMNS = [
  { key: 'take', title: 'Take' },
  { key: 'day', title: 'Day' },
  { key: 'time', title: 'Time' },
  { key: 'booking', title: 'Booking' },
  { key: 'dog', title: 'Dog' },
]
const choices = computed(() => [
  { value: '', text: 'none' },
  ...(dogs.value ?? []).map((d) => ({ value: d.id, text: d.record.name })),
  { value: NEW, text: 'a new dog' },
])
const NEW = 'new'
const nameOf = (dogId: string) => dogs.value?.find((d) => d.id === dogId)?.record.name
const onlyOpen = ref(false)
/** The booking whose dog is entered as a new one. */
const adding = ref<Row>()

async function choose(file: File) {
  name.value = file.name
  text.value = await file.text()
  await read()
}
async function read() {
  if (!text.value) return
  problem.value = undefined
  result.value = undefined
  preview.value = undefined
  reading.value = true
  try {
    const found = await days.preview(text.value, from.value, to.value)
    preview.value = found
    page.value = 0
    rows.value = found.bookings.map((b, index) => ({ ...b, index, wanted: b.dogId !== null, chosen: b.dogId ?? '' }))
  } catch (error) {
    problem.value = asProblem(error)
  } finally {
    reading.value = false
  }
}
const wanted = computed(() => rows.value.filter((r) => r.wanted && r.chosen !== ''))
const unmatched = computed(() => rows.value.filter((r) => r.chosen === '').length)
const listed = computed(() => (onlyOpen.value ? rows.value.filter((r) => r.chosen === '') : rows.value))
const shown = computed(() => listed.value.slice(page.value * SHOWN, (page.value + 1) * SHOWN))
const pages = computed(() => Math.max(1, Math.ceil(listed.value.length / SHOWN)))
const form = useTemplateRef('form')
/** Names stand first in what people write, before a bracket, a dash, a comma or a time. */
const nameIn = (summary: string) => (summary.split(/[(\[,;:–—-]|\d/)[0] ?? '').trim().slice(0, 80)
async function beginNew(row: Row) {
  adding.value = row
  await nextTick()
  form.value?.scrollIntoView({ block: 'nearest' })
}
/** A dog just entered: it is the one of this booking, and of all that say the same and have none. */
function takeNew({ id }: StoredDog) {
  const { summary, index } = adding.value!
  for (const r of rows.value) if (r.index === index || (r.summary === summary && r.chosen === '')) assign(r, id)
  adding.value = undefined
}
function assign(row: Row, dogId: string) {
  if (dogId === NEW) {
    void beginNew(row)
    return
  }
  rows.value[row.index] = { ...row, chosen: dogId, wanted: dogId !== '' }
}

async function takeOver() {
  problem.value = undefined
  try {
    result.value = await days.takeOver(
      wanted.value.map(({ event, date, chosen, arrive, pickup, service, summary }) => {
        const note = summary.trim() === nameOf(chosen) ? '' : summary.slice(0, 400)
        return { event, date, dogId: chosen, arrive, pickup, service, note }
      }),
    )
    preview.value = undefined
    rows.value = []
    emit('done')
  } catch (error) {
    problem.value = asProblem(error)
  }
}
</script>

<template>
  <section class="calendar" aria-labelledby="calendar-title">
    <h2 id="calendar-title">Read bookings from a calendar file</h2>
    <p class="soft">
      An iCalendar file (.ics), as calendars export it. You see what is in it before anything is put on a day.
    </p>
    <div class="row">
      <UiUpload label="Calendar file" accept=".ics,text/calendar" @file="choose">
        {{ name || 'Drop an .ics file here, or choose one' }}
      </UiUpload>
      <div>
        <label for="ics-from">From</label>
        <UiDate id="ics-from" v-model="from" @update:model-value="read" />
      </div>
      <div>
        <label for="ics-to">Until</label>
        <UiDate id="ics-to" v-model="to" @update:model-value="read" />
      </div>
    </div>
    <p v-if="reading" class="soft" role="status">Reading {{ name }}</p>
    <ProblemNote v-if="problem" :problem="problem" />
    <p v-if="result" class="ok" role="status">
      {{ result.added }} put on {{ result.days.length }} {{ result.days.length === 1 ? 'day' : 'days' }},
      {{ result.changed }} moved, {{ result.already }} there already.
    </p>
    <template v-if="preview">
      <p role="status">
        <strong>{{ preview.bookings.length }} {{ preview.bookings.length === 1 ? 'booking' : 'bookings' }}</strong>
        between these dates, {{ unmatched }} without a dog. Times as clocks show them in
        {{ preview.timeZone }} (<RouterLink class="link" to="/house">change</RouterLink>).
        <template v-if="preview.refused.length > 0">
          {{ preview.refused.length }} can’t be taken:
          {{
            preview.refused
              .slice(0, 5)
              .map((r) => `${r.summary || 'one without a name'} (${r.why})`)
              .join('; ')
          }}.</template
        >
      </p>
      <p v-if="preview.bookings.length === 0" class="soft">Nothing falls between these dates. Choose others.</p>
      <template v-else>
        <UiCheck v-model="onlyOpen" @update:model-value="page = 0">Only those without a dog</UiCheck>
        <UiTable label="Bookings" :columns="COLUMNS" :rows="shown" :row-key="(r) => String(r.index)">
          <template #cell="{ column, row: r }">
            <UiCheck
              v-if="column.key === 'take'"
              v-model="rows[r.index]!.wanted"
              :disabled="r.chosen === ''"
              :aria-label="`Take ${r.summary} on ${r.date}`"
            />
            <template v-else-if="column.key === 'day'">{{ say.date(r.date) }}</template>
            <template v-else-if="column.key === 'time'">{{
              r.allDay ? 'all day' : `${say.clock(r.arrive)} to ${say.clock(r.pickup)}`
            }}</template>
            <span v-else-if="column.key === 'booking'" class="summary"
              >{{ r.summary || 'without a name'
              }}<template v-if="r.service"
                ><br /><span class="soft">{{ SERVICE_NAMES[r.service] }}</span></template
              ><span v-if="r.odd" class="soft"> ({{ r.odd }})</span></span
            >
            <UiSelect
              v-else
              :id="`booking-${r.index}`"
              class="dog"
              :label="`Dog for ${r.summary} on ${r.date}`"
              :model-value="r.chosen"
              :options="choices"
              @update:model-value="assign(r, $event ?? '')"
            />
          </template>
        </UiTable>
        <div v-if="adding" ref="form" class="adding">
          <QuickAdd :key="adding.index" :name="nameIn(adding.summary)" only @added="takeNew">
            <UiButton kind="link" @click="adding = undefined">Not a new dog</UiButton>
          </QuickAdd>
        </div>
        <div class="row">
          <UiButton kind="primary" :disabled="wanted.length === 0" @click="takeOver">
            Put {{ wanted.length }} on their days
          </UiButton>
          <template v-if="pages > 1">
            <UiButton kind="link" :disabled="page === 0" @click="page--">Before</UiButton>
            <span>{{ page + 1 }} of {{ pages }}</span>
            <UiButton kind="link" :disabled="page + 1 >= pages" @click="page++">After</UiButton>
          </template>
        </div>
      </template>
    </template>
  </section>
</template>

<style scoped>
.calendar {
  margin-top: 30px;
}
.adding {
  max-width: 460px;
  margin-top: 10px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 20px;
  align-items: flex-end;
  margin: 10px 0;
}
.row label {
  display: block;
  color: var(--ink2);
  font-size: 14px;
  font-weight: 600;
}
.row .ui-date {
  width: 160px;
}
.summary {
  white-space: normal;
  overflow-wrap: anywhere;
}
.dog {
  min-width: 180px;
}
.ok {
  color: var(--ok);
  font-weight: 700;
}
</style>
