<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { asProblem, type ApiProblem } from '../../api/client'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { nextDay } from '../../api/days'

const router = useRouter()
const problem = ref<ApiProblem>()

/** Goes to the next day that has dogs, or to today. */
async function go() {
  problem.value = undefined
  try {
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
