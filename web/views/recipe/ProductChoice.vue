<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, inject, ref, useId } from 'vue'
import { fieldErrors } from '@contract'
import type { ShelvedProduct } from '@core/mix'
import { OwnProduct, type WashPlan } from '@core/visit'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import { FIXED } from './fixed'

const { mix, shelf, own } = defineProps<{ mix: WashPlan; shelf: ShelvedProduct[]; own: OwnProduct[] }>()
const emit = defineEmits<{ product: [own: OwnProduct]; back: [pass: OwnProduct['pass']] }>()

const fixed = inject(FIXED, ref(false))
const id = useId()
const open = ref(false)
const pass = ref<OwnProduct['pass']>('treat')
const productId = ref<string>()
const reason = ref('')
const errors = ref<Record<string, string>>({})

const NAMES = { clean: 'first wash', treat: 'main wash', mild: 'third wash', conditioner: 'conditioner' }
const passes = computed(() => {
  const there = mix.passes.map((p) => p.name)
  return [...there, 'conditioner' as const].map((value) => ({ value, text: NAMES[value] }))
})
const EAR = ['ear cleaner', 'ear drying']
const products = computed(() =>
  shelf
    .filter((p) =>
      pass.value === 'conditioner' ? p.kind === 'conditioner' : p.kind !== 'conditioner' && !EAR.includes(p.kind),
    )
    .map((p) => ({ value: p.id, text: `${p.name} (${p.kind})` })),
)
const nameOf = (productIdOf: string) => shelf.find((p) => p.id === productIdOf)?.name ?? 'a product no longer here'

function use() {
  const parsed = OwnProduct.safeParse({ pass: pass.value, productId: productId.value ?? '', reason: reason.value })
  if (!parsed.success) {
    errors.value = Object.fromEntries(
      fieldErrors(parsed.error).map((e) => [e.field, e.field === 'productId' ? 'Choose a product.' : e.message]),
    )
    return
  }
  errors.value = {}
  open.value = false
  reason.value = ''
  emit('product', parsed.data)
}
</script>

<template>
  <div v-if="!fixed">
    <p v-for="choice in own" :key="choice.pass" class="mine">
      You, {{ NAMES[choice.pass] }}: <b>{{ nameOf(choice.productId) }}</b>, {{ choice.reason || 'your own choice' }}
      <UiButton kind="link" @click="emit('back', choice.pass)">Put back</UiButton>
    </p>
    <UiButton v-if="!open" kind="link" @click="open = true">Take another product</UiButton>
    <form v-else novalidate @submit.prevent="use" @keydown.esc="open = false">
      <UiField label="For" :for-id="`${id}-pass`"
        ><UiSelect :id="`${id}-pass`" v-model="pass" :options="passes"
      /></UiField>
      <UiField label="Product" :for-id="`${id}-product`" :error="errors.productId">
        <UiSelect :id="`${id}-product`" v-model="productId" :options="products" :invalid="!!errors.productId" />
      </UiField>
      <UiText v-model="reason" label="Why this one, if you like" :error="errors.reason" />
      <div class="links">
        <UiButton kind="primary" submit>Use this product</UiButton>
        <UiButton kind="link" @click="open = false">Leave it</UiButton>
      </div>
    </form>
  </div>
</template>

<style scoped>
form {
  display: grid;
  gap: 8px;
  padding: 10px 12px 12px;
  background: var(--rim-tint);
  border-radius: 0 0 14px 14px;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: center;
}
.mine {
  padding: 4px 10px;
  background: var(--rim-tint);
  border-radius: 0 0 11px 11px;
}
</style>
