<script setup lang="ts">
import UiFold from '../../ui/UiFold.vue'
import UiTap from '../../ui/UiTap.vue'
import { computed, ref, watch } from 'vue'
import { Mood, Skin, Soil, SOUND_EAR, SURFACE, WeightKg, worstMats, type Dog, type Mats, type Zone } from '@core/dog'
import { sameData } from '@core/same'
import { HealthSign, type Question, type Today } from '@core/visit'
import UiChoice from '../../ui/UiChoice.vue'
import EarRow from '../../parts/EarRow.vue'
import UiAmount from '../../ui/UiAmount.vue'
import SkinPlaces from '../../parts/SkinPlaces.vue'
import ZoneScores from '../../parts/ZoneScores.vue'
import FoundPart from './FoundPart.vue'
import QuestionLine from './QuestionLine.vue'
import { shownAmount, unitFor } from '@core/units'
import { useSay } from '../../say'

const say = useSay()

const {
  today,
  dog,
  questions,
  folded = false,
} = defineProps<{
  today: Today
  dog: Dog
  questions: Question[]
  /** What is as it should be is folded up, and says so. */
  folded?: boolean
}>()
const emit = defineEmits<{ put: [part: Partial<Today>] }>()
const put = (part: Partial<Today>) => emit('put', part)

const plain = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, text: value as string }))
const MATS = ['none', 'few', 'many', 'felted']

const FLAGS = [
  { value: 'shedding', text: 'shedding' },
  { value: 'fleas', text: 'fleas' },
  { value: 'biteRisk', text: 'may bite' },
] as const
const flags = computed(() => FLAGS.map((f) => f.value).filter((name) => today[name]))
const putFlags = (on: readonly string[]) =>
  put(Object.fromEntries(FLAGS.map(({ value }) => [value, on.includes(value)])))

const stains = computed<Partial<Record<Zone, number>>>(() => Object.fromEntries(today.stained.map((zone) => [zone, 1])))
const putStains = (scores: Partial<Record<Zone, number>>) => put({ stained: Object.keys(scores) as Zone[] })

/** What is typed as the weight, NaN while nothing sound is; only a sound one counts. */
const weight = ref(today.weightKg ?? NaN)
const weightError = computed(() => {
  if (Number.isNaN(weight.value) || WeightKg.safeParse(weight.value).success) return undefined
  const [least, most] = [say.weight(SURFACE.smallest.value), say.weight(SURFACE.largest.value)]
  return `Give the weight from ${least} to ${most}. Until then ${say.weight(dog.weightKg)} counts.`
})
watch(weight, (kg) => put({ weightKg: WeightKg.safeParse(kg).success ? kg : null }))
watch(
  () => today.weightKg,
  (kg) => {
    if (kg !== null || !weightError.value) weight.value = kg ?? NaN
  },
)
/** Steps that suit the dog and the house's unit: a tenth for a small dog, half for a big one. */
/** Steps that suit the dog: a tenth of a kilogram for a small one, half for a big one. */
function step(by: 1 | -1) {
  const unit = unitFor('weight', say.units)
  const now = unit.fromSI(today.weightKg ?? dog.weightKg)
  const size = now < 10 ? 0.1 : 0.5
  weight.value = unit.toSI(Number((Math.round((now + by * size) / size) * size).toFixed(1)))
}
/** What stands on a part that is folded up. */
const matsTitle = computed(() => `Mats: ${MATS[worstMats(today.mats)]}`)
const earsNoted = computed(() => [today.leftEar, today.rightEar].some((ear) => !sameData(ear, SOUND_EAR)))
const earsTitle = computed(() => (earsNoted.value ? 'Ears: something noted' : 'Ears: nothing noted'))
const mannerTitle = computed(
  () => `Mood: ${today.mood ?? dog.mood}; hands: ${today.helper ? 'a helper is here' : 'alone'}`,
)
</script>

<template>
  <div class="facts">
    <div class="weight">
      <UiTap aria-label="Less" @click="step(-1)">−</UiTap>
      <UiAmount
        v-model="weight"
        label="Weight on the scale"
        quantity="weight"
        :digits="2"
        :error="weightError"
        :placeholder="String(shownAmount(dog.weightKg, 'weight', say.units, 1))"
      />
      <UiTap aria-label="More" @click="step(1)">+</UiTap>
    </div>
    <QuestionLine :questions="questions" :about="['weight', 'age', 'coat']" />
    <UiChoice
      :model-value="today.skin"
      many
      label="Skin, all over"
      :options="plain(Skin.options)"
      @update:model-value="put({ skin: $event as Skin[] })"
    />
    <SkinPlaces :model-value="today.skinAt" :dog="dog" @update:model-value="put({ skinAt: $event })" />
    <QuestionLine :questions="questions" :about="['skin']" />
    <UiChoice
      :model-value="today.soil"
      label="Dirt"
      :options="plain(Soil.options)"
      @update:model-value="put({ soil: $event as Soil })"
    />
    <UiChoice
      :model-value="flags"
      many
      label="Also"
      :options="FLAGS"
      @update:model-value="putFlags($event as string[])"
    />
    <QuestionLine :questions="questions" :about="['fleas']" />
    <FoundPart :folded="folded" :title="matsTitle" :open="worstMats(today.mats) > 0">
      <ZoneScores
        :model-value="today.mats"
        :dog="dog"
        label="Mats"
        :words="MATS"
        @update:model-value="put({ mats: $event as Mats })"
      />
    </FoundPart>
    <QuestionLine :questions="questions" :about="['mats']" />
    <FoundPart :folded="folded" :title="earsTitle" :open="earsNoted">
      <div class="pair">
        <EarRow :model-value="today.leftEar" side="Left" @update:model-value="put({ leftEar: $event })" />
        <EarRow :model-value="today.rightEar" side="Right" @update:model-value="put({ rightEar: $event })" />
      </div>
    </FoundPart>
    <QuestionLine :questions="questions" :about="['ears']" />
    <FoundPart :folded="folded" :title="mannerTitle">
      <div class="manner">
        <UiChoice
          :model-value="today.mood ?? dog.mood"
          label="Mood"
          :options="plain(Mood.options)"
          @update:model-value="put({ mood: $event as Mood })"
        />
        <UiChoice
          :model-value="today.helper"
          label="Hands today"
          :options="[
            { value: false, text: 'alone' },
            { value: true, text: 'a helper is here' },
          ]"
          @update:model-value="put({ helper: $event as boolean })"
        />
      </div>
    </FoundPart>
    <UiFold :open="today.stained.length > 0" title="Stains on white hair">
      <ZoneScores
        :model-value="stains"
        :dog="dog"
        label="Stained"
        :words="['clean', 'stained']"
        @update:model-value="putStains"
      />
    </UiFold>
    <UiFold :open="today.wounds !== 'none' || today.health.length > 0" title="Wounds, illness">
      <UiChoice
        :model-value="today.wounds"
        label="Wounds"
        :options="plain(['none', 'small', 'wide'] as const)"
        @update:model-value="put({ wounds: $event as Today['wounds'] })"
      />
      <UiChoice
        :model-value="today.health"
        many
        label="Any of these ends the visit"
        :options="plain(HealthSign.options)"
        @update:model-value="put({ health: $event as HealthSign[] })"
      />
    </UiFold>
  </div>
</template>

<style scoped>
.facts {
  display: grid;
  gap: 14px;
  min-width: 0;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 14px 28px;
}
.manner {
  display: grid;
  gap: 14px;
}
.weight {
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr) 52px;
  gap: 6px;
}
.weight button {
  border: 1.5px solid var(--edge);
  border-radius: 3px 3px 11px 11px;
  background: var(--enamel);
  color: var(--rim);
  font: 700 22px/1 var(--text);
  text-align: center;
}
</style>
