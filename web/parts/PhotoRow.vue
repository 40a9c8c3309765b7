<script setup lang="ts">
import { computed } from 'vue'
import type { Photo } from '@contract'
import { dropPhoto, pictureAddress } from '../api/photos'
import { me } from '../api/access'
import { asProblem } from '../api/client'
import { useSay } from '../say'
import UiButton from '../ui/UiButton.vue'
import { useToast } from '../ui/toast'
import { PHOTO_NAMES } from '@words'

const { photos, compared = false } = defineProps<{
  /** In the order in which they were taken. */
  photos: readonly Photo[]
  /** The first and the last side by side, large: what has changed. */
  compared?: boolean
}>()
const emit = defineEmits<{ gone: [] }>()
const say = useSay()
const toast = useToast()

const dayOf = (p: Photo) => say.date(p.takenAt.slice(0, 10), 'short')
const name = (p: Photo) => `${PHOTO_NAMES[p.shows]}, ${dayOf(p)}${p.note ? `: ${p.note}` : ''}`
const pair = computed(() => (compared && photos.length > 1 ? [photos[0]!, photos.at(-1)!] : []))
const others = computed(() => photos.filter((p) => !pair.value.includes(p)))

async function drop(photo: Photo) {
  try {
    const back = await dropPhoto(photo)
    emit('gone')
    toast.undone(`${PHOTO_NAMES[photo.shows]}, ${dayOf(photo)}: deleted.`, async () => {
      await back()
      emit('gone')
      return 'The photograph is back.'
    })
  } catch (error) {
    toast.said(asProblem(error).detail)
  }
}
</script>

<template>
  <div v-if="photos.length > 0" class="photos">
    <div v-if="pair.length > 0" class="pair">
      <figure v-for="p in pair" :key="p.id">
        <a :href="pictureAddress(p.id)" target="_blank" rel="noopener"
          ><img :src="pictureAddress(p.id)" :alt="name(p)" :width="p.width" :height="p.height" loading="lazy"
        /></a>
        <figcaption>
          {{ dayOf(p) }}
          <UiButton v-if="me?.role === 'whole'" kind="link" :aria-label="`Delete ${name(p)}`" @click="drop(p)"
            >Delete</UiButton
          >
        </figcaption>
      </figure>
    </div>
    <ul v-if="others.length > 0" class="row">
      <li v-for="p in others" :key="p.id">
        <a :href="pictureAddress(p.id)" target="_blank" rel="noopener"
          ><img :src="pictureAddress(p.id)" :alt="name(p)" :width="p.width" :height="p.height" loading="lazy"
        /></a>
        <span>{{ name(p) }}</span>
        <UiButton v-if="me?.role === 'whole'" kind="link" :aria-label="`Delete ${name(p)}`" @click="drop(p)"
          >Delete</UiButton
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 8px;
  max-width: 760px;
}
figure {
  margin: 0;
}
img {
  display: block;
  width: 100%;
  height: auto;
  border-radius: 4px 4px 18px 18px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}
.row li {
  display: grid;
  width: 132px;
  font-size: 14px;
}
.row img {
  height: 96px;
  object-fit: cover;
}
figcaption {
  display: flex;
  justify-content: space-between;
}
</style>
