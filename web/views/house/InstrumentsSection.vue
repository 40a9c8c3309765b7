<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { ref, shallowRef } from 'vue'
import type { InstrumentsAnswer } from '@contract'
import { INSTRUMENT_UNITS, InstrumentKind, type Fault } from '@core/instruments'
import type { House } from '@core/house'
import { ask, asProblem, type ApiProblem } from '../../api/client'
import UiChoice from '../../ui/UiChoice.vue'
import UiFold from '../../ui/UiFold.vue'
import UiNumber from '../../ui/UiNumber.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import PumpCalibration from './PumpCalibration.vue'
import { capital } from '@words'

const house = defineModel<House>({ required: true })

const NAMES: Record<InstrumentKind, string> = {
  thermometer: 'nozzle thermometer',
  scale: 'kitchen scale',
  hygrometer: 'room air',
  power: 'plug-in power meter',
  sound: 'sound meter',
}
const KINDS = InstrumentKind.options.map((value) => ({ value, text: NAMES[value] }))
const FAULTS: { value: Fault; text: string }[] = [
  { value: 'none', text: 'works' },
  { value: 'silent', text: 'silent' },
  { value: 'drifting', text: 'drifting' },
  { value: 'stuck', text: 'stuck' },
]
const faultsOf = (kind: InstrumentKind) =>
  kind === 'thermometer'
    ? [
        ...FAULTS,
        { value: 'hot spike' as const, text: 'hot spike' },
        { value: 'cold water' as const, text: 'cold water' },
      ]
    : FAULTS

const stand = shallowRef<InstrumentsAnswer>()
const problem = ref<ApiProblem>()
const grams = ref(0)
const took = async (work: Promise<InstrumentsAnswer>) => {
  problem.value = undefined
  try {
    stand.value = await work
    grams.value = stand.value.grams
  } catch (error) {
    problem.value = asProblem(error)
  }
}
void took(ask('GET /instruments'))
const setFault = (kind: InstrumentKind, fault: Fault) =>
  took(ask('PUT /instruments/{kind}', { params: { kind }, body: { fault } }))
const setLoad = () => took(ask('PUT /instruments/scale/load', { body: { grams: grams.value } }))
</script>

<template>
  <section class="basin">
    <h2>Instruments</h2>
    <p class="soft">
      What measures at the tub. These are made up, for practice: the thermometer follows the tap and the tank. Without
      one, you test by wrist.
    </p>
    <UiChoice v-model="house.instruments" label="In this wash room" :options="KINDS" many />
    <ProblemNote v-if="problem" :problem="problem" />
    <UiFold v-if="stand && house.instruments.length > 0" title="Faults to practise with, at once">
      <p class="soft">Until the program stops.</p>
      <template v-for="i in stand.instruments" :key="i.kind">
        <UiChoice
          v-if="house.instruments.includes(i.kind)"
          :model-value="i.fault"
          :label="`${capital(NAMES[i.kind])}, ${INSTRUMENT_UNITS[i.kind]}`"
          :options="faultsOf(i.kind)"
          @update:model-value="setFault(i.kind, $event as Fault)"
        />
      </template>
    </UiFold>
    <UiFold v-if="stand && house.instruments.includes('scale')" title="On the scale">
      <div class="rows">
        <UiNumber v-model="grams" label="Laid on it, g" />
        <UiButton class="low" @click="setLoad">Lay it on</UiButton>
      </div>
      <PumpCalibration :instruments="house.instruments" />
    </UiFold>
  </section>
</template>

<style scoped>
.low {
  align-self: end;
}
</style>
