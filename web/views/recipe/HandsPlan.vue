<script setup lang="ts">
import type { Plan } from '@core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import { useSay } from '../../say'
import { BREAK_WORDS, DROP_WORDS, LIFT_ADVICE, MUZZLE_WORDS, NEVER_DROPPED, RINSE_TOOLS, pressureWords } from '@words'

const say = useSay()

const { plan } = defineProps<{ plan: Plan }>()
</script>

<template>
  <div class="hands">
    <section aria-labelledby="handling-title">
      <h2 id="handling-title">Handling</h2>
      <dl>
        <div>
          <dt>Tool</dt>
          <dd>{{ RINSE_TOOLS[plan.handling.tool] }}</dd>
        </div>
        <div>
          <dt>Pressure</dt>
          <dd>{{ pressureWords(plan.handling.gentle) }}</dd>
        </div>
        <div>
          <dt>People</dt>
          <dd>
            {{ plan.handling.people === 2 ? 'two' : 'one'
            }}<template v-if="plan.handling.muzzle">. {{ MUZZLE_WORDS }}</template>
          </dd>
        </div>
        <div>
          <dt>Pace</dt>
          <dd>
            {{
              plan.handling.pace === 1 ? 'as usual' : `× ${say.number(plan.handling.pace, 2)} in every hands-on step`
            }}
          </dd>
        </div>
        <div>
          <dt>Breaks</dt>
          <dd>{{ BREAK_WORDS[plan.handling.breaks] }}</dd>
        </div>
      </dl>
      <ul>
        <li v-for="note in plan.handling.notes" :key="say.said(note)">{{ say.said(note) }}</li>
      </ul>
    </section>
    <section v-if="plan.go" aria-labelledby="drop-title">
      <h2 id="drop-title">When the dog has had enough, drop in this order</h2>
      <ol>
        <li v-for="(drop, i) in plan.handling.drop" :key="drop.what">
          <b>{{ i + 1 }}</b> {{ DROP_WORDS[drop.what]
          }}<span v-if="drop.minutes" class="soft">, {{ say.number(drop.minutes, 0) }} min</span>
        </li>
      </ol>
      <p class="never">{{ NEVER_DROPPED }}</p>
    </section>
    <section aria-labelledby="groomer-title">
      <h2 id="groomer-title">Your ears and back</h2>
      <p>
        Noise of this visit: <b>{{ say.number(plan.groomer.dose.value, 0) }} %</b> of a day’s dose
      </p>
      <BecauseList :number="plan.groomer.dose" :digits="0" />
      <p class="lift">
        Lift: limit <b>{{ say.weight(plan.groomer.lift.limitKg) }}</b> for this reach and height<template
          v-if="plan.groomer.lift.index > 0 && Number.isFinite(plan.groomer.lift.index)"
          >, this dog is <b>{{ say.number(plan.groomer.lift.index) }} ×</b> that</template
        >.
        {{ LIFT_ADVICE[plan.groomer.lift.advice] }}
      </p>
      <ul v-if="plan.go">
        <li v-for="reminder in plan.drying.reminders" :key="reminder.code">{{ say.said(reminder) }}</li>
      </ul>
    </section>
    <section aria-labelledby="next-title">
      <h2 id="next-title">Come again</h2>
      <p>
        <b>{{ say.date(plan.next.date) }}</b>
      </p>
      <BecauseList :number="plan.next.days" :digits="0" />
    </section>
  </div>
</template>

<style scoped>
.hands {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 270px), 1fr));
  gap: 18px 32px;
  margin-top: 24px;
}
h2 {
  margin-bottom: 6px;
}
dl > div {
  display: grid;
  grid-template-columns: 78px 1fr;
  gap: 8px;
  padding: 3px 0;
}
dt {
  color: var(--ink2);
  font-weight: 600;
}
ul li {
  padding: 3px 0 3px 14px;
  text-indent: -14px;
  color: var(--ink2);
}
ul li::before {
  content: '– ';
}
ol li {
  padding: 3px 0;
}
ol b {
  display: inline-block;
  width: 22px;
  color: var(--rim);
}
.never {
  margin-top: 6px;
  font-weight: 700;
}
.lift {
  margin: 8px 0 4px;
}
</style>
