<script setup lang="ts">
import UiFold from '../../ui/UiFold.vue'

/** One line of the recipe: what it is about, what counts of it, and all of it behind a tap. */
const { about, open = false } = defineProps<{
  /** "Water". */
  about: string
  /** What counts, large: "36.5 °C". */
  big?: string
  more?: string
  /** Whether all of it is in sight. */
  open?: boolean
}>()
</script>

<template>
  <UiFold :key="String(open)" class="recipe-line" row :open="open">
    <template #title>
      <span class="about">{{ about }}</span>
      <span v-if="big" class="counts display">{{ big }}</span>
      <span v-if="more" class="more">{{ more }}</span>
      <slot name="line" />
    </template>
    <slot />
  </UiFold>
</template>

<style scoped>
.recipe-line {
  border-top: 1.5px solid var(--rule2);
}
.about {
  flex: none;
  width: 92px;
  color: var(--ink2);
  font-weight: 600;
}
.counts {
  flex: none;
  font-size: 23px;
  line-height: 1.2;
}
.more {
  flex: 1 1 260px;
  min-width: 0;
  color: var(--ink);
  font-weight: 400;
}
.recipe-line :deep(section.basin) {
  max-width: 620px;
  padding: 0 0 0 30px;
  border: 0;
  border-radius: 0;
}
@media (max-width: 640px) {
  .about {
    width: auto;
    min-width: 64px;
  }
  .recipe-line :deep(section.basin) {
    padding: 0;
  }
  .more {
    flex-basis: 100%;
  }
}
</style>
