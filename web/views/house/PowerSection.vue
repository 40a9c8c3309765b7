<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { reactive } from 'vue'
import type { Dryer } from '../../../core/drying'
import type { House } from '../../../core/house'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import FieldBox from '../../parts/FieldBox.vue'
import AmountField from '../../parts/AmountField.vue'
import NumberField from '../../parts/NumberField.vue'
import type { HouseErrors } from './draft'
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

function addDryer() {
  house.value.dryers.push({
    name: `Dryer ${house.value.dryers.length + 1}`,
    kind: 'hand',
    airflow: 1.6,
    nozzleMm: 45,
    motorW: 80,
    settings: [
      { name: 'heat off', heatW: 0 },
      { name: 'warm', heatW: 1200 },
    ],
    force: 1,
    level: 82,
    circuit: '',
  })
}
/** A bag held over the nozzle: its litres and the seconds it takes to fill. */
const bags = reactive<Record<number, { litres: number; seconds: number }>>({})
const bagOf = (i: number) => (bags[i] ??= { litres: 60, seconds: NaN })
function measure(dryer: Dryer, i: number) {
  const { litres, seconds } = bagOf(i)
  const flow = (litres / 1000 / seconds) * 60
  if (Number.isFinite(flow) && flow > 0) dryer.airflow = Math.round(flow * 100) / 100
}
function renameCircuit(index: number, name: string) {
  const before = house.value.circuits[index]!.name
  house.value.circuits[index]!.name = name
  for (const dryer of house.value.dryers) if (dryer.circuit === before) dryer.circuit = name
}
</script>

<template>
  <section class="basin">
    <h2>Circuits</h2>
    <p class="soft">
      What runs at once on one fuse. Planning only: wiring is for an electrician, and local rules come first.
    </p>
    <div v-for="(c, i) in house.circuits" :key="i" class="rows">
      <FieldBox label="Circuit" :for-id="`circuit-${i}`" :error="errors[`circuits[${i}].name`]"
        ><Input :id="`circuit-${i}`" :value="c.name" @update:value="renameCircuit(i, $event)"
      /></FieldBox>
      <NumberField v-model="c.volts" label="Volts" :error="errors[`circuits[${i}].volts`]" />
      <NumberField v-model="c.amps" label="Fuse, A" :error="errors[`circuits[${i}].amps`]" />
      <NumberField v-model="c.otherW" label="Other things on it, W" :error="errors[`circuits[${i}].otherW`]" />
      <p class="sum">{{ say.number(c.volts * c.amps, 0) }} W</p>
      <button v-if="house.circuits.length > 1" type="button" class="link low" @click="house.circuits.splice(i, 1)">
        Leave out<span class="hidden"> {{ c.name }}</span>
      </button>
    </div>
    <button
      v-if="house.circuits.length < 6"
      type="button"
      class="link"
      @click="house.circuits.push({ name: `Circuit ${house.circuits.length + 1}`, volts: 230, amps: 13, otherW: 0 })"
    >
      Add a circuit
    </button>
  </section>
  <section class="basin">
    <h2>Dryers and fans</h2>
    <p class="soft">
      Air and heat set the minutes and the safe distance; watts load a circuit; the sound counts on your ears. From the
      plate, or measured.
    </p>
    <details
      v-for="(dryer, i) in house.dryers"
      :key="i"
      :open="Object.keys(errors).some((k) => k.startsWith(`dryers[${i}].`))"
    >
      <summary>
        {{ dryer.name || 'without a name' }}: {{ dryer.kind }}, {{ say.air(dryer.airflow) }},
        {{ say.number(dryer.level, 0) }} dBA
      </summary>
      <div class="rows">
        <FieldBox label="Name" :for-id="`dryer-${i}`" :error="errors[`dryers[${i}].name`]"
          ><Input :id="`dryer-${i}`" v-model:value="dryer.name"
        /></FieldBox>
        <ChoiceRow v-model="dryer.kind" label="Kind" :options="KINDS" />
      </div>
      <div class="rows">
        <AmountField
          v-model="dryer.airflow"
          quantity="air"
          :digits="2"
          label="Air"
          :error="errors[`dryers[${i}].airflow`]"
        />
        <NumberField v-model="dryer.nozzleMm" label="Nozzle, mm across" :error="errors[`dryers[${i}].nozzleMm`]" />
        <NumberField v-model="dryer.motorW" label="Motor, W" :error="errors[`dryers[${i}].motorW`]" />
        <NumberField v-model="dryer.level" label="Sound at your ear, dBA" :error="errors[`dryers[${i}].level`]" />
        <NumberField
          v-if="dryer.kind === 'velocity'"
          v-model="dryer.force"
          label="Force, 1 is full size"
          :error="errors[`dryers[${i}].force`]"
        />
        <ChoiceRow
          v-if="house.circuits.length > 1"
          v-model="dryer.circuit"
          label="Plugged into"
          :options="house.circuits.map((c) => ({ value: c.name, text: c.name }))"
        />
      </div>
      <p v-if="errors[`dryers[${i}].circuit`]" class="field-error" role="alert">{{ errors[`dryers[${i}].circuit`] }}</p>
      <div v-for="(s, n) in dryer.settings" :key="n" class="rows">
        <FieldBox label="Setting" :for-id="`setting-${i}-${n}`" :error="errors[`dryers[${i}].settings[${n}].name`]"
          ><Input :id="`setting-${i}-${n}`" v-model:value="s.name"
        /></FieldBox>
        <NumberField v-model="s.heatW" label="Heat, W" :error="errors[`dryers[${i}].settings[${n}].heatW`]" />
        <button v-if="dryer.settings.length > 1" type="button" class="link low" @click="dryer.settings.splice(n, 1)">
          Leave out<span class="hidden"> {{ s.name }}</span>
        </button>
      </div>
      <button
        v-if="dryer.settings.length < 6"
        type="button"
        class="link"
        @click="dryer.settings.push({ name: 'more', heatW: 800 })"
      >
        Add a setting
      </button>
      <div class="rows measured">
        <AmountField v-model="bagOf(i).litres" quantity="bigVolume" label="Measure it: a bag of" />
        <NumberField v-model="bagOf(i).seconds" label="fills in, s" />
        <button type="button" class="button quiet" @click="measure(dryer, i)">Take as its air</button>
      </div>
      <button v-if="house.dryers.length > 1" type="button" class="link low" @click="house.dryers.splice(i, 1)">
        Leave {{ dryer.name }} out
      </button>
    </details>
    <button v-if="house.dryers.length < 20" type="button" class="link" @click="addDryer">Add a dryer or fan</button>
  </section>
</template>

<style scoped>
.sum {
  min-width: 70px;
  line-height: 44px;
  font-weight: 700;
}
.measured {
  padding-top: 4px;
  border-top: 1.5px solid var(--rule2);
}
</style>
