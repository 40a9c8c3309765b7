<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { StoredStanding } from '../../../contract'
import { Standing, type Rhythm } from '../../../core/washday'
import { asProblem, type ApiProblem } from '../../api'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import ClockField from '../../parts/ClockField.vue'
import FieldBox from '../../parts/FieldBox.vue'
import PickOne from '../../parts/PickOne.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import { deviceToday } from '../../parts/words'
import { useDays } from '../../stores/days'
import { useDogs } from '../../stores/dogs'
import { rhythmWords } from '../../../words'
import { useSay } from '../../say'

const say = useSay()

const days = useDays()
const dogs = useDogs()
const standings = ref<StoredStanding[]>()
const problem = ref<ApiProblem>()
const adding = ref(false)
const dogId = ref<string>()
const from = ref(deviceToday())
const often = ref<string>('w4')
const arrive = ref(540)
const pickup = ref(900)
const wrong = ref<Record<string, string>>({})

async function load() {
  problem.value = undefined
  try {
    const [found] = await Promise.all([days.standings(), dogs.load()])
    standings.value = found
  } catch (error) {
    problem.value = asProblem(error)
  }
}
onMounted(load)

const nameOf = (id: string) => dogs.list.find((d) => d.id === id)?.record.name ?? 'A dog no longer there'
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
    await load()
  } catch (error) {
    problem.value = asProblem(error)
  }
}
async function remove(id: string) {
  try {
    await days.removeStanding(id)
    await load()
  } catch (error) {
    problem.value = asProblem(error)
  }
}
</script>

<template>
  <section class="standing" aria-labelledby="standing-title">
    <div class="head">
      <h2 id="standing-title">Dogs that come again and again</h2>
      <button type="button" class="link" :aria-expanded="adding" @click="adding = !adding">Add one</button>
    </div>
    <ProblemNote v-if="problem" :problem="problem"
      ><button type="button" class="link" @click="load">Try again</button></ProblemNote
    >
    <p v-else-if="!standings" class="soft" role="status">Looking them up</p>
    <p v-else-if="standings.length === 0" class="soft">None yet. A day asks for those that are due on it.</p>
    <ul v-else>
      <li v-for="s in standings" :key="s.id">
        <span class="display">{{ nameOf(s.record.dogId) }}</span>
        <span
          >{{ rhythmWords(s.record, say) }}, {{ say.clock(s.record.arrive) }} to {{ say.clock(s.record.pickup) }}</span
        >
        <span class="soft">since {{ say.date(s.record.from) }}</span>
        <button type="button" class="link" @click="remove(s.id)">
          No longer<span class="hidden">: {{ nameOf(s.record.dogId) }}</span>
        </button>
      </li>
    </ul>
    <form v-if="adding" class="basin" @submit.prevent="add">
      <div class="fields">
        <FieldBox label="Dog" for-id="standing-dog" :error="wrong.dogId">
          <PickOne
            id="standing-dog"
            v-model="dogId"
            :options="dogs.list.map((d) => ({ value: d.id, text: d.record.name }))"
            :invalid="!!wrong.dogId"
          />
        </FieldBox>
        <FieldBox label="For the first time on" for-id="standing-from" :error="wrong.from">
          <input id="standing-from" v-model="from" class="date" type="date" />
        </FieldBox>
        <ClockField v-model="arrive" label="Comes at" />
        <ClockField v-model="pickup" label="Fetched by" :error="wrong.pickup" />
      </div>
      <ChoiceRow v-model="often" label="How often" :options="OFTEN" />
      <p class="soft">So: {{ words }}.</p>
      <button class="button" type="submit">Put it down</button>
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
form .button {
  justify-self: start;
}
</style>
