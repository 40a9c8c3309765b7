<script setup lang="ts">
import { computed } from 'vue'
import type { PhotoShows } from '@contract'
import { keepPhoto } from '../../api/photos'
import { useAsk } from '../../api/queries'
import PhotoRow from '../../parts/PhotoRow.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import UiButton from '../../ui/UiButton.vue'
import UiCamera from '../../ui/UiCamera.vue'
import { PHOTO_NAMES } from '@words'

const { dogId } = defineProps<{ dogId: string }>()

const { answer, problem: unread, loading, again } = useAsk('GET /photos', () => ({ query: { dog: dogId } }))
/** Those of findings stand beside their findings. */
const photos = computed(() => (answer.value ?? []).filter((p) => p.shows !== 'finding'))
const { busy, problem, tell } = useTell()
const SHOWS: readonly PhotoShows[] = ['before', 'after', 'other']
const take = (shows: PhotoShows, file: File) =>
  tell(async () => {
    await keepPhoto({ dogId, shows }, file)
    again()
  })
</script>

<template>
  <section class="basin" aria-labelledby="photos-title">
    <h2 id="photos-title">Photographs</h2>
    <p class="soft small">
      They stay in this house, without place, never sent anywhere. They go with an archive and a backup.
    </p>
    <p class="add">
      <UiCamera v-for="s in SHOWS" :key="s" chooses :label="PHOTO_NAMES[s]" @file="take(s, $event)">
        <span class="link">Add: {{ PHOTO_NAMES[s].toLowerCase() }}</span>
      </UiCamera>
    </p>
    <p v-if="busy" role="status">Keeping it</p>
    <ProblemNote v-if="problem ?? unread" :problem="(problem ?? unread)!"
      ><UiButton kind="link" @click="again">Load again</UiButton></ProblemNote
    >
    <p v-else-if="loading" role="status">Fetching the photographs</p>
    <p v-else-if="photos.length === 0" class="soft">None yet.</p>
    <PhotoRow :photos="photos" compared @gone="again" />
  </section>
</template>

<style scoped>
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
</style>
