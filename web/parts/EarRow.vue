<script setup lang="ts">
import { EarSign, type EarLook } from '../../core/dog'
import ChoiceRow from './ChoiceRow.vue'

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
    <ChoiceRow
      :model-value="look.wax"
      label="Wax"
      :options="waxes"
      @update:model-value="put({ wax: $event as number })"
    />
    <ChoiceRow
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
    <details :open="look.signs.length > 0">
      <summary>
        Signs for the vet
        <span v-if="look.signs.length">: {{ look.signs.length }}</span>
      </summary>
      <ChoiceRow
        :model-value="look.signs"
        many
        label="Any of these stops the ear"
        :options="signs"
        @update:model-value="put({ signs: $event as EarSign[] })"
      />
    </details>
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
