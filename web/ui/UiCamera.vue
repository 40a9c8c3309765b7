<script setup lang="ts">
import { Upload } from 'ant-design-vue'

const { label, chooses = false } = defineProps<{
  label: string
  /** Whether a picture that is there may be chosen; else a device with a camera opens it. */
  chooses?: boolean
}>()
const emit = defineEmits<{ file: [file: File] }>()

/** The file is read here; nothing is sent by itself. */
function take(file: File) {
  emit('file', file)
  return false
}
</script>

<template>
  <Upload
    class="ui-camera"
    accept="image/*"
    :capture="chooses ? undefined : 'environment'"
    :multiple="false"
    :show-upload-list="false"
    :before-upload="take"
    :aria-label="label"
  >
    <slot />
  </Upload>
</template>
