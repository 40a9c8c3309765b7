<script setup lang="ts">
import { onBeforeUnmount, ref, watch } from 'vue'
import { sameData } from '@core/same'
import { centsShown, centsTyped, Price } from '@core/price'
import { moneyRefused } from '@words'
import { useSay } from '../say'
import { useRoom } from '../stores/room'
import UiText from '../ui/UiText.vue'

const { label, usual = null } = defineProps<{
  label: string
  /** What holds where nothing is typed. */
  usual?: Price | null
}>()
/** What was agreed; null: nothing of its own. */
const price = defineModel<Price | null>({ required: true })

const say = useSay()
const room = useRoom()
const typed = ref(price.value ? centsShown(price.value.cents) : '')
const wrong = ref<string>()
const agreed = ref(price.value)
const currency = () => price.value?.currency ?? usual?.currency ?? room.house?.prices.currency ?? 'EUR'

function take(text: string) {
  typed.value = text
  const cents = centsTyped(text, currency())
  const read = cents === null ? null : Price.safeParse({ cents, currency: currency() })
  wrong.value = read?.success === false ? (moneyRefused(currency()) ?? read.error.issues[0]!.message) : undefined
  agreed.value = read === null ? null : read.success ? read.data : agreed.value
}
/** What is typed is taken once it is typed whole. */
function put() {
  if (!sameData(agreed.value, price.value)) price.value = agreed.value
}
onBeforeUnmount(put)
// what another window or an undo gives back; what is being typed stays as it is typed
watch(price, (now) => {
  const cents = now?.cents ?? null
  agreed.value = now
  if (!wrong.value && centsTyped(typed.value, currency()) !== cents)
    typed.value = cents === null ? '' : centsShown(cents)
})
</script>

<template>
  <UiText
    :model-value="typed"
    :label="`${label}, ${currency()}`"
    :error="wrong"
    :placeholder="usual ? say.number(usual.cents / 100, 2) : undefined"
    inputmode="decimal"
    @update:model-value="take($event)"
    @focusout="put"
    @enter="put"
  />
</template>
