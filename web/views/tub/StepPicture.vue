<script setup lang="ts">
import { computed } from 'vue'
import { type Zone } from '@core/dog'
import { passOf, pictureNow } from '@core/tubside'
import ZoneDog from '../../parts/ZoneDog.vue'
import type { Tub } from './useTub'
import { ZONE_NAMES } from '@words'

const { tub } = defineProps<{ tub: Tub }>()

const dog = computed(() => tub.visit.value!.inputs.dog)
const plan = computed(() => tub.visit.value!.plan)
const step = computed(() => tub.step.value!)
const picture = computed(() => pictureNow(tub.record.value, step.value, plan.value, dog.value))
const rinses = computed(() => step.value.id === 'rinse-last')
const title = computed(() => {
  if (rinses.value) return 'Where soap stays'
  return picture.value?.next ? `Next: ${ZONE_NAMES[picture.value.next]}` : 'Every zone is done'
})
function tapZone(zone: Zone) {
  const pass = passOf(step.value, plan.value)
  if (pass !== undefined) tub.tap({ kind: 'lathered', pass, zone })
  else if (!rinses.value) tub.tap({ kind: 'dry', zone })
}
</script>

<template>
  <ZoneDog
    v-if="picture"
    class="picture"
    :dog="dog"
    :depth="picture.depth"
    :title="title"
    :clickable="!rinses"
    @zone="tapZone"
  />
</template>

<style scoped>
.picture {
  width: min(330px, 88%);
  max-height: 240px;
}
</style>
