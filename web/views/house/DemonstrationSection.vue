<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { House } from '@core/house'
import { beginnings } from '../../api/house'
import { forgetAll } from '../../api/queries'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useTell } from '../../parts/useTell'
import { useRoom } from '../../stores/room'
import UiButton from '../../ui/UiButton.vue'
import UiConfirm from '../../ui/UiConfirm.vue'
import { useToast } from '../../ui/toast'

const { units } = defineProps<{ units: House['units'] }>()
const emit = defineEmits<{ cleared: [] }>()

const room = useRoom()
const router = useRouter()
const toast = useToast()
const { busy, problem, tell } = useTell()

const begin = () =>
  tell(async () => {
    const { copy } = await beginnings.own(units)
    emit('cleared')
    await forgetAll()
    await room.load()
    toast.said(copy === null ? 'The demonstration is cleared.' : `The demonstration is cleared. A copy lies in ${copy}`)
    await router.replace('/start')
  })
</script>

<template>
  <section class="basin" aria-labelledby="demonstration-title">
    <h2 id="demonstration-title">This is the demonstration</h2>
    <p>
      Dogs, bottles and half a year of visits are made up. Begin with your own whenever you like: everything here is
      cleared. A copy is put aside in the data folder first.
    </p>
    <div>
      <UiConfirm
        question="Clear the demonstration and begin with an empty room?"
        yes="Clear it"
        no="Keep it"
        @yes="begin"
      >
        <UiButton :disabled="busy">{{ busy ? 'Putting a copy aside' : 'Begin with my own' }}</UiButton>
      </UiConfirm>
    </div>
    <ProblemNote v-if="problem" :problem="problem" />
  </section>
</template>
