<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, inject, ref, useId } from 'vue'
import { fieldErrors } from '../../../contract'
import type { ShelvedProduct } from '../../../core/mix'
import { OwnProduct, type WashPlan } from '../../../core/visit'
import FieldBox from '../../parts/FieldBox.vue'
import PickOne from '../../parts/PickOne.vue'
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
      <button class="link" type="button" @click="emit('back', choice.pass)">Put back</button>
    </p>
    <button v-if="!open" class="link" type="button" @click="open = true">Take another product</button>
    <form v-else novalidate @submit.prevent="use" @keydown.esc="open = false">
      <FieldBox label="For" :for-id="`${id}-pass`"
        ><PickOne :id="`${id}-pass`" v-model="pass" :options="passes"
      /></FieldBox>
      <FieldBox label="Product" :for-id="`${id}-product`" :error="errors.productId">
        <PickOne :id="`${id}-product`" v-model="productId" :options="products" :invalid="!!errors.productId" />
      </FieldBox>
      <FieldBox label="Why this one, if you like" :for-id="`${id}-why`" :error="errors.reason">
        <Input :id="`${id}-why`" v-model:value="reason" autocomplete="off" :status="errors.reason ? 'error' : ''" />
      </FieldBox>
      <div class="links">
        <button class="button" type="submit">Use this product</button>
        <button class="link" type="button" @click="open = false">Leave it</button>
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
