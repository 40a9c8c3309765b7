<script setup lang="ts">
import { computed } from 'vue'
import type { ShelvedProduct } from '../../../core/mix'
import { capital, list, say } from '../../../core/units'
import {
  mainMix,
  zonesText,
  type Override,
  type OverrideTarget,
  type OwnProduct,
  type WashPlan,
} from '../../../core/visit'
import BecauseList from '../../parts/BecauseList.vue'
import OwnNumber from './OwnNumber.vue'
import ProductChoice from './ProductChoice.vue'

const { mix, own, ownContact, shelf, ownProducts } = defineProps<{
  mix: WashPlan
  own?: Override
  ownContact?: Override
  shelf: ShelvedProduct[]
  ownProducts: OwnProduct[]
}>()
const emit = defineEmits<{
  own: [own: Override]
  back: [target: OverrideTarget]
  product: [own: OwnProduct]
  productBack: [pass: OwnProduct['pass']]
}>()

const main = computed(() => mainMix(mix))
const ORDINAL = ['first', 'second', 'third']
function when(passes: readonly number[]): string {
  const all = mix.passes.length
  if (all === 1) return 'One wash'
  if (passes.length === all) return all === 2 ? 'Both washes' : `All ${all} washes`
  return capital(`${list(passes.map((p) => ORDINAL[p - 1]!))} wash`)
}
/** Every product of every pass with its zones, said once when two passes agree. */
const lines = computed(() => {
  const seen = new Map<string, { name: string; zones: string; why: string; passes: number[] }>()
  mix.passes.forEach((pass, i) => {
    for (const m of pass.mixes) {
      const zones = zonesText(m.zones)
      const key = `${m.product.id} ${m.why}`
      const line = seen.get(key) ?? { name: m.product.name, zones, why: m.why, passes: [] }
      line.passes.push(i + 1)
      seen.set(key, line)
    }
  })
  return [...seen.values()]
})
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
      <ul class="bottles">
        <li v-for="bottle in mix.bottles" :key="`${bottle.product.id} ${bottle.passes.join()}`">
          <p class="amounts">
            <b class="when">{{ when(bottle.passes) }}</b>: <b>{{ bottle.product.name }}</b>
          </p>
          <p v-if="bottle.waterMl > 0" class="amounts">
            <b>{{ say(bottle.productMl, 0) }} mL</b> + <b>{{ say(bottle.waterMl, 0) }} mL</b> water
          </p>
          <p v-else class="amounts">
            <b>{{ say(bottle.productMl, 0) }} {{ bottle.product.form === 'bar' ? 'g' : 'mL' }}</b>
          </p>
          <p class="soft small">{{ bottle.filling }}</p>
          <p v-if="bottle.measured" class="soft small">
            <template v-if="bottle.measured.ok"
              >{{ bottle.measured.steps }} × {{ say(bottle.measured.step, 1) }} mL, {{ bottle.measured.tool }}: comes to
              1 + {{ say(bottle.measured.ratio) }}, {{ say(100 * bottle.measured.error, 0) }} % off</template
            >
            <template v-else>{{ bottle.measured.why }}</template>
          </p>
        </li>
        <li v-if="mix.conditioner">
          <p class="amounts">
            After: <b>{{ mix.conditioner.product.name }}</b>
          </p>
          <p class="amounts">
            <b>{{ say(mix.conditioner.productMl, 0) }} mL</b>
            <template v-if="mix.conditioner.waterMl > 0">
              + <b>{{ say(mix.conditioner.waterMl, 0) }} mL</b> water</template
            >
          </p>
          <p class="soft small">{{ zonesText(mix.conditioner.zones) }}: {{ mix.conditionerWhy }}</p>
        </li>
        <li v-else class="soft small">No conditioner: {{ mix.conditionerWhy }}</li>
      </ul>
      <BecauseList :number="main.ratio" />
      <OwnNumber target="ratio" what="the ratio" :own="own" @own="emit('own', $event)" @back="emit('back', $event)" />
      <p class="stays">
        <b>{{ say(main.contact.value) }} min</b> on the skin
      </p>
      <details>
        <summary>Which product where, and why</summary>
        <ul class="zones">
          <li v-for="line in lines" :key="line.name + line.why">
            <b>{{ line.name }}</b>, {{ line.zones }}
            <span class="soft small">({{ when(line.passes).toLowerCase() }}; {{ line.why }})</span>
          </li>
        </ul>
        <ProductChoice
          :mix="mix"
          :shelf="shelf"
          :own="ownProducts"
          @product="emit('product', $event)"
          @back="emit('productBack', $event)"
        />
        <template v-if="main.others.length">
          <h3>Why not the others</h3>
          <p v-for="other in main.others" :key="other.name" class="small">
            <b>{{ other.name }}</b>: {{ other.why }}
          </p>
        </template>
        <h3>Volume of the main mix, {{ main.volume.unit }}</h3>
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
