<script setup lang="ts">
import { computed } from 'vue'
import type { House } from '@core/house'
import { hoseVolume, recovery, scaldLine, SUPPLY } from '@core/water'
import UiChoice from '../../ui/UiChoice.vue'
import UiFold from '../../ui/UiFold.vue'
import UiTime from '../../ui/UiTime.vue'
import UiAmount from '../../ui/UiAmount.vue'
import UiNumber from '../../ui/UiNumber.vue'
import type { HouseErrors } from './errors'
import { useSay } from '../../say'
import { scaldWords } from '@words'

const say = useSay()

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })

const makes = computed(() => {
  const { heaterKw, hotC, coldC } = house.value.water
  const litres = recovery(heaterKw, hotC - coldC, SUPPLY.efficiency.value)
  return Number.isFinite(litres) && litres > 0 ? `${say.flow(litres)} of hot water` : ''
})
const more = computed(() => {
  const { hardness, hoseM } = house.value.water
  return `Hardness ${say.number(hardness, 0)} °dH, hose ${say.span(hoseM)}`
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
      Hot tap alone: scalds in {{ scaldWords(scaldLine(house.water.hotC), say) }}.
    </p>
    <div class="rows">
      <UiAmount v-model="house.water.coldC" label="Cold tap" quantity="temperature" :error="errors['water.coldC']" />
      <UiAmount v-model="house.water.hotC" label="Hot tap" quantity="temperature" :error="errors['water.hotC']" />
      <UiAmount v-model="house.water.flow" label="Shower" quantity="flow" :error="errors['water.flow']" />
    </div>
    <div class="rows">
      <UiChoice
        v-model="house.water.heater"
        label="Heater"
        :options="[
          { value: 'tank', text: 'tank' },
          { value: 'tankless', text: 'tankless' },
        ]"
      />
      <UiAmount
        v-if="house.water.heater === 'tank'"
        v-model="house.water.tankL"
        label="Tank"
        quantity="bigVolume"
        :error="errors['water.tankL']"
      />
      <UiNumber v-model="house.water.heaterKw" label="Heater, kW" :error="errors['water.heaterKw']" />
      <template v-if="house.water.heater === 'tank'">
        <UiChoice
          v-model="timer"
          label="It heats"
          :options="[
            { value: false, text: 'always' },
            { value: true, text: 'by timer' },
          ]"
        />
        <UiTime
          v-if="house.heaterFrom !== null"
          :model-value="house.heaterFrom"
          label="On at"
          :error="errors.heaterFrom"
          @update:model-value="house.heaterFrom = $event"
        />
      </template>
    </div>
    <UiFold :title="more" :open="Boolean(errors['water.hardness'] ?? errors['water.hoseM'])">
      <div class="rows">
        <UiNumber v-model="house.water.hardness" label="Hardness, °dH" :error="errors['water.hardness']" />
        <UiAmount
          v-model="house.water.hoseM"
          quantity="span"
          label="Hose"
          :error="errors['water.hoseM']"
          :hint="`${say.litres(hoseVolume(house.water.hoseM || 0))} run off first`"
        />
      </div>
    </UiFold>
  </section>
</template>
