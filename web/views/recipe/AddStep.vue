<script setup lang="ts">
import { computed, inject, nextTick, reactive, ref, useId, useTemplateRef, watch } from 'vue'
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
  who: 'hands' as 'hands' | 'alone' | 'me',
  after: undefined as string | undefined,
  productId: 'none',
  zones: [] as Zone[],
})
const PLACES = [
  { value: 'table' as const, text: 'on the table' },
  { value: 'tub' as const, text: 'in the tub' },
  { value: 'crate' as const, text: 'in the crate' },
]
const WHO = [
  { value: 'hands' as const, text: 'with my hands' },
  { value: 'alone' as const, text: 'the dog alone' },
  { value: 'me' as const, text: 'I, without the dog' },
]
const afters = computed(() =>
  steps
    .filter((s) => draft.who === 'me' || (s.kind !== 'handOver' && s.withDog))
    .map((s) => ({ value: s.id, text: stepTitle(s) })),
)
const products = computed(() => [
  { value: 'none', text: 'nothing' },
  ...shelf.filter((p) => STAYS.includes(p.kind)).map((p) => ({ value: p.id, text: p.name })),
])
const puts = computed(() => draft.who !== 'me' && draft.productId !== 'none')
const zones = ZONES.map((value) => ({ value, text: ZONE_NAMES[value] }))

async function show() {
  open.value = true
  draft.after ??= steps.findLast((s) => s.place === 'table' && s.kind !== 'handOver')?.id
  await nextTick()
  form.value?.querySelector('input')?.focus()
}
function check() {
  const parsed = AddedStep.safeParse({
    id: `own-${uuid().slice(0, 8)}`,
    name: draft.name,
    minutes: typedNumber(draft.minutes),
    place: draft.place,
    hands: draft.who !== 'alone',
    dog: draft.who !== 'me',
    after: draft.after ?? '',
    zones: puts.value ? draft.zones : [],
    productId: puts.value ? draft.productId : null,
  })
  errors.value = parsed.success ? {} : Object.fromEntries(fieldErrors(parsed.error).map((e) => [e.field, e.message]))
  return parsed.data
}
watch(draft, () => Object.keys(errors.value).length > 0 && check())
function use() {
  const added = check()
  if (!added) return
  emit('take', { key: `added ${added.id}`, in: 'added', value: added })
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
      <UiChoice v-model="draft.who" label="Who" :options="WHO" />
      <UiChoice v-if="draft.who !== 'me'" v-model="draft.place" label="Where" :options="PLACES" />
      <UiField v-if="draft.who !== 'me' && products.length > 1" label="Puts on the coat" :for-id="`${id}-product`">
        <UiSelect
          :id="`${id}-product`"
          :model-value="draft.productId"
          :options="products"
          @update:model-value="draft.productId = $event ?? 'none'"
        />
      </UiField>
      <UiChoice v-if="puts" v-model="draft.zones" many label="On (none: all over)" :options="zones" />
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
