<script setup lang="ts">
import { computed } from 'vue'
import ViewLinks from './ViewLinks.vue'

/** From a date to the day, the week and the month around it. */
const { date, shown } = defineProps<{ date: string; shown: 'day' | 'week' | 'month' }>()
const views = computed(() => [
  { key: 'day', text: 'Day', to: `/days/${date}` },
  { key: 'week', text: 'Week', to: { name: 'days', query: { from: date, span: 'week' } } },
  { key: 'month', text: 'Month', to: { name: 'days', query: { from: date } } },
])
</script>

<template>
  <ViewLinks label="Day, week or month" :views="views" :shown="shown" />
</template>
