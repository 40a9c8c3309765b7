<script setup lang="ts">
import { ref, watch } from 'vue'
import { centsShown, centsTyped } from '@core/price'
import UiText from '../ui/UiText.vue'

const { label, error, bare, placeholder } = defineProps<{
  label: string
  error?: string
  /** Its name is told to screen readers alone. */
  bare?: boolean
  placeholder?: string
}>()
/** Hundredths; null where nothing stands there, NaN while what is typed is no amount. */
const cents = defineModel<number | null>({ required: true })

const written = (value: number | null) => (value === null || Number.isNaN(value) ? '' : centsShown(value))
const typed = ref(written(cents.value))
function take(text: string) {
  typed.value = text
  cents.value = centsTyped(text)
}
// what another window or an undo gives back; what is being typed stays as it is typed
watch(cents, (now) => {
  if (!Object.is(centsTyped(typed.value), now)) typed.value = written(now)
})
</script>

<template>
  <UiText
    :model-value="typed"
    :label="label"
    :error="error"
    :bare="bare"
    :placeholder="placeholder"
    inputmode="decimal"
    @update:model-value="take"
  />
</template>
