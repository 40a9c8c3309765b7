<script setup lang="ts">
import type { House } from '@core/house'
import UiAmount from '../../ui/UiAmount.vue'
import UiButton from '../../ui/UiButton.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiNumber from '../../ui/UiNumber.vue'
import UiFold from '../../ui/UiFold.vue'
import { useSay } from '../../say'
import type { HouseErrors } from './errors'

const say = useSay()

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })
const METHODS = [
  { value: 'bottle', text: 'marked bottle' },
  { value: 'spray', text: 'spray bottle' },
  { value: 'froth', text: 'froth bowl' },
  { value: 'proportioner', text: 'proportioner in the hose' },
] as const
const inBrief = ({ count, mL, markMl }: House['vessels'][number]) =>
  `${say.number(count, 0)} of ${say.volume(mL)}, a mark every ${say.volume(markMl)}`
</script>

<template>
  <section class="basin">
    <h2>Bottles and mixing</h2>
    <UiChoice v-model="house.method" label="How the mix is put on" :options="METHODS" />
    <h3>Bottles and jugs</h3>
    <p class="soft">Their marks make the mixing list.</p>
    <UiFold
      v-for="(vessel, i) in house.vessels"
      :key="i"
      :title="inBrief(vessel)"
      :open="Object.keys(errors).some((k) => k.startsWith(`vessels[${i}].`))"
    >
      <div class="rows">
        <UiNumber v-model="vessel.count" label="How many" :error="errors[`vessels[${i}].count`]" />
        <UiAmount v-model="vessel.mL" label="Holds" quantity="volume" :error="errors[`vessels[${i}].mL`]" />
        <UiAmount
          v-model="vessel.markMl"
          label="Mark to mark"
          quantity="volume"
          :error="errors[`vessels[${i}].markMl`]"
        />
        <UiButton kind="link" class="low" @click="house.vessels.splice(i, 1)">
          Leave out<span class="hidden"> this bottle</span>
        </UiButton>
      </div>
    </UiFold>
    <UiButton
      v-if="house.vessels.length < 10"
      kind="link"
      @click="house.vessels.push({ mL: 500, count: 1, markMl: 50 })"
    >
      Add a bottle
    </UiButton>
  </section>
</template>
