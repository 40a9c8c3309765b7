<script setup lang="ts">
import { computed } from 'vue'
import { CAUTION } from '@core/caution'
import { allowedMinutes, isLoud, noiseDose, protection, type Exposure } from '@core/groomer'
import { circuitOf, type House } from '@core/house'
import StateMark from '../../parts/StateMark.vue'
import type { Readings } from '../../parts/useReadings'
import { useSay } from '../../say'

const say = useSay()

const { readings, house, circuit, noise } = defineProps<{
  readings: Readings
  house: House
  circuit: string
  /** Every stretch of sound measured today: dBA at the dryer, minutes. */
  noise: readonly Exposure[]
}>()

const sound = computed(() => readings.of('sound'))
const power = computed(() => readings.of('power'))
const air = computed(() => readings.of('hygrometer'))
const rating = computed(() => {
  const { volts, amps } = circuitOf(house, circuit)
  return volts * amps
})
const atEar = computed(() =>
  sound.value?.state === 'live' ? sound.value.value - protection(house.protector) : undefined,
)
const allowed = computed(() => (atEar.value === undefined ? Infinity : allowedMinutes(atEar.value)))
/** Percent of a day's noise that reached the ears by now. */
const dose = computed(() =>
  noiseDose(noise.map(({ level, minutes }) => ({ level: level - protection(house.protector), minutes }))),
)
const share = computed(() => (power.value?.state === 'live' ? power.value.value / rating.value : 0))
const silent = (name: string, watched: { state: string } | undefined) =>
  watched && watched.state !== 'live' ? `${name} ${watched.state}` : undefined
const missing = computed(() =>
  [silent('Sound meter', sound.value), silent('Power meter', power.value), silent('Hygrometer', air.value)].filter(
    (t) => t !== undefined,
  ),
)
</script>

<template>
  <ul v-if="sound || power || air" class="room" aria-label="The room as it is measured">
    <li v-if="sound?.state === 'live'">
      <StateMark :state="isLoud(atEar ?? 0) || dose > CAUTION.dose.value ? 'watch' : 'ok'" :size="30" />
      {{ say.number(sound.value, 0) }} dBA<template v-if="atEar !== undefined"
        >, {{ say.number(atEar, 0) }} at the ear{{
          allowed === Infinity ? '' : `: ${say.number(allowed, 0)} min a day at the most`
        }}</template
      ><template v-if="dose >= 1">. Today {{ say.number(dose, 0) }} % of a day’s noise</template>
    </li>
    <li v-if="power?.state === 'live'">
      <StateMark :state="share > 1 ? 'stop' : share > CAUTION.load.value ? 'watch' : 'ok'" :size="30" />
      {{ say.number(power.value, 0) }} W of {{ say.number(rating, 0) }} W
    </li>
    <li v-if="air?.state === 'live'">
      Room {{ say.temperature(air.second ?? house.room.celsius) }}, {{ say.number(air.value, 0) }} % humid (planned
      {{ say.number(house.room.humidity, 0) }} %)
    </li>
    <li v-for="m in missing" :key="m"><StateMark state="watch" :size="30" />{{ m }}</li>
  </ul>
</template>

<style scoped>
.room {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 26px;
  margin-top: 12px;
  font-size: 25px;
  font-weight: 600;
}
li {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
