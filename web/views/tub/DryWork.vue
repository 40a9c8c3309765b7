<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Zone } from '@core/dog'
import { turnMinutes } from '@core/drying'
import { zonesToDo, zonesToFeel } from '@core/tubside'
import UiTubButton from '../../ui/UiTubButton.vue'
import { capital, dryZoneLines, ZONE_NAMES } from '@words'
import { useSay } from '../../say'
import type { Tub } from './useTub'
import ZoneChips from './ZoneChips.vue'

const say = useSay()

const { tub } = defineProps<{ tub: Tub }>()

const record = computed(() => tub.record.value)
const drying = computed(() => tub.visit.value!.plan.drying)
/** In the order of the work, without those that stay damp on purpose. */
const zones = computed(() => zonesToFeel(tub.visit.value!.plan))
const ahead = computed(() => zonesToDo(record.value, tub.step.value!, tub.visit.value!.plan))
const picked = ref<Zone>()
const zone = computed(() => picked.value ?? ahead.value[0])
const facts = computed(() => drying.value.zones.find((z) => z.zone === zone.value))
const isDry = (z: Zone) => record.value.dry.includes(z)
function dry(z: Zone) {
  tub.tap({ kind: 'dry', zone: z })
  picked.value = undefined
}
function damp(z: Zone) {
  tub.tap({ kind: 'damp', zone: z })
  picked.value = undefined
}
/** A zone that is done comes in hand again; one that isn't was dry already. */
const tapChip = (z: Zone) => (isDry(z) ? (picked.value = z) : dry(z))
const restDry = () => ahead.value.forEach((z) => tub.tap({ kind: 'dry', zone: z }))
</script>

<template>
  <template v-if="facts">
    <p class="next-zone" data-testid="next-zone">
      {{ capital(ZONE_NAMES[facts.zone]) }}, {{ say.number(turnMinutes(facts, drying.turns)) }} min
    </p>
    <p v-for="line in dryZoneLines(facts, drying, say)" :key="line" class="line">{{ line }}</p>
    <div class="choices">
      <UiTubButton class="wide" @click="dry(facts.zone)">Dry to the skin</UiTubButton>
      <UiTubButton class="wide" kind="damp" @click="damp(facts.zone)"
        >Damp here<span class="hidden">, {{ ZONE_NAMES[facts.zone] }}</span></UiTubButton
      >
      <UiTubButton v-if="ahead.length > 1" kind="quiet" @click="restDry">All dry already</UiTubButton>
    </div>
  </template>
  <p v-else class="next-zone" data-testid="next-zone">Every zone is done</p>
  <ZoneChips class="many" :zones="zones" :done="isDry" :next="zone" @tap="tapChip" />
</template>

<style scoped>
.line {
  font-size: 24px;
  line-height: 1.17;
}
.tub .step .choices {
  margin-top: 10px;
}
.tub .step .choices .big {
  min-height: 66px;
}
.tub .step .choices .wide {
  flex: 1;
}
.many {
  grid-template-columns: repeat(5, minmax(0, 1fr));
}
@media (max-width: 640px) {
  .many {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
  .line {
    font-size: 18px;
  }
  .tub .step .choices {
    flex-wrap: nowrap;
    gap: 8px;
  }
  .tub .step .choices .big {
    padding: 0 6px;
    font-size: 17px;
  }
}
</style>
