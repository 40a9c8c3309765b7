<script setup lang="ts">
import QuickAdd from '../../parts/QuickAdd.vue'
import UiButton from '../../ui/UiButton.vue'
import UiDrawer from '../../ui/UiDrawer.vue'

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ added: [] }>()
</script>

<template>
  <UiDrawer v-model="open" title="Add a dog">
    <QuickAdd @added="emit('added')">
      <UiButton kind="link" @click="open = false">Not now</UiButton>
    </QuickAdd>
  </UiDrawer>
</template>
