<script setup lang="ts" generic="R extends object">
import { Table } from 'ant-design-vue'
import { computed } from 'vue'

/** A column: its key, what stands over it, and whether its cells are numbers, set to the right. */
export interface UiColumn {
  key: string
  title: string
  number?: boolean
}

const {
  label,
  columns,
  rows,
  rowKey,
  empty = 'Nothing here yet.',
} = defineProps<{
  label: string
  columns: readonly UiColumn[]
  rows: readonly R[]
  rowKey: (row: R) => string
  /** What stands there when there are no rows. */
  empty?: string
}>()
defineSlots<{ cell: (props: { column: UiColumn; row: R; index: number }) => unknown }>()

const made = computed(() =>
  columns.map((column) => ({
    key: column.key,
    title: column.title,
    align: column.number ? ('right' as const) : ('left' as const),
    customCell: () => ({ 'data-label': column.title }) as object,
  })),
)
</script>

<template>
  <div class="ui-table" role="region" :aria-label="label" tabindex="0">
    <Table
      :columns="made"
      :data-source="[...rows]"
      :pagination="false"
      :row-key="rowKey"
      :locale="{ emptyText: empty }"
      size="small"
    >
      <template #bodyCell="{ column, record, index }">
        <slot name="cell" :column="columns.find((c) => c.key === column.key)!" :row="record as R" :index="index" />
      </template>
    </Table>
  </div>
</template>
