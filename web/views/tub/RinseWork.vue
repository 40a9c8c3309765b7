<script setup lang="ts">
import { computed } from 'vue'
import { passWords } from '../../../core/rinse'
import { rinseState } from '../../../core/tubside'
import ZoneDog from '../../parts/ZoneDog.vue'
import type { Tub } from './useTub'

const { tub } = defineProps<{ tub: Tub }>()

const dog = computed(() => tub.visit.value!.inputs.dog)
const rinse = computed(() => rinseState(tub.record.value, tub.visit.value!.plan, dog.value))
const places = computed(() => rinse.value.places.map((p) => p.words).join(', '))
/** The picture shows where soap stays; where it was felt, deepest. */
const depth = computed(() =>
  Object.fromEntries(
    rinse.value.places.map(({ zone }) => [zone, rinse.value.again ? (zone === rinse.value.again.zone ? 1 : 0.2) : 0.7]),
  ),
)
const nextPass = computed(() =>
  rinse.value.again
    ? `Rinse again: ${rinse.value.again.words}`
    : `Pass ${rinse.value.done + 1}: ${passWords(rinse.value.done + 1, rinse.value.of)}`,
)
const passDone = () => tub.tap({ kind: 'rinsed', pass: Math.min(12, rinse.value.done + 1) })
</script>

<template>
  <div class="body">
    <ZoneDog class="picture" :dog="dog" :depth="depth" :title="`Soap stays: ${places}`" />
    <p class="next-zone" data-testid="rinse-now">
      {{ rinse.clean ? 'Nothing slippery' : rinse.feel ? 'Fingers now: slippery anywhere?' : nextPass }}
    </p>
  </div>
  <div v-if="rinse.feel || rinse.clean" class="choices">
    <button
      type="button"
      class="big"
      :class="{ on: rinse.clean }"
      :aria-pressed="rinse.clean"
      @click="!rinse.clean && tub.tap({ kind: 'fingers', slippery: null })"
    >
      Nothing slippery
    </button>
    <template v-if="!rinse.clean">
      <button
        v-for="p in rinse.places"
        :key="p.zone"
        type="button"
        class="big damp"
        @click="tub.tap({ kind: 'fingers', slippery: p.zone })"
      >
        Slippery: {{ p.words }}
      </button>
    </template>
  </div>
  <div v-else class="choices">
    <button type="button" class="big" @click="passDone">Pass {{ rinse.done }} of {{ rinse.of }} done</button>
    <p class="support">Soap stays: {{ places }}.</p>
  </div>
</template>
