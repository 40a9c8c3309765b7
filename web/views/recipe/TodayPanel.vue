<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { Mood, Skin, Soil, WeightKg, type Dog } from '../../../core/dog'
import { list, say } from '../../../core/units'
import { HealthSign, type Today } from '../../../core/visit'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import EarRow from '../../parts/EarRow.vue'
import FieldBox from '../../parts/FieldBox.vue'
import { typedNumber } from '../../parts/words'

const { today, dog, folded = false } = defineProps<{ today: Today; dog: Dog; folded?: boolean }>()
const emit = defineEmits<{ put: [part: Partial<Today>] }>()
const put = (part: Partial<Today>) => emit('put', part)

const plain = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, text: value as string }))
const mats = ['none', 'few', 'many', 'felted'].map((text, value) => ({ value, text }))

const flagNames = ['shedding', 'stained', 'fleas', 'helper', 'biteRisk'] as const
const flagOptions = [
  { value: 'shedding', text: 'shedding' },
  { value: 'stained', text: 'stained' },
  { value: 'fleas', text: 'fleas' },
  { value: 'helper', text: 'helper here' },
  { value: 'biteRisk', text: 'may bite' },
] as const
const flags = computed(() => flagNames.filter((name) => today[name]))
const putFlags = (on: readonly string[]) => put(Object.fromEntries(flagNames.map((name) => [name, on.includes(name)])))

const open = ref(!folded)
const summary = computed(() =>
  [
    today.skin.length > 0 ? `${list(today.skin)} skin` : 'sound skin',
    `${today.soil} dirt`,
    today.matScore > 0 && `mats ${today.matScore} of 3`,
    ...flags.value.filter((f) => f !== 'helper'),
  ]
    .filter(Boolean)
    .join(', '),
)

const weight = ref(today.weightKg === null ? '' : say(today.weightKg, 2))
const weightError = ref<string>()
watch(weight, (text) => {
  const parsed = WeightKg.safeParse(typedNumber(text))
  const empty = text.trim() === ''
  weightError.value =
    empty || parsed.success
      ? undefined
      : `${parsed.error.issues[0]!.message} Until then ${say(dog.weightKg)} kg counts.`
  put({ weightKg: !empty && parsed.success ? parsed.data : null })
})
watch(
  () => today.weightKg,
  (kg) => {
    if (kg !== null && kg !== typedNumber(weight.value)) weight.value = say(kg, 2)
    if (kg === null && !weightError.value) weight.value = ''
  },
)
</script>

<template>
  <section class="today" aria-labelledby="today-title">
    <h2 id="today-title">Today</h2>
    <button v-if="folded" class="fold" type="button" :aria-expanded="open" @click="open = !open">
      <span>{{ summary }}</span>
      <b>{{ open ? 'Close' : 'Change' }}</b>
    </button>
    <div v-show="open || !folded" class="facts">
      <ChoiceRow
        :model-value="today.skin"
        many
        label="Skin"
        :options="plain(Skin.options)"
        @update:model-value="put({ skin: $event as Skin[] })"
      />
      <ChoiceRow
        :model-value="today.soil"
        label="Dirt"
        :options="plain(Soil.options)"
        @update:model-value="put({ soil: $event as Soil })"
      />
      <ChoiceRow
        :model-value="today.matScore"
        label="Mats"
        :options="mats"
        @update:model-value="put({ matScore: $event as number })"
      />
      <ChoiceRow
        :model-value="flags"
        many
        label="Also"
        :options="flagOptions"
        @update:model-value="putFlags($event as string[])"
      />
      <ChoiceRow
        :model-value="today.mood ?? dog.mood"
        label="Mood"
        :options="plain(Mood.options)"
        @update:model-value="put({ mood: $event as Mood })"
      />
      <FieldBox label="Weight on the scale, kg" for-id="today-weight" :error="weightError">
        <Input
          id="today-weight"
          v-model:value="weight"
          inputmode="decimal"
          :placeholder="say(dog.weightKg, 2)"
          :status="weightError ? 'error' : ''"
        />
      </FieldBox>
      <EarRow :model-value="today.leftEar" side="Left" @update:model-value="put({ leftEar: $event })" />
      <EarRow :model-value="today.rightEar" side="Right" @update:model-value="put({ rightEar: $event })" />
      <details :open="today.wounds !== 'none' || today.health.length > 0">
        <summary>Wounds, illness</summary>
        <ChoiceRow
          :model-value="today.wounds"
          label="Wounds"
          :options="plain(['none', 'small', 'wide'] as const)"
          @update:model-value="put({ wounds: $event as Today['wounds'] })"
        />
        <ChoiceRow
          :model-value="today.health"
          many
          label="Any of these ends the visit"
          :options="plain(HealthSign.options)"
          @update:model-value="put({ health: $event as HealthSign[] })"
        />
      </details>
    </div>
  </section>
</template>

<style scoped>
.today {
  display: grid;
  gap: 10px;
}
.facts {
  display: grid;
  gap: 13px;
}
.fold {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  min-height: 48px;
  padding: 4px 14px;
  border: 1.5px solid var(--edge);
  border-radius: 3px 3px 12px 12px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.fold b {
  color: var(--rim);
}
details {
  display: grid;
  gap: 8px;
}
summary {
  min-height: 36px;
  display: flex;
  align-items: center;
  color: var(--rim);
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
</style>
