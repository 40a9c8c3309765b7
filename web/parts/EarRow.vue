<script setup lang="ts">
import UiFold from '../ui/UiFold.vue'
import { EarSign, type EarLook } from '@core/dog'
import UiChoice from '../ui/UiChoice.vue'

const { side } = defineProps<{ side: 'Left' | 'Right' }>()
const look = defineModel<EarLook>({ required: true })

const waxes = [0, 1, 2, 3].map((value) => ({ value, text: ['none', 'a little', 'some', 'full'][value]! }))
const signs = EarSign.options.map((value) => ({ value, text: value }))

function put(part: Partial<EarLook>) {
  look.value = { ...look.value, ...part }
}
</script>

<template>
  <div class="ear">
    <h3>{{ side }} ear</h3>
    <UiChoice
      :model-value="look.wax"
      label="Wax"
      :options="waxes"
      @update:model-value="put({ wax: $event as number })"
    />
    <UiChoice
      :model-value="[...(look.moist ? ['moist'] : []), ...(look.hairBlocks ? ['hair'] : [])]"
      many
      label="Also"
      :options="[
        { value: 'moist', text: 'damp inside' },
        { value: 'hair', text: 'hair blocks it' },
      ]"
      @update:model-value="
        put({ moist: ($event as string[]).includes('moist'), hairBlocks: ($event as string[]).includes('hair') })
      "
    />
    <UiFold
      :title="look.signs.length > 0 ? `Signs for the vet: ${look.signs.length}` : 'Signs for the vet'"
      :open="look.signs.length > 0"
    >
      <UiChoice
        :model-value="look.signs"
        many
        label="Any of these stops the ear"
        :options="signs"
        @update:model-value="put({ signs: $event as EarSign[] })"
      />
    </UiFold>
  </div>
</template>

<style scoped>
.ear {
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
  flex: 1 1 260px;
}
</style>
