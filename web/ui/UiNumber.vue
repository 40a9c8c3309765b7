<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { ref, watch } from 'vue'
import { typedNumber } from '../parts/words'
import { useSay } from '../say'
import UiField from './UiField.vue'

const say = useSay()

const { label, error, hint } = defineProps<{ label: string; error?: string; hint?: string }>()
/** NaN while what is typed isn't a number. */
const value = defineModel<number>({ required: true })
const text = ref(written(value.value))

function type(typed: string) {
  text.value = typed
  value.value = typedNumber(typed)
}
function written(number: number): string {
  return Number.isNaN(number) ? '' : say.number(number, 2)
}
watch(value, (now) => {
  if (!Object.is(typedNumber(text.value), now)) text.value = written(now)
})
</script>

<template>
  <UiField v-slot="{ id, says }" class="number" :label="label" :error="error" :hint="hint">
    <Input
      :id="id"
      :value="text"
      inputmode="decimal"
      :status="error ? 'error' : ''"
      :aria-describedby="says"
      @update:value="type"
    />
  </UiField>
</template>

<style scoped>
.number {
  max-width: 190px;
}
</style>
