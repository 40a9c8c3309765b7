<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { centsShown, centsTyped } from '@core/price'
import { moneyRefused } from '@words'
import { useRoom } from '../stores/room'
import UiText from '../ui/UiText.vue'

const { label, error, bare, placeholder } = defineProps<{
  label: string
  error?: string
  /** Its name is told to screen readers alone. */
  bare?: boolean
  placeholder?: string
}>()
const room = useRoom()
const currency = computed(() => room.house?.prices.currency)
/** Hundredths; null where nothing stands there, NaN while what is typed is no amount. */
const cents = defineModel<number | null>({ required: true })

const written = (value: number | null) => (value === null || Number.isNaN(value) ? '' : centsShown(value))
const typed = ref(written(cents.value))
const wrong = computed(() => {
  const own = Number.isNaN(cents.value) && currency.value ? moneyRefused(currency.value) : undefined
  return error && own ? own : error
})
function take(text: string) {
  typed.value = text
  cents.value = centsTyped(text, currency.value)
}
// what another window or an undo gives back; what is being typed stays as it is typed
watch(cents, (now) => {
  if (!Object.is(centsTyped(typed.value, currency.value), now)) typed.value = written(now)
})
</script>

<template>
  <UiText
    :model-value="typed"
    :label="label"
    :error="wrong"
    :bare="bare"
    :placeholder="placeholder"
    inputmode="decimal"
    @update:model-value="take"
  />
</template>
