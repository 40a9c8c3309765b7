<script setup lang="ts">
import { UploadDragger } from 'ant-design-vue'
import { useId } from 'vue'

const { label, accept } = defineProps<{
  label: string
  /** Endings and types that are taken: ".ics,text/calendar". */
  accept: string
}>()
const emit = defineEmits<{ file: [file: File] }>()
const id = useId()

/** The file is read here; nothing is sent by itself. */
function take(file: File) {
  emit('file', file)
  return false
}
</script>

<template>
  <div class="ui-upload">
    <label :for="id">{{ label }}</label>
    <UploadDragger :id="id" :accept="accept" :multiple="false" :show-upload-list="false" :before-upload="take">
      <span><slot /></span>
    </UploadDragger>
  </div>
</template>
