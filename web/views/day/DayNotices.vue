<script setup lang="ts">
import { computed } from 'vue'
import type { ClashSaid, DayState, LostPin, Relief, Seat, TriedWay, WashDay } from '@core/washday'
import { lostPinWords, overloadWords } from '@words'
import OtherDays from '../../parts/OtherDays.vue'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiDate from '../../ui/UiDate'

const { day, state, clash, relief, lost, settled } = defineProps<{
  day: WashDay
  state: DayState
  /** What stands in the way of the whole day, and what can be done about it as far as it is found. */
  clash?: readonly ClashSaid[]
  relief?: Relief & { done: boolean }
  /** Pins that can’t hold any more. */
  lost: readonly LostPin[]
  /** Nothing is being arranged. */
  settled: boolean
}>()
const emit = defineEmits<{
  letGo: []
  leave: [seatIds: string[]]
  move: [seatIds: string[], date: string]
  /** The same, this day staying in sight. */
  rehome: [seatIds: string[], date: string]
  take: [way: TriedWay]
  stop: []
}>()
const say = useSay()

const unplaced = computed(() => state.seats.length > 0 && !state.schedule && settled)
const pinned = computed(() => day.seats.some((s) => Object.keys(s.pins).length > 0))
const part = computed(() => relief?.part)
const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id)?.dog.name ?? id
const nameOfDog = (dogId: string) => state.seats.find((s) => s.seat.dogId === dogId)?.dog.name ?? dogId
const leaving = computed(() => day.seats.filter((s) => part.value?.leave.includes(s.id)))
const move = (date: string) => part.value && date !== '' && date !== day.date && emit('move', part.value.leave, date)
const ids = (seats: readonly Seat[]) => seats.map((s) => s.id)
</script>

<template>
  <div v-if="clash" class="notice" role="alert" data-testid="clash">
    <h2>This day can’t be arranged</h2>
    <p v-if="clash.length > 0">
      It works without any one of these, the first helps most:
      {{
        say.list(
          clash.map((c) => say.said(c)),
          'or',
        )
      }}.
    </p>
    <p v-else-if="relief?.done && !part && relief.ways.length === 0">
      More than two things stand in the way. Leave dogs out, or let pins go.
    </p>
    <div v-for="way in relief?.ways" :key="way.id" class="way">
      <p>
        <strong>{{ say.said(way.what) }}.</strong> Then {{ say.inLine(way.effects) }}.
      </p>
      <UiButton kind="plain" @click="emit('take', way)"
        >Do it<span class="hidden">: {{ say.said(way.what) }}</span></UiButton
      >
    </div>
    <p v-if="relief && !relief.done" role="status" class="soft">
      Trying what would help: longer hours, a helper, shorter visits, fewer dogs
      <UiButton kind="link" @click="emit('stop')">Stop</UiButton>
    </p>
    <template v-if="part">
      <p>{{ overloadWords(part, part.keep.map(nameOf), say) }}</p>
      <OtherDays
        :date="day.date"
        :seats="leaving"
        :name-of="nameOfDog"
        @move="(seats, date) => emit('rehome', ids(seats), date)"
      />
      <div class="ways">
        <UiButton kind="plain" @click="emit('leave', part.leave)">
          Leave {{ say.list(part.leave.map(nameOf)) }} to be placed
        </UiButton>
        <div>
          <label for="move-to">Or put them on</label>
          <UiDate id="move-to" model-value="" @update:model-value="move" />
        </div>
      </div>
    </template>
  </div>
  <div v-else-if="lost.length > 0" class="notice" role="alert" data-testid="lost">
    <p v-for="pin in lost" :key="`${pin.seat}.${pin.part}`">{{ lostPinWords(pin, state, say) }}</p>
    <UiButton kind="plain" @click="emit('letGo')">{{ lost.length === 1 ? 'Let it go' : 'Let them go' }}</UiButton>
  </div>
  <p v-else-if="unplaced" class="soft">
    {{
      pinned
        ? 'Not arranged: the pins or times leave no room. Let a pin go, or arrange the day.'
        : 'Not arranged yet: work it out.'
    }}
  </p>
</template>

<style scoped>
.notice {
  margin-bottom: 10px;
  padding: 11px 14px 13px;
  border-top: 3px solid var(--stop);
  border-radius: 0 0 20px 20px;
  background: var(--stop-tint);
}
h2 {
  color: var(--stop);
}
.way,
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: end;
  margin-top: 8px;
}
.way {
  align-items: center;
  justify-content: space-between;
}
label {
  display: block;
  font-size: 14px;
  font-weight: 600;
}
</style>
