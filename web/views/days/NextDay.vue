<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { asProblem, type ApiProblem } from '../../api/client'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { days } from '../../api/days'

const router = useRouter()
const problem = ref<ApiProblem>()
/** The view that is gone to, fetched while the day is looked for. */
const { dayView } = defineProps<{ dayView: () => Promise<unknown> }>()

/** Goes to the next day that has dogs, or to today. */
async function go() {
  problem.value = undefined
  const today = deviceToday()
  void dayView().catch(() => undefined)
  try {
    const coming = await days.list(today)
    await router.replace(`/days/${coming.at(-1)?.date ?? today}`)
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
