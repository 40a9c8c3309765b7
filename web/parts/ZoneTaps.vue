<script setup lang="ts">
import { ZONES, type Zone } from '@core/dog'
import { ZONE_NAMES } from '@words'
import UiTap from '../ui/UiTap.vue'

/** Which zones stand out. */
const { on } = defineProps<{ on: readonly Zone[] }>()
const emit = defineEmits<{ zone: [zone: Zone] }>()
</script>

<template>
  <div class="zones">
    <UiTap
      v-for="z in ZONES"
      :key="z"
      :class="{ on: on.includes(z) }"
      :aria-pressed="on.includes(z)"
      @click="emit('zone', z)"
    >
      {{ ZONE_NAMES[z] }}
    </UiTap>
  </div>
</template>

<style scoped>
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.zones button {
  min-height: 40px;
  padding: 4px 10px;
  border: 1.5px solid var(--edge);
  border-radius: 0 0 10px 10px;
  background: var(--enamel);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}
.zones .on {
  border-color: var(--rim);
  background: var(--rim-tint);
}
</style>
