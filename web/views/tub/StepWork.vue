<script setup lang="ts">
import UiTubButton from '../../ui/UiTubButton.vue'
import { computed } from 'vue'
import { ZONES, type Zone } from '@core/dog'
import { EARS } from '@core/ears'
import { passOf, zonesToDo } from '@core/tubside'
import { earInBrief } from '@core/visit'
import PlugButtons from './PlugButtons.vue'
import RinseWork from './RinseWork.vue'
import type { Readings } from '../../parts/useReadings'
import type { Tub } from './useTub'
import { ZONE_NAMES, capital, earWords } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { tub, readings } = defineProps<{ tub: Tub; readings: Readings }>()

const record = computed(() => tub.record.value)
const step = computed(() => tub.step.value!)
const plan = computed(() => tub.visit.value!.plan)
const kind = computed(() => step.value.kind)
const atPlugs = computed(() => kind.value === 'plugIn' || kind.value === 'plugOut')
const lastRinse = computed(() => kind.value === 'rinse' && step.value.role === 'last')
const pass = computed(() => passOf(step.value, plan.value))
const checksDry = computed(() => ['dry', 'comb', 'handOver'].includes(kind.value))
const wearsSecond = computed(
  () => ['setUp', 'dry'].includes(kind.value) && step.value.hands && plan.value.drying.choice.velocity !== undefined,
)
/** Plugs that are still in when the dog is handed over: they can be taken out there too. */
const forgotten = computed(() => {
  const { water, noise } = record.value.plugs
  return { water: water.left || water.right, noise: noise.left || noise.right }
})
/** Once both are in, the plugs make room for the work. */
const bothIn = computed(() => record.value.plugs.noise.left && record.value.plugs.noise.right)
const ahead = computed(() => zonesToDo(record.value, step.value, plan.value))
const minutesOf = computed(() => new Map(plan.value.drying.zones.map((z) => [z.zone, z.minutes])))
/** Zones in the order of the work, with the minutes drying is given there. */
const zones = computed(() =>
  kind.value === 'dry'
    ? plan.value.drying.zones.map((z) => z.zone)
    : ZONES.filter((z) => !record.value.dry.includes(z)),
)
const scale = computed(() => readings.of('scale'))

const isLathered = (zone: Zone) => record.value.lathered[pass.value!]?.[zone] !== undefined
const sides = ['left', 'right'] as const
</script>

<template>
  <PlugButtons v-if="atPlugs || (kind === 'handOver' && forgotten.water)" :tub="tub" set="water" />
  <PlugButtons v-if="kind === 'handOver' && forgotten.noise" :tub="tub" set="noise" />

  <div v-if="kind === 'earClean'" class="ears">
    <div v-for="side in sides" :key="side" class="ear">
      <p class="ear-name">
        {{ capital(side) }}: {{ earWords(earInBrief(plan.ears[side]), say)
        }}<template v-if="record.ears[side].rounds > 0">
          , round {{ record.ears[side].rounds }}{{ record.ears[side].clean ? ', clean' : '' }}</template
        >
      </p>
      <p v-if="!record.ears[side].clean && record.ears[side].rounds >= EARS.mostRounds.value" class="refused">
        Still dirty after {{ say.count(record.ears[side].rounds, 'round') }}: stop, the vet should look.
      </p>
      <div v-else-if="plan.ears[side].action === 'clean' && !record.ears[side].clean" class="choices">
        <UiTubButton @click="tub.tap({ kind: 'ear', side, cotton: 'clean' })">
          Cotton clean<span class="hidden">, {{ side }}</span>
        </UiTubButton>
        <UiTubButton kind="damp" @click="tub.tap({ kind: 'ear', side, cotton: 'dirty' })">
          Still dirty<span class="hidden">, {{ side }}</span>
        </UiTubButton>
      </div>
    </div>
  </div>

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

  <PlugButtons v-if="wearsSecond && !bothIn" :tub="tub" set="noise" />

  <p v-if="pass !== undefined || (kind === 'dry' && step.hands)" class="next-zone" data-testid="next-zone">
    {{ ahead[0] ? `Next: ${ZONE_NAMES[ahead[0]]}` : 'Every zone is done'
    }}<template v-if="ahead[0] && kind === 'dry'">, {{ say.number(minutesOf.get(ahead[0]) ?? 0) }} min</template>
  </p>

  <div v-if="pass !== undefined" class="choices">
    <UiTubButton
      v-for="zone in step.zones"
      :key="zone"
      :on="isLathered(zone)"
      @click="tub.tap({ kind: 'lathered', pass, zone })"
    >
      {{ ZONE_NAMES[zone] }}
    </UiTubButton>
  </div>
  <div v-else-if="checksDry" class="choices zones">
    <div v-for="zone in zones" :key="zone" class="zone">
      <UiTubButton :on="record.dry.includes(zone)" @click="tub.tap({ kind: 'dry', zone })">
        {{ ZONE_NAMES[zone] }}{{ record.dry.includes(zone) ? ': dry' : '' }}
      </UiTubButton>
      <UiTubButton kind="damp" @click="tub.tap({ kind: 'damp', zone })">
        Damp<span class="hidden"> {{ ZONE_NAMES[zone] }}</span>
      </UiTubButton>
    </div>
    <p v-if="zones.length === 0" class="support">Every zone was felt dry.</p>
  </div>
  <PlugButtons v-if="wearsSecond && bothIn" :tub="tub" set="noise" />
</template>
