<script setup lang="ts">
import type { Plan } from '../../../core/visit'
import { say } from '../../../core/units'
import BecauseList from '../../parts/BecauseList.vue'
import { longDate } from '../../parts/words'

const { plan } = defineProps<{ plan: Plan }>()
</script>

<template>
  <div class="hands">
    <section aria-labelledby="handling-title">
      <h2 id="handling-title">Handling</h2>
      <dl>
        <div>
          <dt>Tool</dt>
          <dd>{{ plan.handling.tool }}</dd>
        </div>
        <div>
          <dt>Pressure</dt>
          <dd>{{ plan.handling.pressure }}</dd>
        </div>
        <div>
          <dt>People</dt>
          <dd>
            {{ plan.handling.people === 2 ? 'two' : 'one'
            }}<template v-if="plan.handling.muzzle">. {{ plan.handling.muzzle }}</template>
          </dd>
        </div>
        <div>
          <dt>Pace</dt>
          <dd>
            {{ plan.handling.pace === 1 ? 'as usual' : `× ${say(plan.handling.pace, 2)} in every hands-on step` }}
          </dd>
        </div>
        <div>
          <dt>Breaks</dt>
          <dd>{{ plan.handling.breaks }}</dd>
        </div>
      </dl>
      <ul>
        <li v-for="note in plan.handling.notes" :key="note">{{ note }}</li>
      </ul>
    </section>
    <section v-if="plan.go" aria-labelledby="drop-title">
      <h2 id="drop-title">When the dog has had enough, drop in this order</h2>
      <ol>
        <li v-for="(drop, i) in plan.handling.drop" :key="drop.what">
          <b>{{ i + 1 }}</b> {{ drop.what
          }}<span v-if="drop.minutes" class="soft">, {{ say(drop.minutes, 0) }} min</span>
        </li>
      </ol>
      <p class="never">{{ plan.handling.never }}</p>
    </section>
    <section aria-labelledby="groomer-title">
      <h2 id="groomer-title">Your ears and back</h2>
      <p>
        Noise of this visit: <b>{{ say(plan.groomer.dose.value, 0) }} %</b> of a day’s dose
      </p>
      <BecauseList :number="plan.groomer.dose" :digits="0" />
      <p class="lift">
        Lift: limit <b>{{ say(plan.groomer.lift.limitKg) }} kg</b> for this reach and height<template
          v-if="plan.groomer.lift.index > 0 && Number.isFinite(plan.groomer.lift.index)"
          >, this dog is <b>{{ say(plan.groomer.lift.index) }} ×</b> that</template
        >.
        {{ plan.groomer.lift.advice }}
      </p>
      <ul v-if="plan.go">
        <li v-for="reminder in plan.drying.reminders" :key="reminder">{{ reminder }}</li>
      </ul>
    </section>
    <section aria-labelledby="next-title">
      <h2 id="next-title">Come again</h2>
      <p>
        <b>{{ longDate(plan.next.date) }}</b>
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
