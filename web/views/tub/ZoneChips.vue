<script setup lang="ts">
import type { Zone } from '@core/dog'
import UiTubButton from '../../ui/UiTubButton.vue'
import { zoneParts } from '@words'

const {
  zones,
  done,
  next,
  damp = false,
} = defineProps<{
  zones: readonly Zone[]
  done: (zone: Zone) => boolean
  next?: Zone
  /** Whether each has a button of its own for what was found damp. */
  damp?: boolean
}>()
const emit = defineEmits<{ tap: [zone: Zone]; damp: [zone: Zone] }>()
</script>

<template>
  <div class="chips" :class="{ pairs: damp }">
    <div v-for="zone in zones" :key="zone" class="pair">
      <UiTubButton class="chip" :class="{ next: zone === next }" :on="done(zone)" @click="emit('tap', zone)">
        <span
          >{{ zoneParts(zone).zone }}<small v-if="zoneParts(zone).also">{{ ` ${zoneParts(zone).also}` }}</small></span
        >
      </UiTubButton>
      <UiTubButton v-if="damp" class="chip" kind="damp" @click="emit('damp', zone)">
        Damp<span class="hidden"> {{ zoneParts(zone).zone }} {{ zoneParts(zone).also }}</span>
      </UiTubButton>
    </div>
  </div>
</template>

<style scoped>
.chips {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
  margin-top: 12px;
}
.pair {
  display: flex;
  gap: 6px;
}
.pair .chip:first-child {
  flex: 1;
}
.tub .step .chips .chip {
  min-height: 66px;
  padding: 0 8px;
  font-size: 22px;
  line-height: 1.05;
}
small {
  display: block;
  font-size: 16px;
  font-weight: 500;
}
.next {
  box-shadow: inset 0 0 0 3px var(--rim);
}
@media (max-width: 640px) {
  .tub .step .chips .chip {
    min-height: 64px;
    font-size: 18px;
  }
  small {
    font-size: 14px;
  }
  .pairs {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
