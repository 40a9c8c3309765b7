<script setup lang="ts">
import type { DryingPlan } from '@core/drying'
import { capital, DIRECTION_NAMES, NOZZLE_NAMES, ZONE_MINDS, ZONE_NAMES } from '@words'
import { useSay } from '../../say'
import UiTable from '../../ui/UiTable.vue'

const say = useSay()

const { zones } = defineProps<{ zones: DryingPlan['zones'] }>()
const COLUMNS = [
  { key: 'zone', title: 'Zone' },
  { key: 'fast', title: 'Fast air' },
  { key: 'warm', title: 'Warm and brush' },
  { key: 'setting', title: 'Setting' },
  { key: 'near', title: 'Not nearer than' },
  { key: 'way', title: 'Direction, nozzle' },
]
</script>

<template>
  <UiTable label="Drying, zone by zone" :columns="COLUMNS" :rows="zones" :row-key="(z) => z.zone">
    <template #cell="{ column, row: z }">
      <b v-if="column.key === 'zone'">{{ capital(ZONE_NAMES[z.zone]) }}</b>
      <template v-else-if="column.key === 'fast'">{{
        z.velocity > 0 ? `${say.number(z.velocity)} min` : 'none'
      }}</template>
      <template v-else-if="column.key === 'warm'">{{ say.number(z.warm) }} min</template>
      <template v-else-if="column.key === 'setting'">{{ z.by === 'cloth' ? 'cloth' : z.setting }}</template>
      <template v-else-if="column.key === 'near'">
        <template v-if="z.by === 'cloth'">by cloth</template>
        <template v-else>{{ z.distance === null ? 'no warm air here' : say.distance(z.distance) }}</template>
        <span v-if="z.velocityDistance !== null" class="soft also"
          >fast air {{ say.distance(z.velocityDistance) }}</span
        >
      </template>
      <template v-else>
        {{ DIRECTION_NAMES[z.advice.direction] }}; nozzle {{ NOZZLE_NAMES[z.advice.nozzle] }}
        <span v-if="z.advice.mind && ZONE_MINDS[z.zone]" class="soft also">{{ ZONE_MINDS[z.zone] }}</span>
        <span v-if="z.damp" class="soft also">Damp on purpose: {{ say.said(z.damp) }}</span>
      </template>
    </template>
  </UiTable>
</template>

<style scoped>
.also {
  display: block;
}
</style>
