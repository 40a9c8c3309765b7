<script setup lang="ts">
import { computed, inject, nextTick, reactive, ref, useId, useTemplateRef } from 'vue'
import { v4 as uuid } from 'uuid'
import { fieldErrors } from '@contract'
import { AddedStep, ZONES, type Dog, type Zone } from '@core/dog'
import { STAYS, type ShelvedProduct } from '@core/mix'
import type { OwnChoice, Step } from '@core/visit'
import { stepTitle, ZONE_NAMES } from '@words'
import { typedNumber } from '../../parts/words'
import UiButton from '../../ui/UiButton.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import UiText from '../../ui/UiText.vue'
import { FIXED } from './fixed'

const { steps, shelf } = defineProps<{ steps: Step[]; shelf: ShelvedProduct[]; dog: Dog }>()
const emit = defineEmits<{ take: [choice: OwnChoice] }>()

const fixed = inject(FIXED, ref(false))
const id = useId()
const form = useTemplateRef('form')
const open = ref(false)
const errors = ref<Record<string, string>>({})
const draft = reactive({
  name: '',
  minutes: '',
  place: 'table' as AddedStep['place'],
  hands: 'hands' as 'hands' | 'alone',
  after: undefined as string | undefined,
  productId: 'none',
  zones: [] as Zone[],
})
const PLACES = [
  { value: 'table' as const, text: 'on the table' },
  { value: 'tub' as const, text: 'in the tub' },
  { value: 'crate' as const, text: 'in the crate' },
]
const HANDS = [
  { value: 'hands' as const, text: 'with my hands' },
  { value: 'alone' as const, text: 'the dog alone' },
]
const afters = computed(() =>
  steps.filter((s) => s.kind !== 'handOver' && s.withDog).map((s) => ({ value: s.id, text: stepTitle(s) })),
)
const products = computed(() => [
  { value: 'none', text: 'nothing' },
  ...shelf.filter((p) => STAYS.includes(p.kind)).map((p) => ({ value: p.id, text: p.name })),
])
const zones = ZONES.map((value) => ({ value, text: ZONE_NAMES[value] }))

async function show() {
  open.value = true
  draft.after ??= steps.findLast((s) => s.place === 'table' && s.kind !== 'handOver')?.id
  await nextTick()
  form.value?.querySelector('input')?.focus()
}
function use() {
  const parsed = AddedStep.safeParse({
    id: `own-${uuid().slice(0, 8)}`,
    name: draft.name,
    minutes: typedNumber(draft.minutes),
    place: draft.place,
    hands: draft.hands === 'hands',
    after: draft.after ?? '',
    zones: draft.productId === 'none' ? [] : draft.zones,
    productId: draft.productId === 'none' ? null : draft.productId,
  })
  errors.value = parsed.success ? {} : Object.fromEntries(fieldErrors(parsed.error).map((e) => [e.field, e.message]))
  if (!parsed.success) return
  emit('take', { key: `added ${parsed.data.id}`, in: 'added', value: parsed.data })
  open.value = false
  Object.assign(draft, { name: '', minutes: '', productId: 'none', zones: [] })
}
</script>

<template>
  <div v-if="!fixed" class="add">
    <UiButton v-if="!open" @click="show">Add a step of my own</UiButton>
    <form v-else ref="form" novalidate aria-label="A step of my own" @submit.prevent="use" @keydown.esc="open = false">
      <UiText v-model="draft.name" label="What is done" :error="errors.name" placeholder="Bow, nail caps, photo" />
      <UiText v-model="draft.minutes" label="Minutes" inputmode="decimal" :error="errors.minutes" />
      <UiField label="Right after" :for-id="`${id}-after`" :error="errors.after">
        <UiSelect :id="`${id}-after`" v-model="draft.after" :options="afters" :invalid="!!errors.after" />
      </UiField>
      <UiChoice v-model="draft.place" label="Where" :options="PLACES" />
      <UiChoice v-model="draft.hands" label="Who" :options="HANDS" />
      <UiField v-if="products.length > 1" label="Puts on the coat" :for-id="`${id}-product`">
        <UiSelect
          :id="`${id}-product`"
          :model-value="draft.productId"
          :options="products"
          @update:model-value="draft.productId = $event ?? 'none'"
        />
      </UiField>
      <UiChoice
        v-if="draft.productId !== 'none'"
        v-model="draft.zones"
        many
        label="On (none: all over)"
        :options="zones"
      />
      <div class="links">
        <UiButton kind="primary" submit>Add it</UiButton>
        <UiButton kind="link" @click="open = false">Leave it</UiButton>
      </div>
    </form>
  </div>
</template>

<style scoped>
.add {
  margin-top: 12px;
}
form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 10px 18px;
  align-items: start;
  padding: 12px 14px 14px;
  border-top: 3px solid var(--rim);
  border-radius: 0 0 16px 16px;
  background: var(--rim-tint);
}
.links {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: center;
}
</style>
