<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Booking, CalendarPreview, CalendarResult } from '../../../contract'
import { addDays } from '../../../core/visit'
import { asProblem, type ApiProblem } from '../../api'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { useDays } from '../../stores/days'
import { useDogs } from '../../stores/dogs'
import { useSay } from '../../say'

const say = useSay()

const emit = defineEmits<{ done: [] }>()
const days = useDays()
const dogs = useDogs()

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
const onlyOpen = ref(false)

async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
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
    const [found] = await Promise.all([days.preview(text.value, from.value, to.value), dogs.load()])
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
function assign(row: Row, dogId: string) {
  rows.value[row.index] = { ...row, chosen: dogId, wanted: dogId !== '' }
}

async function takeOver() {
  problem.value = undefined
  try {
    result.value = await days.takeOver(
      wanted.value.map(({ event, date, chosen, arrive, pickup }) => ({ event, date, dogId: chosen, arrive, pickup })),
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
      An iCalendar file (.ics), as calendars export it. You see what it holds before anything is put on a day.
    </p>
    <div class="row">
      <div>
        <label for="ics">Calendar file</label>
        <input id="ics" type="file" accept=".ics,text/calendar" @change="choose" />
      </div>
      <div>
        <label for="ics-from">From</label>
        <input id="ics-from" v-model="from" class="date" type="date" @change="read" />
      </div>
      <div>
        <label for="ics-to">Until</label>
        <input id="ics-to" v-model="to" class="date" type="date" @change="read" />
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
        between these dates, {{ unmatched }} without a dog. Times as clocks show them in {{ preview.timeZone }}.
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
        <label class="only"
          ><input v-model="onlyOpen" type="checkbox" @change="page = 0" /> Only those without a dog</label
        >
        <div class="wrap">
          <table>
            <thead>
              <tr>
                <th scope="col">Take</th>
                <th scope="col">Day</th>
                <th scope="col">Time</th>
                <th scope="col">Booking</th>
                <th scope="col">Dog</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in shown" :key="r.index">
                <td>
                  <input
                    v-model="rows[r.index]!.wanted"
                    type="checkbox"
                    :disabled="r.chosen === ''"
                    :aria-label="`Take ${r.summary} on ${r.date}`"
                  />
                </td>
                <td>{{ say.date(r.date) }}</td>
                <td>{{ r.allDay ? 'all day' : `${say.clock(r.arrive)} to ${say.clock(r.pickup)}` }}</td>
                <td class="summary">
                  {{ r.summary || 'without a name' }}<span v-if="r.note" class="soft"> ({{ r.note }})</span>
                </td>
                <td>
                  <select
                    :value="r.chosen"
                    :aria-label="`Dog for ${r.summary} on ${r.date}`"
                    @change="assign(r, ($event.target as HTMLSelectElement).value)"
                  >
                    <option value="">none</option>
                    <option v-for="d in dogs.list" :key="d.id" :value="d.id">{{ d.record.name }}</option>
                  </select>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <div class="row">
          <button type="button" class="button" :disabled="wanted.length === 0" @click="takeOver">
            Put {{ wanted.length }} on their days
          </button>
          <template v-if="pages > 1">
            <button type="button" class="link" :disabled="page === 0" @click="page--">Before</button>
            <span>{{ page + 1 }} of {{ pages }}</span>
            <button type="button" class="link" :disabled="page + 1 >= pages" @click="page++">After</button>
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
.row input[type='file'] {
  min-height: 44px;
  font: inherit;
}
.row .date {
  width: 160px;
}
.wrap {
  overflow-x: auto;
  background: var(--enamel);
  border-top: 3px solid var(--rim);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 5px 12px;
  border-bottom: 1.5px solid var(--rule2);
  text-align: left;
  white-space: nowrap;
}
th {
  color: var(--ink2);
  font-size: 14px;
}
.summary {
  white-space: normal;
  overflow-wrap: anywhere;
}
input[type='checkbox'] {
  width: 22px;
  height: 22px;
  accent-color: var(--rim);
}
select {
  height: 40px;
  max-width: 190px;
  border: 1.5px solid var(--edge);
  border-radius: 3px 3px 10px 10px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
}
.only {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
.ok {
  color: var(--ok);
  font-weight: 700;
}
</style>
