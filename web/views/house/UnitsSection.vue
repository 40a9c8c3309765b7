<script setup lang="ts">
import { computed } from 'vue'
import { unitsOf, type House } from '../../../core/house'
import { METRIC, US_CUSTOMARY, type Units } from '../../../core/units'
import ChoiceRow from '../../parts/ChoiceRow.vue'

const house = defineModel<House>({ required: true })

const units = computed(() => unitsOf(house.value))
const put = (part: Partial<Units>) => (house.value.units = { ...units.value, ...part })
const SETS = [
  { text: 'kg, °C, litres', units: METRIC },
  { text: 'lb, °F, gallons', units: US_CUSTOMARY },
]
</script>

<template>
  <section class="basin">
    <h2>Units and clock</h2>
    <p class="soft">
      Every figure, field, paper and calendar follows. Typed amounts may carry a unit of their own: 40 gal, 70F, 2 lb 3
      oz. Soap left stays in mg/m²: so few milligrams on a square metre have no handier name.
    </p>
    <p class="sets">
      <button
        v-for="set in SETS"
        :key="set.text"
        type="button"
        class="button quiet"
        @click="put({ ...set.units, clock: units.clock })"
      >
        All in {{ set.text }}
      </button>
    </p>
    <div class="rows">
      <ChoiceRow
        :model-value="units.weight"
        label="Weight"
        :options="[
          { value: 'kg', text: 'kg' },
          { value: 'lb', text: 'lb and oz' },
        ]"
        @update:model-value="put({ weight: $event as Units['weight'] })"
      />
      <ChoiceRow
        :model-value="units.temperature"
        label="Warmth"
        :options="[
          { value: 'C', text: '°C' },
          { value: 'F', text: '°F' },
        ]"
        @update:model-value="put({ temperature: $event as Units['temperature'] })"
      />
      <ChoiceRow
        :model-value="units.volume"
        label="Volume"
        :options="[
          { value: 'metric', text: 'mL and L' },
          { value: 'us', text: 'fl oz and gal' },
        ]"
        @update:model-value="put({ volume: $event as Units['volume'] })"
      />
      <ChoiceRow
        :model-value="units.length"
        label="Length"
        :options="[
          { value: 'cm', text: 'cm' },
          { value: 'in', text: 'inches' },
        ]"
        @update:model-value="put({ length: $event as Units['length'] })"
      />
      <ChoiceRow
        :model-value="units.clock"
        label="Clock"
        :options="[
          { value: '24', text: '14:05' },
          { value: '12', text: '2:05 pm' },
        ]"
        @update:model-value="put({ clock: $event as Units['clock'] })"
      />
    </div>
  </section>
</template>

<style scoped>
.sets {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 6px 0 10px;
}
.rows {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 28px;
}
</style>
