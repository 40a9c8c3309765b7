<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { computed, ref } from 'vue'
import type { House } from '@core/house'
import { USUAL_MUFFS, type WashDay } from '@core/washday'
import UiChoice from '../../ui/UiChoice.vue'
import UiTime from '../../ui/UiTime.vue'
import { useSay } from '../../say'

const say = useSay()

const { day, house } = defineProps<{ day: WashDay; house: House }>()
const emit = defineEmits<{ change: [day: WashDay, refused: (why: string | undefined) => void] }>()

const why = ref<string>()
const set = (change: Partial<WashDay>) => emit('change', { ...day, ...change }, (said) => (why.value = said))

const yesNo = [
  { value: false, text: 'no' },
  { value: true, text: 'yes' },
]
const helps = computed(() => day.helper !== null)
const helperName = computed(() => house.helper.name || 'A helper')
function setPause(index: number, change: Partial<WashDay['pauses'][number]>) {
  set({ pauses: day.pauses.map((p, i) => (i === index ? { ...p, ...change } : p)) })
}
const tank = computed(() => house.water.heater === 'tank')
const muffed = computed(() => (day.protector ?? house.protector).kind !== 'none')
</script>

<template>
  <div class="settings basin">
    <p v-if="why" class="field-error" role="alert">{{ why }} The day stays as it was.</p>
    <div class="row">
      <UiTime
        label="Opens"
        :model-value="day.hours.from"
        @update:model-value="set({ hours: { ...day.hours, from: $event } })"
      />
      <UiTime
        label="Closes"
        :model-value="day.hours.to"
        @update:model-value="set({ hours: { ...day.hours, to: $event } })"
      />
      <UiChoice
        :model-value="helps"
        :label="`${helperName} helps`"
        :options="yesNo"
        @update:model-value="set({ helper: $event ? { ...house.helper } : null })"
      />
      <template v-if="day.helper">
        <UiTime
          label="Helps from"
          :model-value="day.helper.from"
          @update:model-value="set({ helper: { ...day.helper!, from: $event } })"
        />
        <UiTime
          label="Helps until"
          :model-value="day.helper.to"
          @update:model-value="set({ helper: { ...day.helper!, to: $event } })"
        />
      </template>
    </div>
    <div v-for="(pause, i) in day.pauses" :key="pause.id" class="row">
      <UiTime
        :label="`${pause.name} from`"
        :model-value="pause.earliest"
        @update:model-value="setPause(i, { earliest: $event })"
      />
      <UiTime
        :label="`${pause.name}, begun by`"
        :model-value="pause.latest"
        @update:model-value="setPause(i, { latest: $event })"
      />
      <p class="soft">{{ pause.minutes }} min</p>
      <UiButton kind="link" @click="set({ pauses: day.pauses.filter((p) => p.id !== pause.id) })">
        Leave {{ pause.name }} out
      </UiButton>
    </div>
    <div class="row">
      <template v-if="tank">
        <UiChoice
          :model-value="day.heaterFrom === null"
          label="Heater"
          :options="[
            { value: true, text: 'always on' },
            { value: false, text: 'by timer' },
          ]"
          @update:model-value="
            set({ heaterFrom: $event ? null : (house.heaterFrom ?? Math.max(0, day.hours.from - 90)) })
          "
        />
        <UiTime
          v-if="day.heaterFrom !== null"
          label="Heater on at"
          :model-value="day.heaterFrom"
          @update:model-value="set({ heaterFrom: $event })"
        />
      </template>
      <UiChoice
        :model-value="day.windowOpen"
        label="Window open"
        :options="yesNo"
        @update:model-value="set({ windowOpen: $event as boolean })"
      />
      <UiChoice
        :model-value="muffed"
        label="Ears protected"
        :options="yesNo"
        @update:model-value="
          set({
            protector: $event ? (house.protector.kind === 'none' ? USUAL_MUFFS : null) : { kind: 'none', nrr: 0 },
          })
        "
      />
      <UiChoice
        :model-value="day.extraTowels"
        label="Extra towels"
        :options="
          [0, 4, 8, 12]
            .concat([0, 4, 8, 12].includes(day.extraTowels) ? [] : [day.extraTowels])
            .map((n) => ({ value: n, text: `${n}` }))
        "
        @update:model-value="set({ extraTowels: $event as number })"
      />
    </div>
    <p class="soft small">
      The house’s own hours are {{ say.clock(house.hours.from) }} to {{ say.clock(house.hours.to) }}. What you set here
      is for this day alone.
      <RouterLink class="inline" to="/house">Change the house</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: flex-end;
}
.row + .row {
  margin-top: 12px;
}
.row > p {
  line-height: 44px;
}
.small {
  margin-top: 10px;
}
.inline {
  color: var(--rim);
}
</style>
