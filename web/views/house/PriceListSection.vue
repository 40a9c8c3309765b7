<script setup lang="ts">
import { computed } from 'vue'
import { Service } from '@core/dog'
import { PRICE_SIZES, type House } from '@core/house'
import { capital, PRICE_SIZE_NAMES, rangeWords, SERVICE_NAMES, sizeBands } from '@words'
import CentsText from '../../parts/CentsText.vue'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiCheck from '../../ui/UiCheck.vue'
import UiFold from '../../ui/UiFold.vue'
import UiNumber from '../../ui/UiNumber.vue'
import type { HouseErrors } from './errors'

const { errors } = defineProps<{ errors: HouseErrors }>()
const house = defineModel<House>({ required: true })
const say = useSay()
const list = computed(() => house.value.priceList)
const kinds = computed(() => Service.options.filter((s) => list.value.services[s]))
const others = computed(() => Service.options.filter((s) => !list.value.services[s]))
const bands = computed(() => sizeBands(say))
const put = (service: Service, i: number, cents: number | null) =>
  (list.value.services[service] = list.value.services[service]!.map((c, at) => (at === i ? cents : c)))
/** A kind that was just added, or has no price yet, is open to be typed. */
const isNew = (service: Service) => !begun.includes(service)
const begun = Service.options.filter((s) => list.value.services[s]?.some((cents) => cents !== null))
const kindLine = (service: Service) =>
  rangeWords(service, list.value.services[service] ?? [], house.value.prices.currency, say)
const EXTRAS = [
  { key: 'matsTen', label: 'Mats, each started 10 min' },
  { key: 'fleas', label: 'Flea bath' },
  { key: 'helper', label: 'A second person holds' },
  { key: 'medicated', label: 'Medicated product' },
  { key: 'teeth', label: 'Teeth' },
  { key: 'glands', label: 'Glands, where allowed' },
  { key: 'outOfHours', label: 'Out of hours' },
] as const
const more = computed(() => {
  const { secondDog, regular, noShow, late } = list.value
  const set =
    EXTRAS.filter(({ key }) => list.value[key] !== null).length +
    [secondDog, regular, noShow, late].filter((percent) => percent > 0).length
  return set === 0 ? 'Extras and rules' : `Extras and rules: ${set}`
})
</script>

<template>
  <section class="basin">
    <h2>What you ask, {{ house.prices.currency }}</h2>
    <p class="soft">A dog’s own price goes before it; what is typed for one visit before both.</p>
    <UiFold
      v-for="service in kinds"
      :key="service"
      :title="kindLine(service)"
      :open="isNew(service) || Object.keys(errors).some((k) => k.startsWith(`priceList.services.${service}[`))"
    >
      <div class="rows">
        <CentsText
          v-for="(size, i) in PRICE_SIZES"
          :key="size"
          class="cents"
          :label="`${capital(PRICE_SIZE_NAMES[size])}, ${bands[i]}`"
          :model-value="list.services[service]![i]!"
          :error="errors[`priceList.services.${service}[${i}]`]"
          @update:model-value="put(service, i, $event)"
        />
        <UiButton kind="link" class="low" @click="delete list.services[service]"
          >Leave out<span class="hidden">: {{ SERVICE_NAMES[service] }}</span></UiButton
        >
      </div>
    </UiFold>
    <p class="add">
      {{ kinds.length === 0 ? 'Begin with' : 'Add' }}
      <UiButton
        v-for="service in others"
        :key="service"
        kind="link"
        @click="list.services[service] = PRICE_SIZES.map(() => null)"
        >{{ SERVICE_NAMES[service] }}</UiButton
      >
    </p>
    <UiFold
      :title="more"
      :open="Object.keys(errors).some((k) => k.startsWith('priceList.') && !k.includes('services'))"
    >
      <h3>Extras</h3>
      <div class="rows">
        <CentsText
          v-for="{ key, label } in EXTRAS"
          :key="key"
          v-model="list[key]"
          :label="label"
          :error="errors[`priceList.${key}`]"
        />
      </div>
      <h3>Reductions</h3>
      <div class="rows">
        <UiNumber
          v-model="list.secondDog"
          label="Second dog of an owner, % off"
          :error="errors['priceList.secondDog']"
        />
        <UiNumber v-model="list.regular" label="Comes within 6 weeks, % off" :error="errors['priceList.regular']" />
      </div>
      <h3>When a dog doesn’t come</h3>
      <div class="rows">
        <UiNumber v-model="list.noShow" label="Nobody came, % of the price" :error="errors['priceList.noShow']" />
        <UiNumber v-model="list.late" label="Called off late, %" :error="errors['priceList.late']" />
        <UiNumber v-model="list.lateHours" label="Late is under, h" :error="errors['priceList.lateHours']" />
      </div>
      <h3>Tax, rounding, an hour</h3>
      <div class="rows">
        <UiNumber v-model="list.tax" label="Tax in your prices, %" :error="errors['priceList.tax']" />
        <CentsText
          :model-value="list.step"
          label="Rounded to"
          :error="errors['priceList.step']"
          @update:model-value="list.step = $event ?? 100"
        />
        <CentsText v-model="list.hour" label="An hour of hands is to earn" :error="errors['priceList.hour']" />
      </div>
      <UiCheck v-model="list.atTub">Devices at the tub are told prices and what was paid</UiCheck>
    </UiFold>
  </section>
</template>

<style scoped>
h3 {
  margin: 14px 0 6px;
}
.cents {
  max-width: 140px;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: center;
  margin-top: 8px;
}
</style>
