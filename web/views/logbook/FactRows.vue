<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { ref } from 'vue'
import { unitFor, type Quantity } from '@core/units'
import UiAmount from '../../ui/UiAmount.vue'
import UiNumber from '../../ui/UiNumber.vue'
import { useSay } from '../../say'

const say = useSay()

/** A number of a visit that can be put right: its name in a correction, what it is called, and what stands there now. */
export interface Fact {
  field: string
  label: string
  unit: string
  /** What the number is of, where a house may read it in its own units; it is SI then. */
  quantity?: Quantity
  value: number
  beside: string
  said?: string
  was?: { was: number; why: string }
}

const written = (value: number, { unit, quantity }: Fact) => {
  if (!quantity) return `${say.number(value)} ${unit}`
  const { sign, fromSI } = unitFor(quantity, say.units)
  return `${say.number(fromSI(value))} ${sign}`
}

const { facts, put } = defineProps<{
  facts: Fact[]
  /** Puts a number right; answers whether that was kept. */
  put: (field: string, value: number, why: string) => Promise<boolean>
}>()

const correcting = ref<string>()
const value = ref(NaN)
const why = ref('')
const wrong = ref<{ value?: string; why?: string }>({})

function correct(fact: Fact) {
  correcting.value = fact.field
  value.value = fact.quantity ? fact.value : Math.round(fact.value * 10) / 10
  why.value = ''
  wrong.value = {}
}
async function save(fact: Fact) {
  wrong.value = {
    value: !Number.isFinite(value.value) || value.value < 0 ? 'Give 0 or more.' : undefined,
    why: why.value.trim() === '' ? 'Say why: it stays beside the number.' : undefined,
  }
  if (wrong.value.value || wrong.value.why) return
  if (await put(fact.field, value.value, why.value)) correcting.value = undefined
}
</script>

<template>
  <ul class="facts">
    <li v-for="f in facts" :key="f.field">
      <span class="label">{{ f.label }}</span>
      <span class="actual">{{ written(f.value, f) }}</span>
      <span class="soft">{{ f.beside }}</span>
      <UiButton kind="link" @click="correct(f)">
        Correct<span class="hidden"> {{ f.label }}</span>
      </UiButton>
      <span v-if="f.said" class="note soft">{{ f.said }}</span>
      <span v-if="f.was" class="note was">was {{ written(f.was.was, f) }}: {{ f.was.why }}</span>
      <form v-if="correcting === f.field" class="note fix" @submit.prevent="save(f)">
        <UiAmount v-if="f.quantity" v-model="value" :quantity="f.quantity" :label="f.label" :error="wrong.value" />
        <UiNumber v-else v-model="value" :label="f.unit ? `${f.label}, ${f.unit}` : f.label" :error="wrong.value" />
        <UiText v-model="why" label="Why" :error="wrong.why" :most="300" />
        <UiButton kind="primary" submit>Put right</UiButton>
        <UiButton @click="correcting = undefined">Leave as it is</UiButton>
      </form>
    </li>
  </ul>
</template>

<style scoped>
.facts li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 92px 110px 70px;
  gap: 2px 14px;
  align-items: center;
  min-height: 48px;
  border-top: 1.5px solid var(--rule);
  font-variant-numeric: tabular-nums;
}
.label {
  font-weight: 600;
}
.actual {
  text-align: right;
  font-weight: 700;
}
.note {
  grid-column: 1 / -1;
  padding-bottom: 8px;
}
.was {
  color: var(--watch);
}
.fix {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 16px;
  align-items: end;
}
@media (max-width: 560px) {
  .facts li {
    grid-template-columns: minmax(0, 1fr) 80px 70px;
  }
  .facts .soft:not(.note) {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
</style>
