<script setup lang="ts">
import { QRCode } from 'ant-design-vue'

const { value, label } = defineProps<{ value: string; label: string }>()
const SIDE = 168
</script>

<template>
  <div role="img" :aria-label="label" class="qr">
    <QRCode :value="value" :size="SIDE" :bordered="false" type="svg" color="#13242B" bg-color="#FAFAF8" />
  </div>
</template>

<style scoped>
.qr {
  width: max-content;
  padding: 6px;
  background: #fafaf8;
}
</style>
