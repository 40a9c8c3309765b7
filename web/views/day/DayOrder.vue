<script setup lang="ts">
import type { Said } from '@core/said'
import type { DidCode } from '@core/washday'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'

const say = useSay()
/** The day's order: to make it anew, to take a change back, how good it is, and the way to what it gives and takes. */
defineProps<{
  /** Nothing is arranged yet, or it is being arranged. */
  arranging: boolean
  /** What undo takes back and redo does again. */
  undoes?: Said<DidCode>
  redoes?: Said<DidCode>
  gap?: string
  better?: string
  looking: boolean
  trades: boolean
  /** Whether there is an order to judge. */
  judged: boolean
}>()
defineEmits<{ arrange: []; undo: []; redo: []; look: []; stop: []; take: []; trades: [] }>()
</script>

<template>
  <div class="order">
    <UiButton v-if="!arranging" @click="$emit('arrange')">Arrange again</UiButton>
    <UiButton v-if="undoes" kind="link" @click="$emit('undo')">Undo {{ say.said(undoes) }}</UiButton>
    <UiButton v-if="redoes" kind="link" @click="$emit('redo')">Redo {{ say.said(redoes) }}</UiButton>
    <template v-if="judged">
      <p role="status">
        <template v-if="better">{{ better }} <UiButton kind="link" @click="$emit('take')">Take it</UiButton></template>
        <template v-else-if="looking">
          <span class="soft">{{ gap }} Looking for a better order.</span>
          <UiButton kind="link" @click="$emit('stop')">Stop looking</UiButton>
        </template>
        <span v-else-if="gap" class="soft">{{ gap }}</span>
      </p>
      <UiButton v-if="!better && !looking && !gap" kind="link" @click="$emit('look')">Look for a better order</UiButton>
      <UiButton kind="link" :aria-expanded="trades" @click="$emit('trades')">What another order would change</UiButton>
    </template>
  </div>
</template>

<style scoped>
.order {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
  margin-top: 8px;
}
p {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: center;
  font-size: 14.5px;
}
/* nothing said takes no room, but is there for what comes to be said */
p:empty {
  margin-right: -20px;
}
</style>
