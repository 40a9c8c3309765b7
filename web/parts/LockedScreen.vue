<script setup lang="ts">
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { CAN_KILL } from '@core/handling'
import { FIRST_STEPS, capital } from '@words'
import { askMe } from '../api/access'
import { ask } from '../api/client'
import { useLock } from '../device/lock'
import UiFold from '../ui/UiFold.vue'
import UiTubButton from '../ui/UiTubButton.vue'
import ProblemNote from './ProblemNote.vue'
import { useTell } from './useTell'
import '../ui/tub.css'

const DIGITS = 4
/** How often the room is asked whether it still wants digits, ms. */
const ASKS_MS = 15_000
const { unlock } = useLock()
const { busy, problem, tell } = useTell()
const typed = ref('')
const pad = useTemplateRef('pad')
const why = computed(() => problem.value?.of('code'))

async function type(digit: string) {
  if (busy.value || typed.value.length === DIGITS) return
  typed.value += digit
  if (typed.value.length < DIGITS) return
  const code = typed.value
  const right = await tell(() => ask('POST /unlock', { body: { code } }))
  typed.value = ''
  if (right) unlock()
}
const back = () => (typed.value = typed.value.slice(0, -1))
useEventListener('keydown', (event: KeyboardEvent) => {
  if (/^\d$/.test(event.key)) void type(event.key)
  else if (event.key === 'Backspace') back()
})
useIntervalFn(() => void askMe(), ASKS_MS)
onMounted(() => pad.value?.focus())
</script>

<template>
  <section ref="pad" class="tub locked" aria-labelledby="locked-title" tabindex="-1">
    <h1 id="locked-title">Four digits</h1>
    <p class="soft" role="status">{{ typed.length }} of {{ DIGITS }} typed</p>
    <ol class="dots" aria-hidden="true">
      <li v-for="n in DIGITS" :key="n" :class="{ on: n <= typed.length }" />
    </ol>
    <div class="pad">
      <UiTubButton v-for="n in 9" :key="n" @click="type(String(n))">{{ n }}</UiTubButton>
      <UiTubButton kind="quiet" aria-label="Take the last digit back" @click="back">←</UiTubButton>
      <UiTubButton @click="type('0')">0</UiTubButton>
    </div>
    <p v-if="why" role="alert">{{ why }}</p>
    <ProblemNote v-else-if="problem" :problem="problem" />
    <UiFold title="A dog is in trouble">
      <dl>
        <template v-for="what in CAN_KILL" :key="what">
          <dt>{{ capital(what) }}</dt>
          <dd>{{ FIRST_STEPS[what].actions.join(' ') }} {{ FIRST_STEPS[what].vet }}</dd>
        </template>
      </dl>
    </UiFold>
  </section>
</template>

<style scoped>
.locked {
  max-width: 420px;
  margin: 0 auto;
  padding: 18px 16px;
  font-size: 18px;
  outline: none;
}
.locked h1 {
  font-size: 36px;
}
.dots {
  display: flex;
  gap: 16px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.dots li {
  width: 22px;
  height: 14px;
  border: 3px solid var(--rim);
  border-top: 0;
  border-radius: 0 0 11px 11px;
}
.dots li.on {
  background: var(--water);
}
.pad {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
}
.pad .big {
  min-height: 76px;
}
dt {
  margin-top: 10px;
  font-weight: 700;
}
dd {
  margin: 0;
}
</style>
