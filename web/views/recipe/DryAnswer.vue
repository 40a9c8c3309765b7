<script setup lang="ts">
import UiFold from '../../ui/UiFold.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, defineAsyncComponent, inject, ref } from 'vue'
import { type Dog, type Zone } from '@core/dog'
import { Technique, type DryingPlan } from '@core/drying'
import type { Override, OverrideTarget } from '@core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import UiChoice from '../../ui/UiChoice.vue'
import ZoneDog from '../../parts/ZoneDog.vue'
import { FIXED } from './fixed'
import OwnNumber from './OwnNumber.vue'
import { useSay } from '../../say'
import { dryersWords, TECHNIQUE_NAMES } from '@words'

const say = useSay()

const { drying, dog, puppy, ownOf, technique, chamois } = defineProps<{
  drying: DryingPlan
  dog: Dog
  puppy: boolean
  ownOf: (target: OverrideTarget) => Override | undefined
  technique: Technique | null
  chamois: boolean
}>()
const emit = defineEmits<{
  own: [own: Override]
  back: [target: OverrideTarget]
  technique: [technique: Technique | null]
}>()

/** Its table loads when somebody unfolds it. */
const DryZones = defineAsyncComponent(() => import('./DryZones.vue'))
const fixed = inject(FIXED, ref(false))
const WAYS = [
  { value: 'juvant', text: 'as reckoned' },
  ...Technique.options.map((value) => ({ value, text: TECHNIQUE_NAMES[value] })),
]

const SHORT: Record<Zone, string> = {
  head: 'head',
  ears: 'ears',
  neck: 'neck',
  back: 'back',
  belly: 'belly',
  forelegs: 'forelegs',
  hindlegs: 'hindlegs',
  feet: 'feet',
  tail: 'tail',
}
const fan = computed(() => drying.choice.technique === 'fan' || drying.choice.technique === 'air')
const labels = computed(() =>
  fan.value
    ? {}
    : Object.fromEntries(
        drying.zones.map((z) => [
          z.zone,
          { number: say.number(z.minutes, z.minutes < 3 ? 1 : 0), words: SHORT[z.zone] },
        ]),
      ),
)
const most = computed(() => Math.max(...drying.zones.map((z) => z.grams)))
const depth = computed(() => Object.fromEntries(drying.zones.map((z) => [z.zone, z.grams / most.value])))
const how = computed(() => dryersWords(drying, say))
const air = computed(() => {
  // of a dog that is washed in part the legs stand for the body, and the head stays dry
  const body = drying.zones.find((z) => z.zone === 'back') ?? drying.zones.find((z) => z.zone === 'hindlegs')
  const head = drying.zones.find((z) => z.zone === 'head')
  if (fan.value || !body)
    return drying.combAt.length > 0
      ? `Comb through at ${drying.combAt.join(', ')} min. Look in often.`
      : 'Look in often.'
  const near = (z: typeof body) => {
    if (z.by === 'cloth') return 'by cloth'
    return z.distance === null ? 'no warm air in this room' : `${z.setting} from ${say.distance(z.distance)}`
  }
  const limit = `At the coat at most ${say.temperature(body.limit)}`
  if (!head) return `Body ${near(body)}. ${limit}.`
  return `Body ${near(body)}, head ${near(head)}. ${limit}, head ${say.temperature(head.limit)}.`
})
const reached = computed(() =>
  drying.stages
    .map(
      (s) =>
        `${say.number(s.grams, 0)} g ${s.after === 'bath' ? 'soaked' : s.after === 'towels' ? (chamois ? 'after the chamois' : `after ${say.count(drying.towels, 'towel')}`) : `after the ${s.after}`}`,
    )
    .join(', '),
)
</script>

<template>
  <section class="basin" aria-labelledby="dry-title">
    <div class="split">
      <div class="words">
        <h2 id="dry-title" class="label">Drying</h2>
        <p class="big display" data-testid="drying">{{ say.minutes(drying.minutes.value) }}</p>
        <p>
          <b>{{ how }}</b>
        </p>
        <p class="soft">{{ air }}</p>
        <p class="soft small">{{ say.said(drying.choice.why) }}</p>
        <OwnNumber
          target="drying"
          what="the drying"
          :own="ownOf('drying')"
          @own="emit('own', $event)"
          @back="emit('back', $event)"
        />
      </div>
      <div class="picture">
        <ZoneDog
          :dog="dog"
          :puppy="puppy"
          :labels="labels"
          :depth="depth"
          title="Minutes of drying by zone; darker holds more water"
        />
        <p class="soft small">Water in the coat: {{ reached }}. Darker zones hold more.</p>
      </div>
    </div>
    <BecauseList class="why" :number="drying.minutes" />
    <UiFold title="Zone by zone, in order, and the other ways">
      <DryZones :zones="drying.zones" />
      <UiChoice
        v-if="!fixed"
        :model-value="technique ?? 'juvant'"
        label="Dry another way today"
        :options="WAYS"
        @update:model-value="emit('technique', $event === 'juvant' ? null : ($event as Technique))"
      />
      <ul class="ways">
        <li v-for="other in drying.others" :key="other.technique">
          <b>{{ TECHNIQUE_NAMES[other.technique] }}</b>
          <span>{{ say.minutes(other.minutes) }}, {{ say.minutes(other.handMinutes) }} of hands</span>
          <span class="soft small">{{ say.said(other.against) }}{{ other.dries ? '' : '; would not dry' }}</span>
          <UiButton v-if="!fixed" kind="link" @click="emit('technique', other.technique)">
            Take it<span class="hidden">: {{ TECHNIQUE_NAMES[other.technique] }}</span>
          </UiButton>
        </li>
      </ul>
      <OwnNumber
        target="distance"
        what="the distance"
        :own="ownOf('distance')"
        @own="emit('own', $event)"
        @back="emit('back', $event)"
      />
      <OwnNumber
        target="towels"
        :what="chamois ? 'the wrings' : 'the towels'"
        :own="ownOf('towels')"
        @own="emit('own', $event)"
        @back="emit('back', $event)"
      />
    </UiFold>
  </section>
</template>

<style scoped src="./answer.css"></style>
<style scoped>
.split {
  display: grid;
  grid-template-columns: minmax(0, 218px) minmax(0, 1fr);
  gap: 18px;
}
.why {
  columns: 2;
  column-gap: 24px;
  margin-top: 8px;
}
.ways li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
  padding: 5px 0;
  border-top: 1px solid var(--rule2);
}
.picture {
  min-width: 0;
}
@media (max-width: 700px) {
  .why {
    columns: 1;
  }
  .split {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
