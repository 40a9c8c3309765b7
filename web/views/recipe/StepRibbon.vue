<script setup lang="ts">
import { computed, inject, ref, useId } from 'vue'
import type { Dog } from '@core/dog'
import { placesFor, type OwnChoice, type OwnMinutes, type Step } from '@core/visit'
import { FIXED } from './fixed'
import StepMinutes from './StepMinutes.vue'
import StepWay from './StepWay.vue'
import { coatStrokes } from '../../drawing/coat'
import { pairAt } from '../../drawing/colours'
import { seedOf } from '../../drawing/random'
import { useSay } from '../../say'
import { useTheme } from '../../ui/theme'
import { stepDetail, stepTitle } from '@words'

const say = useSay()

const { steps, minutes, dog, dogId, own } = defineProps<{
  steps: Step[]
  minutes: number
  dog: Dog
  dogId: string
  own: OwnMinutes[]
}>()
const emit = defineEmits<{
  own: [own: OwnMinutes]
  back: [step: string]
  take: [choice: OwnChoice]
  drop: [key: string]
}>()

const fixed = inject(FIXED, ref(false))
/** The step that is dragged, and the steps after which it may be let go. */
const dragged = ref<{ id: string; places: string[] }>()
const over = ref<string>()
function letGo(after: string) {
  const step = dragged.value?.id
  if (step && dragged.value!.places.includes(after))
    emit('take', { key: `moved ${step}`, in: 'moved', value: { step, after } })
  dragged.value = undefined
  over.value = undefined
}

const id = useId()
const { palette } = useTheme()
const pair = computed(() => palette.value.dogs[pairAt(dog.colour)]!)
const SIDE = 120
const strokes = computed(() => coatStrokes(dog.coat, { width: SIDE, height: 40, seed: seedOf(dogId) % 997 }))
const texture = computed(() => {
  const paths = strokes.value
    .map(
      (s) =>
        `<path d='${s.d}' fill='none' stroke='${pair.value.stroke}' stroke-width='${s.width}' stroke-opacity='${s.opacity}' stroke-linecap='round'/>`,
    )
    .join('')
  const svg = `<svg xmlns='http://www.w3.org/2000/svg' width='${SIDE}' height='40'><rect width='${SIDE}' height='40' fill='${pair.value.tint}'/>${paths}</svg>`
  return `url("data:image/svg+xml,${encodeURIComponent(svg)}")`
})
/** Widths by minutes, never so narrow that a step is lost. */
const grow = (step: Step) => Math.max(2.5, Math.sqrt(step.minutes.value) * 2)
const PLACES = { table: 'table', tub: 'tub', crate: 'crate', door: 'door' }
const where = ({ kind, place, hands, withDog }: Step) =>
  kind === 'own' && !withDog ? 'no dog' : `${PLACES[place]}${hands ? '' : ', alone'}`
</script>

<template>
  <section class="steps" :aria-labelledby="id">
    <div class="head">
      <h2 :id="id">The visit, step by step</h2>
      <p class="soft">
        {{ say.minutes(minutes) }}. Wide: your hands are on the dog. Narrow: it rests or dries alone. Tap a step to
        leave it out or do it elsewhere; or drag it.
      </p>
    </div>
    <ol class="ribbon" :style="{ '--coat': texture, '--line': pair.stroke }">
      <li
        v-for="step in steps"
        :key="step.id"
        :style="{ flexGrow: grow(step) }"
        :class="{ alone: !step.hands, off: !step.withDog }"
        :title="`${stepTitle(step)}: ${stepDetail(step, say)}`"
        aria-hidden="true"
      >
        <span class="bar">
          <span class="chip">{{ say.number(step.minutes.value, step.minutes.value < 3 ? 1 : 0) }}</span>
        </span>
      </li>
    </ol>
    <ol class="table">
      <li
        v-for="(step, i) in steps"
        :key="step.id"
        :draggable="!fixed"
        :class="{ target: over === step.id, away: dragged?.id === step.id }"
        @dragstart="dragged = { id: step.id, places: placesFor(step.id, steps) }"
        @dragend="dragged = over = undefined"
        @dragover="dragged?.places.includes(step.id) && ($event.preventDefault(), (over = step.id))"
        @dragleave="over = undefined"
        @drop.prevent="letGo(step.id)"
      >
        <span class="n">{{ i + 1 }}</span>
        <span v-if="fixed" class="title">{{ stepTitle(step) }}</span>
        <StepWay v-else :step="step" :steps="steps" @take="emit('take', $event)" @drop="emit('drop', $event)" />
        <StepMinutes
          class="min"
          :step="step"
          :own="own.find((o) => o.step === step.id)"
          @own="emit('own', $event)"
          @back="emit('back', $event)"
        />
        <span class="where soft">{{ where(step) }}</span>
        <span class="detail soft">{{ stepDetail(step, say) }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.steps {
  margin-top: 22px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
}
.ribbon {
  display: flex;
  align-items: center;
  gap: 3px;
  margin: 10px 0 8px;
}
.ribbon li {
  flex: 1 1 0;
  min-width: 0;
}
.bar {
  display: flex;
  align-items: center;
  justify-content: center;
  height: 40px;
  border: 1.8px solid var(--line);
  border-radius: 9px;
  background: var(--coat);
}
.alone .bar {
  height: 20px;
}
.off .bar {
  background: transparent;
  border-style: dashed;
}
.chip {
  padding: 0 4px;
  border-radius: 2px;
  background: var(--enamel);
  font-size: 13.5px;
  font-weight: 700;
  line-height: 17px;
  white-space: nowrap;
}
.table {
  columns: 2;
  column-gap: 36px;
}
.table li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) 66px 92px;
  gap: 0 10px;
  align-items: baseline;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
  break-inside: avoid;
}
.table li.target {
  box-shadow: inset 0 -3px 0 var(--rim);
}
.table li.away {
  opacity: 0.5;
}
.n {
  color: var(--ink2);
}
.title {
  font-weight: 700;
  font-size: 16px;
}
.min {
  font-weight: 700;
  text-align: right;
}
.detail {
  grid-column: 2 / -1;
  font-size: 14.5px;
}
@media (max-width: 900px) {
  .table {
    columns: 1;
  }
  .ribbon {
    display: none;
  }
}
@media (max-width: 480px) {
  .table li {
    grid-template-columns: 26px minmax(0, 1fr) 66px;
  }
  .where {
    grid-column: 2 / -1;
    grid-row: 2;
  }
}
</style>
