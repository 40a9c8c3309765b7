<script setup lang="ts">
import UiFold from '../../ui/UiFold.vue'
import { Build, CoatType, Density, ZONES } from '@core/dog'
import UiChoice from '../../ui/UiChoice.vue'
import UiAmountText from '../../ui/UiAmountText.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import { flagsOf, plainOptions } from './flags'
import type { DogDraft } from '../../parts/useDogDraft'
import { ZONE_NAMES, capital, coatWords } from '@words'

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
      <UiChoice v-model="draft.density" label="How thick it stands" :options="plainOptions(Density.options)" />
      <UiChoice
        :model-value="draft.undercoat === null ? 'coat' : draft.undercoat ? 'yes' : 'no'"
        label="Sheds an undercoat"
        :options="UNDERCOAT"
        @update:model-value="draft.undercoat = $event === 'coat' ? null : $event === 'yes'"
      />
      <UiChoice v-model="draft.build" label="Build" :options="builds" />
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
