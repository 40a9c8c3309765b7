<script setup lang="ts">
import { DragGesture } from '@use-gesture/vanilla'
import { computed, ref, type ObjectDirective } from 'vue'
import type { DaySummary } from '@contract'
import { addDays } from '@core/visit'
import { FLAGS_BESIDE_A_NAME, redFlagsOf } from '@core/dog'
import type { DayLoad } from '@core/washday'
import { loadWords, RED_FLAG_NAMES } from '@words'
import { useAsk } from '../../api/queries'
import { pairOf } from '../../drawing/colours'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiTap from '../../ui/UiTap.vue'
import type { Taken } from './useWeeks'

const { first, weeks, days, today, loads } = defineProps<{
  /** The first day of the first week. */
  first: string
  weeks: number
  days: readonly DaySummary[]
  today: string
  loads: ReadonlyMap<string, DayLoad>
}>()
const emit = defineEmits<{ move: [dog: Taken, date: string] }>()
const say = useSay()

const { answer: dogs } = useAsk('GET /dogs', {})
const records = computed(() => new Map(dogs.value?.map((d) => [d.id, d.record])))
/** What to mind about a dog on a date, in a few words. */
function mindOf(dogId: string, date: string) {
  const dog = records.value.get(dogId)
  if (!dog) return ''
  const flags = redFlagsOf(dog, { ...dog.known, date }).slice(0, FLAGS_BESIDE_A_NAME)
  return flags.map((f) => RED_FLAG_NAMES[f]).join(', ')
}
const of = computed(() => new Map(days.map((d) => [d.date, d])))
const grid = computed(() =>
  Array.from({ length: weeks }, (_, w) => Array.from({ length: 7 }, (_, d) => addDays(first, 7 * w + d))),
)
function labelOf(date: string) {
  const day = of.value.get(date)
  return day
    ? `${say.date(date)}, ${say.count(day.dogs.length, 'dog')}: ${say.list(day.dogs.map((g) => g.name))}`
    : say.date(date)
}
/** The name of the month stands with its first day, and with the first that is shown. */
const monthOf = (date: string) =>
  date.endsWith('-01') || date === first ? say.date(date, 'day') : date.slice(8).replace(/^0/, '')

/** The dog that is being moved, and the day that it would be dropped on. */
const taken = ref<Taken>()
const over = ref<string>()
const open = (date: string) => taken.value !== undefined && date >= today && date !== taken.value.date
function take(dog: DaySummary['dogs'][number], date: string) {
  const same = taken.value?.dogId === dog.dogId && taken.value.date === date
  taken.value = same ? undefined : { dogId: dog.dogId, name: dog.name, date }
}
function put(date: string) {
  if (taken.value && open(date)) emit('move', taken.value, date)
  taken.value = over.value = undefined
}
/** A hand moves a dog: the days stay where they are meanwhile. */
const moving = ref(false)
/** The dog that a finger has in hand and hasn't moved yet. */
const inHand = ref<string>()
const keyOf = (dog: DaySummary['dogs'][number], date: string) => `${date} ${dog.dogId}`
const isTouch = (event: Event) => event instanceof PointerEvent && event.pointerType === 'touch'
const isHeld = (dog: DaySummary['dogs'][number], date: string) =>
  inHand.value === keyOf(dog, date) || (taken.value?.dogId === dog.dogId && taken.value.date === date)
/** Px that a pointer must travel before it moves a dog: less is a tap. How long a finger rests on one before it takes it, ms. */
const [CLICK_PX, RESTS_MS] = [6, 250]
/** A dog is taken by mouse, or by a finger that rests on it for a moment, and dropped on the day under the hand. */
const vTake: ObjectDirective<HTMLElement, { dog: DaySummary['dogs'][number]; date: string }> = {
  mounted(element, binding) {
    const gesture = new DragGesture(
      element,
      ({ tap, first, last, intentional, down, event, xy: [x, y] }) => {
        const { dog, date } = taking.get(element)!
        // a finger that has rested on it long enough sees that it has it
        inHand.value = !intentional && down && isTouch(event) ? keyOf(dog, date) : undefined
        if (tap || !intentional) return
        if (first) taken.value = { dogId: dog.dogId, name: dog.name, date }
        document.documentElement.classList.toggle('dragging', !last)
        moving.value = !last
        over.value = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-date]')?.dataset.date
        if (!last) return
        if (over.value) put(over.value)
        taken.value = over.value = undefined
      },
      {
        filterTaps: true,
        threshold: CLICK_PX,
        preventScroll: RESTS_MS,
        triggerAllEvents: true,
        pointer: { capture: false, keys: false },
      },
    )
    taking.set(element, binding.value)
    gestures.set(element, gesture)
  },
  updated: (element, { value }) => void taking.set(element, value),
  unmounted: (element) => gestures.get(element)?.destroy(),
}
const taking = new WeakMap<Element, { dog: DaySummary['dogs'][number]; date: string }>()
const gestures = new WeakMap<Element, DragGesture>()
const FULL = 1
/** How full a day's basin stands, %. */
const filled = (date: string) => (loads.has(date) ? Math.min(100, Math.round(100 * share(loads.get(date)!))) : 0)
const share = ({ hands, water, noise }: DayLoad) => Math.max(hands, water, noise)
</script>

<template>
  <p class="taken" role="status">
    <span v-if="!taken && days.some((d) => d.date >= today)" class="soft"
      >Drag a dog to another day, or tap it and then the day.</span
    >
    <template v-else-if="taken">
      {{ taken.name }} of {{ say.date(taken.date, 'day') }}: choose another day, or drop it there.
      <UiButton kind="link" @click="taken = undefined">Leave it</UiButton>
    </template>
  </p>
  <div class="weeks" :class="{ moving }" @keydown.esc="taken = undefined">
    <p v-for="date in grid[0]" :key="date" class="weekday soft" aria-hidden="true">{{ say.date(date, 'weekday') }}</p>
    <template v-for="week in grid" :key="week[0]">
      <div
        v-for="date in week"
        :key="date"
        :aria-current="date === today ? 'date' : undefined"
        class="cell"
        :class="{ past: date < today, empty: !of.has(date), open: open(date), over: over === date && open(date) }"
        :style="{ '--full': `${filled(date)}%` }"
        :data-date="date"
      >
        <div class="go">
          <RouterLink :to="`/days/${date}`" :aria-label="labelOf(date)" class="to" draggable="false">
            <span class="date wide">{{ monthOf(date) }}</span>
            <span class="date narrow">{{ say.date(date, 'weekday') }}, {{ say.date(date, 'day') }}</span>
          </RouterLink>
          <UiTap
            v-if="open(date)"
            class="here"
            :aria-label="`Put ${taken!.name} on ${say.date(date, 'day')}`"
            @click="put(date)"
            >put it here</UiTap
          >
        </div>
        <template v-if="of.has(date)">
          <template v-for="dog in of.get(date)!.dogs" :key="dog.dogId">
            <span v-if="date < today" class="dog" :style="{ color: pairOf(dog).stroke }">{{ dog.name }}</span>
            <UiTap
              v-else
              v-take="{ dog, date }"
              class="dog"
              :class="{ held: isHeld(dog, date) }"
              :style="{ color: pairOf(dog).stroke }"
              :aria-label="`Move ${dog.name}, ${say.date(date, 'day')}`"
              :aria-pressed="isHeld(dog, date)"
              @click="take(dog, date)"
              >{{ dog.name }}</UiTap
            >
            <span v-if="date >= today && mindOf(dog.dogId, date)" class="mind">{{ mindOf(dog.dogId, date) }}</span>
          </template>
          <span v-if="loads.get(date)" class="load small" :class="{ full: share(loads.get(date)!) > FULL }">
            {{ loadWords(loads.get(date)!, date >= today, say) }}
          </span>
          <span v-if="date >= today && !of.get(date)!.arranged" class="soft small">not arranged yet</span>
        </template>
      </div>
    </template>
  </div>
</template>

<style scoped>
.taken {
  min-height: 30px;
  font-weight: 600;
}
.taken .soft {
  font-weight: 400;
}
.weeks {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: 8px;
}
.weekday {
  font-weight: 600;
}
.cell {
  display: flex;
  flex-direction: column;
  align-items: stretch;
  min-height: 92px;
  padding: 0 6px 8px;
  border-top: 1.5px solid var(--rule);
  border-radius: 0 0 20px 20px;
  /* the day as a basin: as full as its hands, its water or its noise */
  background: linear-gradient(to top, var(--water-tint) var(--full), var(--enamel) var(--full));
}
.cell.empty,
.cell.past {
  background: none;
}
.cell:hover {
  outline: 1.5px solid var(--rule);
}
.cell.open {
  border-top: 3px dashed var(--rim);
}
.cell.over {
  background: var(--rim-tint);
}
.go {
  display: flex;
  gap: 6px;
  justify-content: space-between;
  min-height: 30px;
}
.to {
  flex: 1;
  padding-top: 4px;
  color: var(--ink);
  text-decoration: none;
}
.here {
  color: var(--rim);
  font-size: 13.5px;
  font-weight: 600;
}
.date {
  font-weight: 600;
}
.date.narrow {
  display: none;
}
.past .date,
.empty .date {
  color: var(--ink2);
  font-weight: 400;
}
.cell[aria-current] {
  border-top: 3px solid var(--rim);
}
.dog {
  overflow: hidden;
  min-height: 24px;
  font: 600 15px/1.4 var(--display);
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.mind {
  margin-top: -3px;
  color: var(--stop);
  font-size: 12.5px;
  font-weight: 600;
  line-height: 1.25;
}
button.dog {
  cursor: grab;
  touch-action: pan-y;
}
.dog.held {
  outline: 2px solid var(--rim);
  outline-offset: 1px;
}
.load {
  margin-top: 4px;
  color: var(--ink2);
}
.load.full {
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 760px) {
  .weeks {
    grid-template-columns: minmax(0, 1fr);
  }
  .weekday {
    display: none;
  }
  .date.wide {
    display: none;
  }
  .date.narrow {
    display: inline;
  }
  .cell {
    flex-direction: row;
    flex-wrap: wrap;
    gap: 0 14px;
    align-items: center;
    min-height: 44px;
    padding: 6px;
  }
  .go {
    width: 100%;
  }
  .dog {
    min-height: 40px;
  }
  .load {
    width: 100%;
  }
  .cell.empty:not([aria-current]):not(.open),
  .moving .cell.empty:not([aria-current]) {
    display: none;
  }
}
</style>
