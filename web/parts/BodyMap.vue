<script setup lang="ts">
import { computed } from 'vue'
import type { StoredFinding } from '@contract'
import { BodyView, findingStory, type Dog, type Zone } from '@core/dog'
import { drawDog } from '../drawing/figure'
import DogFigure from './DogFigure.vue'
import FindingPin from './FindingPin.vue'

/** A place on the body where a finding is put: x and y from 0 to 1 across its drawing. */
export interface PinPlace {
  view: BodyView
  zone: Zone
  x: number
  y: number
}

const { dog, findings, placing } = defineProps<{ dog: Dog; findings: StoredFinding[]; placing?: PinPlace }>()
const emit = defineEmits<{ place: [place: PinPlace] }>()

const WIDTH = 400
const HEIGHT = 270
const NAMES: Record<BodyView, string> = { left: 'Left side', right: 'Right side', front: 'Front', top: 'From above' }

const sides = computed(() =>
  BodyView.options.map((view) => ({
    view,
    drawing: drawDog(view, dog),
    pins: findings
      .map((f, i) => ({ ...f, number: i + 1, story: findingStory(f.record) }))
      .filter((f) => f.record.view === view),
  })),
)

function put(view: BodyView, zone: Zone, event: MouseEvent) {
  const svg = (event.currentTarget as SVGElement).ownerSVGElement!
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse())
  emit('place', { view, zone, x: Math.min(1, Math.max(0, at.x / WIDTH)), y: Math.min(1, Math.max(0, at.y / HEIGHT)) })
}
</script>

<template>
  <div class="sides">
    <figure v-for="side in sides" :key="side.view">
      <figcaption>{{ NAMES[side.view] }}</figcaption>
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        role="img"
        :aria-label="`${NAMES[side.view]}, ${side.pins.length} findings`"
      >
        <g :transform="side.drawing.mirrored ? `translate(${WIDTH} 0) scale(-1 1)` : undefined">
          <DogFigure :figure="side.drawing" tapped @zone="(zone, event) => put(side.view, zone, event)" />
        </g>
        <FindingPin
          v-for="pin in side.pins"
          :key="pin.id"
          :x="pin.record.x * WIDTH"
          :y="pin.record.y * HEIGHT"
          :kind="pin.record.kind"
          :number="pin.number"
          :gone="pin.story.gone"
          :vet="pin.story.vet"
        />
        <circle
          v-if="placing && placing.view === side.view"
          :cx="placing.x * WIDTH"
          :cy="placing.y * HEIGHT"
          r="15"
          fill="none"
          stroke="var(--rim)"
          stroke-width="4"
        />
      </svg>
    </figure>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 4px 20px;
}
figcaption {
  color: var(--ink2);
  font-weight: 600;
}
svg {
  width: 100%;
  height: auto;
}
@media (max-width: 560px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
