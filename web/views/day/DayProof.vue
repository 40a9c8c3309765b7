<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'

/** How good the day's order is, in words; a better one that was found behind all else. */
defineProps<{ gap?: string; better?: string; looking: boolean }>()
defineEmits<{ stop: []; take: [] }>()
</script>

<template>
  <p class="proof small" role="status">
    <template v-if="better">{{ better }} <UiButton kind="link" @click="$emit('take')">Take it</UiButton></template>
    <template v-else-if="looking">
      <span class="soft">{{ gap }} Looking for a better order.</span>
      <UiButton kind="link" @click="$emit('stop')">Stop looking</UiButton>
    </template>
    <span v-else class="soft">{{ gap }}</span>
  </p>
</template>

<style scoped>
.proof {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: center;
  margin: 10px 0 0;
}
</style>
