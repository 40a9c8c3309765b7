<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { computed } from 'vue'
import { unitsOf, type House } from '@core/house'
import { METRIC, US_CUSTOMARY, type Units } from '@core/units'
import { useTheme, type Scheme } from '../../ui/theme'
import UiChoice from '../../ui/UiChoice.vue'
import UiFold from '../../ui/UiFold.vue'
import UiText from '../../ui/UiText.vue'
import type { HouseErrors } from './errors'

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })

const { scheme } = useTheme()
const SCHEMES: { value: Scheme; text: string }[] = [
  { value: 'system', text: 'as the system' },
  { value: 'light', text: 'light' },
  { value: 'dark', text: 'dark' },
]

const units = computed(() => unitsOf(house.value))
const put = (part: Partial<Units>) => (house.value.units = { ...units.value, ...part })
const SETS = [
  { text: 'kg, °C, litres', units: METRIC },
  { text: 'lb, °F, gallons', units: US_CUSTOMARY },
]
/** What can be read in one unit or another. */
const CHOICES: { of: keyof Units; label: string; options: { value: string; text: string }[] }[] = [
  { of: 'weight', label: 'Weight', options: pair('kg', 'kg', 'lb', 'lb and oz') },
  { of: 'temperature', label: 'Warmth', options: pair('C', '°C', 'F', '°F') },
  { of: 'volume', label: 'Volume', options: pair('metric', 'mL and L', 'us', 'fl oz and gal') },
  { of: 'length', label: 'Length', options: pair('cm', 'cm and m', 'in', 'inches and feet') },
  { of: 'clock', label: 'Clock', options: pair('24', '14:05', '12', '2:05 pm') },
]
function pair(...[one, first, other, second]: [string, string, string, string]) {
  return [
    { value: one, text: first },
    { value: other, text: second },
  ]
}
</script>

<template>
  <section class="basin">
    <h2>Units, clock, colours</h2>
    <p class="soft">
      Every figure, field, paper and calendar follows. Typed amounts may carry a unit of their own: 40 gal, 70F, 2 lb 3
      oz. Soap left stays in mg/m²: so few milligrams on a square metre have no handier name.
    </p>
    <p class="sets">
      <UiButton v-for="set in SETS" :key="set.text" @click="put({ ...set.units, clock: units.clock })">
        All in {{ set.text }}
      </UiButton>
    </p>
    <div class="rows">
      <UiChoice v-model="scheme" label="Colours, on this device at once" :options="SCHEMES" />
      <UiText
        v-model="house.timeZone"
        label="Time zone"
        :error="errors.timeZone"
        hint="As calendars name it, “Europe/Lisbon”; empty: this computer’s."
      />
    </div>
    <UiFold title="One by one">
      <div class="rows">
        <UiChoice
          v-for="choice in CHOICES"
          :key="choice.of"
          :model-value="units[choice.of]"
          :label="choice.label"
          :options="choice.options"
          @update:model-value="put({ [choice.of]: $event })"
        />
      </div>
    </UiFold>
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
