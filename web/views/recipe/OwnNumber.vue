<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, inject, nextTick, ref, useTemplateRef } from 'vue'
import { fieldErrors } from '@contract'
import { parseLabel } from '@core/mix'
import { readAmount, shownAmount, unitFor, type Quantity } from '@core/units'
import { amountRefused } from '@words'
import { useSay } from '../../say'
import { Override, OVERRIDE_LIMITS, type OverrideTarget } from '@core/visit'
import { FIXED } from './fixed'
import { typedNumber } from '../../parts/words'

const { target, what, own } = defineProps<{ target: OverrideTarget; what: string; own?: Override }>()
const emit = defineEmits<{ own: [own: Override]; back: [target: OverrideTarget] }>()

const fixed = inject(FIXED, ref(false))
const say = useSay()
const form = useTemplateRef('form')
const open = ref(false)
const value = ref('')
const reason = ref('')
const errors = ref<{ value?: string; reason?: string }>({})

const QUANTITIES: Partial<Record<OverrideTarget, Quantity>> = {
  water: 'temperature',
  volume: 'volume',
  distance: 'distance',
  earMl: 'volume',
}
const quantity = QUANTITIES[target]
const unit = computed(() => (quantity ? unitFor(quantity, say.units).sign : OVERRIDE_LIMITS[target].unit))
const label = computed(() => (target === 'ratio' ? 'Ratio, as 1:10 or 8 %' : `${what}, ${unit.value}`))
const shown = (number: number) =>
  String(quantity ? shownAmount(number, quantity, say.units, 1) : Number(number.toFixed(2)))

async function show() {
  value.value = own ? shown(own.value) : ''
  reason.value = own?.reason ?? ''
  open.value = true
  await nextTick()
  form.value?.querySelector('input')?.focus()
}

/** The typed value as a number; a ratio may be written in any form that a label has. */
function typed(): { number: number } | { why: string } {
  if (quantity) {
    const read = readAmount(value.value, quantity, say.units)
    return read.ok ? { number: read.value } : { why: amountRefused(read, quantity, say) ?? 'Give a number.' }
  }
  if (target !== 'ratio') return { number: typedNumber(value.value) }
  const plain = typedNumber(value.value)
  if (Number.isFinite(plain)) return { number: plain }
  const read = parseLabel(value.value)
  return read.ok ? { number: read.water } : { why: say.said(read.why) }
}

function use() {
  const number = typed()
  if ('why' in number) {
    errors.value = { value: number.why }
    return
  }
  const parsed = Override.safeParse({ target, value: number.number, reason: reason.value })
  if (!parsed.success) {
    errors.value = Object.fromEntries(fieldErrors(parsed.error, say).map((e) => [e.field, e.message]))
    return
  }
  errors.value = {}
  open.value = false
  emit('own', parsed.data)
}
</script>

<template>
  <div v-if="!fixed" class="own">
    <div v-if="!open" class="links">
      <UiButton kind="link" @click="show">{{ own ? 'Change yours' : `Change ${what}` }}</UiButton>
      <UiButton v-if="own" kind="link" @click="emit('back', target)">Put back</UiButton>
    </div>
    <form v-else ref="form" novalidate @submit.prevent="use" @keydown.esc="open = false">
      <UiText v-model="value" :label="label" :error="errors.value" inputmode="text" />
      <UiText v-model="reason" label="Why, if you like" :error="errors.reason" />
      <div class="links">
        <UiButton kind="primary" submit>Use mine</UiButton>
        <UiButton kind="link" @click="open = false">Leave it</UiButton>
      </div>
    </form>
  </div>
</template>

<style scoped>
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: center;
}
form {
  display: grid;
  gap: 8px;
  margin-top: 8px;
  padding: 10px 12px 12px;
  background: var(--rim-tint);
  border-radius: 0 0 14px 14px;
}
</style>
