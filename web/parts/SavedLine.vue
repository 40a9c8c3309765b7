<script setup lang="ts">
import UiButton from '../ui/UiButton.vue'
import { useSay } from '../say'
import ProblemNote from './ProblemNote.vue'
import type { Keeping } from './useAutosave'
import { pathWords } from './words'

const props = defineProps<{
  /** What keeps the record: it is the same one for as long as this line stands. */
  keeping: Keeping
}>()
const { problem, errors, saved, unsaved, undoes, theirs, undo, keepMine, takeTheirs } = props.keeping
const say = useSay()
</script>

<template>
  <div class="saved-line">
    <p v-if="Object.keys(errors).length > 0" class="field-error" role="alert">
      Not saved:
      {{
        Object.keys(errors).length === 1
          ? 'one field needs a look'
          : `${Object.keys(errors).length} fields need a look`
      }}. {{ Object.values(errors)[0] }}
    </p>
    <p v-else-if="saved" class="done" role="status">Saved.</p>
    <p v-else-if="unsaved" class="soft" role="status">On this device so far, saved in a moment.</p>
    <UiButton v-if="undoes.length > 0" kind="link" @click="undo"
      >Undo<span class="hidden">: {{ say.list(undoes.map(pathWords)) }}</span></UiButton
    >
  </div>
  <ProblemNote v-if="problem" class="problem-line" :problem="problem">
    <template v-if="theirs">
      <slot name="both" />
      <UiButton kind="link" @click="keepMine">Save mine over it</UiButton>
      <UiButton kind="link" @click="takeTheirs">Take the stored one</UiButton>
    </template>
  </ProblemNote>
</template>

<style scoped>
.saved-line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
}
.problem-line {
  flex-basis: 100%;
}
.done {
  color: var(--ok);
  font-weight: 700;
}
</style>
