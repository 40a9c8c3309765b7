<script setup lang="ts">
import { Button } from 'ant-design-vue'

const {
  kind = 'plain',
  submit = false,
  busy = false,
} = defineProps<{
  /** `primary`: the one thing to do here; `plain`: another; `link`: on the way, in a line of text. */
  kind?: 'primary' | 'plain' | 'link'
  /** It sends the form that it stands in. */
  submit?: boolean
  /** What it began isn't done yet. */
  busy?: boolean
}>()
const TYPES = { primary: 'primary', plain: 'default', link: 'link' } as const
</script>

<template>
  <Button :class="kind" :type="TYPES[kind]" :html-type="submit ? 'submit' : 'button'" :loading="busy"><slot /></Button>
</template>
