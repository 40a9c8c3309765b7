<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { Drawer } from 'ant-design-vue'
import { nextTick, useTemplateRef, watch } from 'vue'

const { title } = defineProps<{
  /** What it is for: "Add a dog". */
  title: string
}>()
const open = defineModel<boolean>({ required: true })
const inside = useTemplateRef('inside')
// one that comes open was opened by whoever has the focus as it comes
let before: Element | null = open.value ? document.activeElement : null

/** Gives the focus back to whoever opened it, unless it went elsewhere meanwhile. */
function giveBack() {
  const { activeElement: at } = document
  // the library may have put it on a frame of its own around what is inside
  const within = at === null || at === document.body || at.closest('.ant-drawer') !== null
  if (before instanceof HTMLElement && within) before.focus()
}

/** The first thing to be filled in gets the focus, unless something in it has it already, and whoever opened it has it back. */
async function take(now: boolean) {
  if (!now) return giveBack()
  await nextTick()
  if (!open.value) return
  // a quick hand is at the next field before the sheet stands still
  if (inside.value?.contains(document.activeElement)) return
  inside.value?.querySelector<HTMLElement>('input, button, [tabindex]')?.focus()
}
/** Wherever the focus is; Escape that shuts a list inside doesn't shut the sheet with it. */
useEventListener('keydown', (event: KeyboardEvent) => {
  if (open.value && event.key === 'Escape' && !event.defaultPrevented) open.value = false
})
watch(open, (now) => {
  if (now) before = document.activeElement
  // one that is shut before it stood still doesn't tell that it has moved
  else void nextTick(giveBack)
})
</script>

<template>
  <Drawer
    v-model:open="open"
    class="ui-drawer"
    placement="bottom"
    height="auto"
    :closable="false"
    :keyboard="false"
    :body-style="{ padding: 0 }"
    destroy-on-close
    @after-open-change="take"
  >
    <div ref="inside" role="dialog" aria-modal="true" :aria-label="title" class="inside">
      <slot />
    </div>
  </Drawer>
</template>

<style scoped>
.inside {
  max-height: 88vh;
  overflow-y: auto;
  overscroll-behavior: contain;
}
</style>
