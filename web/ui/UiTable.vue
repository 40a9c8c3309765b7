<script setup lang="ts" generic="R extends object">
import { Table } from 'ant-design-vue'
import { computed, ref } from 'vue'

/** A column: its key, what stands over it, and whether its cells are numbers, set to the right. */
export interface UiColumn {
  key: string
  title: string
  number?: boolean
}
/** By what a row is put in order in a column: text, a number, or nothing known, which comes last. */
export type SortValue = string | number | null

const {
  label,
  columns,
  rows,
  rowKey,
  empty = 'Nothing here yet.',
  sortBy,
} = defineProps<{
  label: string
  columns: readonly UiColumn[]
  rows: readonly R[]
  rowKey: (row: R) => string
  /** What stands there when there are no rows. */
  empty?: string
  /** Where given, a press on a column's head puts the rows in its order, a second one in the other, a third as they were. */
  sortBy?: (row: R, column: UiColumn) => SortValue
}>()
defineSlots<{ cell: (props: { column: UiColumn; row: R; index: number }) => unknown }>()

const sorted = ref<{ key: string; down: boolean }>()
function sort(key: string) {
  const now = sorted.value
  sorted.value = now?.key !== key ? { key, down: false } : now.down ? undefined : { key, down: true }
}
const texts = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' })
function compare(a: SortValue, b: SortValue): number {
  if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1
  const both = typeof a === 'number' && typeof b === 'number' ? a - b : texts.compare(String(a), String(b))
  return sorted.value?.down ? -both : both
}
const shown = computed(() => {
  const by = columns.find((c) => c.key === sorted.value?.key)
  if (!by || !sortBy) return [...rows]
  return [...rows].sort((a, b) => compare(sortBy(a, by), sortBy(b, by)))
})
const orderOf = (key: string) =>
  sorted.value?.key !== key ? 'none' : sorted.value.down ? ('descending' as const) : ('ascending' as const)

const made = computed(() =>
  columns.map((column) => ({
    key: column.key,
    title: column.title,
    align: column.number ? ('right' as const) : ('left' as const),
    customCell: () => ({ 'data-label': column.title }) as object,
    customHeaderCell: () => (sortBy ? { 'aria-sort': orderOf(column.key) } : {}) as object,
  })),
)
</script>

<template>
  <div class="ui-table" role="region" :aria-label="label" tabindex="0">
    <Table
      :columns="made"
      :data-source="shown"
      :pagination="false"
      :row-key="rowKey"
      :locale="{ emptyText: empty }"
      size="small"
    >
      <template v-if="sortBy" #headerCell="{ column }">
        <button type="button" class="sort" :class="orderOf(String(column.key))" @click="sort(String(column.key))">
          {{ column.title }}
        </button>
      </template>
      <template #bodyCell="{ column, record, index }">
        <slot name="cell" :column="columns.find((c) => c.key === column.key)!" :row="record as R" :index="index" />
      </template>
    </Table>
  </div>
</template>

<style scoped>
.sort {
  display: inline-block;
  min-height: 32px;
  border: 0;
  padding: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: inherit;
  text-decoration: underline dotted;
  text-underline-offset: 4px;
  cursor: pointer;
}
.sort.ascending::after {
  content: ' ▴';
}
.sort.descending::after {
  content: ' ▾';
}
</style>
