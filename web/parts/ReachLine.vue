<script setup lang="ts">
import { computed } from 'vue'
import { telOf } from '@core/dog'

const { who, to, contact } = defineProps<{
  who: string
  /** Where more of them stands. */
  to?: string
  /** How to reach them, as it was typed: a number in it is called by a tap. */
  contact: string
}>()
const phone = computed(() => telOf(contact))
</script>

<template>
  <p class="reach">
    <RouterLink v-if="to && who" class="link" :to="to">{{ who }}</RouterLink>
    <template v-else>{{ who }}</template>
    {{ ' ' }}
    <a v-if="phone" class="link" :href="`tel:${phone}`">{{ contact }}</a>
    <template v-else>{{ contact }}</template>
  </p>
</template>

<style scoped>
.reach {
  overflow-wrap: anywhere;
}
</style>
