<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import { Brought, type Today } from '@core/visit'
import { fieldErrors } from '@contract'
import { useSay } from '../../say'
import UiButton from '../../ui/UiButton.vue'
import UiText from '../../ui/UiText.vue'
import { typedNumber } from '../../parts/words'

const { brought } = defineProps<{ brought: Brought | null }>()
const emit = defineEmits<{ put: [part: Pick<Today, 'brought'>] }>()
const say = useSay()

const asTyped = (b: Brought | null) => ({
  name: b?.name ?? '',
  ratio: b?.ratio ?? '',
  minutes: typeof b?.contactMinutes === 'number' ? say.number(b.contactMinutes) : '',
})
const draft = reactive(asTyped(brought))
const errors = ref<Record<string, string>>({})
const open = ref(brought !== null)
watch(
  () => brought,
  (now) => {
    if (now) Object.assign(draft, asTyped(now))
  },
)

/** What is typed goes into the recipe once it can be read; until then it says why not. */
function take() {
  const contactMinutes = draft.minutes.trim() === '' ? null : typedNumber(draft.minutes)
  const read = Brought.safeParse({ name: draft.name, ratio: draft.ratio, contactMinutes })
  errors.value = read.success ? {} : Object.fromEntries(fieldErrors(read.error, say).map((e) => [e.field, e.message]))
  if (read.success) emit('put', { brought: read.data })
}
function without() {
  Object.assign(draft, asTyped(null))
  errors.value = {}
  open.value = false
  if (brought) emit('put', { brought: null })
}
</script>

<template>
  <UiButton v-if="!open" kind="link" class="asks" @click="open = true">The owner brought the shampoo</UiButton>
  <fieldset v-else class="brought">
    <legend>The owner’s shampoo</legend>
    <UiText v-model="draft.name" label="Name on it" :error="errors.name" :most="60" @focusout="take" @enter="take" />
    <UiText
      v-model="draft.ratio"
      label="Ratio as printed"
      :error="errors.ratio"
      :most="60"
      placeholder="ready to use"
      @focusout="take"
      @enter="take"
    />
    <UiText
      v-model="draft.minutes"
      label="Stays on, min"
      :error="errors.contactMinutes"
      inputmode="decimal"
      @focusout="take"
      @enter="take"
    />
    <UiButton kind="link" @click="without">From the shelf after all</UiButton>
  </fieldset>
</template>

<style scoped>
.brought {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: flex-end;
}
.brought > :not(legend) {
  flex: 0 1 200px;
}
</style>
