<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed } from 'vue'
import { readAmount, unitFor, type Quantity } from '@core/units'
import { amountRefused, readAs } from '@words'
import { useSay } from '../say'
import UiField from './UiField.vue'

const { label, quantity, error, hint, placeholder } = defineProps<{
  label: string
  quantity: Quantity
  error?: string
  hint?: string
  placeholder?: string
}>()
/** As it is typed: in the house's unit, or in one that is written with it. */
const text = defineModel<string>({ required: true })

const say = useSay()
const unit = computed(() => unitFor(quantity, say.units))
const read = computed(() => readAmount(text.value, quantity, say.units))
const wrong = computed(() => error ?? amountRefused(read.value, quantity, say))
const told = computed(() => readAs(read.value, quantity, say))
</script>

<template>
  <UiField v-slot="{ id, says }" :label="`${label}, ${unit.sign}`" :error="wrong" :hint="told ?? hint">
    <Input
      :id="id"
      v-model:value="text"
      inputmode="text"
      autocomplete="off"
      :placeholder="placeholder"
      :status="wrong ? 'error' : ''"
      :aria-describedby="says"
    />
  </UiField>
</template>
