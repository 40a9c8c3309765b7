<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { ZONE_NAMES, type Dog, type Zone } from '../../../core/dog'
import { Technique, type DryingPlan } from '../../../core/drying'
import { minutesText, say } from '../../../core/units'
import type { Override, OverrideTarget } from '../../../core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import ZoneDog from '../../parts/ZoneDog.vue'
import { FIXED } from './fixed'
import OwnNumber from './OwnNumber.vue'

const { drying, dog, puppy, own, technique } = defineProps<{
  drying: DryingPlan
  dog: Dog
  puppy: boolean
  own?: Override
  technique: Technique | null
}>()
const emit = defineEmits<{
  own: [own: Override]
  back: [target: OverrideTarget]
  technique: [technique: Technique | null]
}>()

const fixed = inject(FIXED, ref(false))
const WAYS = [
  { value: 'juvant', text: 'as reckoned' },
  ...Technique.options.map((value) => ({ value, text: value as string })),
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
        drying.zones.map((z) => [z.zone, { number: say(z.minutes, z.minutes < 3 ? 1 : 0), words: SHORT[z.zone] }]),
      ),
)
const most = computed(() => Math.max(...drying.zones.map((z) => z.grams)))
const depth = computed(() => Object.fromEntries(drying.zones.map((z) => [z.zone, z.grams / most.value])))
const how = computed(() => {
  const { choice } = drying
  if (choice.technique === 'air') return 'Towels, then warm room air'
  if (fan.value) return `${choice.fan!.name}, unheated, in front of the wire crate`
  const first = choice.fan ?? (choice.velocity !== choice.warm ? choice.velocity : undefined)
  return first ? `${first.name}, then ${choice.warm!.name} and brush` : `${choice.warm!.name} and brush`
})
const air = computed(() => {
  const body = drying.zones.find((z) => z.zone === 'back')
  const head = drying.zones.find((z) => z.zone === 'head')
  if (fan.value || !body || !head)
    return drying.combAt.length > 0
      ? `Comb through at ${drying.combAt.join(', ')} min. Look in often.`
      : 'Look in often.'
  const near = (z: typeof body) => `${z.setting} from ${say(z.distance * 100, 0)} cm`
  return `Body ${near(body)}, head ${near(head)}. At the coat at most ${body.limit} °C, head ${head.limit}.`
})
const reached = computed(() =>
  drying.stages
    .map(
      (s) =>
        `${say(s.grams, 0)} g ${s.after === 'bath' ? 'soaked' : s.after === 'towels' ? `after ${drying.towels} ${drying.towels === 1 ? 'towel' : 'towels'}` : `after the ${s.after}`}`,
    )
    .join(', '),
)
</script>

<template>
  <section class="basin" aria-labelledby="dry-title">
    <div class="split">
      <div class="words">
        <h2 id="dry-title" class="label">Drying</h2>
        <p class="big display" data-testid="drying">{{ minutesText(drying.minutes.value) }}</p>
        <p>
          <b>{{ how }}</b>
        </p>
        <p class="soft">{{ air }}</p>
        <p class="soft small">{{ drying.choice.why }}</p>
        <OwnNumber
          target="drying"
          what="the drying"
          :own="own"
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
    <details>
      <summary>Zone by zone, in order, and why not the others</summary>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th>Zone</th>
              <th>Fast air</th>
              <th>Warm and brush</th>
              <th>Setting</th>
              <th>Not nearer than</th>
              <th>Direction, nozzle</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="z in drying.zones" :key="z.zone">
              <th>{{ ZONE_NAMES[z.zone] }}</th>
              <td>{{ z.velocity > 0 ? `${say(z.velocity)} min` : 'none' }}</td>
              <td>{{ say(z.warm) }} min</td>
              <td>{{ z.setting }}</td>
              <td>{{ say(z.distance * 100, 0) }} cm</td>
              <td>
                {{ z.advice.direction }}; nozzle {{ z.advice.nozzle }}
                <span v-if="z.advice.caution" class="soft">{{ z.advice.caution }}</span>
                <span v-if="z.damp" class="soft">Damp on purpose: {{ z.damp }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <ChoiceRow
        v-if="!fixed"
        :model-value="technique ?? 'juvant'"
        label="Dry another way today"
        :options="WAYS"
        @update:model-value="emit('technique', $event === 'juvant' ? null : ($event as Technique))"
      />
      <p v-for="other in drying.choice.others" :key="other.name" class="small">
        <b>Not {{ other.name }}</b
        >: {{ other.why }}
      </p>
    </details>
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
.picture {
  min-width: 0;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 14.5px;
}
th,
td {
  padding: 5px 12px 5px 0;
  border-top: 1px solid var(--rule2);
  text-align: left;
}
td .soft {
  display: block;
}
thead th {
  border: 0;
  color: var(--ink2);
}
tbody th {
  font-weight: 600;
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
