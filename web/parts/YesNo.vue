<script setup lang="ts">
import UiChoice from '../ui/UiChoice.vue'

const { label } = defineProps<{ label: string }>()
/** Null: not answered. */
const yes = defineModel<boolean | null>({ required: true })
const OPTIONS = [
  { value: 'yes', text: 'yes' },
  { value: 'no', text: 'no' },
]
</script>

<template>
  <UiChoice
    :model-value="yes === null ? '' : yes ? 'yes' : 'no'"
    :label="label"
    :options="OPTIONS"
    @update:model-value="yes = $event === 'yes'"
  />
</template>
