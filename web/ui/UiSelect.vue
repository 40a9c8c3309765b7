<script setup lang="ts" generic="T extends string">
import { Select } from 'ant-design-vue'
import { computed } from 'vue'
import { useCombobox } from './useCombobox'

const {
  id,
  options,
  invalid = false,
  label,
} = defineProps<{
  id: string
  options: readonly { value: T; text: string }[]
  invalid?: boolean
  /** Its name, where no label stands beside it. */
  label?: string
}>()
const chosen = defineModel<T | undefined>({ required: true })

/** From how many on a name is typed rather than looked for. */
const SEARCHED = 9
const items = computed(() => options.map(({ value, text }) => ({ value, label: text })))
const { opened } = useCombobox(id, { field: () => label })
const fits = (typed: string, option?: { label?: unknown }) =>
  String(option?.label ?? '')
    .toLowerCase()
    .includes(typed.trim().toLowerCase())
</script>

<template>
  <Select
    :id="id"
    class="ui-select"
    data-testid="select"
    :value="chosen"
    :options="items"
    placeholder="Choose"
    :status="invalid ? 'error' : ''"
    :show-search="options.length >= SEARCHED"
    :filter-option="fits"
    :aria-describedby="invalid ? `${id}-error` : undefined"
    @update:value="chosen = $event as T"
    @dropdown-visible-change="opened"
  >
    <template #option="{ label: text }"
      ><span data-testid="option">{{ text }}</span></template
    >
    <template #notFoundContent>Nothing by that name.</template>
  </Select>
</template>
