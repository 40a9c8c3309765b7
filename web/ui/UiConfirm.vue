<script setup lang="ts">
import { Popconfirm } from 'ant-design-vue'

const { question, yes, no } = defineProps<{
  /** Names what is affected. */
  question: string
  yes: string
  no: string
}>()
const emit = defineEmits<{ yes: [] }>()
</script>

<template>
  <Popconfirm :title="question" :ok-text="yes" :cancel-text="no" placement="topLeft" @confirm="emit('yes')">
    <slot />
  </Popconfirm>
</template>
