<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { computed, ref } from 'vue'
import type { Change } from '@core/visit'
import { changeWords, COMPARED_NAMES } from '@words'
import { useSay } from '../../say'

const { changes, all = false } = defineProps<{
  changes: Change[]
  /** Whether every change is in sight at once. */
  all?: boolean
}>()
/** So many changes are in sight before the rest is asked for. */
const FEW = 3
const opened = ref(false)
const say = useSay()
const shown = computed(() => (all || opened.value ? changes : changes.slice(0, FEW)))
const lines = computed(() => shown.value.map((c) => ({ what: COMPARED_NAMES[c.what], ...changeWords(c, say) })))
</script>

<template>
  <section :class="{ changes: changes.length > 0 }" aria-labelledby="changes-title" aria-live="polite">
    <h2 id="changes-title" class="hidden">What changed</h2>
    <ul v-if="changes.length > 0">
      <li v-for="change in lines" :key="change.what">
        <span class="line">
          <span class="what">{{ change.what }}</span>
          <span class="was">{{ change.from }}</span>
          <span aria-label="becomes">→</span>
          <b>{{ change.to }}</b>
        </span>
        <span v-if="change.why.length" class="why">{{ change.why.slice(0, 2).join('; ') }}</span>
      </li>
      <li v-if="changes.length > shown.length" class="rest">
        <UiButton kind="link" @click="opened = true"
          >{{ say.count(changes.length - shown.length, 'change') }} more</UiButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.changes {
  grid-column: 1 / -1;
  min-height: 48px;
  padding: 10px 14px 12px;
  border-radius: 0 0 16px 16px;
  border-top: 3px solid var(--rim);
  background: var(--rim-tint);
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
}
li {
  max-width: 100%;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0 6px;
}
.what {
  font-weight: 600;
}
.was {
  color: var(--ink2);
  text-decoration: line-through;
}
.why {
  display: block;
  max-width: 300px;
  color: var(--ink2);
  font-size: 13.5px;
  line-height: 1.3;
}
</style>
