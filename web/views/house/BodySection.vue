<script setup lang="ts">
import type { House } from '@core/house'
import UiAmount from '../../ui/UiAmount.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiNumber from '../../ui/UiNumber.vue'
import type { HouseErrors } from './errors'

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })
const KINDS = [
  { value: 'none', text: 'none' },
  { value: 'earmuff', text: 'earmuffs' },
  { value: 'foam', text: 'foam plugs' },
  { value: 'other', text: 'other plugs' },
] as const
</script>

<template>
  <section class="basin">
    <h2>Your ears and back</h2>
    <div class="rows">
      <UiChoice v-model="house.protector.kind" label="On your ears while drying" :options="KINDS" />
      <UiNumber v-model="house.protector.nrr" label="Its printed rating, dB" :error="errors['protector.nrr']" />
      <UiAmount
        v-model="house.tub.heightCm"
        label="Height the dog is lifted"
        quantity="length"
        :error="errors['tub.heightCm']"
      />
      <UiChoice
        v-model="house.tub.ramp"
        label="Ramp or steps into the tub"
        :options="[
          { value: false, text: 'no' },
          { value: true, text: 'yes' },
        ]"
      />
    </div>
  </section>
</template>
