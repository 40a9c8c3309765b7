<script setup lang="ts">
import { computed } from 'vue'
import { type Zone } from '@core/dog'
import { earNow, earOver, howToNow, passOf, pictureNow } from '@core/tubside'
import { drawDog } from '../../drawing/figure'
import { drawHowTo, type EarDrawing } from '../../drawing/howTo'
import HowToPicture from '../../parts/HowToPicture.vue'
import ZoneDog from '../../parts/ZoneDog.vue'
import type { Tub } from './useTub'
import { HOW_TO, ZONE_NAMES } from '@words'

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
/** Zones whose drawing of the hands says more than where they are. */
const HANDS_SAY_MORE = new Set<Zone>(['head', 'ears'])
const places = computed(() => drawDog('left', dog.value).places!)
const earPicture = computed((): EarDrawing | undefined => {
  if (step.value.kind !== 'earClean') return undefined
  const phases = (['left', 'right'] as const).map((side) =>
    earNow(tub.record.value.ears[side], plan.value.ears[side], tub.now.value.getTime()),
  )
  const phase = phases.find((p) => !earOver(p))
  if (!phase) return undefined
  return phase.at === 'massage' ? 'massageEar' : ['wipe', 'dry', 'flap'].includes(phase.at) ? 'wipeEar' : 'lookEar'
})
/** What the hands do, drawn: where no zones are tapped, or where the zone in hand asks for it. */
const hands = computed(() => {
  const ear = earPicture.value
  if (ear) return { drawing: drawHowTo(ear, places.value)!, title: 'How the ear is held' }
  const { next } = picture.value ?? {}
  if (picture.value && !(next && HANDS_SAY_MORE.has(next)) && !rinses.value) return undefined
  if (rinses.value && tub.record.value.rinses > 0) return undefined
  const at = { plan: plan.value, dog: dog.value, today: tub.visit.value!.inputs.today }
  for (const line of howToNow(tub.record.value, step.value, at)) {
    const drawing = drawHowTo(line, places.value)
    if (drawing) return { drawing, title: HOW_TO[line].line }
  }
  return undefined
})
</script>

<template>
  <HowToPicture v-if="hands" class="picture" :dog="dog" :drawing="hands.drawing" :title="hands.title" />
  <ZoneDog
    v-else-if="picture"
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
