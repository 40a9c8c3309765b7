<script setup lang="ts">
import { computed } from 'vue'
import { telOf } from '@core/dog'

const { who, contact } = defineProps<{
  who: string
  /** How to reach them, as it was typed: a number in it is called by a tap. */
  contact: string
}>()
const phone = computed(() => telOf(contact))
</script>

<template>
  <p class="reach">
    {{ who }}
    <a v-if="phone" class="link" :href="`tel:${phone}`">{{ contact }}</a>
    <template v-else>{{ contact }}</template>
  </p>
</template>

<style scoped>
.reach {
  overflow-wrap: anywhere;
}
</style>
