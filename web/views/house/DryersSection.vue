<script setup lang="ts">
import UiFold from '../../ui/UiFold.vue'
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { reactive } from 'vue'
import { USUAL_DRYERS, type Dryer } from '@core/drying'
import type { House } from '@core/house'
import UiChoice from '../../ui/UiChoice.vue'
import UiAmount from '../../ui/UiAmount.vue'
import UiNumber from '../../ui/UiNumber.vue'
import type { HouseErrors } from './errors'
import { useSay } from '../../say'

const say = useSay()

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })

const KINDS = [
  { value: 'velocity', text: 'velocity' },
  { value: 'stand', text: 'stand' },
  { value: 'hand', text: 'hand' },
  { value: 'fan', text: 'fan' },
] as const

const inBrief = ({ name, kind, airflow, level }: Dryer) =>
  `${name || 'without a name'}: ${kind}, ${say.air(airflow)}, ${say.number(level, 0)} dBA`

const addDryer = () => house.value.dryers.push({ ...USUAL_DRYERS.hand, name: `Dryer ${house.value.dryers.length + 1}` })
/** A bag held over the nozzle: its litres and the seconds it takes to fill. */
const bags = reactive<Record<number, { litres: number; seconds: number }>>({})
const bagOf = (i: number) => (bags[i] ??= { litres: 60, seconds: NaN })
function measure(dryer: Dryer, i: number) {
  const { litres, seconds } = bagOf(i)
  const flow = (litres / 1000 / seconds) * 60
  if (Number.isFinite(flow) && flow > 0) dryer.airflow = Math.round(flow * 100) / 100
}
</script>

<template>
  <section class="basin">
    <h2>Dryers and fans</h2>
    <p class="soft">
      Air and heat set the minutes and the safe distance; watts load a circuit; the sound counts on your ears. From the
      plate, or measured.
    </p>
    <UiFold
      v-for="(dryer, i) in house.dryers"
      :key="i"
      :title="inBrief(dryer)"
      :open="Object.keys(errors).some((k) => k.startsWith(`dryers[${i}].`))"
    >
      <div class="rows">
        <UiText v-model="dryer.name" label="Name" :error="errors[`dryers[${i}].name`]" />
        <UiChoice v-model="dryer.kind" label="Kind" :options="KINDS" />
      </div>
      <div class="rows">
        <UiAmount
          v-model="dryer.airflow"
          quantity="air"
          :digits="2"
          label="Air"
          :error="errors[`dryers[${i}].airflow`]"
        />
        <UiNumber v-model="dryer.nozzleMm" label="Nozzle, mm across" :error="errors[`dryers[${i}].nozzleMm`]" />
        <UiNumber v-model="dryer.motorW" label="Motor, W" :error="errors[`dryers[${i}].motorW`]" />
        <UiNumber v-model="dryer.level" label="Sound at your ear, dBA" :error="errors[`dryers[${i}].level`]" />
        <UiNumber
          v-if="dryer.kind === 'velocity'"
          v-model="dryer.force"
          label="Force, 1 is full size"
          :error="errors[`dryers[${i}].force`]"
        />
        <UiChoice
          v-if="house.circuits.length > 1"
          v-model="dryer.circuit"
          label="Plugged into"
          :options="house.circuits.map((c) => ({ value: c.name, text: c.name }))"
        />
      </div>
      <p v-if="errors[`dryers[${i}].circuit`]" class="field-error" role="alert">{{ errors[`dryers[${i}].circuit`] }}</p>
      <div v-for="(s, n) in dryer.settings" :key="n" class="rows">
        <UiText v-model="s.name" label="Setting" :error="errors[`dryers[${i}].settings[${n}].name`]" />
        <UiNumber v-model="s.heatW" label="Heat, W" :error="errors[`dryers[${i}].settings[${n}].heatW`]" />
        <UiButton v-if="dryer.settings.length > 1" kind="link" class="low" @click="dryer.settings.splice(n, 1)">
          Leave out<span class="hidden"> {{ s.name }}</span>
        </UiButton>
      </div>
      <UiButton v-if="dryer.settings.length < 6" kind="link" @click="dryer.settings.push({ name: 'more', heatW: 800 })">
        Add a setting
      </UiButton>
      <div class="rows measured">
        <UiAmount v-model="bagOf(i).litres" quantity="bigVolume" label="Measure it: a bag of" />
        <UiNumber v-model="bagOf(i).seconds" label="fills in, s" />
        <UiButton @click="measure(dryer, i)">Take as its air</UiButton>
      </div>
      <UiButton v-if="house.dryers.length > 1" kind="link" class="low" @click="house.dryers.splice(i, 1)">
        Leave {{ dryer.name }} out
      </UiButton>
    </UiFold>
    <UiButton v-if="house.dryers.length < 20" kind="link" @click="addDryer">Add a dryer or fan</UiButton>
  </section>
</template>

<style scoped>
.measured {
  padding-top: 4px;
  border-top: 1.5px solid var(--rule2);
}
</style>
