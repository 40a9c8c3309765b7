<script setup lang="ts">
import { computed, ref } from 'vue'
import type { StockLine, StoredProduct } from '@contract'
import { isWeighed } from '@core/mix'
import { readAmount, shownAmount } from '@core/units'
import { capital, MOVEMENT_NAMES, productAmount } from '@words'
import { products } from '../../api/products'
import { useAsk } from '../../api/queries'
import { timeNow } from '../../device/clock'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { typedNumber } from '../../parts/words'
import { useSay } from '../../say'
import { useToast } from '../../ui/toast'
import UiAmountText from '../../ui/UiAmountText.vue'
import UiButton from '../../ui/UiButton.vue'
import UiFold from '../../ui/UiFold.vue'
import UiText from '../../ui/UiText.vue'

const { product, line } = defineProps<{ product: StoredProduct; line?: StockLine; left?: string }>()
const emit = defineEmits<{ changed: [] }>()

type Done = 'opened' | 'counted' | 'thrown' | 'lost'
const say = useSay()
const toast = useToast()
const doing = ref<Done>()
const text = ref('')
const note = ref('')
const wrong = ref<string>()
const { busy, problem: refused, tell } = useTell()
const { answer: movements, again } = useAsk('GET /products/{id}/movements', () => ({ params: { id: product.id } }))
const weighed = computed(() => isWeighed(product.record.form))
const amount = (mL: number) => productAmount(mL, weighed.value, say)
const LABELS: Record<Done, string> = {
  opened: 'A full one holds',
  counted: 'Left in it',
  thrown: 'Thrown away',
  lost: 'Lost',
}

function begin(what: Done) {
  doing.value = what
  wrong.value = undefined
  note.value = ''
  const { sizeMl } = product.record
  text.value =
    what === 'opened' && sizeMl !== null
      ? String(weighed.value ? sizeMl : shownAmount(sizeMl, 'volume', say.units, 1))
      : what === 'thrown' && line?.level
        ? String(weighed.value ? Math.round(line.level) : shownAmount(line.level, 'volume', say.units, 0))
        : ''
}
function typed(): number | undefined {
  if (weighed.value) {
    const grams = typedNumber(text.value)
    return Number.isFinite(grams) && grams >= 0 ? grams : undefined
  }
  const read = readAmount(text.value, 'volume', say.units)
  return read.ok && read.value >= 0 ? read.value : undefined
}
async function keep() {
  const mL = typed()
  wrong.value = mL === undefined ? 'Give how much, 0 or more.' : undefined
  if (mL === undefined || !doing.value) return
  const kind = doing.value
  await tell(async () => {
    const movement = await products.move(product.id, {
      kind,
      mL,
      at: new Date(timeNow()).toISOString(),
      note: note.value,
    })
    toast.undone(`${capital(MOVEMENT_NAMES[kind])}: ${amount(mL)}.`, async () => {
      await products.takeBack(movement.id)
      emit('changed')
      again()
      return 'Taken back.'
    })
    doing.value = undefined
    emit('changed')
    again()
  })
}
</script>

<template>
  <section class="stock" aria-labelledby="stock-title">
    <h2 id="stock-title">{{ product.record.name }}: how much is left</h2>
    <p class="left">{{ left ?? 'Not known yet: open a bottle or count what is there.' }}</p>
    <p v-if="line?.buy && line.buy.code !== 'stock.low'" class="buy">{{ capital(say.said(line.buy)) }}</p>
    <div v-if="!doing" class="doings">
      <UiButton @click="begin('opened')">Opened a new one</UiButton>
      <UiButton @click="begin('counted')">Count it</UiButton>
      <UiButton kind="link" @click="begin('thrown')">Thrown away</UiButton>
      <UiButton kind="link" @click="begin('lost')">Lost</UiButton>
    </div>
    <div v-else class="form" role="group" :aria-label="LABELS[doing]" @keydown.esc="doing = undefined">
      <UiText v-if="weighed" v-model="text" :label="`${LABELS[doing]}, g`" inputmode="decimal" :error="wrong" />
      <UiAmountText v-else v-model="text" :label="LABELS[doing]" quantity="volume" :error="wrong" />
      <UiText v-model="note" label="Note" />
      <div class="doings">
        <UiButton kind="primary" :disabled="busy" @click="keep">Write it down</UiButton>
        <UiButton kind="link" @click="doing = undefined">Leave it</UiButton>
      </div>
    </div>
    <ProblemNote v-if="refused" :problem="refused" />
    <UiFold v-if="movements && movements.length > 0" :title="`What came and went, ${movements.length}`">
      <ul>
        <li v-for="m in movements.slice(0, 60)" :key="m.id">
          <span>{{ say.date(m.at.slice(0, 10), 'short') }}</span>
          <RouterLink v-if="m.visitId" class="link" :to="`/logbook/${m.visitId}`">{{
            MOVEMENT_NAMES[m.kind]
          }}</RouterLink>
          <span v-else>{{ MOVEMENT_NAMES[m.kind] }}{{ m.note ? `: ${m.note}` : '' }}</span>
          <b>{{ m.kind === 'counted' ? '= ' : m.kind === 'opened' ? '+ ' : '− ' }}{{ amount(m.mL) }}</b>
        </li>
      </ul>
    </UiFold>
  </section>
</template>

<style scoped>
.stock {
  display: grid;
  gap: 6px;
  margin-bottom: 12px;
}
.left {
  font: 600 19px/1.3 var(--display);
}
.buy {
  color: var(--watch);
  font-weight: 600;
}
.doings {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
.form {
  display: grid;
  gap: 8px;
}
li {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr) auto;
  gap: 10px;
  padding: 3px 0;
  border-top: 1px solid var(--rule);
  font-size: 14.5px;
}
</style>
