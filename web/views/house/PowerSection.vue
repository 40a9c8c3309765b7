<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import type { House } from '@core/house'
import UiFold from '../../ui/UiFold.vue'
import UiNumber from '../../ui/UiNumber.vue'
import type { HouseErrors } from './errors'
import { useSay } from '../../say'

const say = useSay()

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })

function renameCircuit(index: number, name: string) {
  const before = house.value.circuits[index]!.name
  house.value.circuits[index]!.name = name
  for (const dryer of house.value.dryers) if (dryer.circuit === before) dryer.circuit = name
}
const inBrief = ({ name, volts, amps, otherW }: House['circuits'][number]) =>
  `${name || 'Without a name'}: ${say.number(volts, 0)} V, ${say.number(amps, 0)} A, ${say.number(volts * amps, 0)} W, of them ${say.number(otherW, 0)} W taken`
</script>

<template>
  <section class="basin">
    <h2>Circuits</h2>
    <p class="soft">
      What runs at once on one fuse. Planning only: wiring is for an electrician, and local rules come first.
    </p>
    <UiFold
      v-for="(c, i) in house.circuits"
      :key="i"
      :title="inBrief(c)"
      :open="Object.keys(errors).some((k) => k.startsWith(`circuits[${i}].`))"
    >
      <div class="rows">
        <UiText
          :model-value="c.name"
          label="Circuit"
          :error="errors[`circuits[${i}].name`]"
          @update:model-value="renameCircuit(i, $event)"
        />
        <UiNumber v-model="c.volts" label="Volts" :error="errors[`circuits[${i}].volts`]" />
        <UiNumber v-model="c.amps" label="Fuse, A" :error="errors[`circuits[${i}].amps`]" />
        <UiNumber v-model="c.otherW" label="Other things on it, W" :error="errors[`circuits[${i}].otherW`]" />
        <UiButton v-if="house.circuits.length > 1" kind="link" class="low" @click="house.circuits.splice(i, 1)">
          Leave out<span class="hidden"> {{ c.name }}</span>
        </UiButton>
      </div>
    </UiFold>
    <UiButton
      v-if="house.circuits.length < 6"
      kind="link"
      @click="house.circuits.push({ name: `Circuit ${house.circuits.length + 1}`, volts: 230, amps: 13, otherW: 0 })"
    >
      Add a circuit
    </UiButton>
  </section>
</template>
