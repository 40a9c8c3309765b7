<script setup lang="ts">
import { WISHED, type Wished } from '@core/day'
import { WISH_WEIGHTS, type House, type WishWeight } from '@core/house'
import { TERM_WORDS, WISH_WEIGHT_WORDS } from '@words'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'

const house = defineModel<House>({ required: true })
const ALL = WISH_WEIGHTS.map((value) => ({ value, text: WISH_WEIGHT_WORDS[value] }))
/** What always counts can only count more. */
const ALWAYS = ALL.filter((w) => w.value === 'usual' || w.value === 'much')
const set = (wish: Wished, weight: unknown) => (house.value.wishes[wish] = weight as WishWeight)
const choices = (wish: Wished) => (wish === 'end' || wish === 'stays' ? ALWAYS : ALL)
</script>

<template>
  <section class="basin">
    <h2>Wishes of a day</h2>
    <p class="soft">
      What counts how much when a day is arranged. That nobody waits for a dog that isn’t ready always comes first; a
      stop, hot water and the circuit are never weighed against anything.
    </p>
    <div class="wishes">
      <UiField v-for="wish in WISHED" :key="wish" :label="TERM_WORDS[wish].name" :for-id="`wish-${wish}`">
        <UiSelect
          :id="`wish-${wish}`"
          :model-value="house.wishes[wish] ?? 'usual'"
          :options="choices(wish)"
          @update:model-value="set(wish, $event)"
        />
      </UiField>
    </div>
  </section>
</template>

<style scoped>
.wishes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 260px), 1fr));
  gap: 12px 22px;
  margin-top: 10px;
}
</style>
