<script setup lang="ts">
import { computed } from 'vue'
import type { Dog } from '@core/dog'
import { useAsk } from '../../api/queries'
import { drawDog } from '../../drawing/figure'
import DogFigure from '../../parts/DogFigure.vue'

const { dog, dogId } = defineProps<{ dog: Dog; dogId: string }>()
const { answer: photos } = useAsk('GET /photos', () => ({ query: { dog: dogId } }))
/** The newest of the whole dog; a drawn one where there is none. */
const photo = computed(() =>
  [...(photos.value ?? [])]
    .filter((p) => p.shows !== 'finding')
    .sort((a, b) => b.takenAt.localeCompare(a.takenAt))
    .at(0),
)
const figure = computed(() => drawDog('left', dog))
</script>

<template>
  <img
    v-if="photo"
    :src="`/api/photos/${photo.id}/picture.jpg`"
    :alt="dog.name"
    :width="photo.width"
    :height="photo.height"
  />
  <svg v-else viewBox="0 0 400 270" role="img" :aria-label="`${dog.name}, drawn by coat and build`">
    <DogFigure :figure="figure" />
  </svg>
</template>

<style scoped>
img,
svg {
  display: block;
  width: 100%;
  max-width: 300px;
  height: auto;
  max-height: 240px;
  object-fit: cover;
  border-radius: 0 0 24px 24px;
}
</style>
