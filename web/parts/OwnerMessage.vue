<script setup lang="ts">
import { useClipboard, useShare } from '@vueuse/core'
import { ref, watch } from 'vue'
import UiButton from '../ui/UiButton.vue'
import UiText from '../ui/UiText.vue'

const { message, label = 'Message to the owner' } = defineProps<{ message: string; label?: string }>()
const emit = defineEmits<{ close: [] }>()
const text = ref(message)
watch(
  () => message,
  (now) => (text.value = now),
)
const { copy, copied } = useClipboard({ legacy: true })
const { share, isSupported } = useShare()
/** Whoever shares may change their mind. */
const send = () => share({ text: text.value }).catch(() => undefined)
</script>

<template>
  <div class="message basin">
    <UiText v-model="text" :label="label" :rows="2" :most="500" />
    <div class="buttons">
      <UiButton kind="primary" @click="copy(text)">{{ copied ? 'Copied' : 'Copy' }}</UiButton>
      <UiButton v-if="isSupported" @click="send">Share</UiButton>
      <UiButton kind="link" @click="emit('close')">Close</UiButton>
    </div>
  </div>
</template>

<style scoped>
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  margin-top: 8px;
}
</style>
