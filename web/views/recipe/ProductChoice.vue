<script setup lang="ts">
import { computed, inject, ref, useId } from 'vue'
import { fieldErrors } from '@contract'
import { OwnProduct, ZONES, type Dog, type Zone } from '@core/dog'
import { CONDITIONERS, parseLabel, SHAMPOOS, type ShelvedProduct } from '@core/mix'
import { comparePlans, productCost, type OwnChoice, type Plan } from '@core/visit'
import { capital, changeWords, COMPARED_NAMES, KIND_NAMES, PASS_NAMES, ratioWords, ZONE_NAMES } from '@words'
import ZoneDog from '../../parts/ZoneDog.vue'
import ZoneTaps from '../../parts/ZoneTaps.vue'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import UiButton from '../../ui/UiButton.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import UiText from '../../ui/UiText.vue'
import { FIXED } from './fixed'

const { plan, shelf, reckon } = defineProps<{
  plan: Plan
  dog: Dog
  shelf: ShelvedProduct[]
  /** What the recipe would come to with a choice more. */
  reckon: (choice: OwnChoice) => Plan | undefined
}>()
const emit = defineEmits<{ take: [choice: OwnChoice] }>()

const say = useSay()
const room = useRoom()
const fixed = inject(FIXED, ref(false))
const id = useId()
const open = ref(false)
const pass = ref<OwnProduct['pass']>('treat')
const productId = ref<string>()
const zones = ref<Zone[]>([])
const reason = ref('')
/** As labels print it; empty: as everywhere. */
const ratio = ref('')
const errors = ref<Record<string, string>>({})

const passes = computed(() => {
  const there = plan.mix.passes.map((p) => p.name)
  return [...there, 'conditioner' as const].map((value) => ({ value, text: capital(PASS_NAMES[value]) }))
})
const fits = ({ kind }: ShelvedProduct) =>
  pass.value === 'conditioner' ? CONDITIONERS.includes(kind) : SHAMPOOS.includes(kind) || zones.value.length > 0
const products = computed(() =>
  shelf
    .filter((p) => fits(p) && (SHAMPOOS.includes(p.kind) || CONDITIONERS.includes(p.kind)))
    .map((p) => ({ value: p.id, text: `${p.name} (${KIND_NAMES[p.kind]})` })),
)
const depth = computed(() => Object.fromEntries(zones.value.map((z) => [z, 0.85])))
function tap(zone: Zone) {
  zones.value = zones.value.includes(zone) ? zones.value.filter((z) => z !== zone) : [...zones.value, zone]
}

const chosen = computed(() => shelf.find((p) => p.id === productId.value))
const label = computed(() =>
  ratio.value.trim() === ''
    ? undefined
    : parseLabel(ratio.value, { reading: chosen.value?.reading, pumpMl: chosen.value?.pumpMl }),
)
const ratioReads = computed(() =>
  label.value?.ok ? `${capital(ratioWords(label.value.water, say))}.` : 'Empty: as everywhere.',
)
const ratioWrong = computed(() => (label.value && !label.value.ok ? say.said(label.value.why) : undefined))

const parsed = computed(() =>
  OwnProduct.safeParse({
    pass: pass.value,
    productId: productId.value ?? '',
    zones: ZONES.filter((z) => zones.value.includes(z)),
    ratio: label.value?.ok ? label.value.water : null,
    reason: reason.value,
  }),
)
const choice = computed((): OwnChoice | undefined =>
  parsed.value.success
    ? {
        key: `products ${parsed.value.data.pass} ${parsed.value.data.zones.join()}`,
        in: 'products',
        value: parsed.value.data,
      }
    : undefined,
)
const money = (amount: number) => `${say.number(amount, 2)} ${room.house?.prices.currency ?? ''}`.trim()
/** What it would change, told before it is taken. */
const consequences = computed(() => {
  const then = choice.value && reckon(choice.value)
  if (!then) return undefined
  const lines = comparePlans(plan, then).map((c) => {
    const { from, to } = changeWords(c, say)
    return `${COMPARED_NAMES[c.what]}: ${from} → ${to}`
  })
  const known = new Set(plan.cautions.map((c) => c.id))
  const warnings = then.cautions.filter((c) => !known.has(c.id)).map((c) => say.said(c))
  const name = shelf.find((p) => p.id === productId.value)?.name
  const refused = then.mix.refused.filter((r) => r.name === name).map((r) => `${r.name}: ${say.said(r.why)}`)
  const [before, after] = [productCost(plan, shelf), productCost(then, shelf)]
  const cost = Math.abs(after.cost - before.cost) >= 0.005 ? `${money(before.cost)} → ${money(after.cost)}` : undefined
  return { lines, warnings, refused, cost, unknown: after.unknown.filter((n) => !before.unknown.includes(n)) }
})

function use() {
  if (ratioWrong.value) return
  if (!parsed.value.success) {
    errors.value = Object.fromEntries(
      fieldErrors(parsed.value.error).map((e) => [e.field, e.field === 'productId' ? 'Choose a product.' : e.message]),
    )
    return
  }
  errors.value = {}
  open.value = false
  emit('take', choice.value!)
  reason.value = ''
  ratio.value = ''
  zones.value = []
}
</script>

<template>
  <div v-if="!fixed">
    <UiButton v-if="!open" kind="link" @click="open = true">Take another product</UiButton>
    <form v-else novalidate @submit.prevent="use" @keydown.esc="open = false">
      <UiField label="For" :for-id="`${id}-pass`"
        ><UiSelect :id="`${id}-pass`" v-model="pass" :options="passes"
      /></UiField>
      <fieldset>
        <legend>
          Where: {{ zones.length === 0 ? 'wherever it goes' : say.list(zones.map((z) => ZONE_NAMES[z])) }}
        </legend>
        <ZoneDog :dog="dog" :depth="depth" title="Zones that this product goes on" clickable @zone="tap" />
        <ZoneTaps :on="zones" @zone="tap" />
      </fieldset>
      <UiField label="Product" :for-id="`${id}-product`" :error="errors.productId">
        <UiSelect :id="`${id}-product`" v-model="productId" :options="products" :invalid="!!errors.productId" />
      </UiField>
      <div v-if="consequences" class="then" role="status">
        <p v-for="line in consequences.refused" :key="line" class="no">{{ line }}</p>
        <p v-for="line in consequences.warnings" :key="line" class="no">{{ line }}</p>
        <p v-for="line in consequences.lines" :key="line">{{ line }}</p>
        <p v-if="consequences.cost">Products for this dog: {{ consequences.cost }}</p>
        <p v-if="consequences.unknown.length" class="soft">No price known: {{ say.list(consequences.unknown) }}</p>
        <p
          v-if="consequences.refused.length + consequences.warnings.length + consequences.lines.length === 0"
          class="soft"
        >
          Nothing else changes.
        </p>
      </div>
      <UiText
        v-if="chosen?.form === 'concentrate'"
        v-model="ratio"
        label="Ratio here, if another"
        :error="ratioWrong"
        :hint="ratioReads"
      />
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
.then {
  padding: 8px 10px;
  border-radius: 0 0 10px 10px;
  background: var(--enamel);
  font-size: 14.5px;
}
.no {
  color: var(--watch);
  font-weight: 600;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: center;
}
</style>
