<script setup lang="ts">
import UiText from '../../ui/UiText.vue'
import UiButton from '../../ui/UiButton.vue'
import { computed, inject, nextTick, ref, useTemplateRef } from 'vue'
import { fieldErrors } from '@contract'
import { OwnMinutes, type Step } from '@core/visit'
import { stepTitle } from '@words'
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
    <UiText v-model="text" bare inputmode="decimal" :label="`${title}, minutes`" :error="error" />
    <UiButton kind="link" submit>Use</UiButton>
    <UiButton kind="link" @click="open = false">Leave</UiButton>
  </form>
  <span v-else class="min">
    <template v-if="fixed">{{ minutes }} min</template>
    <UiButton v-else kind="link" :aria-label="`${title}: change the minutes`" @click="show">
      {{ minutes }} min
    </UiButton>
    <UiButton
      v-if="own && !fixed"
      kind="link"
      class="back"
      :aria-label="`${title}: put the minutes back`"
      @click="emit('back', step.id)"
    >
      put back
    </UiButton>
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
