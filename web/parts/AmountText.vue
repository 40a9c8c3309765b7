<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, useId } from 'vue'
import { readAmount, unitFor, type Quantity } from '../../core/units'
import { amountRefused, readAs } from '../../words'
import { useSay } from '../say'

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
const id = useId()
const unit = computed(() => unitFor(quantity, say.units))
const read = computed(() => readAmount(text.value, quantity, say.units))
const wrong = computed(() => error ?? amountRefused(read.value, quantity, say))
const told = computed(() => readAs(read.value, quantity, say))
</script>

<template>
  <div class="amount">
    <label :for="id">{{ label }}, {{ unit.sign }}</label>
    <Input
      :id="id"
      v-model:value="text"
      inputmode="text"
      autocomplete="off"
      :placeholder="placeholder"
      :status="wrong ? 'error' : ''"
      :aria-describedby="wrong || told || hint ? `${id}-says` : undefined"
    />
    <p v-if="wrong" :id="`${id}-says`" class="field-error" role="alert">{{ wrong }}</p>
    <p v-else-if="told || hint" :id="`${id}-says`" class="soft small">{{ told ?? hint }}</p>
  </div>
</template>

<style scoped>
label {
  display: block;
  margin-bottom: 4px;
  color: var(--ink2);
  font-size: 14px;
  font-weight: 600;
}
</style>
