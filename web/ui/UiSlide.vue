<script setup lang="ts">
import { Slider } from 'ant-design-vue'

const {
  label,
  from,
  to,
  step = 1,
} = defineProps<{
  label: string
  from: number
  to: number
  step?: number
}>()
const value = defineModel<number>({ required: true })
</script>

<template>
  <Slider
    class="ui-slide"
    :value="value"
    :min="from"
    :max="to"
    :step="step"
    :tooltip-open="false"
    :aria-label-for-handle="label"
    :handle-style="{ touchAction: 'none' }"
    @update:value="value = Number($event)"
  />
</template>
