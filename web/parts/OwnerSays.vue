<script setup lang="ts">
import { computed, ref } from 'vue'
import type { StoredAnswers } from '@contract'
import type { BeforeAnswers, OwnerAnswers } from '@core/owner'
import { ask, ApiProblem } from '../api/client'
import { handedIn } from '../api/handed'
import { useAsk } from '../api/queries'
import { useSay } from '../say'
import UiButton from '../ui/UiButton.vue'
import UiCamera from '../ui/UiCamera.vue'
import UiFold from '../ui/UiFold.vue'
import UiText from '../ui/UiText.vue'
import UiUpload from '../ui/UiUpload.vue'
import { beforeWords } from '@words'
import BeforeForm from './BeforeForm.vue'
import ProblemNote from './ProblemNote.vue'
import { useTell } from './useTell'

const { dogId, name, date } = defineProps<{ dogId: string; name: string; date: string }>()
const emit = defineEmits<{
  /** Answers came that aren't in the check-in yet. */
  said: [answers: BeforeAnswers]
}>()
const say = useSay()

const { answer, again } = useAsk('GET /dogs/{id}/answers', () => ({ params: { id: dogId } }))
type Before = Extract<StoredAnswers, { kind: 'before' }>
const before = computed(() => answer.value?.find((a): a is Before => a.kind === 'before' && a.date === date))
const lines = computed(() => (before.value ? beforeWords(before.value.answers, say) : []))
const way = ref<'type' | 'hand'>()
const pasted = ref('')
const { busy, problem, tell } = useTell()

const keep = (said: OwnerAnswers) =>
  tell(async () => {
    await ask('POST /dogs/{id}/answers', { params: { id: dogId }, body: { said } })
    again()
    way.value = undefined
    pasted.value = ''
    if (said.kind === 'before') emit('said', said.answers)
  })
const hand = (what: string | File) =>
  tell(async () => {
    const { dog, said } = await handedIn(what)
    if (dog !== dogId)
      throw new ApiProblem(0, 'Another dog’s', `This answer isn’t about ${name}. Open that dog’s check-in.`)
    if (!(await keep({ ...said, date } as OwnerAnswers))) throw problem.value
  })
const drop = ({ id }: StoredAnswers) =>
  tell(async () => {
    await ask('DELETE /answers/{id}', { params: { id } })
    again()
  })
</script>

<template>
  <section class="says" :class="{ basin: before }" aria-labelledby="owner-says">
    <h2 id="owner-says" :class="{ hidden: !before }">{{ before ? 'The owner says' : 'Ask the owner' }}</h2>
    <template v-if="before">
      <ul v-if="lines.length > 0">
        <li v-for="line in lines" :key="line">{{ line }}</li>
      </ul>
      <p v-else>Nothing to mind.</p>
      <p class="soft small">The owner’s word: the hands say what is so.</p>
      <p class="ways">
        <UiButton kind="link" @click="emit('said', before.answers)">Into the check-in again</UiButton>
        <UiButton kind="link" @click="drop(before)">Delete</UiButton>
      </p>
    </template>
    <UiFold v-else title="Ask the owner">
      <p class="ways">
        <a class="link" :href="`/api/dogs/${dogId}/card.html?date=${date}&kind=before`">Card to give, a page</a>
        <UiButton kind="link" @click="way = way === 'hand' ? undefined : 'hand'">Take an answer</UiButton>
        <UiButton kind="link" @click="way = way === 'type' ? undefined : 'type'">Type it in</UiButton>
      </p>
      <BeforeForm
        v-if="way === 'type'"
        :draft-key="`${dogId}.${date}`"
        @keep="keep({ kind: 'before', date, answers: $event })"
        @leave="way = undefined"
      />
      <div v-else-if="way === 'hand'" class="hand">
        <UiCamera label="Photograph the code" chooses @file="hand"
          ><span class="link">Photograph the code</span></UiCamera
        >
        <UiUpload label="The file that the card saved" accept=".json,application/json,image/*" @file="hand">
          Choose or drop the file
        </UiUpload>
        <UiText v-model="pasted" label="Or its letters" :rows="2" />
        <UiButton @click="hand(pasted)">Take the letters</UiButton>
      </div>
    </UiFold>
    <p v-if="busy" role="status">Reading it</p>
    <ProblemNote v-if="problem" :problem="problem" />
  </section>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 1.1em;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
.hand {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.hand > * {
  max-width: 460px;
}
</style>
