<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { useNow } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { InstrumentKind } from '@core/instruments'
import { MEASURE, strokeMl } from '@core/mix'
import { ask, asProblem, type ApiProblem } from '../../api/client'
import { useAsk } from '../../api/queries'
import UiField from '../../ui/UiField.vue'
import UiNumber from '../../ui/UiNumber.vue'
import UiSelect from '../../ui/UiSelect.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useReadings } from '../../parts/useReadings'
import { useSay } from '../../say'

const say = useSay()

const { instruments } = defineProps<{ instruments: readonly InstrumentKind[] }>()

const scale = useReadings(
  () => instruments,
  () => ({}),
  useNow({ interval: 1000 }),
)
const watched = computed(() => scale.of('scale'))
const grams = computed(() => (watched.value?.state === 'live' ? watched.value.value : undefined))
const scaleWords = computed(() => {
  if (watched.value?.state === 'live') return `The scale reads ${say.number(watched.value.value, 0)} g.`
  if (watched.value?.state === 'stuck') return 'The scale is stuck at one figure: no weight is taken.'
  if (watched.value?.last === undefined && (watched.value?.seconds ?? 0) < 3) return 'Asking the scale'
  return `The scale has been silent for ${watched.value!.seconds} s: no weight is taken.`
})

const { answer: products, problem: unread, again } = useAsk('GET /products', {})
const problem = ref<ApiProblem>()

const productId = ref<string>()
const strokes = ref(10)
/** Grams of the empty cup. */
const cup = ref(0)
const said = ref<string>()
const chosen = computed(() => products.value?.find((p) => p.id === productId.value))
const known = computed(() =>
  chosen.value?.record.pumpMl ? `now ${say.volume(chosen.value.record.pumpMl, 1)} a stroke` : undefined,
)

function weighCup() {
  if (grams.value === undefined) return
  cup.value = grams.value
  said.value = `Cup ${say.number(cup.value, 0)} g. Pump into it, then weigh the strokes.`
}
async function weighStrokes() {
  if (grams.value === undefined) return
  const mL = strokeMl(grams.value - cup.value, strokes.value)
  if (!chosen.value || mL === undefined) {
    said.value = chosen.value
      ? `${say.number(grams.value - cup.value, 0)} g in ${strokes.value} strokes can’t be: whole strokes, each up to ${say.volume(MEASURE.mostStroke.value)}.`
      : 'Choose the product first.'
    return
  }
  try {
    const { id, version, record } = chosen.value
    const pumpMl = Math.round(mL * 10) / 10
    await ask('PUT /products/{id}', { params: { id }, body: { version, record: { ...record, pumpMl } } })
    said.value = `${record.name}: ${say.volume(pumpMl, 1)} a stroke, from ${say.number(grams.value - cup.value, 0)} g in ${strokes.value} strokes. Saved.`
    again()
  } catch (error) {
    problem.value = asProblem(error)
  }
}
</script>

<template>
  <h3>What a pump gives</h3>
  <p class="reading" :class="{ off: grams === undefined }" data-testid="scale">{{ scaleWords }}</p>
  <ProblemNote v-if="problem ?? unread" :problem="(problem ?? unread)!">
    <UiButton kind="link" @click="again">Try again</UiButton>
  </ProblemNote>
  <div class="rows">
    <UiField v-slot="{ id }" label="Product" :hint="known">
      <UiSelect
        :id="id"
        v-model="productId"
        :options="(products ?? []).map((p) => ({ value: p.id, text: p.record.name }))"
      />
    </UiField>
    <UiNumber v-model="strokes" label="Strokes" />
    <UiButton class="low" :disabled="grams === undefined" @click="weighCup"> Weigh the empty cup </UiButton>
    <UiButton kind="primary" class="low" :disabled="grams === undefined" @click="weighStrokes">
      Weigh the strokes
    </UiButton>
  </div>
  <p v-if="said" role="status">{{ said }}</p>
</template>

<style scoped>
.low {
  align-self: end;
}
.reading {
  margin-bottom: 8px;
  font-weight: 600;
}
.off {
  color: var(--watch);
}
</style>
