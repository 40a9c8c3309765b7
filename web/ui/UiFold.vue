<script setup lang="ts">
import { Collapse, CollapsePanel } from 'ant-design-vue'
import { ref, watch } from 'vue'

const { title, open = false } = defineProps<{
  /** What stands on it while it is shut; a slot of the same name may take its place. */
  title?: string
  /** Whether it stands open at first; turning true, it opens. */
  open?: boolean
}>()
/** It was opened, at first or by hand. */
const emit = defineEmits<{ opened: [] }>()
const keys = ref<string[]>(open ? ['fold'] : [])
watch(keys, (now) => now.length > 0 && emit('opened'))
watch(
  () => open,
  (now) => now && (keys.value = ['fold']),
)
</script>

<template>
  <Collapse v-model:active-key="keys" class="ui-fold" ghost>
    <CollapsePanel key="fold">
      <template #header
        ><slot name="title">{{ title }}</slot></template
      >
      <slot />
    </CollapsePanel>
  </Collapse>
</template>
