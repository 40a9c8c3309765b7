<script setup lang="ts">
import UiDate from '../../ui/UiDate'
import UiButton from '../../ui/UiButton.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import { computed, ref } from 'vue'
import { Standing, type Rhythm } from '@core/washday'
import { asProblem, type ApiProblem } from '../../api/client'
import UiChoice from '../../ui/UiChoice.vue'
import UiTime from '../../ui/UiTime.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { days } from '../../api/days'
import { useAsk } from '../../api/queries'
import { rhythmWords } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { answer: standings, problem: unread, again } = useAsk('GET /standings', {})
const { answer: dogs } = useAsk('GET /dogs', {})
const problem = ref<ApiProblem>()
const adding = ref(false)
const dogId = ref<string>()
const from = ref(deviceToday())
const often = ref<string>('w4')
const arrive = ref(540)
const pickup = ref(900)
const wrong = ref<Record<string, string>>({})

const nameOf = (id: string) => dogs.value?.find((d) => d.id === id)?.record.name ?? 'A dog no longer there'
const OFTEN = [
  { value: 'w1', text: 'every week' },
  { value: 'w2', text: '2 weeks' },
  { value: 'w3', text: '3 weeks' },
  { value: 'w4', text: '4 weeks' },
  { value: 'w6', text: '6 weeks' },
  { value: 'w8', text: '8 weeks' },
  { value: 'm1', text: 'first of the month' },
  { value: 'm2', text: 'second' },
  { value: 'm3', text: 'third' },
  { value: 'm4', text: 'fourth' },
  { value: 'm5', text: 'last' },
]
const rhythm = computed((): Rhythm => {
  const n = Number(often.value.slice(1))
  return often.value.startsWith('w') ? { kind: 'weeks', every: n } : { kind: 'month', nth: n }
})
const words = computed(() => {
  const draft = Standing.safeParse({ dogId: 'x', from: from.value, rhythm: rhythm.value, arrive: 1, pickup: 2 })
  return draft.success ? rhythmWords(draft.data, say) : ''
})

async function add() {
  const draft = Standing.safeParse({
    dogId: dogId.value ?? '',
    from: from.value,
    rhythm: rhythm.value,
    arrive: arrive.value,
    pickup: pickup.value,
  })
  wrong.value = draft.success
    ? {}
    : Object.fromEntries(
        draft.error.issues.map((i) => [i.path.join('.'), i.path[0] === 'dogId' ? 'Choose the dog.' : i.message]),
      )
  if (!draft.success) return
  try {
    await days.addStanding(draft.data)
    adding.value = false
    dogId.value = undefined
    again()
  } catch (error) {
    problem.value = asProblem(error)
  }
}
async function remove(id: string) {
  try {
    await days.removeStanding(id)
    again()
  } catch (error) {
    problem.value = asProblem(error)
  }
}
</script>

<template>
  <section class="standing" aria-labelledby="standing-title">
    <div class="head">
      <h2 id="standing-title">Dogs that come again and again</h2>
      <UiButton kind="link" :aria-expanded="adding" @click="adding = !adding">Add one</UiButton>
    </div>
    <ProblemNote v-if="problem ?? unread" :problem="(problem ?? unread)!"
      ><UiButton kind="link" @click="again">Try again</UiButton></ProblemNote
    >
    <UiWaiting v-else-if="!standings" label="Looking them up" :rows="2" />
    <p v-else-if="standings.length === 0" class="soft">None yet. A day asks for those that are due on it.</p>
    <ul v-else>
      <li v-for="s in standings" :key="s.id">
        <span class="display">{{ nameOf(s.record.dogId) }}</span>
        <span
          >{{ rhythmWords(s.record, say) }}, {{ say.clock(s.record.arrive) }} to {{ say.clock(s.record.pickup) }}</span
        >
        <span class="soft">since {{ say.date(s.record.from) }}</span>
        <UiButton kind="link" @click="remove(s.id)">
          No longer<span class="hidden">: {{ nameOf(s.record.dogId) }}</span>
        </UiButton>
      </li>
    </ul>
    <form v-if="adding" class="basin" @submit.prevent="add">
      <div class="fields">
        <UiField label="Dog" for-id="standing-dog" :error="wrong.dogId">
          <UiSelect
            id="standing-dog"
            v-model="dogId"
            :options="(dogs ?? []).map((d) => ({ value: d.id, text: d.record.name }))"
            :invalid="!!wrong.dogId"
          />
        </UiField>
        <UiField label="For the first time on" for-id="standing-from" :error="wrong.from">
          <UiDate id="standing-from" v-model="from" :invalid="!!wrong.from" />
        </UiField>
        <UiTime v-model="arrive" label="Comes at" />
        <UiTime v-model="pickup" label="Picked up by" :error="wrong.pickup" />
      </div>
      <UiChoice v-model="often" label="How often" :options="OFTEN" />
      <p class="soft">So: {{ words }}.</p>
      <UiButton kind="primary" submit>Put it down</UiButton>
    </form>
  </section>
</template>

<style scoped>
.standing {
  margin-top: 26px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  align-items: center;
  border-top: 1.5px solid var(--rule);
}
li .link {
  margin-left: auto;
}
.display {
  font-size: 17px;
}
form {
  display: grid;
  gap: 12px;
  margin-top: 8px;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 18px;
}
.fields > :first-child {
  min-width: 200px;
}
form .primary {
  justify-self: start;
}
</style>
