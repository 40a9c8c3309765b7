<script setup lang="ts">
import type { House } from '../../../core/house'
import FieldBox from '../../parts/FieldBox.vue'
import NumberField from '../../parts/NumberField.vue'
import { deviceToday } from '../../parts/words'
import type { HouseErrors } from './draft'

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })
/** An empty price isn't reckoned with. */
const price = (value: number | null) => value ?? NaN
const typed = (value: number) => (Number.isNaN(value) ? null : value)
const dateOf = (event: Event) => (event.target as HTMLInputElement).value || null
</script>

<template>
  <section class="basin">
    <h2>Prices and learning</h2>
    <p class="soft">Prices make the logbook’s costs. Minutes are learned from every visit that ends at the tub.</p>
    <div class="rows">
      <NumberField
        :model-value="price(house.prices.waterM3)"
        label="Water, a cubic metre"
        :error="errors['prices.waterM3']"
        @update:model-value="house.prices.waterM3 = typed($event)"
      />
      <NumberField
        :model-value="price(house.prices.kWh)"
        label="Electricity, a kilowatt-hour"
        :error="errors['prices.kWh']"
        @update:model-value="house.prices.kWh = typed($event)"
      />
      <FieldBox v-slot="{ id }" label="Currency" :error="errors['prices.currency']">
        <input :id="id" v-model="house.prices.currency" class="date" maxlength="6" />
      </FieldBox>
      <FieldBox
        v-slot="{ id }"
        label="Learn from visits since"
        hint="Empty: from all. A date begins anew; the log itself stays."
        :error="errors.learnFrom"
      >
        <input
          :id="id"
          class="date"
          type="date"
          :value="house.learnFrom ?? ''"
          @change="house.learnFrom = dateOf($event)"
        />
      </FieldBox>
    </div>
    <button type="button" class="link" @click="house.learnFrom = deviceToday()">
      Forget what was learned, begin today
    </button>
    <button v-if="house.learnFrom" type="button" class="link gap" @click="house.learnFrom = null">
      Learn from all again
    </button>
  </section>
</template>

<style scoped>
.gap {
  margin-left: 16px;
}
</style>
