<script setup lang="ts">
import UiFold from '../../ui/UiFold.vue'

const {
  folded,
  title,
  open = false,
} = defineProps<{
  /** Whether it can be folded up; it always stands open otherwise. */
  folded: boolean
  /** What stands on it while it is shut. */
  title: string
  /** Something is noted: it stands open. */
  open?: boolean
}>()
</script>

<template>
  <UiFold v-if="folded" :title="title" :open="open"><slot /></UiFold>
  <div v-else><slot /></div>
</template>
