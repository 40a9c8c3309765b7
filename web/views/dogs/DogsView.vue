<script setup lang="ts">
import UiDate from '../../ui/UiDate'
import UiCheck from '../../ui/UiCheck.vue'
import UiSelect from '../../ui/UiSelect.vue'
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import UiWaiting from '../../ui/UiWaiting.vue'
import { refDebounced, useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import ProblemNote from '../../parts/ProblemNote.vue'
import StateMark from '../../parts/StateMark.vue'
import { pairOf } from '../../drawing/colours'
import { useAsk } from '../../api/queries'
import { asProblem, type ApiProblem } from '../../api/client'
import { putDogsOn } from '../../api/days'
import { dueState } from '@core/visit'
import { coatWords, dogBrief, dogFlags, dueWords } from '@words'
import { useDues } from '../../parts/useDues'
import { deviceToday } from '../../parts/words'
import { chosenDogs, coatsOf, type DogChoice, type DogOrder } from './choosing'
import { useSay } from '../../say'

const say = useSay()

/** They come after the list. */
const QuickAdd = defineAsyncComponent(() => import('../../parts/QuickAdd.vue'))
const AddSheet = defineAsyncComponent(() => import('./AddSheet.vue'))
const ClientList = defineAsyncComponent(() => import('./ClientList.vue'))
const CsvTable = defineAsyncComponent(() => import('../../parts/CsvTable.vue'))

const route = useRoute()
const router = useRouter()
const text = ref(typeof route.query.text === 'string' ? route.query.text : '')
const settled = refDebounced(text, 150)

watch(settled, (wanted) => void router.replace({ query: wanted ? { text: wanted } : {} }))
const { answer: dogs, problem, again } = useAsk('GET /dogs', () => ({ query: { text: settled.value } }))

/** On a narrow screen the form comes from below, by a button that is always at hand. */
const narrow = useMediaQuery('(max-width: 960px)')
const adding = ref(false)
function added() {
  adding.value = false
  again()
}

const today = deviceToday()
const dues = useDues(today)
const dueOf = (id: string) => dues.value?.get(id)

const choice = reactive<DogChoice>({ order: 'name', coat: 'any', care: false, due: false })
const ORDERS: { value: DogOrder; text: string }[] = [
  { value: 'name', text: 'by name' },
  { value: 'due', text: 'longest due first' },
  { value: 'owner', text: 'by owner' },
  { value: 'lightest', text: 'lightest first' },
  { value: 'heaviest', text: 'heaviest first' },
]
const coats = computed(() => [
  { value: 'any' as const, text: 'any coat' },
  ...coatsOf(dogs.value ?? []).map((coat) => ({ value: coat, text: coatWords(coat) })),
])
const listed = computed(() => chosenDogs(dogs.value ?? [], choice, say, { today, of: dues.value ?? new Map() }))
const count = computed(() => {
  if (!dogs.value) return ''
  const [shown, all] = [listed.value.length, dogs.value.length]
  return shown === all ? say.count(all, 'dog') : `${shown} of ${say.count(all, 'dog')}`
})

/** Dogs that are to go on a day together; undefined while none are being picked. */
const picked = ref<string[]>()
const target = ref('')
const put = ref<{ date: string; count: number }>()
const putProblem = ref<ApiProblem>()
function pick(id: string, on: boolean) {
  picked.value = on ? [...picked.value!, id] : picked.value!.filter((p) => p !== id)
}
async function putPicked(date: string) {
  putProblem.value = undefined
  if (date === '' || !picked.value?.length) return
  try {
    put.value = { date, count: await putDogsOn(date, picked.value) }
    picked.value = undefined
  } catch (error) {
    putProblem.value = asProblem(error)
  }
  target.value = ''
}
</script>

<template>
  <div class="page">
    <section aria-labelledby="dogs-title">
      <div class="head">
        <h1 id="dogs-title">Dogs</h1>
        <p class="soft" aria-live="polite">{{ count }}</p>
        <UiButton v-if="dogs && dogs.length > 1 && !picked" kind="link" @click="picked = []">Several on a day</UiButton>
        <div class="search">
          <UiText
            v-model="text"
            label="Search by name, breed or owner"
            bare
            inputmode="search"
            placeholder="Name, breed or owner"
            clearable
          />
        </div>
      </div>
      <ProblemNote v-if="problem" :problem="problem">
        <UiButton kind="link" @click="again">Try again</UiButton>
      </ProblemNote>
      <UiWaiting v-else-if="!dogs" label="Fetching the dogs" :rows="6" />
      <p v-else-if="dogs.length === 0 && text" class="empty">
        No dog’s name, breed or owner has “{{ text.slice(0, 40) }}”.
        <UiButton kind="link" @click="text = ''">Show all</UiButton>
      </p>
      <p v-else-if="dogs.length === 0" class="empty">No dogs yet. Add one, and the wash is worked out for you.</p>
      <div v-if="dogs && dogs.length > 1" class="tools">
        <UiSelect id="dogs-order" v-model="choice.order" label="In which order" :options="ORDERS" />
        <UiSelect id="dogs-coat" v-model="choice.coat" label="Which coat" :options="coats" />
        <UiCheck v-model="choice.due">Only those due</UiCheck>
        <UiCheck v-model="choice.care">Only those that ask for care</UiCheck>
      </div>
      <div v-if="picked" class="picked basin" role="group" aria-label="Several on a day">
        <p aria-live="polite">
          {{ picked.length === 0 ? 'Tick the dogs that come.' : `${say.count(picked.length, 'dog')} ticked.` }}
        </p>
        <label for="put-on">Put on</label>
        <UiDate
          id="put-on"
          v-model="target"
          clearable
          :disabled="picked.length === 0"
          @update:model-value="putPicked"
        />
        <UiButton kind="link" @click="picked = undefined">Not now</UiButton>
        <p v-if="putProblem" class="field-error" role="alert">{{ putProblem.detail }}</p>
      </div>
      <p v-if="put" class="picked basin" role="status">
        {{ put.count === 0 ? 'They were on that day already.' : `${say.count(put.count, 'dog')} put on the day.` }}
        <RouterLink class="link" :to="`/days/${put.date}`">Open {{ say.date(put.date) }}</RouterLink>
      </p>
      <p v-if="dogs?.length && listed.length === 0" class="empty">
        No dog is like that.
        <UiButton kind="link" @click="Object.assign(choice, { coat: 'any', care: false, due: false })"
          >Show all</UiButton
        >
      </p>
      <ul v-if="listed.length > 0" class="list">
        <li v-for="dog in listed" :key="dog.id">
          <UiCheck
            v-if="picked"
            class="tick"
            :model-value="picked.includes(dog.id)"
            @update:model-value="pick(dog.id, $event)"
            ><span class="hidden">{{ dog.record.name }} comes</span></UiCheck
          >
          <RouterLink class="row" :to="`/dogs/${dog.id}`">
            <CoatSwatch :dog="dog.record" :dog-id="dog.id" :width="52" :height="58" />
            <span class="who">
              <span class="name" :style="{ color: pairOf(dog.record).stroke }">{{ dog.record.name }}</span>
              <span class="line">{{ dogBrief(dog.record, say) }}</span>
              <span v-if="dueOf(dog.id)" class="line due">
                <template v-if="dog.record.owner">{{ dog.record.owner }}: </template
                ><b :class="dueState(dueOf(dog.id)!, today)">{{ dueWords(dueOf(dog.id)!, today, say) }}</b>
              </span>
            </span>
            <span class="flags">
              <span v-for="flag in dogFlags(dog.record, say, today)" :key="flag.text" class="flag" :class="flag.state">
                <StateMark :state="flag.state" :size="20" />
                {{ flag.text }}
              </span>
            </span>
          </RouterLink>
          <RouterLink class="link plan" :to="`/dogs/${dog.id}/recipe`" :aria-label="`Recipe for ${dog.record.name}`">
            Recipe
          </RouterLink>
        </li>
      </ul>
      <CsvTable table="dogs" one="dog" @taken="again()">
        <template #others="{ csv, file, close }">
          <ClientList :key="csv" :text="csv" :name="file" @taken="(close(), again())" @close="close" />
        </template>
      </CsvTable>
    </section>
    <aside v-if="!narrow">
      <QuickAdd @added="again" />
    </aside>
    <template v-else>
      <UiButton kind="primary" class="add" @click="adding = true">Add a dog</UiButton>
      <AddSheet v-model="adding" @added="added" />
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 32px;
  align-items: start;
}
.add {
  position: fixed;
  right: 16px;
  bottom: 16px;
  z-index: 5;
}
aside {
  position: sticky;
  top: 12px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px 16px;
  margin-bottom: 8px;
}
.search {
  margin-left: auto;
  width: 260px;
}
.tools,
.picked {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
  margin-bottom: 10px;
}
.tools .ui-select {
  width: 165px;
}
.picked {
  padding: 8px 14px;
}
.picked .ui-date {
  width: 160px;
}
.list > li {
  display: flex;
  align-items: center;
  gap: 16px;
  border-top: 1px solid var(--rule);
}
.row {
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr) auto;
  gap: 14px;
  align-items: center;
  padding: 9px 0;
  color: inherit;
  text-decoration: none;
}
.row:hover .name {
  text-decoration: underline;
  text-underline-offset: 4px;
  text-decoration-thickness: 2px;
}
.name {
  display: block;
  font: 600 23px/1.3 var(--display);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.line {
  display: block;
  color: var(--ink2);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.due b {
  font-weight: 600;
}
.due .over,
.due .soon {
  color: var(--watch);
}
.flags {
  display: grid;
  gap: 2px;
}
.flag {
  display: flex;
  align-items: center;
  gap: 7px;
  color: var(--watch);
  font-weight: 600;
  font-size: 14.5px;
}
.flag.stop {
  color: var(--stop);
  font-weight: 700;
}
.plan {
  padding: 0 8px;
}
.empty {
  padding: 28px 0;
  border-top: 1px solid var(--rule);
  font-size: 16px;
}
@media (max-width: 960px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    position: static;
  }
}
@media (max-width: 640px) {
  .search {
    width: 100%;
  }
  .row {
    grid-template-columns: 52px minmax(0, 1fr);
  }
  .flags {
    grid-column: 2;
  }
  .list > li {
    gap: 8px;
  }
}
</style>
