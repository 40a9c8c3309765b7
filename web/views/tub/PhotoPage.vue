<script setup lang="ts">
import { computed, ref } from 'vue'
import type { PhotoShows } from '@contract'
import { keepPhoto } from '../../api/photos'
import { useAsk } from '../../api/queries'
import { useTell } from '../../parts/useTell'
import PhotoRow from '../../parts/PhotoRow.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import UiCamera from '../../ui/UiCamera.vue'
import { PHOTO_NAMES } from '@words'
import type { Tub } from './useTub'

const {
  tub,
  finding,
  shows = ['before', 'after', 'other'],
} = defineProps<{
  tub: Tub
  /** The finding that it shows. */
  finding?: string
  shows?: readonly PhotoShows[]
}>()

const visit = computed(() => tub.visit.value!)
const kept = useAsk('GET /photos', () => ({ query: { visit: visit.value.id } }))
const photos = computed(() => (kept.answer.value ?? []).filter((p) => !finding || p.findingId === finding))
const { busy, problem, tell } = useTell()
const waits = ref(false)
const take = (what: PhotoShows, file: File) =>
  tell(async () => {
    const { id, dogId } = visit.value
    waits.value = !(await keepPhoto({ dogId, visitId: id, findingId: finding, shows: what }, file))
    kept.again()
  })
</script>

<template>
  <div class="choices">
    <UiCamera v-for="what in shows" :key="what" :label="PHOTO_NAMES[what]" @file="take(what, $event)">
      <span class="big">{{ PHOTO_NAMES[what] }}</span>
    </UiCamera>
  </div>
  <p v-if="busy" role="status" class="support">Keeping it</p>
  <p v-else-if="waits" role="status" class="support">
    It is saved on this device, and sent when the server can be reached.
  </p>
  <ProblemNote v-if="problem" :problem="problem" />
  <p class="support">Photographs stay in this house: no place, no sending, deletable.</p>
  <PhotoRow :photos="photos" @gone="kept.again" />
</template>
