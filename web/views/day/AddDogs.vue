<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, onMounted, ref, watch } from 'vue'
import type { StoredDog } from '@contract'
import type { Fit } from '@core/washday'
import { dueState, isDue } from '@core/visit'
import { capital, dogLine, dueWords } from '@words'
import { useDues } from '../../parts/useDues'
import { useSay } from '../../say'
import CoatSwatch from '../../parts/CoatSwatch.vue'
import StateMark from '../../parts/StateMark.vue'

const say = useSay()

const {
  dogs,
  fits,
  date,
  first = false,
} = defineProps<{
  date: string
  dogs: readonly StoredDog[]
  fits: Record<string, Fit>
  /** The day has no dogs yet. */
  first?: boolean
}>()
const emit = defineEmits<{ add: [dogId: string]; ask: [dogIds: string[]]; close: [] }>()

const text = ref('')
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
</script>

<template>
  <section class="add basin" aria-label="Add a dog">
    <div class="head">
      <h2>{{ first ? 'Who comes?' : 'Who else comes?' }}</h2>
      <UiButton v-if="!first" kind="link" @click="emit('close')">Close</UiButton>
    </div>
    <UiText v-model="text" label="Find a dog" bare placeholder="Name, breed or owner" clearable />
    <p v-if="dogs.length === 0" class="soft none">
      {{ first ? 'No dog is known yet.' : 'Every dog you know is on the day.' }}
      <RouterLink to="/dogs">{{ first ? 'Enter the first' : 'Enter another' }}</RouterLink>
    </p>
    <p v-else-if="found.length === 0" class="soft none">
      No dog of that name. <RouterLink to="/dogs">Enter it first</RouterLink>
    </p>
    <ul>
      <li v-for="dog in found" :key="dog.id">
        <CoatSwatch :dog="dog.record" :dog-id="dog.id" :width="36" :height="40" />
        <div class="words">
          <span class="name display">{{ dog.record.name }}</span>
          <span class="soft">{{ dogLine(dog.record, say) }}</span>
          <span v-if="dueOf(dog.id)?.last" class="due" :class="dueState(dueOf(dog.id)!, date)">{{
            capital(dueWords(dueOf(dog.id)!, date, say))
          }}</span>
          <span class="fit" role="status">
            <template v-if="fits[dog.id]">
              <StateMark :state="fits[dog.id]!.fits ? 'ok' : 'watch'" :size="17" />{{ say.said(fits[dog.id]!.why) }}
            </template>
            <span v-else class="soft">trying</span>
          </span>
        </div>
        <UiButton @click="emit('add', dog.id)">
          Add<span class="hidden"> {{ dog.record.name }}</span>
        </UiButton>
      </li>
    </ul>
    <UiButton v-if="named.length > found.length" kind="link" @click="all = true">
      {{ say.count(named.length - found.length, 'dog') }} more
    </UiButton>
  </section>
</template>

<style scoped>
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
