<script setup lang="ts">
import { computed } from 'vue'
import { list, say } from '../../../core/units'
import type { Override, OverrideTarget, WashPlan } from '../../../core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import OwnNumber from './OwnNumber.vue'

const { mix, own, ownContact } = defineProps<{ mix: WashPlan; own?: Override; ownContact?: Override }>()
const emit = defineEmits<{ own: [own: Override]; back: [target: OverrideTarget] }>()

const main = computed(() => mix.washes[mix.washes.length - 1])
const ORDINAL = ['first', 'second', 'third']
function when(passes: readonly number[]): string {
  if (mix.washes.length === 1) return 'One wash'
  return passes.length === mix.washes.length
    ? passes.length === 2
      ? 'For both washes'
      : `For all ${passes.length} washes`
    : `For the ${list(passes.map((p) => ORDINAL[p - 1]!))} wash`
}
const whyOf = (passes: readonly number[]) => [...new Set(passes.map((p) => mix.washes[p - 1]!.why))].join('; ')
const cells = computed(() => Math.min(20, Math.round(main.value?.ratio.value ?? 0)))
const big = computed(() => {
  if (!main.value) return 'Water only'
  const r = main.value.ratio.value
  return r === 0 ? 'As it comes' : `1 part + ${say(r)} water`
})
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
          :fill="i === 1 ? '#1F3F94' : '#BFE0E2'"
          :stroke="i === 1 ? '#1F3F94' : '#14646F'"
          stroke-width="1.4"
          vector-effect="non-scaling-stroke"
        />
      </svg>
      <ul class="passes">
        <li v-for="bottle in mix.bottles" :key="bottle.passes[0]">
          <p>
            <b>{{ when(bottle.passes) }}: {{ bottle.product.name }}</b>
          </p>
          <p class="amounts">
            <b>{{ say(bottle.productMl, 0) }} mL</b>
            in
            <b>{{ say(bottle.waterMl, 0) }} mL</b>
            of water at {{ say(bottle.waterC, 0) }} °C
          </p>
          <p v-if="bottle.measured" class="soft small">
            <template v-if="bottle.measured.ok">
              {{ bottle.measured.steps }} × {{ say(bottle.measured.step, 1) }} mL, {{ bottle.measured.tool }}: comes to
              1 + {{ say(bottle.measured.ratio) }}
            </template>
            <template v-else>{{ bottle.measured.why }}</template>
          </p>
          <p class="soft small">{{ whyOf(bottle.passes) }}</p>
        </li>
        <li v-if="mix.conditioner">
          <p>
            <b>After: {{ mix.conditioner.product.name }}</b
            >, {{ say(mix.conditioner.productMl, 0) }} mL<template v-if="mix.conditioner.waterMl > 0">
              in {{ say(mix.conditioner.waterMl, 0) }} mL</template
            >
          </p>
          <p class="soft small">{{ mix.conditionerWhy }}</p>
        </li>
        <li v-else class="soft small">No conditioner: {{ mix.conditionerWhy }}</li>
      </ul>
      <BecauseList :number="main.ratio" />
      <OwnNumber target="ratio" what="the ratio" :own="own" @own="emit('own', $event)" @back="emit('back', $event)" />
      <p class="stays">
        <b>{{ say(main.contact.value) }} min</b>
        on the skin
      </p>
      <details>
        <summary>Why this much, this long, this one</summary>
        <h3>Volume for each wash, mL</h3>
        <BecauseList :number="main.volume" :digits="0" />
        <h3>Stays on, min</h3>
        <BecauseList :number="main.contact" />
        <OwnNumber
          target="contact"
          what="how long it stays"
          :own="ownContact"
          @own="emit('own', $event)"
          @back="emit('back', $event)"
        />
        <h3 v-if="main.others.length">Why not the others</h3>
        <p v-for="other in main.others" :key="other.name" class="small">
          <b>{{ other.name }}</b>: {{ other.why }}
        </p>
      </details>
    </template>
    <p v-else class="soft">No shampoo on the shelf may go on this dog today.</p>
  </section>
</template>

<style scoped src="./answer.css"></style>
<style scoped>
.parts {
  width: 100%;
  height: 26px;
  margin: 6px 0 10px;
}
.passes li {
  padding: 5px 0;
}
.amounts {
  font-size: 15.5px;
}
.stays {
  margin-top: 4px;
}
</style>
