<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { computed, reactive, ref, useId, watch } from 'vue'
import { fieldErrors } from '@contract'
import { parseLabel, Product, ProductKind, usualName } from '@core/mix'
import { capital, KIND_NAMES, ratioWords } from '@words'
import { products } from '../../api/products'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import UiText from '../../ui/UiText.vue'

const say = useSay()
const id = useId()
const EMPTY = { kind: 'cleaning' as ProductKind, name: '', ratio: '' }
/** What is typed outlasts another step and a reload. */
const kept = useSessionStorage('juvant.newBottle', { ...EMPTY }, { flush: 'sync' })
const draft = reactive({ ...EMPTY, ...kept.value })
watch(draft, () => (kept.value = { ...draft }))
const errors = ref<Record<string, string>>({})
const { busy, problem, tell } = useTell()
const added = ref<string[]>([])
const { answer: shelf } = useAsk('GET /products', {})
/** What a bottle is called when it isn't given a name. */
const unnamed = computed(() => usualName(draft.kind, shelf.value?.map((p) => p.record.name) ?? []))
const KINDS = ProductKind.options.map((value) => ({ value, text: capital(KIND_NAMES[value]) }))
const label = computed(() => (draft.ratio.trim() === '' ? undefined : parseLabel(draft.ratio)))
const reads = computed(() =>
  label.value?.ok
    ? `${capital(ratioWords(label.value.water, say))}.`
    : 'As the label prints it: 1:10, 1 in 11, 8 %, 30 mL/L, ready to use.',
)
const refused = computed(
  () => errors.value.ratio ?? (label.value && !label.value.ok ? say.said(label.value.why) : undefined),
)

/** The record, or undefined with `errors` filled. */
function check(): Product | undefined {
  const parsed = Product.safeParse({ ...draft, name: draft.name.trim() || unnamed.value })
  errors.value = parsed.success
    ? {}
    : Object.fromEntries(fieldErrors(parsed.error, say).map((e) => [e.field, e.message]))
  if (parsed.success && draft.ratio.trim() === '')
    errors.value = { ratio: 'Give the ratio as the label prints it, for example 1:10.' }
  return parsed.success && !errors.value.ratio ? parsed.data : undefined
}
// once something was refused, a correction is seen at once
watch(draft, () => Object.keys(errors.value).length > 0 && check())

/** Puts what is typed on the shelf; answers whether it is there. */
async function add(): Promise<boolean> {
  const product = check()
  if (!product) return false
  return tell(async () => {
    await products.add(product)
    added.value.push(product.name)
    Object.assign(draft, { name: '', ratio: '' })
  })
}
defineExpose({
  /** Nothing that is typed is left behind: it goes on the shelf; answers whether one can go on. */
  settle: async () => (draft.name.trim() === '' && draft.ratio.trim() === '' ? true : add()),
})
</script>

<template>
  <form class="own" novalidate aria-label="A bottle of my own" @submit.prevent="add">
    <h2>Or one of your own</h2>
    <p v-for="name in added" :key="name" class="added">{{ name }} is on the shelf.</p>
    <div class="rows">
      <UiField label="What it is for" :for-id="`${id}-kind`">
        <UiSelect
          :id="`${id}-kind`"
          :model-value="draft.kind"
          :options="KINDS"
          @update:model-value="$event && (draft.kind = $event)"
        />
      </UiField>
      <UiText
        v-model="draft.name"
        label="Name of the bottle"
        :error="errors.name"
        :hint="unnamed && `Left empty it is called ${unnamed}.`"
      />
      <UiText v-model="draft.ratio" label="Ratio on the label" :error="refused" :hint="reads" />
    </div>
    <div><UiButton submit :disabled="busy">Put it on the shelf</UiButton></div>
    <ProblemNote v-if="problem" :problem="problem" />
  </form>
</template>

<style scoped>
.own {
  display: grid;
  gap: 10px;
}
.rows {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px;
  align-items: start;
}
.added {
  color: var(--ok);
  font-weight: 700;
}
</style>
