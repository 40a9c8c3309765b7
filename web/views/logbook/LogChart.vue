<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'
import Papa from 'papaparse'
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef, watch, defineAsyncComponent } from 'vue'
import type { LogTable } from '@core/logbook'
import { chartOf, columnUnit, inColumnUnit } from './charts'
import { COLUMN_NAMES, TABLE_NAMES } from '@words'
import { useSay } from '../../say'
import { useTheme } from '../../ui/theme'

/** The table loads when it is asked for. */
const UiTable = defineAsyncComponent(() => import('../../ui/UiTable.vue'))

const say = useSay()
const { palette } = useTheme()

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
)

const { table } = defineProps<{ table: LogTable }>()

const canvas = useTemplateRef('canvas')
const asTable = ref(false)
let chart: Chart | undefined

function draw() {
  chart?.destroy()
  chart = undefined
  if (canvas.value && table.rows.length > 0) chart = new Chart(canvas.value, chartOf(table, say, palette.value))
}
onMounted(draw)
watch(() => [table, asTable.value, say.units, palette.value], draw, { flush: 'post' })
onBeforeUnmount(() => chart?.destroy())

const title = computed(() => TABLE_NAMES[table.id])
const says = computed(() => say.said(table.says))
/** A column's numbers in the house's units: what is kept in mL and litres is shown so or in US measures. */
const digitsOf = ({ unit, digits }: LogTable['columns'][number]) =>
  unit && columnUnit(unit, say) !== unit ? Math.max(1, digits ?? 0) : digits
const heading = ({ what, unit }: LogTable['columns'][number]) =>
  unit ? `${COLUMN_NAMES[what]}, ${columnUnit(unit, say)}` : COLUMN_NAMES[what]
const cell = (value: string | number | null, i: number) =>
  value === null
    ? '–'
    : typeof value === 'number'
      ? say.number(inColumnUnit(value, table.columns[i]!, say), digitsOf(table.columns[i]!))
      : value
const columns = computed(() =>
  table.columns.map((c, i) => ({ key: String(i), title: heading(c), number: c.digits !== undefined })),
)
const high = computed(() => (table.id === 'drying' || table.id === 'cost' ? 70 + 38 * table.rows.length : 330))

function save(url: string, name: string) {
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
}
function csv() {
  const rounded = table.rows.map((row) =>
    row.map((v, i) =>
      typeof v === 'number'
        ? Number(inColumnUnit(v, table.columns[i]!, say).toFixed(digitsOf(table.columns[i]!) ?? 2))
        : v,
    ),
  )
  const text = Papa.unparse({ fields: table.columns.map(heading), data: rounded }, { escapeFormulae: true })
  const url = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  save(url, `${table.id}.csv`)
  URL.revokeObjectURL(url)
}
/** The chart as a picture on enamel, not on nothing. */
function png() {
  if (!canvas.value) return
  const copy = document.createElement('canvas')
  copy.width = canvas.value.width
  copy.height = canvas.value.height
  const context = copy.getContext('2d')!
  context.fillStyle = palette.value.enamel
  context.fillRect(0, 0, copy.width, copy.height)
  context.drawImage(canvas.value, 0, 0)
  save(copy.toDataURL('image/png'), `${table.id}.png`)
}
</script>

<template>
  <section class="chart" :data-testid="`chart-${table.id}`">
    <h2>{{ title }}</h2>
    <p class="says">
      {{ says }}
      <span v-if="table.rows.length < table.of" class="soft"
        >Drawn are the newest {{ table.rows.length }} of {{ table.of }}; narrow the dates for others.</span
      >
    </p>
    <template v-if="table.rows.length > 0">
      <div v-if="!asTable" class="canvas" :style="{ height: `${high}px` }">
        <canvas ref="canvas" role="img" :aria-label="`${title}. ${says} The numbers are in the table.`" />
      </div>
      <UiTable
        v-else
        class="scroll"
        :label="`${title}, as a table`"
        :columns="columns"
        :rows="table.rows"
        :sort-by="(row: LogTable['rows'][number], { key }: { key: string }) => row[Number(key)] ?? null"
        :row-key="(row: LogTable['rows'][number]) => String(table.rows.indexOf(row))"
      >
        <template #cell="{ column, row }">{{ cell(row[Number(column.key)] ?? null, Number(column.key)) }}</template>
      </UiTable>
      <p class="acts">
        <UiButton kind="link" @click="asTable = !asTable">
          {{ asTable ? 'As a chart' : 'As a table' }}<span class="hidden"> of {{ title }}</span>
        </UiButton>
        <UiButton kind="link" @click="csv">
          CSV<span class="hidden"> of {{ title }}</span>
        </UiButton>
        <UiButton v-if="!asTable" kind="link" @click="png">
          PNG<span class="hidden"> of {{ title }}</span>
        </UiButton>
      </p>
    </template>
  </section>
</template>

<style scoped>
.chart {
  min-width: 0;
  padding-top: 12px;
  border-top: 1.5px solid var(--rule);
}
.says {
  margin: 2px 0 8px;
  font-size: 15.5px;
}
.canvas {
  position: relative;
}
.scroll {
  max-height: 380px;
  overflow: auto;
}
.acts {
  display: flex;
  gap: 22px;
}
</style>
