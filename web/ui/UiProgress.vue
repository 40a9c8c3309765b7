<script setup lang="ts">
import { Progress } from 'ant-design-vue'

const { share, label } = defineProps<{
  /** From 0 to 1. */
  share: number
  label: string
}>()
</script>

<template>
  <Progress
    class="ui-progress"
    :percent="Math.round(100 * share)"
    :show-info="false"
    size="small"
    role="progressbar"
    :aria-label="label"
    :aria-valuenow="Math.round(100 * share)"
    aria-valuemin="0"
    aria-valuemax="100"
  />
</template>
