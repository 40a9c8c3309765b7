<script setup lang="ts">
import { computed, ref } from 'vue'
import type { StoredFinding } from '@contract'
import { FindingKind } from '@core/dog'
import BodyMap, { type PinPlace } from '../../parts/BodyMap.vue'
import SizeSlide from '../../parts/SizeSlide.vue'
import UiTubButton from '../../ui/UiTubButton.vue'
import { capital } from '@words'
import PhotoPage from './PhotoPage.vue'
import type { Tub } from './useTub'

const { tub } = defineProps<{ tub: Tub }>()

const visit = computed(() => tub.visit.value!)
const place = ref<PinPlace>()
const what = ref<FindingKind>()
const size = ref<number | null>(null)
/** The finding that was pinned: its tap's id is its own. */
const pinned = ref<string>()

const found = computed<StoredFinding[]>(() =>
  tub.record.value.found.map(({ kind, view, zone, x, y, at, sizeMm = null }) => ({
    id: String(at),
    version: 1,
    changedAt: '',
    record: { kind, view, zone, x, y, seen: [{ date: visit.value.date, sizeMm, gone: false, note: '' }] },
  })),
)
function pin() {
  if (!place.value || !what.value) return
  pinned.value = tub.tap({
    kind: 'found',
    what: what.value,
    ...place.value,
    ...(size.value !== null && { sizeMm: size.value }),
  })
}
</script>

<template>
  <template v-if="pinned">
    <h1>{{ capital(what!) }} pinned</h1>
    <PhotoPage :tub="tub" :finding="pinned" :shows="['finding']" />
  </template>
  <template v-else-if="what">
    <h1>{{ capital(what) }}: how large?</h1>
    <SizeSlide v-model="size" />
    <div class="choices">
      <UiTubButton kind="primary" @click="pin">{{ size === null ? 'Pin it, not measured' : 'Pin it' }}</UiTubButton>
      <UiTubButton kind="quiet" @click="what = undefined">Something else</UiTubButton>
    </div>
  </template>
  <template v-else>
    <h1>{{ place ? 'What is it?' : 'Tap where it is' }}</h1>
    <div v-if="place" class="choices">
      <UiTubButton v-for="k in FindingKind.options" :key="k" @click="what = k">
        {{ capital(k) }}
      </UiTubButton>
    </div>
    <BodyMap :dog="visit.inputs.dog" :findings="found" :placing="place" @place="place = $event" />
  </template>
</template>
