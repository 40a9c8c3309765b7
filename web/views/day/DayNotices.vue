<script setup lang="ts">
import { computed } from 'vue'
import type { ClashSaid, DayPart, DayState, LostPin, WashDay } from '@core/washday'
import { lostPinWords, overloadWords } from '@words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiDate from '../../ui/UiDate'

const { day, state, clash, part, lost, settled } = defineProps<{
  day: WashDay
  state: DayState
  /** What stands in the way of the whole day, and what of it can be done. */
  clash?: readonly ClashSaid[]
  part?: DayPart
  /** Pins that can’t hold any more. */
  lost: readonly LostPin[]
  /** Nothing is being arranged. */
  settled: boolean
}>()
const emit = defineEmits<{ letGo: []; leave: [seatIds: string[]]; move: [seatIds: string[], date: string] }>()
const say = useSay()

const unplaced = computed(() => state.seats.length > 0 && !state.schedule && settled)
const nameOf = (id: string) => state.seats.find((s) => s.seat.id === id)?.dog.name ?? id
const move = (date: string) => part && date !== '' && date !== day.date && emit('move', part.leave, date)
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
    <p v-else-if="!part">More than two things stand in the way. Leave dogs out, or let pins go.</p>
    <template v-if="part">
      <p>{{ overloadWords(part, part.keep.map(nameOf), say) }}</p>
      <div class="ways">
        <UiButton kind="plain" @click="emit('leave', part.leave)">
          Take {{ say.list(part.leave.map(nameOf)) }} off this day
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
    Not arranged: the pins or times leave no room. Let a pin go, or arrange the day.
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
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: end;
  margin-top: 8px;
}
label {
  display: block;
  font-size: 14px;
  font-weight: 600;
}
</style>
