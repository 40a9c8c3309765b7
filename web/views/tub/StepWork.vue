<script setup lang="ts">
import UiTubButton from '../../ui/UiTubButton.vue'
import { computed } from 'vue'
import type { Zone } from '@core/dog'
import { passOf, zonesToDo, zonesToFeel } from '@core/tubside'
import DryWork from './DryWork.vue'
import EarWork from './EarWork.vue'
import FastAirLines from './FastAirLines.vue'
import PlugButtons from './PlugButtons.vue'
import RinseWork from './RinseWork.vue'
import ZoneChips from './ZoneChips.vue'
import type { Readings } from '../../parts/useReadings'
import type { Tub } from './useTub'
import { ZONE_NAMES, capital } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { tub, readings } = defineProps<{ tub: Tub; readings: Readings }>()
const emit = defineEmits<{ call: [words: string] }>()

const record = computed(() => tub.record.value)
const step = computed(() => tub.step.value!)
const plan = computed(() => tub.visit.value!.plan)
const kind = computed(() => step.value.kind)
const atPlugs = computed(() => kind.value === 'plugIn' || kind.value === 'plugOut')
const lastRinse = computed(() => kind.value === 'rinse' && step.value.role === 'last')
const pass = computed(() => passOf(step.value, plan.value))
const checksDry = computed(() => ['dry', 'comb', 'handOver'].includes(kind.value) && step.value.role !== 'fast')
const wearsSecond = computed(() => step.value.hands && plan.value.drying.choice.velocity !== undefined)
/** Plugs that are still in when the dog is handed over: they can be taken out there too. */
const forgotten = computed(() => {
  const { water, noise } = record.value.plugs
  return { water: water.left || water.right, noise: noise.left || noise.right }
})
const ahead = computed(() => zonesToDo(record.value, step.value, plan.value))
/** Zones that aren't felt dry yet; what stays damp on purpose isn't asked. */
const zones = computed(() => zonesToFeel(plan.value).filter((z) => !record.value.dry.includes(z)))
const allDry = () => zones.value.forEach((zone) => tub.tap({ kind: 'dry', zone }))
const scale = computed(() => readings.of('scale'))

const isLathered = (zone: Zone) => record.value.lathered[pass.value!]?.[zone] !== undefined
</script>

<template>
  <PlugButtons v-if="atPlugs || (kind === 'handOver' && forgotten.water)" :tub="tub" set="water" />
  <PlugButtons v-if="kind === 'handOver' && forgotten.noise" :tub="tub" set="noise" />

  <EarWork v-if="kind === 'earClean'" :tub="tub" @over="emit('call', $event)" />

  <RinseWork v-else-if="lastRinse" :tub="tub" />

  <div v-else-if="kind === 'towel'" class="choices">
    <UiTubButton @click="tub.tap({ kind: 'towel' })">
      Towel: {{ record.towels }} of {{ plan.drying.towels }}
    </UiTubButton>
    <template v-if="scale?.state === 'live'">
      <UiTubButton
        v-for="what in ['dry', 'wet'] as const"
        :key="what"
        :class="{ on: record.weighed[what] !== undefined }"
        @click="scale.state === 'live' && tub.tap({ kind: 'weighed', what, grams: Math.round(scale.value) })"
      >
        {{ capital(what) }}:
        {{ record.weighed[what] === undefined ? `take ${say.number(scale.value, 0)} g` : `${record.weighed[what]} g` }}
      </UiTubButton>
    </template>
    <p v-else-if="scale" class="support">Scale {{ scale.state }}: no weight is taken.</p>
  </div>

  <PlugButtons v-if="wearsSecond && kind === 'setUp'" :tub="tub" set="noise" />

  <FastAirLines v-if="kind === 'dry' && step.role === 'fast'" :tub="tub" />
  <DryWork v-else-if="kind === 'dry' && step.hands" :tub="tub" />
  <template v-else-if="pass !== undefined">
    <p class="next-zone" data-testid="next-zone">
      {{ ahead[0] ? `Next: ${ZONE_NAMES[ahead[0]]}` : 'Every zone is done' }}
    </p>
    <ZoneChips
      :zones="step.zones"
      :done="isLathered"
      :next="ahead[0]"
      @tap="(zone) => tub.tap({ kind: 'lathered', pass: pass!, zone })"
    />
  </template>
  <template v-else-if="checksDry">
    <p v-if="zones.length === 0" class="support">Every zone was felt dry.</p>
    <template v-else>
      <div class="choices">
        <UiTubButton @click="allDry">All dry already</UiTubButton>
      </div>
      <ZoneChips
        damp
        :zones="zones"
        :done="(zone) => record.dry.includes(zone)"
        @tap="(zone) => tub.tap({ kind: 'dry', zone })"
        @damp="(zone) => tub.tap({ kind: 'damp', zone })"
      />
    </template>
  </template>
</template>
