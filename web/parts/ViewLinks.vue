<script setup lang="ts">
import type { RouteLocationRaw } from 'vue-router'

const { label, views, shown } = defineProps<{
  /** What the links are between, for screen readers. */
  label: string
  /** In order; `wrong`: something there needs another look. */
  views: readonly { key: string; text: string; to: RouteLocationRaw; wrong?: boolean }[]
  /** The key of what is shown. */
  shown: string
}>()
</script>

<template>
  <nav class="view-links" :aria-label="label">
    <RouterLink
      v-for="v in views"
      :key="v.key"
      :to="v.to"
      :aria-current="shown === v.key ? 'page' : undefined"
      :class="{ on: shown === v.key, wrong: v.wrong }"
      >{{ v.text }}<span v-if="v.wrong" class="hidden">, needs another look</span></RouterLink
    >
  </nav>
</template>

<style scoped>
.view-links {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: center;
}
a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 4px;
  border-bottom: 3px solid transparent;
  color: var(--ink2);
  font-weight: 600;
  text-decoration: none;
}
a.on {
  border-bottom-color: var(--rim);
  color: var(--ink);
}
a.wrong {
  color: var(--stop);
}
/* where the device sets the colours every border is drawn: only what is shown has one */
@media (forced-colors: active) {
  a:not(.on) {
    border-bottom-color: canvas;
  }
}
</style>
