<script setup lang="ts">
import { GUIDE, GUIDE_OF, HELP, type HelpOf } from '@words'
import UiButton from '../ui/UiButton.vue'
import UiDrawer from '../ui/UiDrawer.vue'
import HelpWords from './HelpWords.vue'

const { of } = defineProps<{
  /** The place in the menu that is open. */
  of: HelpOf
}>()
const open = defineModel<boolean>({ required: true })
</script>

<template>
  <UiDrawer v-model="open" :title="`Help: ${HELP[of].title}`">
    <section class="help">
      <div class="head">
        <h2>{{ HELP[of].title }}</h2>
        <UiButton kind="link" @click="open = false">Close</UiButton>
      </div>
      <HelpWords :of="of" />
      <p class="guide">
        Step by step:
        <RouterLink
          v-for="sheet in GUIDE_OF[of]"
          :key="sheet"
          class="link"
          :to="`/guide/${sheet}`"
          @click="open = false"
          >{{ GUIDE[sheet] }}</RouterLink
        >
      </p>
    </section>
  </UiDrawer>
</template>

<style scoped>
.help {
  max-width: 1080px;
  margin: 0 auto;
  padding: 16px 24px 28px;
}
.guide {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.head {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}
</style>
