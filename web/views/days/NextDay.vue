<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { asProblem, type ApiProblem } from '../../api/client'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { nextDay } from '../../api/days'
import { dogs } from '../../api/dogs'
import { askKept } from '../../api/queries'

const router = useRouter()
const problem = ref<ApiProblem>()

/** Goes to the next day that has dogs, or to today. */
async function go() {
  problem.value = undefined
  try {
    // a room that nobody has set up yet is set up first
    const { record } = await askKept('GET /house')
    if (!record.begun && (await dogs.all()).length === 0) return void (await router.replace('/start'))
    await router.replace(`/days/${await nextDay(deviceToday())}`)
  } catch (error) {
    problem.value = asProblem(error)
  }
}
onMounted(go)
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem"><UiButton kind="link" @click="go">Try again</UiButton></ProblemNote>
  <p v-else class="soft" role="status">Looking for the next wash day</p>
</template>
