<script setup lang="ts" generic="T extends string | number | boolean">
import { Checkbox, CheckboxGroup, RadioButton, RadioGroup } from 'ant-design-vue'
import { computed, useId } from 'vue'

const {
  label,
  options,
  many = false,
} = defineProps<{
  label: string
  options: readonly { value: T; text: string }[]
  /** Several can be true at once. */
  many?: boolean
}>()
const chosen = defineModel<T | T[]>({ required: true })
const name = useId()

const all = computed(() => (Array.isArray(chosen.value) ? chosen.value : []))
const one = computed(() => (Array.isArray(chosen.value) ? undefined : chosen.value))
</script>

<template>
  <fieldset class="ui-choice">
    <legend>{{ label }}</legend>
    <CheckboxGroup v-if="many" :name="name" :value="all" @update:value="chosen = $event as T[]">
      <Checkbox v-for="option in options" :key="String(option.value)" :value="option.value">{{ option.text }}</Checkbox>
    </CheckboxGroup>
    <RadioGroup v-else :name="name" :value="one" @update:value="chosen = $event as T">
      <RadioButton v-for="option in options" :key="String(option.value)" :value="option.value">{{
        option.text
      }}</RadioButton>
    </RadioGroup>
  </fieldset>
</template>
