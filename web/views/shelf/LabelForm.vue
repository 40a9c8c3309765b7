<script setup lang="ts">
import { computed, reactive } from 'vue'
import { LABELS, type BottleLabelQuery, type StoredProduct } from '@contract'
import { deviceToday, typedNumber } from '../../parts/words'
import UiChoice from '../../ui/UiChoice.vue'
import UiDate from '../../ui/UiDate'
import UiField from '../../ui/UiField.vue'
import UiFold from '../../ui/UiFold.vue'
import UiText from '../../ui/UiText.vue'

const { product } = defineProps<{ product: StoredProduct }>()

const draft = reactive({
  paper: 'a4x24' as BottleLabelQuery['paper'],
  count: '1',
  begin: '1',
  made: deviceToday(),
  dog: '',
})
const PAPERS: { value: BottleLabelQuery['paper']; text: string }[] = [
  { value: 'a4x24', text: '24 on A4' },
  { value: 'a4x14', text: '14 on A4' },
  { value: 'letterx10', text: '10 on Letter' },
  { value: 'strip', text: 'receipt strip, 80 mm' },
]
const whole = (text: string) => {
  const number = typedNumber(text)
  return Number.isInteger(number) && number >= 1 && number <= LABELS.most ? number : undefined
}
const wrong = (text: string) => (whole(text) === undefined ? `Give 1 to ${LABELS.most}.` : undefined)
const address = computed(() => {
  const { paper, made, dog } = draft
  const query = new URLSearchParams({
    paper,
    made,
    dog: dog.trim().slice(0, LABELS.longest),
    count: String(whole(draft.count) ?? 1),
    begin: String(whole(draft.begin) ?? 1),
    from: window.location.origin,
  })
  return `/api/products/${product.id}/label.pdf?${query.toString()}`
})
</script>

<template>
  <UiFold title="A label for the bottle it is mixed in">
    <div class="label">
      <UiChoice v-model="draft.paper" label="Paper" :options="PAPERS" />
      <div class="rows">
        <UiText v-model="draft.count" label="How many" inputmode="decimal" :error="wrong(draft.count)" />
        <UiText
          v-if="draft.paper !== 'strip'"
          v-model="draft.begin"
          label="From place"
          inputmode="decimal"
          :error="wrong(draft.begin)"
          hint="On a sheet begun before."
        />
        <UiField label="Made" for-id="label-made">
          <UiDate id="label-made" :model-value="draft.made" @update:model-value="draft.made = $event || draft.made" />
        </UiField>
        <UiText v-model="draft.dog" label="For whom" :most="LABELS.longest" />
      </div>
      <p><a class="link" :href="address" target="_blank" rel="noopener">Open the label to print</a></p>
    </div>
  </UiFold>
</template>

<style scoped>
.label {
  display: grid;
  gap: 10px;
}
.rows {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 10px;
  align-items: start;
}
</style>
