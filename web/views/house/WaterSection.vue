<script setup lang="ts">
import { computed } from 'vue'
import type { House } from '../../../core/house'
import { say } from '../../../core/units'
import { hoseVolume, recovery, scaldText, SUPPLY } from '../../../core/water'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import ClockField from '../../parts/ClockField.vue'
import NumberField from '../../parts/NumberField.vue'
import type { HouseErrors } from './draft'

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })

const makes = computed(() => {
  const { heaterKw, hotC, coldC } = house.value.water
  const litres = recovery(heaterKw, hotC - coldC, SUPPLY.efficiency.value)
  return Number.isFinite(litres) && litres > 0 ? `${say(litres)} L of hot water a minute` : ''
})
const timer = computed({
  get: () => house.value.heaterFrom !== null,
  set: (on: boolean) => (house.value.heaterFrom = on ? Math.max(0, house.value.hours.from - 90) : null),
})
</script>

<template>
  <section class="basin">
    <h2>Water</h2>
    <p class="soft">
      Taps set how hot and cold are mixed; heater and tank say how long the hot water lasts on a day.
      <template v-if="makes">The heater makes {{ makes }}.</template>
      Hot tap alone: scalds in {{ scaldText(house.water.hotC) }}.
    </p>
    <div class="rows">
      <NumberField v-model="house.water.coldC" label="Cold tap, °C" :error="errors['water.coldC']" />
      <NumberField v-model="house.water.hotC" label="Hot tap, °C" :error="errors['water.hotC']" />
      <NumberField v-model="house.water.flow" label="Shower, L/min" :error="errors['water.flow']" />
      <NumberField v-model="house.water.hardness" label="Hardness, °dH" :error="errors['water.hardness']" />
      <NumberField
        v-model="house.water.hoseM"
        label="Hose, m"
        :error="errors['water.hoseM']"
        :hint="`${say(hoseVolume(house.water.hoseM || 0))} L run off first`"
      />
    </div>
    <div class="rows">
      <ChoiceRow
        v-model="house.water.heater"
        label="Heater"
        :options="[
          { value: 'tank', text: 'tank' },
          { value: 'tankless', text: 'tankless' },
        ]"
      />
      <NumberField
        v-if="house.water.heater === 'tank'"
        v-model="house.water.tankL"
        label="Tank, L"
        :error="errors['water.tankL']"
      />
      <NumberField v-model="house.water.heaterKw" label="Heater, kW" :error="errors['water.heaterKw']" />
      <template v-if="house.water.heater === 'tank'">
        <ChoiceRow
          v-model="timer"
          label="It heats"
          :options="[
            { value: false, text: 'always' },
            { value: true, text: 'by timer' },
          ]"
        />
        <ClockField
          v-if="house.heaterFrom !== null"
          :model-value="house.heaterFrom"
          label="On at"
          :error="errors.heaterFrom"
          @update:model-value="house.heaterFrom = $event"
        />
      </template>
    </div>
  </section>
</template>
