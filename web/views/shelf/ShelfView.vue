<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { StoredProduct } from '@contract'
import { FIRST_SHELF, isWeighed, parseLabel, SAMPLES, type Product, type ProductKind } from '@core/mix'
import { capital, KIND_NAMES, productAmount, ratioWords } from '@words'
import { asProblem } from '../../api/client'
import { products } from '../../api/products'
import { useAsk } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import { useTell } from '../../parts/useTell'
import { deviceToday } from '../../parts/words'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import { useToast } from '../../ui/toast'
import UiButton from '../../ui/UiButton.vue'
import UiConfirm from '../../ui/UiConfirm.vue'
import UiDrawer from '../../ui/UiDrawer.vue'
import UiFold from '../../ui/UiFold.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import ProductForm from './ProductForm.vue'
import BuyList from './BuyList.vue'
import LabelForm from './LabelForm.vue'
import ShelfBottle from './ShelfBottle.vue'
import StockPanel from './StockPanel.vue'
import { byKind, putFirst } from './shelved'
import { useStock } from './useStock'

/** It comes after the list. */
const CsvTable = defineAsyncComponent(() => import('../../parts/CsvTable.vue'))

/** The product that is open; "new" for one that is being added. */
const { id } = defineProps<{ id?: string }>()
const say = useSay()
const room = useRoom()
const router = useRouter()
const toast = useToast()
const today = deviceToday()

const { answer: shelf, problem, again } = useAsk('GET /products', {})
const stock = useStock(() => shelf.value ?? [])
const groups = computed(() => byKind(shelf.value ?? []))
const retired = computed(() => (shelf.value ?? []).filter((p) => p.record.retired))
/** What was just put there, until the list has it. */
const fresh = shallowRef<StoredProduct>()
const found = computed(() => shelf.value?.find((p) => p.id === id))
/** What stood open last: deleted elsewhere, it stays in sight with what was typed. */
const held = shallowRef<StoredProduct>()
watch(found, (now) => now && (held.value = now), { immediate: true })
const opened = computed(() => found.value ?? [fresh.value, held.value].find((p) => p?.id === id))
const isGone = computed(
  () => shelf.value !== undefined && held.value?.id === id && found.value === undefined && fresh.value?.id !== id,
)
const bringBack = (product: StoredProduct) =>
  tell(async () => {
    await products.restore(product.id)
    toast.said(`${product.record.name} is back.`)
  })
const currency = computed(() => room.house?.prices.currency ?? '')
const narrow = useMediaQuery('(max-width: 960px)')
const isOpen = computed({
  get: () => id !== undefined,
  set: (now) => !now && void router.replace('/shelf'),
})

/** The ratio as it is printed and as it reads. */
function ratioOf({ form, ratio, reading, pumpMl }: Product): string {
  if (form !== 'concentrate') return ratioWords(0, say, form)
  const label = parseLabel(ratio, { reading, pumpMl })
  return label.ok ? `${ratio}: ${ratioWords(label.water, say)}` : 'no ratio yet: a cautious one is taken'
}
/** What about it asks for a look. */
function flagsOf({ expires, kind, instruction }: Product): { state: 'stop' | 'watch'; text: string }[] {
  return [
    ...(expires !== null && expires < today
      ? [{ state: 'stop' as const, text: `past its date, ${say.date(expires, 'short')}` }]
      : []),
    ...(kind === 'medicated' && instruction.trim() === ''
      ? [{ state: 'watch' as const, text: 'no instruction: not used' }]
      : []),
  ]
}
/** What a litre of the mix costs, where it is thinned and its price is known. */
function mixPrice({ form, ratio, reading, pumpMl, pricePerLitre }: Product): string | false {
  const label = form === 'concentrate' && ratio !== '' ? parseLabel(ratio, { reading, pumpMl }) : undefined
  if (pricePerLitre === null || !label?.ok || label.water === 0) return false
  return `${say.number(pricePerLitre / (1 + label.water), 2)} ${currency.value} a litre of mix`
}
const factsOf = (product: Product) => {
  const { contactMinutes, pricePerLitre, sizeMl, contains, form } = product
  return [
    contactMinutes !== null && `stays on ${say.minutes(contactMinutes)}`,
    sizeMl !== null && `${productAmount(sizeMl, isWeighed(form), say)} when full`,
    pricePerLitre !== null &&
      `${say.number(pricePerLitre, 2)} ${currency.value} a ${isWeighed(form) ? 'kilogram' : 'litre'}`,
    mixPrice(product),
    contains.length > 0 && `contains ${say.list(contains)}`,
  ]
    .filter(Boolean)
    .join('; ')
}

const doing = useTell()
const { busy, problem: refused } = doing
/** Does one thing at a time, and asks for the shelf anew. */
const tell = async (work: () => Promise<unknown>) => (await doing.tell(work)) && again()
const addSamples = (kinds: readonly ProductKind[]) =>
  tell(async () => {
    for (const kind of kinds) await products.add(SAMPLES[kind])
  })
const change = ({ id: of, version }: StoredProduct, record: Product) => products.change(of, version, record)
const retire = (product: StoredProduct, now: boolean) =>
  tell(async () => {
    await change(product, { ...product.record, retired: now })
    if (now) await router.replace('/shelf')
    toast.said(now ? `${product.record.name} is retired.` : `${product.record.name} is in use again.`)
  })
const first = (product: StoredProduct) => tell(() => change(product, putFirst(product.record, shelf.value ?? [])))
const remove = (product: StoredProduct) =>
  tell(async () => {
    await products.remove(product.id)
    await router.replace('/shelf')
    toast.undone(`${product.record.name} is deleted.`, async () => {
      try {
        await products.restore(product.id)
        return `${product.record.name} is back.`
      } catch (error) {
        return asProblem(error).detail
      }
    })
  })
async function saved(product: StoredProduct) {
  fresh.value = product
  again()
  toast.said(`${product.record.name} is kept.`)
  await router.replace(narrow.value ? '/shelf' : `/shelf/${product.id}`)
}
/** Whether another of its kind comes before it. */
const comesLater = (product: StoredProduct) =>
  groups.value.find((g) => g.kind === product.record.kind)?.products[0]?.id !== product.id
</script>

<template>
  <div class="page" :class="{ wide: id === undefined }">
    <section aria-labelledby="shelf-title">
      <div class="head">
        <h1 id="shelf-title">Shelf</h1>
        <p v-if="shelf" class="soft" aria-live="polite">{{ say.count(shelf.length - retired.length, 'bottle') }}</p>
        <RouterLink v-if="id !== 'new'" class="button new" to="/shelf/new">Add a bottle</RouterLink>
      </div>
      <ProblemNote v-if="problem" :problem="problem">
        <UiButton kind="link" @click="again">Try again</UiButton>
      </ProblemNote>
      <UiWaiting v-else-if="!shelf" label="Fetching the shelf" :rows="6" />
      <ProblemNote v-if="refused" :problem="refused" />
      <section v-if="shelf && shelf.length === 0" class="basin none">
        <h2>Nothing on the shelf yet</h2>
        <p>
          Without a bottle a recipe is water only. Add your own: what it is for, a name, and the ratio on its label. Or
          begin with made-up ones and put your own in their place later.
        </p>
        <div class="choices">
          <UiButton :disabled="busy" @click="addSamples(FIRST_SHELF)">
            Begin with {{ FIRST_SHELF.length }} made-up bottles
          </UiButton>
        </div>
      </section>
      <BuyList v-if="stock.toBuy.value.length > 0" :lines="stock.toBuy.value" :currency="currency" />
      <div class="kinds">
        <section v-for="group in groups" :key="group.kind" class="kind" :aria-labelledby="`kind-${group.kind}`">
          <h2 :id="`kind-${group.kind}`">{{ capital(KIND_NAMES[group.kind]) }}</h2>
          <ul>
            <li v-for="(p, i) in group.products" :key="p.id" :class="{ on: p.id === id }">
              <ShelfBottle :full="stock.fullOf(p)" />
              <RouterLink class="row" :to="`/shelf/${p.id}`">
                <span class="name">{{ p.record.name }}</span>
                <span>{{ capital(ratioOf(p.record)) }}</span>
                <span v-if="stock.leftWords(p)" class="left">{{ stock.leftWords(p) }}</span>
                <span class="soft small">{{ factsOf(p.record) }}</span>
              </RouterLink>
              <span class="flags">
                <span v-for="flag in flagsOf(p.record)" :key="flag.text" class="flag" :class="flag.state">
                  <StateMark :state="flag.state" :size="20" /> {{ flag.text }}
                </span>
                <span v-if="group.products.length > 1 && i === 0" class="soft small">comes first</span>
              </span>
            </li>
          </ul>
        </section>
      </div>
      <UiFold v-if="retired.length > 0" :title="`${say.count(retired.length, 'bottle')} retired`">
        <ul>
          <li v-for="p in retired" :key="p.id">
            <RouterLink class="row" :to="`/shelf/${p.id}`">
              <span class="name">{{ p.record.name }}</span>
              <span class="soft">{{ KIND_NAMES[p.record.kind] }}</span>
            </RouterLink>
            <UiButton kind="link" :disabled="busy" @click="retire(p, false)">Use it again</UiButton>
          </li>
        </ul>
      </UiFold>
      <CsvTable v-if="shelf" table="products" one="bottle" @taken="again()" />
      <p v-if="shelf" class="soft small">
        To mix in: <RouterLink class="link" to="/house/bottles">bottles and jugs with their marks</RouterLink>
      </p>
    </section>
    <component
      :is="narrow ? UiDrawer : 'aside'"
      v-if="narrow || id !== undefined"
      v-bind="narrow ? { title: 'A bottle', modelValue: isOpen, 'onUpdate:modelValue': () => (isOpen = false) } : {}"
    >
      <p v-if="isGone && opened" class="basin gone" role="alert">
        {{ opened.record.name }} was deleted elsewhere. What you typed is still here.
        <UiButton kind="link" :disabled="busy" @click="bringBack(opened)">Bring it back</UiButton>
      </p>
      <StockPanel
        v-if="opened && !isGone"
        class="basin"
        :product="opened"
        :line="stock.lines.value.get(opened.id)"
        :left="stock.leftWords(opened)"
        @changed="stock.again()"
      />
      <ProductForm
        v-if="id === 'new' || opened"
        :key="opened?.id ?? 'new'"
        :stored="opened"
        :currency="currency"
        :names="shelf?.map((p) => p.record.name) ?? []"
        @saved="saved"
        @close="isOpen = false"
      >
        <LabelForm v-if="opened" :product="opened" />
        <div v-if="opened" class="choices">
          <UiButton
            v-if="!opened.record.retired && comesLater(opened)"
            kind="link"
            :disabled="busy"
            @click="first(opened)"
          >
            Use it before the others of its kind
          </UiButton>
          <UiButton kind="link" :disabled="busy" @click="retire(opened, !opened.record.retired)">
            {{ opened.record.retired ? 'Use it again' : 'Retire it' }}
          </UiButton>
          <UiConfirm :question="`Delete ${opened.record.name}?`" yes="Delete" no="Keep" @yes="remove(opened)">
            <UiButton kind="link">Delete it</UiButton>
          </UiConfirm>
        </div>
      </ProductForm>
      <p v-else-if="shelf && id !== undefined" class="basin" role="alert">
        There is no such bottle any more. <RouterLink to="/shelf">To the shelf</RouterLink>
      </p>
    </component>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 420px;
  gap: 32px;
  align-items: start;
}
aside {
  position: sticky;
  top: 12px;
  max-height: calc(100vh - 24px);
  overflow-y: auto;
}
/* nothing is open: the shelf has the whole width, two boards side by side */
.page.wide {
  grid-template-columns: minmax(0, 1fr);
}
.wide .kinds {
  columns: 2 440px;
  column-gap: 32px;
}
.kind {
  break-inside: avoid;
  padding-top: 14px;
}
.kind h2 {
  margin-top: 0;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px 16px;
  margin-bottom: 8px;
}
.new {
  margin-left: auto;
}
h2 {
  margin-top: 14px;
}
.none {
  max-width: 640px;
}
.none h2 {
  margin-top: 0;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  margin-top: 10px;
}
li {
  display: flex;
  gap: 14px;
  align-items: center;
  border-top: 1px solid var(--rule);
}
li.on {
  background: var(--rim-tint);
}
.row {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  min-width: 0;
  padding: 9px 4px;
  color: inherit;
  text-decoration: none;
}
.name {
  color: var(--rim);
  font: 600 19px/1.3 var(--display);
  overflow-wrap: anywhere;
}
.row:hover .name {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.gone {
  margin-bottom: 12px;
  color: var(--watch);
  font-weight: 600;
}
.left {
  font-weight: 600;
}
.flags {
  display: grid;
  gap: 2px;
}
.flag {
  display: flex;
  gap: 7px;
  align-items: center;
  color: var(--watch);
  font-weight: 600;
}
.flag.stop {
  color: var(--stop);
}
@media (max-width: 960px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
