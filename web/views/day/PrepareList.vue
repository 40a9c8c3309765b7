<script setup lang="ts">
import UiCheck from '../../ui/UiCheck.vue'
import { computed } from 'vue'
import { LABELS } from '@contract'
import { prepareList, type DayFacts, type DayState } from '@core/washday'
import StateMark from '../../parts/StateMark.vue'
import { useSay } from '../../say'
import { mixName, mixWords, mixedFor } from '@words'

const say = useSay()

const { facts, state } = defineProps<{ facts: DayFacts; state: DayState }>()
const emit = defineEmits<{ tick: [ids: string[]] }>()

const prepared = computed(() => prepareList(facts, state))
const ticked = computed(() => new Set(facts.day.ticks))
function toggle(id: string, on: boolean) {
  emit('tick', on ? [...facts.day.ticks, id] : facts.day.ticks.filter((t) => t !== id))
}
/** A label for every vessel of a mix, on a receipt strip. */
function labelOf(mix: (typeof prepared.value.mixes)[number]['mix']): string {
  const query = new URLSearchParams({
    paper: 'strip',
    made: facts.day.date,
    count: String(Math.min(LABELS.most, Math.max(1, mix.vessels.length))),
    dog: say.list(mix.seats.map((s) => s.name)).slice(0, LABELS.longest),
    from: window.location.origin,
  })
  return `/api/products/${mix.productId}/label.pdf?${query.toString()}`
}
const left = computed(
  () => [...prepared.value.mixes, ...prepared.value.things].filter((t) => !ticked.value.has(t.id)).length,
)
</script>

<template>
  <div class="prepare">
    <section aria-labelledby="mix-title">
      <h2 id="mix-title">Mix before you start</h2>
      <p v-if="prepared.mixes.length === 0" class="soft">
        Nothing to mix: no dog of this day is washed with a diluted product.
      </p>
      <ul>
        <li v-for="m in prepared.mixes" :key="m.id" class="basin" :class="{ ticked: ticked.has(m.id) }">
          <UiCheck :model-value="ticked.has(m.id)" @update:model-value="toggle(m.id, $event)">
            <span class="what">
              <span class="product display">{{ mixName(m.mix) }}</span>
              <span class="soft"
                >1 part product + {{ say.number(m.mix.ratio, 1) }} parts water,
                {{ say.volume(m.mix.neededMl) }} needed</span
              >
              <span v-for="line in mixWords(m.mix, say)" :key="line" class="fill">{{ line }}</span>
              <span class="soft">For {{ mixedFor(m.mix, say) }}. {{ say.volume(m.mix.leftoverMl) }} left over.</span>
              <span v-if="m.mix.later" class="later"><StateMark state="watch" :size="18" />later</span>
            </span>
          </UiCheck>
          <a class="link small" :href="labelOf(m.mix)" target="_blank" rel="noopener">
            Label<span class="hidden"> for {{ mixName(m.mix) }}</span>
          </a>
        </li>
      </ul>
    </section>
    <section aria-labelledby="lay-title">
      <h2 id="lay-title">Lay out</h2>
      <ul>
        <li v-for="t in prepared.things" :key="t.id" class="basin" :class="{ ticked: ticked.has(t.id) }">
          <UiCheck :model-value="ticked.has(t.id)" @update:model-value="toggle(t.id, $event)">
            <span class="what">
              <span class="product">{{ say.said(t.what) }}</span>
              <span class="soft">{{
                say.list(t.who.map((w) => (w.count === null ? w.name : `${w.name} ${w.count}`)))
              }}</span>
            </span>
          </UiCheck>
        </li>
      </ul>
      <p class="soft small">
        {{ left === 0 ? 'All is ready.' : `${left} to go.` }} Diluted product is for today: what is left is thrown away,
        unless its label says more.
      </p>
    </section>
  </div>
</template>

<style scoped>
.prepare {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 20px;
  margin-top: 10px;
}
li {
  margin-top: 10px;
}
.what {
  display: flex;
  flex-direction: column;
  gap: 2px;
}
.product {
  font-size: 18px;
}
.fill {
  font-size: 16px;
}
.ticked {
  border-top-color: var(--ok);
}
.ticked .product,
.ticked .fill {
  color: var(--ink2);
}
.later {
  display: flex;
  gap: 6px;
  color: var(--watch);
  font-weight: 600;
}
.small {
  margin-top: 10px;
}
</style>
