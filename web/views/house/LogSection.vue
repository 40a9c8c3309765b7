<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiDate from '../../ui/UiDate'
import UiButton from '../../ui/UiButton.vue'
import type { House } from '@core/house'
import UiField from '../../ui/UiField.vue'
import UiNumber from '../../ui/UiNumber.vue'
import { deviceToday } from '../../parts/words'
import type { HouseErrors } from './errors'

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })
/** An empty price isn't reckoned with. */
const price = (value: number | null) => value ?? NaN
const typed = (value: number) => (Number.isNaN(value) ? null : value)
</script>

<template>
  <section class="basin">
    <h2>What it costs you, and learning</h2>
    <p class="soft">These make the logbook’s costs. Minutes are learned from every visit that ends at the tub.</p>
    <div class="rows">
      <UiNumber
        :model-value="price(house.prices.waterM3)"
        label="Water, a cubic metre"
        :error="errors['prices.waterM3']"
        @update:model-value="house.prices.waterM3 = typed($event)"
      />
      <UiNumber
        :model-value="price(house.prices.kWh)"
        label="Electricity, a kilowatt-hour"
        :error="errors['prices.kWh']"
        @update:model-value="house.prices.kWh = typed($event)"
      />
      <UiText v-model="house.prices.currency" label="Currency" :error="errors['prices.currency']" :most="6" />
      <UiField
        v-slot="{ id }"
        label="Learn from visits since"
        hint="Empty: from all. A date begins anew; the log itself stays."
        :error="errors.learnFrom"
      >
        <UiDate
          :id="id"
          clearable
          :model-value="house.learnFrom ?? ''"
          @update:model-value="house.learnFrom = $event || null"
        />
      </UiField>
    </div>
    <UiButton kind="link" @click="house.learnFrom = deviceToday()"> Forget what was learned, begin today </UiButton>
    <UiButton v-if="house.learnFrom" kind="link" class="gap" @click="house.learnFrom = null">
      Learn from all again
    </UiButton>
  </section>
</template>

<style scoped>
.gap {
  margin-left: 16px;
}
</style>
