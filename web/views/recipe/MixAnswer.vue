<script setup lang="ts">
import UiFold from '../../ui/UiFold.vue'
import { computed } from 'vue'
import type { Dog } from '@core/dog'
import type { ShelvedProduct } from '@core/mix'
import { mainMix, productCost, type OwnChoice, type Override, type OverrideTarget, type Plan } from '@core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import { drawnParts } from './lineShapes'
import OwnNumber from './OwnNumber.vue'
import ProductChoice from './ProductChoice.vue'
import { bottleWords, partsWords, washesWords, zonesText } from '@words'
import { useSay } from '../../say'
import { useRoom } from '../../stores/room'

const say = useSay()
const room = useRoom()

const { plan, ownOf, shelf } = defineProps<{
  plan: Plan
  dog: Dog
  ownOf: (target: OverrideTarget) => Override | undefined
  shelf: ShelvedProduct[]
  reckon: (choice: OwnChoice) => Plan | undefined
}>()
const emit = defineEmits<{
  own: [own: Override]
  back: [target: OverrideTarget]
  take: [choice: OwnChoice]
}>()

const mix = computed(() => plan.mix)
const main = computed(() => mainMix(mix.value))
const when = (bottle: readonly (number | 'conditioner')[]) => washesWords(bottle, mix.value.passes.length, say)
/** Every product of every pass with its zones, said once when two passes agree. */
const lines = computed(() => {
  const seen = new Map<string, { name: string; zones: string; why: string; passes: number[] }>()
  mix.value.passes.forEach((pass, i) => {
    for (const m of pass.mixes) {
      const zones = zonesText(m.zones)
      const why = say.said(m.why)
      const key = `${m.product.id} ${why}`
      const line = seen.get(key) ?? { name: m.product.name, zones, why, passes: [] }
      line.passes.push(i + 1)
      seen.set(key, line)
    }
  })
  return [...seen.values()]
})
/** What the products for this dog cost, where prices are known. */
const cost = computed(() => {
  const { cost: amount, unknown } = productCost(plan, shelf)
  if (amount === 0) return undefined
  const money = `${say.number(amount, 2)} ${room.house?.prices.currency ?? ''}`.trim()
  return unknown.length > 0 ? `Products: ${money}, without ${say.list(unknown)}` : `Products: ${money}`
})
const cells = computed(() => drawnParts(main.value?.ratio.value))
const big = computed(() => partsWords(main.value?.ratio.value, say))
</script>

<template>
  <section class="basin" aria-labelledby="mix-title">
    <h2 id="mix-title" class="label">Shampoo</h2>
    <p class="big display" data-testid="ratio">{{ big }}</p>
    <template v-if="main">
      <svg
        v-if="cells > 0"
        class="parts"
        :viewBox="`0 0 ${(cells + 1) * 20} 26`"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <path
          v-for="i in cells + 1"
          :key="i"
          :d="`M${(i - 1) * 20 + 1} 1h18v16q0 8 -8 8h-2q-8 0 -8 -8Z`"
          :fill="i === 1 ? 'var(--rim)' : 'var(--water-tint)'"
          :stroke="i === 1 ? 'var(--rim)' : 'var(--water)'"
          stroke-width="1.4"
          vector-effect="non-scaling-stroke"
        />
      </svg>
      <ul class="bottles">
        <li v-for="bottle in mix.bottles" :key="`${bottle.product.id} ${bottle.passes.join()}`">
          <p class="amounts">
            <b class="when">{{ when(bottle.passes) }}</b>: <b>{{ bottle.product.name }}</b>
            <template v-if="bottle.blend">
              and <b>{{ bottle.blend.product.name }}</b></template
            >
          </p>
          <p v-if="bottle.waterMl > 0" class="amounts">
            <b>{{ say.volume(bottle.productMl) }}</b>
            <template v-if="bottle.blend">
              + <b>{{ say.volume(bottle.blend.productMl) }}</b></template
            >
            + <b>{{ say.volume(bottle.waterMl) }}</b> water
          </p>
          <p v-else class="amounts">
            <b>{{
              bottle.product.form === 'bar' ? `${say.number(bottle.productMl, 0)} g` : say.volume(bottle.productMl)
            }}</b>
          </p>
          <p v-for="line in bottleWords(bottle, say)" :key="line" class="soft small">{{ line }}</p>
        </li>
        <li v-if="mix.conditioner">
          <p v-if="mix.conditioner.waterMl === 0" class="amounts">
            After: <b>{{ mix.conditioner.product.name }}</b>
          </p>
          <p v-if="mix.conditioner.waterMl === 0" class="amounts">
            <b>{{ say.volume(mix.conditioner.productMl) }}</b>
          </p>
          <p class="soft small">{{ zonesText(mix.conditioner.zones) }}: {{ say.said(mix.conditionerWhy) }}</p>
        </li>
        <li v-else class="soft small">No conditioner: {{ say.said(mix.conditionerWhy) }}</li>
      </ul>
      <BecauseList :number="main.ratio" />
      <OwnNumber
        target="ratio"
        what="the ratio"
        :own="ownOf('ratio')"
        @own="emit('own', $event)"
        @back="emit('back', $event)"
      />
      <p v-if="cost" class="soft small">{{ cost }}</p>
      <p class="stays">
        <b>{{ say.number(main.contact.value) }} min</b> on the skin
      </p>
      <UiFold title="Which product where, and why">
        <p v-for="p in plan.finishing ?? []" :key="p.name" class="soft small">
          {{ p.name }} stays on the shelf: {{ say.said(p.why) }}.
        </p>
        <ul class="zones">
          <li v-for="line in lines" :key="line.name + line.why">
            <b>{{ line.name }}</b>, {{ line.zones }}
            <span class="soft small">({{ when(line.passes).toLowerCase() }}; {{ line.why }})</span>
          </li>
        </ul>
        <ProductChoice :plan="plan" :dog="dog" :shelf="shelf" :reckon="reckon" @take="emit('take', $event)" />
        <template v-if="main.others.length">
          <h3>Why not the others</h3>
          <p v-for="other in main.others" :key="other.name" class="small">
            <b>{{ other.name }}</b>: {{ say.said(other.why) }}
          </p>
        </template>
        <h3>Volume of the main mix, {{ say.figure(main.volume).unit }}</h3>
        <BecauseList :number="main.volume" :digits="0" />
        <OwnNumber
          target="volume"
          what="the volume of a wash"
          :own="ownOf('volume')"
          @own="emit('own', $event)"
          @back="emit('back', $event)"
        />
        <h3>Stays on, min</h3>
        <BecauseList :number="main.contact" />
        <OwnNumber
          target="contact"
          what="how long it stays"
          :own="ownOf('contact')"
          @own="emit('own', $event)"
          @back="emit('back', $event)"
        />
        <OwnNumber
          v-if="mix.passes.length > 1"
          target="firstContact"
          what="how long the first wash stays"
          :own="ownOf('firstContact')"
          @own="emit('own', $event)"
          @back="emit('back', $event)"
        />
        <OwnNumber
          v-if="mix.conditioner"
          target="conditioner"
          what="how long the conditioner stays"
          :own="ownOf('conditioner')"
          @own="emit('own', $event)"
          @back="emit('back', $event)"
        />
      </UiFold>
    </template>
    <p v-else class="soft">
      No shampoo on the shelf may go on this dog today.
      <RouterLink class="link" to="/shelf">To the shelf</RouterLink>
    </p>
  </section>
</template>

<style scoped src="./answer.css"></style>
<style scoped>
.parts {
  width: 100%;
  height: 26px;
  margin: 6px 0 8px;
}
.bottles li {
  padding: 4px 0;
}
.amounts {
  font-size: 15.5px;
}
.when {
  font-weight: 400;
}
.zones li {
  padding: 3px 0;
}
.stays {
  margin-top: 4px;
}
</style>
