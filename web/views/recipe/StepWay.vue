<script setup lang="ts">
import { computed, nextTick, ref, useId, useTemplateRef } from 'vue'
import { canSplit, FIRST_WASH, placesFor, whyNeeded, type OwnChoice, type Step } from '@core/visit'
import { stepTitle } from '@words'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiField from '../../ui/UiField.vue'
import UiSelect from '../../ui/UiSelect.vue'
import UiTap from '../../ui/UiTap.vue'

const { step, steps } = defineProps<{ step: Step; steps: Step[] }>()
const emit = defineEmits<{ take: [choice: OwnChoice]; drop: [key: string] }>()

const say = useSay()
const id = useId()
const title = useTemplateRef<{ $el: HTMLElement }>('title')
const open = ref(false)
const name = computed(() => stepTitle(step))
const isOwn = computed(() => step.kind === 'own')
/** The first of several washes is left out as a wash, not as a step. */
const isFirstWash = computed(() => step.kind === 'wash' && step.role === 'clean')
const needed = computed(() => (isFirstWash.value ? undefined : whyNeeded(step)))
const places = computed(() => placesFor(step.id, steps))
/** After which it could stand instead of where it stands. */
const elsewhere = computed(() => {
  const before = steps[steps.findIndex((s) => s.id === step.id) - 1]?.id
  return places.value
    .filter((p) => p !== before)
    .map((value) => ({ value, text: `after ${stepTitle(steps.find((s) => s.id === value)!).toLowerCase()}` }))
})

function leaveOut() {
  if (isOwn.value) return emit('drop', `added ${step.id}`)
  const skip = isFirstWash.value ? FIRST_WASH : step.id
  emit('take', { key: `skipped ${skip}`, in: 'skipped', value: { step: skip, reason: '' } })
}
const move = (after: string) => emit('take', { key: `moved ${step.id}`, in: 'moved', value: { step: step.id, after } })
const split = () => emit('take', { key: `split ${step.id}`, in: 'split', value: step.id })

/** One place earlier or later among those where it may stand. */
async function nudge(by: -1 | 1) {
  const at = steps.findIndex((s) => s.id === step.id)
  const order = steps.filter((s) => s.id !== step.id).map((s) => s.id)
  const free = places.value.map((p) => order.indexOf(p)).sort((a, b) => a - b)
  const now = at - 1
  const next = by > 0 ? free.find((p) => p > now) : free.findLast((p) => p < now)
  if (next === undefined) return
  move(order[next]!)
  await nextTick()
  title.value?.$el.focus()
}
</script>

<template>
  <div class="way">
    <UiTap
      ref="title"
      class="title"
      :aria-expanded="open"
      :aria-controls="`${id}-way`"
      aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown"
      @click="open = !open"
      @keydown.alt.up.prevent="nudge(-1)"
      @keydown.alt.down.prevent="nudge(1)"
    >
      {{ name }}
    </UiTap>
    <div v-if="open" :id="`${id}-way`" class="panel">
      <UiButton v-if="!needed" kind="link" @click="leaveOut">
        {{ isOwn ? 'Take it out' : isFirstWash ? 'Leave this wash out' : 'Leave it out' }}
      </UiButton>
      <p v-else class="soft small">{{ say.said(needed) }}</p>
      <UiButton v-if="canSplit(step)" kind="link" @click="split">In two halves</UiButton>
      <UiField v-if="elsewhere.length > 0" label="Do it" :for-id="`${id}-after`">
        <UiSelect
          :id="`${id}-after`"
          :model-value="undefined"
          :options="elsewhere"
          @update:model-value="$event && move($event)"
        />
      </UiField>
    </div>
  </div>
</template>

<style scoped>
.title {
  padding: 2px 0;
  border: 0;
  background: none;
  color: inherit;
  font: 700 16px/1.35 var(--text);
  text-align: left;
  text-decoration: underline dotted;
  text-underline-offset: 4px;
  cursor: pointer;
}
.panel {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: flex-end;
  padding: 4px 0 8px;
}
.panel :deep(.ui-select) {
  min-width: 200px;
}
</style>
