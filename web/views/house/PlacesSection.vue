<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import type { House } from '@core/house'
import CommaList from '../../parts/CommaList.vue'
import UiChoice from '../../ui/UiChoice.vue'
import UiAmount from '../../ui/UiAmount.vue'
import UiNumber from '../../ui/UiNumber.vue'
import type { HouseErrors } from './errors'

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })
</script>

<template>
  <section class="basin">
    <h2>Tub, table, crates, towels</h2>
    <p class="soft">How many dogs can be in hand at once follows from these.</p>
    <div class="rows">
      <UiNumber v-model="house.tubs" label="Tubs" :error="errors.tubs" />
      <UiNumber v-model="house.tables" label="Tables" :error="errors.tables" />
      <UiNumber v-model="house.towels" label="Towels" :error="errors.towels" />
      <UiChoice
        v-model="house.chamois"
        label="Chamois instead, wrung out"
        :options="[
          { value: false, text: 'no' },
          { value: true, text: 'yes' },
        ]"
      />
    </div>
    <CommaList
      v-model="house.layOut"
      label="Lay out for every dog, beside the usual"
      :error="errors.layOut ?? errors['layOut[0]']"
      hint="With commas: apron, camera."
    />
    <h3>Crates</h3>
    <div v-for="(crate, i) in house.crates" :key="i" class="rows">
      <UiNumber v-model="crate.count" label="How many" :error="errors[`crates[${i}].count`]" />
      <UiAmount v-model="crate.maxKg" label="For dogs up to" quantity="weight" :error="errors[`crates[${i}].maxKg`]" />
      <UiButton kind="link" class="low" @click="house.crates.splice(i, 1)">
        Leave out<span class="hidden"> these crates</span>
      </UiButton>
    </div>
    <UiButton v-if="house.crates.length < 6" kind="link" @click="house.crates.push({ maxKg: 40, count: 1 })">
      Add a size of crate
    </UiButton>
  </section>
</template>
