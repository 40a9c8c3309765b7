<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { StoredProduct } from '@contract'
import { CoatType, Skin } from '@core/dog'
import { isWeighed, Method, ProductKind, type Form, type Product } from '@core/mix'
import { capital, coatWords, KIND_NAMES, METHOD_NAMES, ratioWords, SKIN_NAMES } from '@words'
import { asProblem, type ApiProblem } from '../../api/client'
import { products } from '../../api/products'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useSay } from '../../say'
import UiAmountText from '../../ui/UiAmountText.vue'
import UiButton from '../../ui/UiButton.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiDate from '../../ui/UiDate'
import UiField from '../../ui/UiField.vue'
import EarlierStates from '../../parts/EarlierStates.vue'
import UiFold from '../../ui/UiFold.vue'
import UiSelect from '../../ui/UiSelect.vue'
import UiText from '../../ui/UiText.vue'
import { copyOf, useEdits } from '../../parts/useEdits'
import { draftOf, useProductDraft, type ProductDraft } from './useProductDraft'

const { stored, currency, names } = defineProps<{
  /** The product that is changed; a new one without. */
  stored?: StoredProduct
  currency: string
  /** What the other bottles are called. */
  names: readonly string[]
}>()
const emit = defineEmits<{ saved: [product: StoredProduct]; close: [] }>()

const say = useSay()
const asStored = draftOf(say.units, stored?.record)
const { draft, errors, label, unnamed, isForEars, takeKind, check } = useProductDraft(
  copyOf(asStored),
  say,
  () => stored?.record,
  () => names,
)
const edits = useEdits<ProductDraft>(
  () => `juvant.product.${stored?.id ?? 'new'}.edits.${say.units.volume}`,
  () => draft,
)
const { unsaved } = edits
const before = edits.before()
const version = ref(before?.version ?? stored?.version ?? 0)
edits.begin(version.value, asStored)
if (before) Object.assign(draft, before.draft)
/** What was changed elsewhere shows here, unless something is being typed: then both are offered on saving. */
watch(
  () => stored,
  (now) => {
    if (!now || now.version <= version.value || unsaved.value) return
    show(now.record)
    version.value = now.version
    edits.begin(now.version, copyOf(draft))
  },
)

const KINDS = ProductKind.options.map((value) => ({ value, text: capital(KIND_NAMES[value]) }))
const FORMS: { value: Form; text: string }[] = [
  { value: 'concentrate', text: 'thinned by its ratio' },
  { value: 'neat', text: 'undiluted, in the hand' },
  { value: 'bar', text: 'a bar' },
  { value: 'spray', text: 'sprayed on' },
  { value: 'powder', text: 'a powder' },
]
const WAYS = Method.options.map((value) => ({ value, text: METHOD_NAMES[value] }))
const SKINS = Skin.options.map((value) => ({ value, text: SKIN_NAMES[value] }))
const COATS = CoatType.options.map((value) => ({ value, text: coatWords(value) }))
const READINGS = [
  { value: 'parts' as const, text: '1 part and so many parts of water' },
  { value: 'in' as const, text: '1 part in so many, itself counted' },
]
/** How the ratio reads, spelled so that nobody can turn it round. */
const reads = computed(() => {
  if (label.value === undefined) return 'As the label prints it: 1:10, 1 in 11, 8 %, 30 mL/L, ready to use.'
  if (!label.value.ok) return undefined
  const note = label.value.note ? ` (${say.said(label.value.note)})` : ''
  return `${capital(ratioWords(label.value.water, say))}${note}.`
})
const refusedRatio = computed(
  () => errors.value.ratio ?? (label.value && !label.value.ok ? say.said(label.value.why) : undefined),
)
/** Only "1:10" can be read both ways. */
const twoWays = computed(() => /^\s*[\d.,]+\s*(:|to)\s*[\d.,]+\s*$/.test(draft.ratio))

const busy = ref(false)
const problem = ref<ApiProblem>()
const theirs = shallowRef<StoredProduct>()
async function save() {
  const record = check()
  if (!record) return
  busy.value = true
  problem.value = undefined
  try {
    const kept = stored ? await products.change(stored.id, version.value, record) : await products.add(record)
    version.value = kept.version
    edits.begin(kept.version, copyOf(draft))
    emit('saved', kept)
  } catch (error) {
    problem.value = asProblem(error)
    if (problem.value.status === 409) theirs.value = (problem.value.body as { current: StoredProduct }).current
  } finally {
    busy.value = false
  }
}
function saveMine() {
  version.value = theirs.value!.version
  theirs.value = undefined
  void save()
}
function show(product?: Product) {
  errors.value = {}
  Object.assign(draft, draftOf(say.units, product))
}
function takeTheirs() {
  const { version: of, record } = theirs.value!
  show(record)
  version.value = of
  edits.begin(of, copyOf(draft))
  theirs.value = undefined
  problem.value = undefined
}
function giveUp() {
  edits.forget()
  show(stored?.record)
  emit('close')
}
const folded = computed(() =>
  ['contactMinutes', 'pH', 'youngestWeeks', 'contains', 'frothRatio', 'filthyRatio'].some((f) => errors.value[f]),
)
const bottleWrong = computed(() =>
  ['sizeMl', 'pricePerLitre', 'pumpMl', 'earMl', 'expires', 'opened'].some((f) => errors.value[f]),
)
</script>

<template>
  <form
    class="basin"
    :aria-label="stored ? stored.record.name : 'A bottle for the shelf'"
    novalidate
    @submit.prevent="save"
  >
    <h2>{{ stored ? stored.record.name : 'Add a bottle' }}</h2>
    <UiField label="What it is for" for-id="product-kind">
      <UiSelect
        id="product-kind"
        :model-value="draft.kind"
        :options="KINDS"
        @update:model-value="$event && takeKind($event)"
      />
    </UiField>
    <UiText
      v-model="draft.name"
      label="Name, as you call it"
      :error="errors.name"
      :hint="unnamed && `Left empty it is called ${unnamed}.`"
    />
    <UiChoice v-model="draft.form" label="It is used" :options="FORMS" />
    <template v-if="draft.form === 'concentrate'">
      <UiText v-model="draft.ratio" label="Ratio on the label" :error="refusedRatio" :hint="reads" />
      <UiChoice v-if="twoWays" v-model="draft.reading" label="On this label the numbers mean" :options="READINGS" />
    </template>
    <UiText
      v-if="draft.kind === 'medicated'"
      v-model="draft.instruction"
      label="The vet’s written instruction"
      :rows="2"
      :error="errors.instruction"
      hint="Without one it stays on the shelf."
    />
    <UiFold title="What else the label says" :open="folded || stored !== undefined">
      <div class="grid">
        <UiText
          v-model="draft.contact"
          label="Stays on, min"
          inputmode="decimal"
          :error="errors.contactMinutes"
          hint="Empty: usual for its kind."
        />
        <UiText v-model="draft.pH" label="pH" inputmode="decimal" :error="errors.pH" />
        <UiText
          v-model="draft.weeks"
          label="Not under, weeks of age"
          inputmode="decimal"
          :error="errors.youngestWeeks"
        />
      </div>
      <UiText
        v-model="draft.contains"
        label="Contains"
        :error="errors.contains"
        :hint="
          isForEars
            ? 'With commas; vinegar and alcohol keep it out of sore ears.'
            : 'With commas, as dogs may react to it: oat, chlorhexidine.'
        "
      />
      <div v-if="draft.form === 'concentrate'" class="grid">
        <UiText
          v-model="draft.frothRatio"
          label="Ratio in a froth bowl"
          :error="errors.frothRatio"
          hint="Empty: as above."
        />
        <UiText
          v-model="draft.filthyRatio"
          label="Ratio on a filthy coat"
          :error="errors.filthyRatio"
          hint="Empty: as above."
        />
      </div>
      <UiChoice v-model="draft.forSkin" many label="Only for skin that is (none: any)" :options="SKINS" />
      <UiChoice v-model="draft.forCoats" many label="Only for (none: any coat)" :options="COATS" />
      <UiChoice
        v-if="draft.form === 'concentrate'"
        v-model="draft.ways"
        many
        label="Put on by (none: any way)"
        :options="WAYS"
      />
    </UiFold>
    <UiFold title="The bottle" :open="bottleWrong || stored !== undefined">
      <div class="grid">
        <UiText
          v-if="isWeighed(draft.form)"
          v-model="draft.size"
          label="Weighs when new, g"
          inputmode="decimal"
          :error="errors.sizeMl"
        />
        <UiAmountText v-else v-model="draft.size" label="Holds when full" quantity="volume" :error="errors.sizeMl" />
        <UiText
          v-model="draft.price"
          :label="`Costs, ${currency}${draft.size.trim() === '' ? (isWeighed(draft.form) ? ' a kilogram' : ' a litre') : ''}`"
          inputmode="decimal"
          :error="errors.pricePerLitre"
        />
        <UiAmountText
          v-if="!isForEars"
          v-model="draft.pump"
          label="One pump stroke"
          quantity="volume"
          :error="errors.pumpMl"
        />
        <UiAmountText v-else v-model="draft.ear" label="For one ear" quantity="volume" :error="errors.earMl" />
        <UiField label="Opened" for-id="product-opened" :error="errors.opened">
          <UiDate
            id="product-opened"
            :model-value="draft.opened ?? ''"
            clearable
            @update:model-value="draft.opened = $event || null"
          />
        </UiField>
        <UiField
          label="Good until"
          for-id="product-expires"
          :error="errors.expires"
          hint="After it nothing is planned with it."
        >
          <UiDate
            id="product-expires"
            :model-value="draft.expires ?? ''"
            clearable
            @update:model-value="draft.expires = $event || null"
          />
        </UiField>
      </div>
      <UiText v-model="draft.notes" label="Notes" :rows="1" :error="errors.notes" />
    </UiFold>
    <ProblemNote v-if="problem" :problem="problem">
      <template v-if="theirs">
        <UiButton kind="link" @click="saveMine">Save mine over it</UiButton>
        <UiButton kind="link" @click="takeTheirs">Take the stored one</UiButton>
      </template>
    </ProblemNote>
    <div class="buttons">
      <UiButton kind="primary" submit :disabled="busy">{{ stored ? 'Save it' : 'Put it on the shelf' }}</UiButton>
      <UiButton kind="link" @click="giveUp">{{ unsaved ? 'Give up what was typed' : 'Close' }}</UiButton>
    </div>
    <slot />
    <EarlierStates v-if="stored" :id="stored.id" what="products" />
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 12px 14px;
  margin-bottom: 12px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
}
</style>
