<script setup lang="ts">
import { computed } from 'vue'
import { LADDER } from '@core/handling'
import { LEARN } from '@core/learn'
import type { Plan, Suited } from '@core/visit'
import RungTrend from './RungTrend.vue'
import { LADDERS, capital, stepTitle } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { plan, suited } = defineProps<{ plan: Plan; suited: readonly Suited[] }>()

/** Steps whose minutes the log has moved, the largest change first. */
const moved = computed(() =>
  plan.steps
    .flatMap((s) => (s.model === undefined ? [] : [{ ...s, by: s.minutes.value - s.model }]))
    .filter((s) => Math.abs(s.by) >= LEARN.ownLine.value)
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
    .slice(0, 6),
)
const why = (step: Plan['steps'][number]) =>
  [...step.minutes.because, ...plan.drying.minutes.because].flatMap((r) => (r.by === 'log' ? [say.said(r)] : []))[0]
const signed = (n: number) => (n > 0 ? `+${say.number(n)}` : say.number(n))
const rungWords = ({ rung, was }: Plan['ladder'][number]) =>
  rung > was ? 'one rung more than last time' : rung < was ? 'one rung less than last time' : 'as last time'
</script>

<template>
  <div v-if="moved.length > 0 || plan.ladder.length > 0 || suited.length > 0" class="log-plan">
    <section v-if="moved.length > 0" aria-labelledby="moved-title" data-testid="learned">
      <h2 id="moved-title">What the log changed</h2>
      <ul>
        <li v-for="s in moved" :key="s.id">
          <b>{{ stepTitle(s) }}</b> {{ signed(s.by) }} min <span class="soft">{{ why(s) }}</span>
        </li>
      </ul>
    </section>
    <section v-if="plan.ladder.length > 0" aria-labelledby="ladder-title" data-testid="ladder">
      <h2 id="ladder-title">What it can bear, next rung</h2>
      <ul>
        <li v-for="l in plan.ladder" :key="l.stressor">
          <RungTrend :rung="l.rung" :trend="l.trend.map((t) => t.rung)" />
          <span
            ><b>{{ capital(l.stressor) }}</b
            >: {{ LADDERS[l.stressor].rungs[l.rung - 1]
            }}<template v-if="l.minutes > 0">, about {{ say.number(l.minutes, 0) }} min more</template>.
            <span class="soft">
              Rung {{ l.rung }} of {{ LADDER.rungs.value
              }}<template v-if="l.trend.length > 0"
                >, {{ rungWords(l) }}; over {{ say.count(l.trend.length, 'visit') }}:
                {{ l.trend.map((t) => t.rung).join(', ') }}</template
              >. Drop first: {{ LADDERS[l.stressor].drop }}.<template v-if="l.rung < LADDER.rungs.value">
                At home: {{ LADDERS[l.stressor].homework }}</template
              ></span
            ></span
          >
        </li>
      </ul>
    </section>
    <section v-if="suited.length > 0" aria-labelledby="suited-title">
      <h2 id="suited-title">What suited the skin</h2>
      <ul>
        <li v-for="s in suited" :key="s.product">{{ say.said({ code: 'taught.suited', facts: s }) }}</li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.log-plan {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 18px 32px;
  margin-top: 24px;
}
li {
  display: flex;
  gap: 12px;
  align-items: flex-start;
  padding: 6px 0;
  border-top: 1.5px solid var(--rule2);
}
.log-plan section:first-child li {
  display: block;
}
</style>
