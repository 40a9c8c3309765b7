<script setup lang="ts">
import { Checkbox } from 'ant-design-vue'

const on = defineModel<boolean>({ required: true })
</script>

<template>
  <Checkbox v-model:checked="on" class="ui-check"><slot /></Checkbox>
</template>
