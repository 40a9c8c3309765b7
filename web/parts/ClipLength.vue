<script setup lang="ts">
import { ref } from 'vue'
import { CLIP_CM } from '@core/dog'
import { readAmount, shownAmount } from '@core/units'
import { useSay } from '../say'
import UiAmountText from '../ui/UiAmountText.vue'

/** The length that is to be left where a coat is cut, cm; null: a short one. */
const { cm } = defineProps<{ cm: number | null }>()
const emit = defineEmits<{ put: [cm: number | null] }>()

const say = useSay()
const wrong = ref<string>()
const typed = ref(cm === null ? '' : String(shownAmount(cm, 'length', say.units, 1)))

function take(text: string) {
  typed.value = text
  if (text.trim() === '') {
    wrong.value = undefined
    return emit('put', null)
  }
  const read = readAmount(text, 'length', say.units)
  const { least, most } = CLIP_CM
  const fits = read.ok && read.value >= least && read.value <= most
  wrong.value = fits ? undefined : `Give ${say.length(least)} to ${say.length(most)}, or leave it empty for short.`
  if (fits) emit('put', read.value)
}
</script>

<template>
  <UiAmountText
    :model-value="typed"
    label="Length left"
    quantity="length"
    :error="wrong"
    @update:model-value="take($event)"
  />
</template>
