<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { readAmount, shownAmount, type Quantity } from '@core/units'
import { useSay } from '../say'
import UiAmountText from './UiAmountText.vue'

const {
  label,
  quantity,
  digits = 1,
  error,
  hint,
  placeholder,
} = defineProps<{
  label: string
  quantity: Quantity
  digits?: number
  error?: string
  hint?: string
  placeholder?: string
}>()
/** SI: kg, °C, mL, L, L/min, cm or m. NaN while the field is empty or what is typed can't be read. */
const value = defineModel<number>({ required: true })

const say = useSay()
const text = ref(written(value.value))
const typed = computed(() => {
  const read = readAmount(text.value, quantity, say.units)
  return read.ok ? read.value : NaN
})

function written(si: number): string {
  return Number.isNaN(si) ? '' : String(shownAmount(si, quantity, say.units, digits))
}
const same = (a: number, b: number) => Object.is(a, b) || Math.abs(a - b) < 1e-9

watch([value, () => say.units], ([now]) => {
  if (!same(typed.value, now)) text.value = written(now)
})
watch(text, () => {
  if (!same(typed.value, value.value)) value.value = typed.value
})
</script>

<template>
  <UiAmountText
    v-model="text"
    :label="label"
    :quantity="quantity"
    :error="error"
    :hint="hint"
    :placeholder="placeholder"
  />
</template>
