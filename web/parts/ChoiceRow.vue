<script setup lang="ts" generic="T extends string | number | boolean">
import { useId } from 'vue'

const {
  label,
  options,
  many = false,
} = defineProps<{
  label: string
  options: readonly { value: T; text: string }[]
  many?: boolean
}>()
const chosen = defineModel<T | T[]>({ required: true })
const name = useId()

const isOn = (value: T) => (Array.isArray(chosen.value) ? chosen.value.includes(value) : chosen.value === value)

function toggle(value: T, on: boolean) {
  if (!many) {
    chosen.value = value
    return
  }
  const before = Array.isArray(chosen.value) ? chosen.value : []
  chosen.value = on ? [...before, value] : before.filter((v) => v !== value)
}
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <div class="choices">
      <label v-for="option in options" :key="String(option.value)" :class="{ on: isOn(option.value) }">
        <input
          :type="many ? 'checkbox' : 'radio'"
          :name="name"
          :checked="isOn(option.value)"
          @change="toggle(option.value, ($event.target as HTMLInputElement).checked)"
        />
        <span>{{ option.text }}</span>
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
label {
  position: relative;
  display: inline-flex;
  align-items: center;
  min-height: 36px;
  padding: 2px 11px;
  border: 1.5px solid var(--edge);
  border-radius: 3px 3px 11px 11px;
  background: var(--enamel);
  font-size: 14.5px;
  cursor: pointer;
}
label.on {
  border-color: var(--rim);
  border-top-width: 4px;
  background: var(--rim-tint);
  font-weight: 700;
}
input {
  position: absolute;
  inset: 0;
  margin: 0;
  opacity: 0;
  cursor: pointer;
}
label:focus-within {
  outline: 3px solid var(--rim);
  outline-offset: 2px;
}
@media (max-width: 640px), (pointer: coarse) {
  label {
    min-height: 44px;
    padding: 2px 14px;
  }
}
</style>
