<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { StoredDog } from '@contract'
import type { JoinTime, JoinFit } from '@core/washday'
import { usualPrice } from '@core/money'
import { dueState, isDue } from '@core/visit'
import { capital, dogLine, dueWords } from '@words'
import { useDues } from '../../parts/useDues'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import type { FoundTimes } from './useJoining'
import QuickAdd from '../../parts/QuickAdd.vue'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import StateMark from '../../parts/StateMark.vue'

const say = useSay()

const {
  dogs,
  fits,
  times,
  date,
  first = false,
} = defineProps<{
  date: string
  dogs: readonly StoredDog[]
  fits: Record<string, JoinFit>
  /** When the dog whose row is open may come, as it is found. */
  times?: FoundTimes
  /** The day has no dogs yet. */
  first?: boolean
}>()
const emit = defineEmits<{
  /** The dog comes then, when it best does, or whenever it suits. */
  add: [dogId: string, at: JoinTime | 'best' | 'any']
  ask: [dogIds: string[]]
  /** When else may it come? */
  look: [dogId: string]
  /** A dog that wasn't known yet was entered. */
  entered: [dog: StoredDog]
  /** The day doesn't take it: it is to be placed. */
  later: [dogId: string]
  close: []
}>()
/** The dog whose other times are in sight. */
const open = ref<string>()
function toggle(dogId: string) {
  open.value = open.value === dogId ? undefined : dogId
  if (open.value) emit('look', dogId)
}
const offered = computed(() => (times?.dogId === open.value ? times : undefined))
/** Whether none of those that were tried fits any more. */
const full = computed(() => found.value.length > 0 && found.value.every((d) => fits[d.id]?.fits === false))
const coming = (dogId: string) => fits[dogId]?.coming

const room = useRoom()
/** What its usual visit is asked, as far as that is known. */
function asked({ record }: StoredDog): string {
  const price = room.house && usualPrice(record, room.house)
  return price ? `, ${say.money(price)}` : ''
}

const text = ref('')
/** A dog that isn't known yet is being entered, by the name that was looked for; the day stays in sight. */
const NAMELESS = ' '
const entering = ref<string>()
function entered(dog: StoredDog) {
  entering.value = undefined
  text.value = ''
  emit('entered', dog)
  emit('add', dog.id, 'best')
}
const MOST = 12
const dues = useDues(() => date)
const dueOf = (id: string) => dues.value?.get(id)
/** After every date. */
const LATER = '9999'
/** Those that are due come first, the longest due before the others. */
const urgency = ({ id }: StoredDog) => {
  const due = dueOf(id)
  return due && isDue(due, date) ? due.due! : LATER
}
const named = computed(() => {
  const wanted = text.value.trim().toLowerCase()
  return dogs
    .filter((d) => `${d.record.name} ${d.record.breed} ${d.record.owner}`.toLowerCase().includes(wanted))
    .sort((a, b) => urgency(a).localeCompare(urgency(b)))
})
const all = ref(false)
const found = computed(() => (all.value ? named.value : named.value.slice(0, MOST)))
const ask = () =>
  emit(
    'ask',
    found.value.map((d) => d.id),
  )
onMounted(ask)
watch(() => found.value.map((d) => d.id).join(), ask)
onBeforeUnmount(() => emit('ask', []))
</script>

<template>
  <section class="add basin" aria-label="Add a dog">
    <div class="head">
      <h2>{{ first ? 'Who comes?' : 'Who else comes?' }}</h2>
      <UiButton v-if="!first" kind="link" @click="emit('close')">Close</UiButton>
    </div>
    <UiText v-model="text" label="Find a dog" bare placeholder="Name, breed or owner" clearable />
    <QuickAdd
      v-if="entering"
      :key="entering"
      :name="entering === NAMELESS ? undefined : entering"
      only
      @added="entered"
    >
      <UiButton kind="link" @click="entering = undefined">Not a new dog</UiButton>
    </QuickAdd>
    <p v-else-if="dogs.length === 0" class="soft none">
      {{ first ? 'No dog is known yet.' : 'Every dog you know is on the day.' }}
      <UiButton kind="link" @click="entering = text.trim() || NAMELESS">{{
        first ? 'Enter the first' : 'Enter another'
      }}</UiButton>
    </p>
    <p v-else-if="found.length === 0" class="soft none">
      No dog of that name. <UiButton kind="link" @click="entering = text.trim()">Enter it first</UiButton>
    </p>
    <p v-if="full" class="full">
      The day is full for {{ found.length === 1 ? 'it' : 'these' }}.
      <RouterLink :to="{ name: 'days', query: { from: date, span: 'week' } }">Other days</RouterLink>
    </p>
    <ul>
      <li v-for="dog in found" :key="dog.id">
        <CoatSwatch :dog="dog.record" :dog-id="dog.id" :width="36" :height="40" />
        <div class="words">
          <span class="name display">{{ dog.record.name }}</span>
          <span class="soft">{{ dogLine(dog.record, say) }}{{ asked(dog) }}</span>
          <span v-if="dueOf(dog.id)?.last" class="due" :class="dueState(dueOf(dog.id)!, date)">{{
            capital(dueWords(dueOf(dog.id)!, date, say))
          }}</span>
          <span class="fit" role="status">
            <template v-if="fits[dog.id]">
              <StateMark :state="fits[dog.id]!.fits && !coming(dog.id)?.mind ? 'ok' : 'watch'" :size="17" />{{
                say.said(fits[dog.id]!.why)
              }}
            </template>
            <span v-else class="soft">trying</span>
          </span>
          <UiButton v-if="coming(dog.id)" kind="link" :aria-expanded="open === dog.id" @click="toggle(dog.id)"
            >Other times<span class="hidden"> for {{ dog.record.name }}</span></UiButton
          >
          <UiButton v-else-if="fits[dog.id]?.fits === false" kind="link" @click="emit('later', dog.id)"
            >Place it later<span class="hidden">: {{ dog.record.name }}</span></UiButton
          >
        </div>
        <UiButton @click="emit('add', dog.id, 'best')">
          Add<span class="hidden"> {{ dog.record.name }}</span
          ><span v-if="coming(dog.id)" class="at">at {{ say.clock(coming(dog.id)!.arrive) }}</span>
        </UiButton>
        <div v-if="open === dog.id" class="times">
          <UiButton v-for="at in offered?.found ?? []" :key="at.arrive" @click="emit('add', dog.id, at)">
            {{ say.clock(at.arrive) }}, ready {{ say.clock(at.ready) }}
          </UiButton>
          <p v-if="!offered?.done" class="soft" role="status">Looking for times</p>
          <UiButton @click="emit('add', dog.id, 'any')">Any time</UiButton>
        </div>
      </li>
    </ul>
    <UiButton v-if="named.length > found.length" kind="link" @click="all = true">
      {{ say.count(named.length - found.length, 'dog') }} more
    </UiButton>
  </section>
</template>

<style scoped>
.at {
  margin-left: 5px;
}
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
.none {
  margin-top: 10px;
}
ul {
  margin-top: 8px;
}
li {
  display: grid;
  grid-template-columns: 36px 1fr auto;
  gap: 10px;
  align-items: center;
  padding: 7px 0;
  border-top: 1.5px solid var(--rule2);
}
.words {
  display: flex;
  flex-direction: column;
  min-width: 0;
  font-size: 13.5px;
  line-height: 1.3;
}
.name {
  overflow-wrap: anywhere;
  font-size: 16px;
}
.full {
  margin-top: 8px;
  font-weight: 600;
}
.times {
  display: flex;
  flex-wrap: wrap;
  grid-column: 1 / -1;
  gap: 8px 12px;
  align-items: center;
}
.due.over,
.due.soon {
  color: var(--watch);
  font-weight: 600;
}
.fit {
  display: flex;
  gap: 6px;
  align-items: center;
  font-weight: 600;
}
.button {
  padding: 0 14px;
}
</style>
