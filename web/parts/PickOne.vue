<script setup lang="ts" generic="T extends string">
const { options, invalid = false } = defineProps<{
  id: string
  options: readonly { value: T; text: string }[]
  invalid?: boolean
}>()
const chosen = defineModel<T | undefined>({ required: true })
</script>

<template>
  <select
    :id="id"
    :value="chosen ?? ''"
    :aria-invalid="invalid || undefined"
    :aria-describedby="invalid ? `${id}-error` : undefined"
    @change="chosen = ($event.target as HTMLSelectElement).value as T"
  >
    <option value="" disabled>Choose</option>
    <option v-for="option in options" :key="option.value" :value="option.value">{{ option.text }}</option>
  </select>
</template>

<style scoped>
select {
  width: 100%;
  height: 44px;
  padding: 0 34px 0 11px;
  border: 1.5px solid var(--edge);
  border-radius: 3px 3px 10px 10px;
  background: var(--enamel)
    url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='14' height='10'%3E%3Cpath d='M1 1V3.5Q1 8.5 7 8.5Q13 8.5 13 3.5V1' fill='none' stroke='%231F3F94' stroke-width='2'/%3E%3C/svg%3E")
    no-repeat right 12px center;
  color: var(--ink);
  font: inherit;
  appearance: none;
}
select[aria-invalid] {
  border-color: var(--stop);
}
</style>
