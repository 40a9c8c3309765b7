<script setup lang="ts">
import UiFold from '../../ui/UiFold.vue'
import { breedLooks, Build, CoatType, Density, Muzzle, Shade, Tail, ZONES } from '@core/dog'
import { computed } from 'vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiAmountText from '../../ui/UiAmountText.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import { flagsOf, plainOptions } from './flags'
import type { DogDraft } from '../../parts/useDogDraft'
import { ZONE_NAMES, capital, coatWords, MUZZLE_NAMES, SHADE_NAMES, TAIL_NAMES } from '@words'

const { errors } = defineProps<{ errors: Record<string, string> }>()
const draft = defineModel<DogDraft>({ required: true })

const BUILDS: Record<Build, string> = {
  usual: 'middle',
  leggy: 'leggy, deep chest',
  cobby: 'cobby',
  giant: 'giant',
  low: 'low and long',
}
const UNDERCOAT = [
  { value: 'coat', text: 'as its coat does' },
  { value: 'yes', text: 'yes' },
  { value: 'no', text: 'no' },
]
const builds = Build.options.map((value) => ({ value, text: BUILDS[value] }))
/** Options of a look that the breed may tell: "as its breed, curled over the back", or one of them. */
const AS_BREED = 'breed'
const lookOptions = <T extends string>(values: readonly T[], words: Record<T, string>, usual: T) => [
  { value: AS_BREED, text: `as its breed: ${words[usual]}` },
  ...values.map((value) => ({ value, text: words[value] })),
]
const breed = computed(() => breedLooks(draft.value.breed))
const looksAt = computed(() => [
  {
    key: 'tail' as const,
    label: 'Tail',
    options: lookOptions(Tail.options, TAIL_NAMES, breed.value.tail ?? 'raised'),
  },
  {
    key: 'muzzle' as const,
    label: 'Muzzle',
    options: lookOptions(
      Muzzle.options,
      MUZZLE_NAMES,
      draft.value.shortNose ? 'short' : (breed.value.muzzle ?? 'middle'),
    ),
  },
  {
    key: 'shade' as const,
    label: 'Colour of most of the coat',
    options: lookOptions(Shade.options, SHADE_NAMES, draft.value.white ? 'white' : (breed.value.shade ?? 'cream')),
  },
])
function setLook(key: 'tail' | 'muzzle' | 'shade', value?: string) {
  Object.assign(draft.value, { [key]: value === AS_BREED ? null : value })
}
const coats = CoatType.options.map((value) => ({ value, text: coatWords(value) }))
const looks = flagsOf(() => draft.value, ['white', 'shortNose', 'thinSkin', 'folds', 'outdoors', 'topknot'])
const LOOKS = [
  { value: 'white', text: 'white or pale' },
  { value: 'shortNose', text: 'short nose' },
  { value: 'thinSkin', text: 'thin skin' },
  { value: 'folds', text: 'folds' },
  { value: 'outdoors', text: 'lives outdoors' },
  { value: 'topknot', text: 'wears a topknot' },
] as const
</script>

<template>
  <section class="basin fields">
    <h2>Coat and body</h2>
    <div class="grid">
      <UiField label="Coat" for-id="coat" :error="errors.coat"
        ><UiSelect id="coat" v-model="draft.coat" :options="coats" :invalid="!!errors.coat"
      /></UiField>
      <UiAmountText
        v-model="draft.length"
        label="Length"
        quantity="length"
        :error="errors.coatLengthCm"
        hint="Empty: usual for the coat."
      />
    </div>
    <div class="rows">
      <UiChoice v-model="draft.density" label="How thick it is" :options="plainOptions(Density.options)" />
      <UiChoice
        :model-value="draft.undercoat === null ? 'coat' : draft.undercoat ? 'yes' : 'no'"
        label="Sheds an undercoat"
        :options="UNDERCOAT"
        @update:model-value="draft.undercoat = $event === 'coat' ? null : $event === 'yes'"
      />
      <UiChoice v-model="draft.build" label="Build" :options="builds" />
      <UiField v-for="look in looksAt" :key="look.key" :label="look.label" :for-id="look.key"
        ><UiSelect
          :id="look.key"
          :model-value="draft[look.key] ?? AS_BREED"
          :options="look.options"
          @update:model-value="setLook(look.key, $event)"
      /></UiField>
      <UiChoice v-model="looks" many label="Also" :options="LOOKS" />
    </div>
    <UiFold :open="Object.keys(draft.zoneLengths).length > 0" title="Kept at another length in places">
      <div class="grid">
        <UiAmountText
          v-for="zone in ZONES"
          :key="zone"
          :model-value="draft.zoneLengths[zone] ?? ''"
          :label="capital(ZONE_NAMES[zone])"
          quantity="length"
          :error="errors[`zoneLengthsCm.${zone}`]"
          @update:model-value="draft.zoneLengths[zone] = $event"
        />
      </div>
    </UiFold>
  </section>
</template>

<style scoped src="./fields.css"></style>
