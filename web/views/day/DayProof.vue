<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'

/** How good the day's order is, in words; a better one that was found behind all else; and the way to what it trades. */
defineProps<{ gap?: string; better?: string; looking: boolean; trades: boolean }>()
defineEmits<{ look: []; stop: []; take: []; trades: [] }>()
</script>

<template>
  <div class="proof small">
    <p role="status">
      <template v-if="better">{{ better }} <UiButton kind="link" @click="$emit('take')">Take it</UiButton></template>
      <template v-else-if="looking">
        <span class="soft">{{ gap }} Looking for a better order.</span>
        <UiButton kind="link" @click="$emit('stop')">Stop looking</UiButton>
      </template>
      <span v-else-if="gap" class="soft">{{ gap }}</span>
    </p>
    <UiButton v-if="!better && !looking && !gap" kind="link" @click="$emit('look')">Look for a better order</UiButton>
    <UiButton kind="link" :aria-expanded="trades" @click="$emit('trades')">What this order gives and takes</UiButton>
  </div>
</template>

<style scoped>
.proof {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  align-items: center;
  margin: 10px 0 0;
}
p {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: center;
}
/* nothing said takes no room, but is there for what comes to be said */
p:empty {
  margin-right: -18px;
}
</style>
