<script setup lang="ts">
import { Collapse, CollapsePanel } from 'ant-design-vue'
import { ref, watch } from 'vue'

const {
  title,
  open = false,
  row = false,
} = defineProps<{
  /** What stands on it while it is shut; a slot of the same name may take its place. */
  title?: string
  /** Whether it stands open at first; turning true, it opens. */
  open?: boolean
  /** What stands on it is a row of a list, not a link. */
  row?: boolean
}>()
/** It was opened, at first or by hand. */
const emit = defineEmits<{ opened: [] }>()
const keys = ref<string[]>(open ? ['fold'] : [])
/** Opens and shuts at once: nothing moves away from under a finger. */
const AT_ONCE = { css: false }
/** Whether the library’s panel is open, which its types don’t tell. */
const shown = (panel: unknown) => (panel as { isActive?: boolean }).isActive === true
watch(keys, (now) => now.length > 0 && emit('opened'))
watch(
  () => open,
  (now) => now && (keys.value = ['fold']),
)
</script>

<template>
  <Collapse v-model:active-key="keys" class="ui-fold" :class="{ row }" ghost :open-animation="AT_ONCE">
    <template #expandIcon="panel"
      ><span class="ui-fold-mark" :class="{ open: shown(panel) }" aria-hidden="true"
    /></template>
    <CollapsePanel key="fold">
      <template #header
        ><slot name="title">{{ title }}</slot></template
      >
      <slot />
    </CollapsePanel>
  </Collapse>
</template>
