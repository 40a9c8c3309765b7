<script setup lang="ts">
import { Input } from 'ant-design-vue'
import { computed, inject, nextTick, ref, useTemplateRef } from 'vue'
import { fieldErrors } from '../../../contract'
import { OwnMinutes, type Step } from '../../../core/visit'
import { stepTitle } from '../../../words'
import { typedNumber } from '../../parts/words'
import { useSay } from '../../say'
import { FIXED } from './fixed'

const { step, own } = defineProps<{ step: Step; own?: OwnMinutes }>()
const emit = defineEmits<{ own: [own: OwnMinutes]; back: [step: string] }>()

/** Minutes from which on tenths tell nothing. */
const WHOLE_FROM = 20

const say = useSay()
const fixed = inject(FIXED, ref(false))
const form = useTemplateRef('form')
const open = ref(false)
const text = ref('')
const error = ref<string>()
const minutes = computed(() => say.number(step.minutes.value, step.minutes.value < WHOLE_FROM ? 1 : 0))
const title = computed(() => stepTitle(step))

async function show() {
  text.value = say.number(own?.minutes ?? step.minutes.value)
  open.value = true
  await nextTick()
  form.value?.querySelector('input')?.focus()
}
function use() {
  const parsed = OwnMinutes.safeParse({ step: step.id, minutes: typedNumber(text.value) })
  error.value = parsed.success ? undefined : fieldErrors(parsed.error, say)[0]!.message
  if (!parsed.success) return
  open.value = false
  emit('own', parsed.data)
}
</script>

<template>
  <form v-if="open" ref="form" class="minutes" novalidate @submit.prevent="use" @keydown.esc="open = false">
    <Input
      v-model:value="text"
      inputmode="decimal"
      :aria-label="`${title}, minutes`"
      :status="error ? 'error' : ''"
      size="small"
    />
    <button class="link" type="submit">Use</button>
    <button class="link" type="button" @click="open = false">Leave</button>
    <span v-if="error" class="field-error" role="alert">{{ error }}</span>
  </form>
  <span v-else class="min">
    <template v-if="fixed">{{ minutes }} min</template>
    <button v-else class="link" type="button" :aria-label="`${title}: change the minutes`" @click="show">
      {{ minutes }} min
    </button>
    <button
      v-if="own && !fixed"
      class="link back"
      type="button"
      :aria-label="`${title}: put the minutes back`"
      @click="emit('back', step.id)"
    >
      put back
    </button>
  </span>
</template>

<style scoped>
.minutes {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  justify-content: flex-end;
}
.minutes :deep(input) {
  width: 62px;
}
.min {
  text-align: right;
  font-weight: 700;
}
.min .link {
  font-weight: 700;
  text-decoration-style: dotted;
}
.min .back {
  display: block;
  margin-left: auto;
  font-weight: 400;
  font-size: 13px;
}
</style>
