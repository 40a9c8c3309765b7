<script setup lang="ts">
import { computed } from 'vue'
import { EarCarriage, Skin, Soil, type Zone, ZONES } from '@core/dog'
import UiChoice from '../../ui/UiChoice.vue'
import EarRow from '../../parts/EarRow.vue'
import { flagsOf, plainOptions } from './flags'
import type { DogDraft } from '../../parts/useDogDraft'
import { ZONE_NAMES } from '@words'

const draft = defineModel<DogDraft>({ required: true })

const also = flagsOf(() => draft.value.known, ['shedding', 'fleas'])
const zones = ZONES.map((value) => ({ value, text: ZONE_NAMES[value] }))
const stained = computed({
  get: () => draft.value.known.stained,
  set: (value: Zone[]) => (draft.value.known.stained = value),
})
const YES_NO = [
  { value: false, text: 'no' },
  { value: true, text: 'yes' },
]
</script>

<template>
  <section class="basin fields">
    <h2>As it usually comes</h2>
    <p class="soft small">A recipe begins from this, until the hands find something else on the day.</p>
    <div class="rows">
      <UiChoice v-model="draft.known.skin" many label="Skin" :options="plainOptions(Skin.options)" />
      <UiChoice v-model="draft.known.soil" label="Dirt" :options="plainOptions(Soil.options)" />
      <UiChoice v-model="also" many label="Also" :options="plainOptions(['shedding', 'fleas'] as const)" />
      <UiChoice v-model="stained" many label="Stained" :options="zones" />
    </div>
    <div class="rows">
      <UiChoice v-model="draft.earCarriage" label="Ears carried" :options="plainOptions(EarCarriage.options)" />
      <UiChoice v-model="draft.earHair" label="Hair in the canal" :options="YES_NO" />
      <UiChoice v-model="draft.earTrouble" label="Ear trouble that comes back" :options="YES_NO" />
    </div>
    <div class="rows">
      <EarRow v-model="draft.known.leftEar" side="Left" /><EarRow v-model="draft.known.rightEar" side="Right" />
    </div>
  </section>
</template>

<style scoped src="./fields.css"></style>
