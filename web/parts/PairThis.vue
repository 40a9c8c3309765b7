<script setup lang="ts">
import { computed, ref } from 'vue'
import { ask } from '../api/client'
import UiButton from '../ui/UiButton.vue'
import UiText from '../ui/UiText.vue'
import ProblemNote from './ProblemNote.vue'
import { useTell } from './useTell'

/** The code may come with the address that a QR code holds. */
const code = ref(location.hash.startsWith('#code=') ? location.hash.slice('#code='.length) : '')
const name = ref('')
const { busy, problem, tell } = useTell()
const of = (field: string) => problem.value?.of(field)
const plain = computed(() => problem.value && !of('code') && !of('name'))

async function pair() {
  const done = await tell(() => ask('POST /pair', { body: { code: code.value, name: name.value } }))
  if (!done) return
  history.replaceState(null, '', '/')
  location.reload()
}
</script>

<template>
  <section class="basin pair" aria-labelledby="pair-title">
    <h1 id="pair-title">Let this device in</h1>
    <p>On the main device, under House, Devices, make a code. It works once, for ten minutes.</p>
    <form novalidate @submit.prevent="pair">
      <UiText v-model="code" label="The 8 digits" inputmode="decimal" :error="of('code')" />
      <UiText v-model="name" label="What this device is called" :error="of('name')" placeholder="Tablet at the tub" />
      <UiButton kind="primary" submit :disabled="busy">Let it in</UiButton>
      <ProblemNote v-if="plain" :problem="problem!" />
    </form>
  </section>
</template>

<style scoped>
.pair {
  max-width: 460px;
  margin: 24px auto;
}
h1 {
  margin-bottom: 6px;
}
form {
  display: grid;
  gap: 12px;
  justify-items: start;
  margin-top: 12px;
}
</style>
