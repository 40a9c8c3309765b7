<script setup lang="ts">
import { computed } from 'vue'
import { waterState, type Watched } from '@core/instruments'
import { scaldLine } from '@core/water'
import type { Plan } from '@core/visit'
import StateMark from '../../parts/StateMark.vue'
import { scaldWords } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { watched, water } = defineProps<{ watched?: Watched; water: Plan['water'] }>()

const state = computed(() => (watched?.state === 'live' ? waterState(watched.value, water) : undefined))
const WORDS = { fine: 'in its band', cool: 'too cool', warm: 'too warm', stop: 'STOP: water off, away from the dog' }
</script>

<template>
  <div
    class="water-watch"
    :class="[state, { quiet: watched && watched.state !== 'live' }]"
    :role="state === 'stop' || state === 'warm' ? 'alert' : undefined"
    data-testid="water-watch"
  >
    <template v-if="watched?.state === 'live'">
      <p class="now">
        <StateMark v-if="state !== 'fine'" :state="state === 'stop' ? 'stop' : 'watch'" :size="44" />
        <span class="celsius display">{{ say.temperature(watched.value) }}</span>
        <span>{{ WORDS[state!] }}</span>
      </p>
      <p class="band">
        Wanted {{ say.temperature(water.target.value) }}, band {{ say.temperature(water.low) }} to
        {{ say.temperature(water.high) }}, never over {{ say.temperature(water.alarm) }}.
      </p>
      <p v-if="state === 'stop'" class="band">
        Turn to cold, test by wrist. The hot side alone scalds in {{ scaldWords(scaldLine(water.hotTapC), say) }}.
      </p>
    </template>
    <p v-else-if="watched?.state === 'quiet'" class="now">
      <StateMark state="watch" :size="40" />
      Thermometer quiet for {{ watched.seconds }} s. Test by wrist: {{ say.temperature(water.target.value) }} wanted,
      never over {{ say.temperature(water.alarm) }}.
    </p>
    <p v-else-if="watched?.state === 'stuck'" class="now">
      <StateMark state="watch" :size="40" /> Thermometer stuck: the same figure again and again. Test by wrist:
      {{ say.temperature(water.target.value) }} wanted.
    </p>
    <p v-else class="band">
      Water {{ say.temperature(water.target.value) }}, never over {{ say.temperature(water.alarm) }}: test it by wrist.
    </p>
  </div>
</template>

<style scoped>
.water-watch {
  margin-top: 14px;
  padding: 10px 18px 14px;
  border-top: 6px solid var(--water);
  border-radius: 0 0 26px 26px;
  background: var(--water-pale);
  color: var(--water);
}
.now {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
  font-size: 30px;
  font-weight: 700;
}
.celsius {
  font-size: 58px;
  line-height: 1.1;
}
.band {
  font-size: 26px;
}
.cool,
.warm,
.quiet {
  border-top-color: var(--watch);
  background: var(--watch-tint);
  color: var(--watch);
}
.stop {
  border-top-color: var(--stop);
  background: var(--stop-tint);
  color: var(--stop);
}
.stop .celsius {
  font-size: 104px;
}
@media (max-width: 900px) {
  .celsius {
    font-size: 44px;
  }
  .stop .celsius {
    font-size: 72px;
  }
  .now,
  .band {
    font-size: 22px;
  }
}
</style>
