<script setup lang="ts">
import { computed, useId } from 'vue'
import type { StoredDog } from '@contract'
import { withChoice, withoutChoice, wayOf, type OwnChoice, type Plan, type Today } from '@core/visit'
import { capital, choiceWords, skinWords, stepTitle } from '@words'
import ProblemNote from '../../parts/ProblemNote.vue'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'
import UiButton from '../../ui/UiButton.vue'
import UiSelect from '../../ui/UiSelect.vue'
import { useAlways, type Holds } from './useAlways'

const { today, plan } = defineProps<{ today: Today; plan: Plan }>()
const emit = defineEmits<{ put: [part: Partial<Today>] }>()
/** The dog as it is stored; changed here when something is to be always so. */
const stored = defineModel<StoredDog>('dog', { required: true })

const say = useSay()
const room = useRoom()
const id = useId()
const always = useAlways(
  stored,
  computed(() => today),
)
const { here, leftAway, byHouse, problem, busy } = always

const names = {
  product: (of: string) => room.shelf.find((p) => p.id === of)?.name ?? 'a product no longer here',
  step: (of: string) => {
    const found = plan.steps.find((s) => s.id === of) ?? plan.steps.find((s) => `${s.id}-b` === of)
    const left = plan.course?.left.find((l) => l.id === of)
    return found ? stepTitle(found) : left ? stepTitle(left.step) : capital(of.replaceAll('-', ' '))
  },
}
const words = (choice: OwnChoice) => choiceWords(choice, say, names)
const reasonOf = ({ value }: OwnChoice) =>
  typeof value === 'object' && 'reason' in value && value.reason !== '' ? value.reason : undefined
const holds = computed<{ value: Holds; text: string }[]>(() => [
  { value: 'once', text: 'this time' },
  { value: 'dog', text: `always for ${stored.value.record.name}` },
  ...always.skin.value.map((s) => ({ value: `skin ${s}` as const, text: `always on ${skinWords(s)}` })),
  { value: 'coat', text: `always on a ${stored.value.record.coat} coat` },
])
const drop = (choice: OwnChoice) => emit('put', withoutChoice(wayOf(today), choice.key))
const take = (choice: OwnChoice) => emit('put', withChoice(wayOf(today), choice))
function forHouse(off: boolean, habit: string) {
  const others = today.notThisTime.filter((h) => h !== habit)
  emit('put', { notThisTime: off ? [...others, habit] : others })
}
/** A choice that the house keeps from now on needn't be said again for this visit. */
async function hold(choice: OwnChoice, now: Holds) {
  await always.hold(choice, now)
  if (!problem.value && now !== 'once' && now !== 'dog') drop(choice)
}
const refused = computed(() => [
  ...(plan.course?.refused ?? []).map((r) => say.said(r)),
  ...plan.mix.refused.map((r) => `${r.name} stays on the shelf: ${say.said(r.why)}.`),
])
const empty = computed(
  () => here.value.length + leftAway.value.length + byHouse.value.length + refused.value.length === 0,
)
</script>

<template>
  <section v-if="!empty" class="mine" :aria-labelledby="id">
    <h2 :id="id">Your way</h2>
    <ul>
      <li v-for="{ choice, holds: now } in here" :key="choice.key">
        <span class="what">
          <b>{{ words(choice) }}</b>
          <span v-if="reasonOf(choice)" class="soft">{{ reasonOf(choice) }}</span>
        </span>
        <UiSelect
          :id="`${id}-${choice.key}`"
          class="holds"
          :model-value="now"
          :options="holds"
          :label="`How long it holds: ${words(choice)}`"
          @update:model-value="$event && hold(choice, $event)"
        />
        <UiButton kind="link" @click="drop(choice)">
          Put back<span class="hidden">: {{ words(choice) }}</span>
        </UiButton>
      </li>
      <li v-for="{ habit, choice, off } in byHouse" :key="`${habit.id} ${choice.key}`" :class="{ off }">
        <span class="what">
          <b>{{ words(choice) }}</b>
          <span class="soft">
            always on {{ habit.skin ? skinWords(habit.skin) : `a ${habit.coat} coat`
            }}{{ off ? ', not this time' : '' }}
          </span>
        </span>
        <UiButton kind="link" @click="forHouse(!off, habit.id)">{{ off ? 'Take it again' : 'Not this time' }}</UiButton>
        <UiButton kind="link" :disabled="busy" @click="always.dropHabit(habit.id)">Never again</UiButton>
      </li>
      <li v-for="choice in leftAway" :key="`away ${choice.key}`" class="off">
        <span class="what">
          <b>{{ words(choice) }}</b>
          <span class="soft">always for {{ stored.record.name }}, not this time</span>
        </span>
        <UiButton kind="link" @click="take(choice)">Take it again</UiButton>
        <UiButton kind="link" :disabled="busy" @click="always.forget(choice)">Never again</UiButton>
      </li>
      <li v-for="line in refused" :key="line" class="no" role="status">{{ line }}</li>
    </ul>
    <ProblemNote v-if="problem" :problem="problem" />
  </section>
</template>

<style scoped>
.mine {
  margin-top: 22px;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 18px;
  padding: 7px 0;
  border-top: 1px solid var(--rule);
}
.what {
  flex: 1 1 260px;
  min-width: 0;
  overflow-wrap: anywhere;
}
.what .soft {
  display: block;
  font-size: 14.5px;
}
.holds {
  width: 230px;
}
.off b {
  color: var(--ink2);
  text-decoration: line-through;
}
.no {
  color: var(--watch);
  font-weight: 600;
}
</style>
